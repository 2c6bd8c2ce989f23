import { nearest } from '../json/index.js';
import type { Words } from './words.js';

const languages: Readonly<Record<string, () => Promise<Words>>> = {
  de: async () => (await import('./de.js')).de,
  nb: async () => (await import('./nb.js')).nb,
  // Norwegian without a form of it, as many pages have it.
  no: async () => (await import('./nb.js')).nb,
};

/**
 * Fetches the words of a language by its tag (RFC 5646); of `de-AT` it takes those of `de`, in the way in which `de-AT`
 * writes numbers. English gives `undefined`: it is what stands without any words.
 * @throws {TypeError} where there are none for the language, and what is there.
 */
export async function loadWords(tag: string): Promise<Words | undefined> {
  const [primary = ''] = tag.toLowerCase().split('-');
  if (primary === 'en') return undefined;
  const load = Object.hasOwn(languages, primary) ? languages[primary] : undefined;
  if (!load)
    throw new TypeError(
      `There are no words for “${tag}”${nearest(tag, ['en', ...Object.keys(languages)])} There are: en, ${Object.keys(languages).join(', ')}. A form also takes an object of one’s own (Words).`,
    );
  const words = await load();
  return words.lang === tag || primary === 'no' ? words : { ...words, lang: tag };
}
