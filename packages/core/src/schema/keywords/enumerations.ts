/** Keywords that name the values themselves. */
import { equalJson, nearest } from '../../json/index.js';
import { listWords, type Messages } from '../messages.js';
import { shortly } from '../shortly.js';
import { assertion, bits, type Family, type Keyword } from './context.js';

const enumeration: Keyword = (context) => {
  if (!Array.isArray(context.value)) {
    context.complain('has to be a list');
    return undefined;
  }
  const allowed: readonly unknown[] = context.value;
  const simple = new Set(allowed.filter((item) => typeof item !== 'object' || item === null));
  const complex = allowed.filter((item) => typeof item === 'object' && item !== null);
  return assertion(
    context,
    bits.any,
    (value: unknown) => simple.has(value) || complex.some((item) => equalJson(item, value)),
    (seen) => ({ allowed, seen }),
  );
};

const constant: Keyword = (context) => {
  const wanted = context.value;
  const accepts =
    typeof wanted === 'object' && wanted !== null
      ? (value: unknown) => equalJson(wanted, value)
      : (value: unknown) => value === wanted;
  return assertion(context, bits.any, accepts, (seen) => ({ allowed: wanted, seen }));
};

/** What is told of a value that is none of those that may be: what they are, and which of them may have been meant. */
function noneOf({ allowed, seen }: Readonly<Record<string, unknown>>): string {
  const list: readonly unknown[] = Array.isArray(allowed) ? allowed : [allowed];
  if (typeof seen !== 'string' || seen === '') return `Has to be ${choices(list)}.`;
  const texts = list.filter((one) => typeof one === 'string');
  const meant = nearest(seen, texts);
  return list.length === 1
    ? `Has to be ${shortly(list[0])}, but is ${shortly(seen)}.`
    : `${shortly(seen)} is none of: ${few(list).join(', ')}${meant}`;
}
const few = (list: readonly unknown[]): string[] =>
  list.length > 8
    ? [...list.slice(0, 5).map((one) => shortly(one)), `… (${list.length} in all)`]
    : list.map((one) => shortly(one));
function choices(list: readonly unknown[]): string {
  return list.length > 8
    ? `one of ${list.length} values (${list
        .slice(0, 5)
        .map((one) => shortly(one))
        .join(', ')} …)`
    : listWords(list.map((one) => shortly(one)));
}

const english: Messages = {
  enum: noneOf,
  const: ({ allowed, seen }) => noneOf({ allowed: [allowed], seen }),
};

export const family: Family = { keywords: { enum: enumeration, const: constant }, english };
