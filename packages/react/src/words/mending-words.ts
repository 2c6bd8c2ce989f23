import type { DrawnWords } from '@poietra/core';

/** What the list of problems has to say, in English. */
export const mendingWords = {
  toMend: (count) => (count === 1 ? 'One thing has to be mended:' : `${count} things have to be mended:`),
  wholeForm: 'The form',
  entry: 'Entry',
} satisfies Partial<DrawnWords>;
