import type { ReadonlySignal } from '@preact/signals-core';
import type { Codec } from '../codec/index.js';
import type { Pointer, Problem } from '../json/index.js';
import type { Expressed, Expressions } from '../expression/index.js';
import type { CompiledSchema, CompileOptions, Condition, Facts, Messages } from '../schema/index.js';
import type { Words } from '../words/index.js';
import type { FormSchema } from './form-schema.js';
import type { Trouble } from './trouble.js';
import type { FormList } from './list.js';
import type { Where } from './path.js';
import type { StopSignal } from './runtime.js';

/** When a field's problems are shown to the person. Once shown, they follow every change. */
export type TellWhen = 'leave' | 'change' | 'submit';

/** Something between whose options a person chooses: a branch of the schema, a kind of value. */
export interface Chooser {
  /** What the choice is remembered by; for a branch, the `id` of the schema's own choice. */
  readonly key: string;
  /** The option that a value speaks for, as long as nobody has chosen. */
  pick(value: unknown): number;
}

/** An expression at a place; `*` in the place stands for each item of a list. */
export interface PlacedExpression {
  readonly at: Pointer;
  readonly text: string;
}

/** What has to hold of values, whatever their schemas say. */
export interface PlacedRule {
  /** Where it is asked; `*` in the place stands for each entry of a list. */
  readonly at: Pointer;
  /** An expression that gives true or false. While something that it looks at is missing or wrong, it is not asked. */
  readonly holds: string;
  /** What is told where it does not hold. */
  readonly message: string;
  /** Where it is told: pointers below `at`. Without them, at the place itself. */
  readonly tells?: readonly Pointer[];
}

/** What somebody is asked about a value: a function of the application, or a server. */
export interface PlacedCheck {
  readonly at: Pointer;
  /** Gives words where the value is not good; rejects where the answer cannot be had. */
  ask(
    value: unknown,
    around: {
      readonly form: unknown;
      readonly here: unknown;
      readonly at: Pointer;
      readonly signal: StopSignal;
    },
  ): Promise<string | undefined>;
  /** What else the answer depends on, as JSON: another of it is another question. */
  with?(around: { readonly form: unknown; readonly here: unknown }): unknown;
  /** Where no answer can be had: the value is let pass, which is what happens without it, or holds sending up. */
  readonly failing?: 'pass' | 'hold';
  /** How long after the last key press, in milliseconds. By default 300. */
  readonly patience?: number;
}

/** How one place is told of and shown. */
export interface PlaceSettings {
  /** Words for this place; they go before the others. */
  readonly messages?: Messages | undefined;
  /** Keywords in the order in which their problems are told; the others follow. */
  readonly tells?: readonly string[] | undefined;
  /** When a text is shown in its normal form: when the input is left, or already while it is typed. */
  readonly normal?: 'leaving' | 'typing' | undefined;
}

/** The codec of a place; `language` is that of the form. */
export type CodecAt = (
  at: Pointer,
  facts: Facts,
  chosen: (at: Pointer, chooser: Chooser) => number,
  language?: string,
) => Codec | undefined;

/** What a form is opened with. */
export interface FormOptions {
  /** A JSON Schema, or one that has been compiled already. */
  readonly schema: unknown;
  readonly compiled?: CompiledSchema;
  readonly compile?: CompileOptions;
  /** The codec of a place, `*` standing for each entry of a list; without one it is chosen by the schema's type. */
  readonly codecs?: Readonly<Record<Pointer, Codec>> | CodecAt;
  /** A record that was saved: taken as it is. */
  readonly values?: unknown;
  /** What a new record begins with, where there are no `values`; the schema's defaults are added to it. */
  readonly begin?: unknown;
  readonly tell?: TellWhen;
  /** What happens to values that are out of force: left out of what is sent, or sent, too. They are kept either way. */
  readonly hidden?: 'drop' | 'keep';
  /** The language in which it speaks (`loadWords`); English without one. `messages` go before it. */
  readonly words?: Words | undefined;
  readonly messages?: Messages;
  readonly settingsAt?: (at: Pointer) => PlaceSettings | undefined;
  /** The language of expressions, where any are used. */
  readonly expressions?: Expressions;
  readonly computed?: readonly PlacedExpression[];
  readonly conditions?: readonly PlacedExpression[];
  readonly rules?: readonly PlacedRule[];
  readonly checks?: readonly PlacedCheck[];
  /** What is told once it was accepted; `{number}` and the like are members of what the server answered. */
  readonly accepted?: string | ((answer: unknown) => string);
  /** What an earlier form gave with `snapshot()`. */
  readonly restore?: Snapshot;
  /** Nothing in it can be changed or reached. */
  readonly disabled?: boolean;
}

/** What was typed so far, as JSON: survives a reload. */
export interface Snapshot {
  readonly value: unknown;
  /** Texts that could not be parsed, by place, exactly as typed. */
  readonly typed: Readonly<Record<Pointer, unknown>>;
  readonly visited: readonly Pointer[];
  /** Options that were chosen, by place and chooser. */
  readonly chosen?: Readonly<Record<Pointer, Readonly<Record<string, number>>>>;
}

