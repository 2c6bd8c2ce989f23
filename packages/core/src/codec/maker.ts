import type { Codec, Parsed } from './codec.js';
import type { Refusal, Refusals, Wanted } from './refusals.js';

export type Options = Readonly<Record<string, unknown>>;
export type Maker = (options: Options) => Codec;
/** Makers by kind. */
export type Makers = Readonly<Record<string, Maker>>;

/** A value that could be read. */
export function held<Held>(value: Held): Parsed<Held> {
  return { ok: true, held: value };
}
/** Without a name it is a reason in words that no catalogue knows, like that of a codec of one's own. */
export function refused(reason: string): { ok: false; reason: string };
export function refused<Name extends keyof Refusals>(
  reason: string,
  name: Name,
  about: Refusals[Name],
): { ok: false; reason: string; refusal: Refusal };
export function refused(reason: string, name?: string, about?: object): object {
  return { ok: false, reason, refusal: name && { name, about } };
}

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
