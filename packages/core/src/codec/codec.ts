import type { Json } from '../json/index.js';
import type { Refusal } from './refusals.js';

/** What came of reading what was typed or picked. A failure keeps nothing back: the typed text stays where it is. */
export type Parsed<Held> =
  | { readonly ok: true; readonly held: Held }
  | {
      readonly ok: false;
      /** In English. */
      readonly reason: string;
      /** The same for other languages: which reason it is, and what it speaks of. */
      readonly refusal?: Refusal | undefined;
    };

/**
 * The way of a value: shown → held by `parse`, held → shown by `show`, held → sent by `serialise`, sent → held by
 * `revive`. `undefined` is "no value" at every station, and becomes an absent member in what is sent.
 * None of the four throws.
 */
export interface Codec<Held = unknown> {
  parse(shown: unknown): Parsed<Held | undefined>;
  show(held: Held | undefined): unknown;
  serialise(held: Held | undefined): Json | undefined;
  revive(sent: unknown): Parsed<Held | undefined>;
}

/** One row of a codec's table. Values that JSON has no word for are written as `written.ts` says. */
export interface Case {
  readonly shown: unknown;
  /** What has to be held and sent; both absent where nothing is left. */
  readonly held?: unknown;
  readonly sent?: unknown;
  /** What has to be shown again, where it differs from `shown`. */
  readonly again?: unknown;
  /** Part of the reason that has to be given, where `shown` cannot be parsed. */
  readonly refused?: string;
  readonly note?: string;
}

/** A codec as a kit keeps it: which built-in one, with which options, proved by which cases. */
export interface CodecDescription {
  readonly kind: string;
  readonly options?: Readonly<Record<string, unknown>>;
  readonly title?: string;
  readonly cases?: readonly Case[];
}