/** A value that no schema speaks of, whatever holds: of an earlier schema, or of a record that has more than it. */
export interface LeftOver {
  readonly at: Pointer;
  readonly value: unknown;
  /** Whether the schema would take it (`additionalProperties` is not `false`). */
  readonly isAllowed: boolean;
}

/** What became of sending. `problems` name the fields that were refused; `message` speaks of the whole. */
export type Outcome =
  | { readonly kind: 'accepted'; readonly answer: unknown }
  | { readonly kind: 'refused'; readonly problems: readonly Problem[]; readonly message?: string }
  | { readonly kind: 'failed'; readonly message: string };
/** `invalid`: nothing was sent, since the form has problems of its own. */
export type Submitted = Outcome | { readonly kind: 'invalid'; readonly problems: readonly Problem[] };

/** Where the form stands between two attempts to send it. */
export type FormStatus = 'open' | 'sending' | 'accepted' | 'refused' | 'failed';

/** One field: a place in the form with what it shows, holds and sends. Reading inside an `effect` follows the value. */
export interface FormField {
  readonly at: Pointer;
  /** What the input has to show: the typed text where it could not be parsed. */
  readonly shown: unknown;
  readonly held: unknown;
  readonly sent: unknown;
  readonly problems: readonly Problem[];
  /** The problems that the person should see by now. */
  readonly shownProblems: readonly Problem[];
  /** Whether a schema in force speaks of it, and every condition from the root to it holds. */
  readonly inForce: boolean;
  /** Somebody is being asked about its value. */
  readonly pending: boolean;
  readonly visited: boolean;
  readonly changed: boolean;
  readonly required: boolean;
  readonly disabled: boolean;
  readonly readOnly: boolean;
  readonly facts: Facts;
  /** The input told something: it is parsed, or kept as typed. */
  report(raw: unknown): void;
  write(held: unknown): void;
  /** The person left the input. */
  leave(): void;
  focus(): void;
  /** How `focus` reaches the real input; gives back the way to take it off again. */
  attach(input: { focus(): void }): () => void;
}

/** A form: one JSON value, the schema that speaks of it, and what a person did with it. What is read inside an `effect` is followed. */
export interface Form<T = unknown> {
  /** The schema that it was opened on, or what was written out of it. */
  readonly schema: FormSchema;
  readonly tell: TellWhen;
  readonly status: FormStatus;
  readonly changed: boolean;
  readonly submittedOnce: boolean;
  /** The language in which it speaks, followed; `undefined` is English. */
  readonly words: Words | undefined;
  /** Goes on in another language: problems, what is drawn, how numbers are written. What was typed stays as it is. */
  speak(words: Words | undefined): void;
  /** What is to be told of the whole: why it was refused or failed, or that it was accepted. */
  readonly message: string | undefined;
  field(at: Where<T>): FormField;
  list(at: Where<T>): FormList;
  /** The sent value at a place, followed as a whole. */
  valueAt(at: Pointer): unknown;
  /** Whether conditions hold that are told from a place. */
  holds(at: Pointer, conditions: readonly Condition[]): boolean;
  /** The option that is in force, chosen or spoken for by the value. */
  chosen(at: Pointer, chooser: Chooser): number;
  /** Takes another option, with the value that it starts from. */
  choose(at: Pointer, chooser: Chooser, index: number, value: unknown): void;
  /** Writes the value at a place as it is sent, whatever stands there: `undefined` takes it away. */
  put(at: Pointer, sent: unknown): void;
  /** What an expression at a place says now; followed as it changes. */
  ask(at: Pointer, text: string): Expressed;
  /** What is wrong with the description or with how the form is used: told to the developer, never to the person. */
  readonly troubles: readonly Trouble[];
  /** The JSON to be sent: what is in force. */
  sent(): unknown;
  /** Values that no schema speaks of. They are not sent; `keep` has one sent all the same, `put(at, undefined)` takes it away. */
  readonly leftOver: readonly LeftOver[];
  keep(at: Pointer): void;
  /** Values of places that are out of force: kept until those come back, and not sent. */
  readonly aside: readonly Pick<LeftOver, 'at' | 'value'>[];
  /** Tells the developer that something is wrong with the description, or with how the form is used; each once. */
  trouble(at: Pointer, says: string): void;
  problems(): readonly Problem[];
  /** Has the problems at and below a place told, as an attempt to send does for the whole; gives them back. */
  tellWithin(at: Pointer): readonly Problem[];
  /**
   * What sending would wait for, if anything: servers that are asked about values, and what checks the values of a form
   * that was written out. It fails where that cannot be had.
   */
  waitsFor(): Promise<unknown> | undefined;
  /** Sends what is in force, once nothing is wrong and nobody is being asked any more. */
  submit(send: (sent: T) => Promise<Outcome>): Promise<Submitted>;
  /** Puts the server's problems onto the fields. */
  refuse(problems: readonly Problem[], message?: string): void;
  /** Takes a record as the new beginning. */
  load(values: unknown): void;
  /** Back to the beginning. */
  restart(): void;
  snapshot(): Snapshot;
  /** A number that grows with every change, for those who save or draw the whole. */
  readonly version: ReadonlySignal<number>;
}
