/** Limits of numbers. */
import { numberOf } from './bounds.js';
import { assertion, bits, type Family, type Keyword } from './context.js';

/** Exact for every pair of doubles: both are decimal texts, compared as whole numbers of the smaller unit. */
export function isMultiple(value: number, of: number): boolean {
  const rest = value % of;
  if (rest === 0) return true;
  if (Number.isInteger(value) && Number.isInteger(of)) return false;
  const [a, aDigits] = decimal(value);
  const [b, bDigits] = decimal(of);
  const digits = Math.max(aDigits, bDigits);
  return (a * 10n ** BigInt(digits - aDigits)) % (b * 10n ** BigInt(digits - bDigits)) === 0n;
}

/** A double as a whole number and the count of decimals in it. */
function decimal(value: number): [bigint, number] {
  const [, sign = '', whole = '0', fraction = '', exponent = '0'] =
    /^(-?)(\d+)(?:\.(\d+))?(?:e([+-]\d+))?$/.exec(String(value)) ?? [];
  const digits = fraction.length - Number(exponent);
  const number = BigInt(sign + whole + fraction);
  return digits >= 0 ? [number, digits] : [number * 10n ** BigInt(-digits), 0];
}

const multipleOf: Keyword = (context) => {
  const of = numberOf(context);
  if (of === undefined) return undefined;
  if (of <= 0) {
    context.complain('has to be greater than 0');
    return undefined;
  }
  return assertion(context, bits.number, (value: number) => isMultiple(value, of));
};

type Compare = (value: number, limit: number) => boolean;
/** In draft 4 the exclusive limits are marks beside the others; later they are limits of their own. */
const bound =
  (exclusiveWord: string, fits: Compare, fitsExclusively: Compare): Keyword =>
  (context) => {
    const limit = numberOf(context);
    if (limit === undefined) return undefined;
    const isMarked = context.dialect.draft === 4 && context.raw[exclusiveWord] === true;
    const compare = isMarked ? fitsExclusively : fits;
    const rule = assertion(context, bits.number, (value: number) => compare(value, limit));
    return isMarked ? { ...rule, keyword: exclusiveWord, params: () => ({ limit }) } : rule;
  };
const exclusive =
  (fits: Compare): Keyword =>
  (context) => {
    const limit = context.dialect.draft === 4 ? undefined : numberOf(context);
    return limit === undefined ? undefined : assertion(context, bits.number, (value: number) => fits(value, limit));
  };
const below: Compare = (value, limit) => value < limit;
const above: Compare = (value, limit) => value > limit;

export const family: Family = {
  keywords: {
    multipleOf,
    maximum: bound('exclusiveMaximum', (value, limit) => value <= limit, below),
    minimum: bound('exclusiveMinimum', (value, limit) => value >= limit, above),
    exclusiveMaximum: exclusive(below),
    exclusiveMinimum: exclusive(above),
  },
  english: {
    multipleOf: ({ limit }) =>
      limit === 1 ? 'Has to be a whole number.' : `Has to be a multiple of ${String(limit)}.`,
    maximum: 'Has to be {limit} or less.',
    minimum: 'Has to be {limit} or more.',
    exclusiveMaximum: 'Has to be less than {limit}.',
    exclusiveMinimum: 'Has to be more than {limit}.',
  },
};
