import { ownMember } from './value.js';

/** A JSON Pointer (RFC 6901) as text: `''` is the whole document, `/a/0` a member of a list. */
export type Pointer = string;

/** `~` and `/` inside a name are written `~0` and `~1` (RFC 6901, section 3). */
export function joinPointer(pointer: Pointer, name: string | number): Pointer {
  const text = String(name);
  return `${pointer}/${/[~/]/.test(text) ? text.replaceAll('~', '~0').replaceAll('/', '~1') : text}`;
}

export function formatPointer(names: readonly (string | number)[]): Pointer {
  return names.reduce<string>(joinPointer, '');
}

/**
 * The reference tokens of a pointer, unescaped.
 * @throws {SyntaxError} where the text is no JSON Pointer: it neither is empty nor starts with `/`, or has a stray `~`.
 */
export function parsePointer(pointer: Pointer): string[] {
  if (pointer === '') return [];
  if (!pointer.startsWith('/'))
    throw new SyntaxError(`"${pointer}" is no JSON Pointer: it has to be empty or to start with "/".`);
  if (!pointer.includes('~')) return pointer.slice(1).split('/');
  if (/~(?![01])/.test(pointer))
    throw new SyntaxError(`"${pointer}" is no JSON Pointer: "~" has to be followed by 0 or 1.`);
  return pointer
    .slice(1)
    .split('/')
    .map((token) => (token.includes('~') ? token.replaceAll('~1', '/').replaceAll('~0', '~') : token));
}

/** The pointer one level up; `''` for the whole document. */
export function parentPointer(pointer: Pointer): Pointer {
  return pointer.slice(0, Math.max(0, pointer.lastIndexOf('/')));
}

/** True where `pointer` is `ancestor` or lies below it. */
export function isWithin(pointer: Pointer, ancestor: Pointer): boolean {
  return pointer === ancestor || pointer.startsWith(`${ancestor}/`);
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
