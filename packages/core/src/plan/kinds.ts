import { isObject, type Kind } from '../json/index.js';

/** Whether a value is of a kind; a whole number is a number, too. */
export function isOfKind(value: unknown, kind: Kind): boolean {
  switch (kind) {
    case 'null':
      return value === null;
    case 'array':
      return Array.isArray(value);
    case 'object':
      return isObject(value);
    case 'integer':
    case 'number':
      return typeof value === 'number';
    case 'boolean':
    case 'string':
      return typeof value === kind;
  }
}

/** Which of several kinds a value is of; the first where it is of none. */
export function kindAmong(kinds: readonly Kind[], value: unknown): number {
  return Math.max(
    0,
    kinds.findIndex((kind) => isOfKind(value, kind)),
  );
}
