import { nearest } from '../json/index.js';
import { primaryOf, wordsAs } from './tags.js';
import type { Words } from './words.js';

const languages: Readonly<Record<string, () => Promise<Words>>> = {
  de: async () => (await import('./de.js')).de,
  nb: async () => (await import('./nb.js')).nb,
  // Norwegian without a form of it, as many pages have it.
  no: async () => (await import('./nb.js')).nb,
};

/** The languages that there are words for, by their primary subtags (RFC 5646, section 2.2.1). */
export const spokenLanguages: readonly string[] = ['en', ...Object.keys(languages)];

/** Whether `loadWords` has words for a tag. */
export const isSpoken = (tag: string): boolean => spokenLanguages.includes(primaryOf(tag));

/**
 * Fetches the words of a language by its tag (RFC 5646); of `de-AT` it takes those of `de`, and text boxes show
 * numbers in the way of `de-AT`. English gives `undefined`: it is what stands without any words.
 * @throws {TypeError} where there are none for the language, and what is there.
 */
export async function loadWords(tag: string): Promise<Words | undefined> {
  const primary = primaryOf(tag);
  if (primary === 'en') return undefined;
  const load = Object.hasOwn(languages, primary) ? languages[primary] : undefined;
  if (!load)
    throw new TypeError(
      `There are no words for “${tag}”${nearest(tag, spokenLanguages)} There are: ${spokenLanguages.join(', ')}. A form also takes an object of one’s own (Words).`,
    );
  return wordsAs(await load(), tag);
}
