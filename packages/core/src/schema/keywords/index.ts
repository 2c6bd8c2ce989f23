/**
 * One maker a keyword: it reads the keyword's value once and gives back a rule. To add a keyword, write its maker in
 * the file of its family, name it in that file's table, and name it in `dialect.ts` for the drafts that have it.
 */
import { arrayKeywords } from './arrays.js';
import { combineKeywords } from './combine.js';
import type { Keyword } from './context.js';
import { objectKeywords } from './objects.js';
import { valueKeywords } from './values.js';

/** In the order in which rules are asked and problems are listed: cheap and telling ones first. */
const { type, ...values } = valueKeywords;
export const keywords: ReadonlyMap<string, Keyword> = new Map(
  Object.entries({ ...(type ? { type } : {}), ...values, ...objectKeywords, ...arrayKeywords, ...combineKeywords }),
);
export type { Context, Keyword } from './context.js';
export { unevaluated, type Unevaluated } from './unevaluated.js';
export { bestBranch, tellingMember } from './combine.js';
