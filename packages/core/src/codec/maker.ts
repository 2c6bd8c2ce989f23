import type { Codec } from './codec.js';

export type Options = Readonly<Record<string, unknown>>;
export type Maker = (options: Options) => Codec;
/** Makers by kind. */
export type Makers = Readonly<Record<string, Maker>>;

/**
 * "Nothing" in an input: what an emptied box, an undone choice or an untouched picker reports. Functions, here and below,
 * so that a bundler that puts modules off until they are fetched has them at hand all the same.
 */
export function isNothing(shown: unknown): boolean {
  return shown === undefined || shown === null || shown === '';
}
export function said(value: unknown): string {
  return typeof value === 'string'
    ? `“${value}”`
    : value === null
      ? 'null'
      : Array.isArray(value)
        ? 'a list'
        : typeof value;
}

/** Reading a text back from a record. */
export function textExpected(sent: unknown): string {
  return `A text was expected, but the record has ${said(sent)}.`;
}
