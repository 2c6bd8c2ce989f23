/** Members and items, where an expression that was written out looks for them. */
import { isObject } from '../json/index.js';
import { fail } from './kinds.js';

/** What an object or a list has at a name or a number. */
export function lookUp(of: unknown, name: unknown): unknown {
  if (!Array.isArray(of)) {
    const key = String(name);
    return isObject(of) && Object.hasOwn(of, key) ? of[key] : undefined;
  }
  if (typeof name !== 'number' && typeof name !== 'bigint') return undefined;
  const found: unknown = of[Number(name)];
  return found === undefined
    ? fail(`No such key: index out of bounds, index ${name} ${name < 0 ? '< 0' : `>= size ${of.length}`}`)
    : found;
}

/** What may be missing. An optional value that is none is `undefined`, which nothing else is. */
export const optionals = {
  optional(of: unknown, name: unknown): unknown {
    try {
      return lookUp(of, name);
    } catch {
      return undefined;
    }
  },
  orValue: (value: unknown, otherwise: () => unknown): unknown => (value === undefined ? otherwise() : value),
  has(of: unknown, ...names: readonly string[]): boolean {
    let at = of;
    for (const [i, name] of names.entries()) {
      at = Array.isArray(at) ? undefined : lookUp(at, name);
      if (at === undefined) return i < names.length - 1 ? fail(`No such key: ${name}`) : false;
    }
    return true;
  },
};
