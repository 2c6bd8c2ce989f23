/** A JSON Pointer (RFC 6901) as text: `''` is the whole document, `/a/0` a member of a list. */
export type Pointer = string;

/** `~` and `/` inside a name are written `~0` and `~1` (RFC 6901, section 3). */
export function joinPointer(pointer: Pointer, name: string | number): Pointer {
  const text = String(name);
  return `${pointer}/${/[~/]/.test(text) ? text.replaceAll('~', '~0').replaceAll('/', '~1') : text}`;
}

/** The pointer of names, escaped (RFC 6901, section 3). */
export function formatPointer(names: readonly (string | number)[]): Pointer {
  return names.reduce<string>(joinPointer, '');
}

/**
 * The reference tokens of a pointer, unescaped.
 * @throws {SyntaxError} where the text is no JSON Pointer: it neither is empty nor starts with `/`, or has a stray `~`.
 */
export function parsePointer(pointer: Pointer): string[] {
  if (pointer === '') return [];
  if (!pointer.startsWith('/') || /~(?![01])/.test(pointer))
    throw new SyntaxError(`"${pointer}" is no JSON Pointer: it starts with "/", and 0 or 1 follow each "~".`);
  if (!pointer.includes('~')) return pointer.slice(1).split('/');
  return pointer
    .slice(1)
    .split('/')
    .map((token) => (token.includes('~') ? token.replaceAll('~1', '/').replaceAll('~0', '~') : token));
}

/** True where `pointer` is `ancestor` or lies below it. */
export function isWithin(pointer: Pointer, ancestor: Pointer): boolean {
  return pointer === ancestor || pointer.startsWith(`${ancestor}/`);
}
