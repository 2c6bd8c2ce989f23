/**
 * A form as it is written out, so that an application that draws it needs neither what compiles schemas nor what makes
 * plans: subschemas and parts of the plan stand in two lists, and speak of each other by their numbers in these.
 */
import type { FormOptions, Ground } from '../form/index.js';
import type { codeMakers } from '../codec/code.js';
import type { Makers } from '../codec/index.js';
import type { checksOf, FieldUse, Hints, PlanChoices, PlanNode } from '../plan/index.js';
import type { Choice, CompiledSchema, Facts, fillDefaults } from '../schema/index.js';

/** The verdict of a subschema, as a function of its own. */
export type WrittenTest = (value: unknown) => boolean;

/** One subschema: what a form reads of it. */
export interface WrittenNode {
  /** Its keywords that say what a value is like; `false` where none is allowed. Words and hints stand in the plan. */
  readonly says?: Readonly<Record<string, unknown>> | false;
  /** The keywords that lead to other subschemas, in the order in which they are asked. */
  readonly rules?: readonly WrittenRule[];
}
export type WrittenRule =
  | readonly ['properties', Readonly<Record<string, number>>]
  | readonly ['additionalProperties', number]
  | readonly ['prefixItems', readonly number[]]
  | readonly ['items', number]
  | readonly ['required', readonly string[]]
  /** Others that speak of the same value: `$ref`, `allOf`. */
  | readonly ['allOf', readonly number[]]
  | readonly ['if', WrittenTest, yes: number | undefined, no: number | undefined]
  | readonly ['dependentSchemas', Readonly<Record<string, number>>]
  | readonly ['oneOf', WrittenChoice];

/** A `oneOf` or `anyOf`. */
export interface WrittenChoice {
  /** What the form remembers a choice by. */
  readonly id: string;
  readonly nodes: readonly number[];
  readonly fits: readonly WrittenTest[];
  /** The member that tells the branches apart, and its values in each. */
  readonly telling?: { readonly name: string; readonly values: readonly (readonly unknown[])[] };
}

/** A condition that is asked of the value `up` levels above. */
export type WrittenCondition = { readonly up?: number } & (
  | { readonly if: WrittenTest; readonly holds: boolean }
  | { readonly present: string }
  | { readonly choice: string; readonly index: number }
);

interface WrittenBase {
  /** Empty where it is left out. */
  readonly name?: string;
  readonly label: string;
  readonly hint?: string;
  readonly hints?: Hints;
  /** It is always there where this is left out. */
  readonly when?: readonly (readonly WrittenCondition[])[];
  /** What differs from a place of which nothing is said. */
  readonly facts?: Partial<Facts>;
  readonly required?: true;
}
interface WrittenField extends WrittenBase {
  readonly kind: 'field';
  /** A field of the kit; adapter and codec are those that it has there. */
  readonly field?: string;
  /** Adapter and codec, where it is no field of the kit. */
  readonly use?: FieldUse;
  /** Null is what an emptied input means, which the codec itself does not say. */
  readonly isNull?: true;
  readonly choices?: PlanChoices;
  readonly fixed?: { readonly value: unknown };
}
export interface WrittenGroup extends WrittenBase {
  readonly kind: 'group';
  readonly children: readonly number[];
  readonly tuple?: true;
  readonly again?: true;
  readonly onDemand?: true;
  /** Members with names of one's own: the part for each, and the names that are needed. */
  readonly more?: { readonly part: number; readonly isLabelled: boolean; readonly needs: readonly string[] };
}
interface WrittenList extends WrittenBase {
  readonly kind: 'list';
  readonly item: number;
  readonly least?: number;
  readonly most?: number;
}
interface WrittenChooser extends WrittenBase {
  readonly kind: 'chooser';
  readonly key: string;
  readonly options: readonly { readonly label: string; readonly part: number }[];
  /** Where it chooses between kinds of value, and not between branches of the schema: which of them a value is of. */
  readonly pick?: (value: unknown) => number;
  readonly again?: true;
  readonly onDemand?: true;
}
export type WrittenPart = WrittenField | WrittenGroup | WrittenList | WrittenChooser;

/** A whole form, written out. */
export interface WrittenForm {
  /** The subschemas; the first is the root. */
  readonly nodes: readonly WrittenNode[];
  /** The parts of the plan; the first is the root. */
  readonly parts: readonly WrittenPart[];
  /** What the schema's defaults make of a new record; absent where it has none. */
  readonly start?: unknown;
  /** The verdict of the whole schema; there where defaults have to be weighed. */
  readonly accepts?: WrittenTest;
  /** What makes its codecs, by kind, beside those of every form. */
  readonly makers?: Makers;
  readonly codeMakers?: typeof codeMakers;
  /** The language of its expressions, and where they stand. */
  readonly asks?: Pick<FormOptions, 'expressions' | 'computed' | 'conditions' | 'rules'>;
  readonly checksOf?: typeof checksOf;
  /** What looks after its values beside the schema. */
  readonly ground?: Pick<Ground, 'moves' | 'express' | 'attend' | 'normal'>;
  readonly fillDefaults?: typeof fillDefaults;
  /** Where members may have names of one's own. */
  readonly ownNames?: (
    group: WrittenGroup,
    parts: readonly WrittenPart[],
    revived: (part: WrittenPart) => PlanNode,
  ) => (name: string) => PlanNode | undefined;
  /** Fetches what checks its values: problems are told from then on, and nothing is sent before. */
  readonly checks: () => Promise<WrittenChecks>;
}

/** What checks the values of a form that was written out. */
export interface WrittenChecks {
  readonly compiled: CompiledSchema;
  /** Every choice that the schema has, by what the form remembers it by. */
  readonly choices: ReadonlyMap<string, Choice>;
}
