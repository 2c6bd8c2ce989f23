import type { Codec } from './codec.js';

export type Options = Readonly<Record<string, unknown>>;
export type Maker = (options: Options) => Codec;
/** Makers by kind. */
export type Makers = Readonly<Record<string, Maker>>;

/** "Nothing" in an input: what an emptied box, an undone choice or an untouched picker reports. */
export const isNothing = (shown: unknown): boolean => shown === undefined || shown === null || shown === '';
export const said = (value: unknown): string =>
  typeof value === 'string' ? `“${value}”` : value === null ? 'null' : Array.isArray(value) ? 'a list' : typeof value;

/** Reading a text back from a record. */
export const textExpected = (sent: unknown): string => `A text was expected, but the record has ${said(sent)}.`;
