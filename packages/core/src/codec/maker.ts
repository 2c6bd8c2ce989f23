import { refused, type Codec } from './codec.js';
import type { Wanted } from './refusals.js';

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
/** A value that was not expected, in a few words. */
export function said(value: unknown): string {
  return typeof value === 'string'
    ? `“${value}”`
    : Array.isArray(value)
      ? 'a list'
      : typeof value === 'object' && value
        ? 'an object'
        : typeof value === 'function'
          ? 'a function'
          : String(value);
}

/** Refuses something of another kind than was expected; `what` says that in English (“A text was”). */
export function unlike(
  wanted: Wanted,
  what: string,
  seen: unknown,
  from: 'input' | 'record' | 'step',
): ReturnType<typeof refused> {
  const came = from === 'input' ? 'the input gave' : from === 'record' ? 'the record has' : 'came';
  return refused(`${what} expected, but ${came} ${said(seen)}.`, 'kind', { wanted, seen, from });
}
/** Reading a text back from a record. */
export function noText(sent: unknown): ReturnType<typeof refused> {
  return unlike('text', 'A text was', sent, 'record');
}
