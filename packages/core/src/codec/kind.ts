import type { Maker, Makers } from './maker.js';

/** The JSON Schema of an option. */
export type OptionSchema = Readonly<Record<string, unknown>>;
/** A kind of codec, whole: what it is called, what it does, what it may be told, and how it is made. */
export interface CodecKind {
  readonly title: string;
  readonly says: string;
  /**
   * Its options, as the properties of a JSON Schema: by these a form draws them and a kit's are checked. `empty`, which
   * every kind takes, is not among them.
   */
  readonly options: Readonly<Record<string, OptionSchema>>;
  readonly make: Maker;
}
export type CodecKinds = Readonly<Record<string, CodecKind>>;

export function makersOf(kinds: CodecKinds): Makers {
  return Object.fromEntries(Object.entries(kinds).map(([kind, { make }]) => [kind, make]));
}
export function textOption(title: string, more: OptionSchema = {}): OptionSchema {
  return { type: 'string', title, ...more };
}
