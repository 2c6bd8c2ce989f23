import { parsePointer, type Pointer } from './pointer.js';
import { ownMember, setOwn } from './value.js';

/** A copy of `document` with `value` at `pointer`; what lies off the way there is shared. Missing objects are made. */
export function replaceAt<T>(document: T, pointer: Pointer, value: unknown): T {
  return replace(document, parsePointer(pointer), 0, value) as T;
}

/** A copy of `document` without what `pointer` leads to. A list closes the gap; the root becomes `undefined`. */
export function removeAt<T>(document: T, pointer: Pointer): T {
  return replace(document, parsePointer(pointer), 0, undefined) as T;
}

function replace(holder: unknown, tokens: readonly string[], depth: number, value: unknown): unknown {
  const token = tokens[depth];
  if (token === undefined) return value;
  if (Array.isArray(holder)) {
    const copy: unknown[] = holder.slice();
    const index = token === '-' ? copy.length : Number(token);
    const next = replace(copy[index], tokens, depth + 1, value);
    if (next === undefined) copy.splice(index, 1);
    else copy[index] = next;
    return copy;
  }
  const copy: Record<string, unknown> = {};
  if (typeof holder === 'object' && holder !== null) {
    for (const name of Object.keys(holder)) setOwn(copy, name, ownMember(holder, name));
  }
  const next = replace(ownMember(holder, token), tokens, depth + 1, value);
  if (next === undefined) delete copy[token];
  else setOwn(copy, token, next);
  return copy;
}
