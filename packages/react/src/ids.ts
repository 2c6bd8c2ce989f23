import { parsePointer, type Pointer } from '@poietra/core';

/** The parts of a field that others point at. */
export type FieldPart = 'input' | 'label' | 'hint' | 'error';

/** React's own id, made safe in selectors: letters, digits, `-` and `_` only, a letter first. */
export function baseIdFrom(reactId: string): string {
  return `p${reactId.replace(/[^A-Za-z0-9_-]/g, '')}`;
}

/** The id of a part: the form's base, the place, the part. Different places never give the same id. */
export function partId(base: string, at: Pointer, part: FieldPart): string {
  const place = parsePointer(at).map((token) =>
    token.replace(/[^A-Za-z0-9]/g, (char) => `_${(char.codePointAt(0) ?? 0).toString(16)}_`),
  );
  return [base, ...place, part].join('-');
}
