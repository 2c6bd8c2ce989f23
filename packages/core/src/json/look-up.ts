import { parsePointer, type Pointer } from './pointer.js';
import { ownMember } from './value.js';

/** The pointer one level up; `''` for the whole document. */
export function parentPointer(pointer: Pointer): Pointer {
  return pointer.slice(0, Math.max(0, pointer.lastIndexOf('/')));
}

/** The value a pointer leads to, or `undefined` where there is none. */
export function lookUp(document: unknown, pointer: Pointer): unknown {
  let value = document;
  for (const token of parsePointer(pointer)) {
    if (Array.isArray(value) && !/^(0|[1-9]\d*)$/.test(token)) return undefined;
    value = ownMember(value, token);
    if (value === undefined) return undefined;
  }
  return value;
}
