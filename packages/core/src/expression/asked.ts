import type { Expressed, Expression, Scope } from './types.js';

/** An expression that is asked by running this; what it throws is what is missing, or what is wrong with it. */
export function askedBy(run: (scope: Scope) => unknown, wordsOf = messageOf): Expression['ask'] {
  return ({ form, here, value }): Expressed => {
    try {
      return { value: plain(run({ form: form ?? {}, here: here ?? {}, value: value ?? null })) };
    } catch (error) {
      const words = wordsOf(error);
      // While a form is being filled, what is not there yet is no fault of the expression.
      return /no such key|index out of|out of bounds|\bnull\b/i.test(words) ? { missing: words } : { trouble: words };
    }
  };
}
const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));

/** What the language gives, as JSON. */
function plain(value: unknown): unknown {
  if (typeof value === 'bigint') return Number(value);
  if (Array.isArray(value)) return value.map(plain);
  if (typeof value === 'number') return Number.isFinite(value) ? value : undefined;
  return value;
}
