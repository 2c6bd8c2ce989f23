import type { Words } from './words.js';

/** The primary subtag of a language's tag (RFC 5646, section 2.2.1), in small letters. */
export const primaryOf = (tag: string): string => tag.toLowerCase().split('-')[0] ?? '';

/** The words of a language under a tag that says more than they do: `de-AT`. */
export const wordsAs = (words: Words, tag: string): Words =>
  words.lang === tag || primaryOf(tag) === 'no' ? words : { ...words, lang: tag };
