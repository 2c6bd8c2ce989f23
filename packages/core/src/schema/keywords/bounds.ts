/** What keywords with limits are made of, for families that are fetched. */
import { assertion, countOf, type Context, type Keyword } from './context.js';

/** The keyword's value as a finite number, or `undefined` after a complaint. */
export function numberOf(context: Context): number | undefined {
  if (typeof context.value === 'number' && Number.isFinite(context.value)) return context.value;
  context.complain('has to be a number');
  return undefined;
}

/** A count that may not go above, or below, the keyword's own: entries of a list, members of an object. */
export function bounded(on: number, size: (value: object) => number, bound: 'most' | 'least'): Keyword {
  return (context) => {
    const limit = countOf(context);
    if (limit === undefined) return undefined;
    const fits = bound === 'most' ? (value: object) => size(value) <= limit : (value: object) => size(value) >= limit;
    return assertion(context, on, fits, (value: object) => ({ limit, seen: size(value) }));
  };
}
