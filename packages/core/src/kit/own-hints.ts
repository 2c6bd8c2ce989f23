import type { Kit } from './kit.js';

/** What a hint of a kit's own does to the drawing of a field, with everything that was left to be understood. */
export type OwnHintUse =
  /** Its value goes to the input under this name. */
  | { readonly does: 'property'; readonly property: string }
  /** Its value stands behind the hint's words, in place of `{value}`. */
  | { readonly does: 'words'; readonly words: string }
  /** Its value is given to style sheets, as `data-…` on the field. */
  | { readonly does: 'mark' };

/** The kit's own hints, in the words of the drawing. */
export function ownHintsOf({ hints = {} }: Pick<Kit, 'hints'>): Readonly<Record<string, OwnHintUse>> {
  return Object.fromEntries(
    Object.entries(hints).map(([name, { does, property = name, words = '{value}' }]): [string, OwnHintUse] => [
      name,
      does === 'property' ? { does, property } : does === 'words' ? { does, words } : { does },
    ]),
  );
}
