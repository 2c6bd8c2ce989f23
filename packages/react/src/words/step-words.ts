import type { DrawnWords } from '@poietra/core';

/** What forms of several pages have to say, in English; fetched with them. */
export const stepWords = {
  toMendOnPage: (count) =>
    count === 1 ? 'One thing on this page has to be mended.' : `${count} things on this page have to be mended.`,
  entry: 'Entry',
  pages: 'Pages of this form',
  page: (number, all) => `Page ${number} of ${all}`,
  overview: 'Overview',
  next: 'Next',
  back: 'Back',
  change: 'Change',
  changeOf: (name) => `Change ${name}`,
  nothingFilledIn: 'Nothing is filled in here.',
  yes: 'yes',
  no: 'no',
} satisfies Partial<DrawnWords>;
