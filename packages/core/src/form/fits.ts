import { parsePointer, type Pointer } from '../json/index.js';

/** Whether a place is the one that a pattern means; `*` in it stands for any entry of a list. */
export function fits(pattern: Pointer, at: Pointer): boolean {
  const [wanted, tokens] = [parsePointer(pattern), parsePointer(at)];
  return wanted.length === tokens.length && wanted.every((token, i) => token === '*' || token === tokens[i]);
}
