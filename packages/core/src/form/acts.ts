/**
 * What a person did at a place, beside the value that came of it: one record for moving an entry, for undo and for
 * snapshots. Values are the document's; a record of acts never holds a copy of them, but for branches that were left.
 */
import { signal, type Signal } from '@preact/signals-core';
import type { Refusal } from '../codec/index.js';
import type { Problem } from '../json/index.js';

/** A text that could not be parsed, with the reason. */
export interface Typed {
  readonly raw: unknown;
  readonly reason: string;
  readonly refusal?: Refusal | undefined;
}
/** What was held by an input, as long as the value is not replaced: not every held value survives JSON the same. */
export interface Held {
  readonly held: unknown;
  /** The place's `replacedVersion` when it was held. */
  readonly version: number;
}
/** What stood in an option before another one was taken. */
export interface Left {
  readonly value: unknown;
  readonly acts: Remembered | undefined;
}

/** The acts at a place and below it, to be put back where the value is moved to. */
export interface Remembered {
  readonly typed: Typed | undefined;
  readonly draft: string | undefined;
  readonly visited: boolean;
  readonly refusals: readonly Problem[];
  readonly held: { readonly held: unknown } | undefined;
  readonly chosen: readonly (readonly [string, number])[];
  readonly left: ReadonlyMap<string, ReadonlyMap<number, Left>>;
  /** What is kept here while the place is out of force. */
  readonly kept: { readonly value: unknown } | undefined;
  readonly children: readonly (readonly [string, Remembered])[];
}

const none: readonly Problem[] = [];

export class Acts {
  readonly typed = signal<Typed | undefined>(undefined);
  /** A typed text that could be parsed but would be shown another way; stays until the field is left. */
  readonly draft = signal<string | undefined>(undefined);
  readonly visited = signal(false);
  /** What a server refused. */
  readonly refusals = signal<readonly Problem[]>(none);
  readonly held = signal<Held | undefined>(undefined);
  #chosen: Map<string, Signal<number | undefined>> | undefined;
  /** By chooser and option: what was left there. */
  left: Map<string, Map<number, Left>> | undefined;

  /** The option that a person has chosen here, until the value is replaced from elsewhere. */
  chosen(key: string): Signal<number | undefined> {
    this.#chosen ??= new Map();
    let own = this.#chosen.get(key);
    if (!own) {
      own = signal<number | undefined>(undefined);
      this.#chosen.set(key, own);
    }
    return own;
  }
  get choices(): [string, number][] {
    return [...(this.#chosen ?? [])].flatMap(([key, { value }]): [string, number][] =>
      value === undefined ? [] : [[key, value]],
    );
  }

  /** What a server refused was another value. An empty list is left as it is, so that nobody is told of nothing. */
  accept(): void {
    if (this.refusals.peek().length > 0) this.refusals.value = none;
  }
  /** The value was replaced: what was typed, held, refused and chosen here was about another one. */
  forget(): void {
    this.typed.value = undefined;
    this.draft.value = undefined;
    this.held.value = undefined;
    this.left = undefined;
    this.accept();
    for (const own of this.#chosen?.values() ?? []) own.value = undefined;
  }
}
