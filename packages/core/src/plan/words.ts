/** The words that a plan finds where nobody has given any. */
import { isObject, ownMember, plainly } from '../json/index.js';
import type { Hints } from './hints.js';

/** A value to choose from in words: those of the hints, or the value itself. */
export function choiceText(value: unknown, hints: Hints): string {
  const words = isObject(hints.words) ? ownMember(hints.words, String(value)) : undefined;
  const text = JSON.stringify(value);
  return typeof words === 'string' ? words : typeof value === 'string' ? value : (plainly[text] ?? text);
}

/** `collectionDate` and `collection_date` both become “Collection date”. */
export function labelFrom(name: string): string {
  const words = name
    .replace(/([a-z\d])([A-Z])/g, '$1 $2')
    .replace(/[_-]+/g, ' ')
    .trim()
    .toLowerCase();
  return words.charAt(0).toUpperCase() + words.slice(1);
}
