/** Every word that a person reads in a form, by language: types of the catalogue, and the languages that are fetched. */
export { isSpoken, loadWords, spokenLanguages } from './load.js';
export { language, refusalText, type Language } from './language.js';
export type { DrawnWords } from './drawn.js';
export type { RefusalWords, Told, Words } from './words.js';
