/** The keyword for kinds, and those for the length of texts. */
import { kindOf, type Kind } from '../../json/index.js';
import { kindWords, plural, type Messages } from '../messages.js';
import { bitOf } from '../rule.js';
import { assertion, bits, countOf, type Family, type Keyword } from './context.js';
import { lengthOf } from './length.js';

const kinds: Readonly<Record<Kind, number>> = {
  null: bits.null,
  boolean: bits.boolean,
  integer: bits.number,
  number: bits.number,
  string: bits.string,
  array: bits.array,
  object: bits.object,
};

export const type: Keyword = (context) => {
  const names = (Array.isArray(context.value) ? context.value : [context.value]) as Kind[];
  const unknown = names.find((name) => !Object.hasOwn(kinds, name));
  if (unknown !== undefined) {
    context.complain(`names no type of JSON: ${JSON.stringify(unknown)}`);
    return undefined;
  }
  let mask = 0;
  for (const name of names) mask |= kinds[name];
  const whole = names.includes('integer') && !names.includes('number');
  const params = (value: unknown): Record<string, unknown> => ({ expected: names, seen: kindOf(value) });
  const accepts = whole
    ? (value: unknown): boolean => (bitOf(value) & mask) !== 0 && (typeof value !== 'number' || Number.isInteger(value))
    : single(names, mask);
  return { kind: 'assertion', keyword: 'type', on: bits.any, accepts, params };
};

/** Kinds that the language tells by a word, quicker than by a bit. */
const worded = new Set<Kind | undefined>(['string', 'number', 'boolean']);

function single([only, ...others]: readonly Kind[], mask: number): (value: unknown) => boolean {
  if (others.length === 0 && worded.has(only)) return (value) => typeof value === only;
  return (value) => (bitOf(value) & mask) !== 0;
}

const maxLength: Keyword = (context) => {
  const limit = countOf(context);
  if (limit === undefined) return undefined;
  return assertion(
    context,
    bits.string,
    (value: string) => value.length <= limit || (value.length <= 2 * limit && lengthOf(value) <= limit),
    (value: string) => ({ limit, seen: lengthOf(value) }),
  );
};
const minLength: Keyword = (context) => {
  const limit = countOf(context);
  if (limit === undefined || limit === 0) return undefined;
  return assertion(
    context,
    bits.string,
    (value: string) => value.length >= limit && (value.length >= 2 * limit || lengthOf(value) >= limit),
    (value: string) => ({ limit, seen: lengthOf(value) }),
  );
};

const english: Messages = {
  type: ({ expected, seen }) => `Has to be ${kindWords(expected)}, but is ${kindWords(seen ?? 'missing')}.`,
  maxLength: ({ limit, seen }) =>
    `Has to be at most ${plural(limit, 'character', 'characters')} long, but has ${String(seen)}.`,
  minLength: ({ limit, seen }) =>
    seen === 0
      ? 'Must not be empty.'
      : `Has to be at least ${plural(limit, 'character', 'characters')} long, but has ${String(seen)}.`,
  limit: '{reason}',
};

export const family: Family = {
  keywords: {
    type,
    maxLength,
    minLength,
  },
  english,
};
