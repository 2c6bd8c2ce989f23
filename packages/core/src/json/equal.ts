import { isObject } from './value.js';

/** Equality as JSON Schema defines it: by value, `1` and `1.0` the same, the order of members without meaning. */
export function equalJson(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a)) {
    if (!Array.isArray(b) || a.length !== b.length) return false;
    for (let i = 0; i < a.length; i++) if (!equalJson(a[i], b[i])) return false;
    return true;
  }
  if (!isObject(a) || !isObject(b)) return false;
  const names = Object.keys(a);
  if (names.length !== Object.keys(b).length) return false;
  for (const name of names) if (!Object.hasOwn(b, name) || !equalJson(a[name], b[name])) return false;
  return true;
}
