/** True and false. */
import { fail, typeOf } from './kinds.js';

export function isTrue(value: unknown, words: string): boolean {
  return typeof value === 'boolean' ? value : fail(`${words}, got '${typeOf(value)}'`);
}
/** One side of *and* and *or*: `undefined` with the trouble where it is neither true nor false. */
function sideOf(work: () => unknown): { readonly is?: boolean; readonly trouble?: unknown } {
  try {
    return { is: operand(work()) };
  } catch (trouble) {
    return { trouble };
  }
}
const operand = (value: unknown): boolean => isTrue(value, 'Logical operator requires bool operands');

/** A side that decides alone does so, even where the other cannot be computed. */
function either(decides: boolean, left: () => unknown, right: () => unknown): boolean {
  const first = sideOf(left);
  if (first.is === decides || operand(right()) === decides) return decides;
  if (first.is === undefined) throw first.trouble;
  return !decides;
}

export const logic = {
  isTrue: (value: unknown): boolean => isTrue(value, 'Ternary condition must be bool'),
  not: (value: unknown): boolean => (typeof value === 'boolean' ? !value : fail(`no such overload: !${typeOf(value)}`)),
  and: (left: () => unknown, right: () => unknown): boolean => either(false, left, right),
  or: (left: () => unknown, right: () => unknown): boolean => either(true, left, right),
};
