/** Every keyword, every format, every meta-schema. */
import { engineOf, type Engine } from './engine.js';
import { fuse } from './fuse.js';
import { arrays } from './keywords/arrays.js';
import { choices } from './keywords/branches.js';
import { dynamic } from './keywords/dynamic.js';
import { formats } from './keywords/format.js';
import { objects } from './keywords/objects.js';
import { patterns } from './keywords/patterns.js';
import { unevaluated } from './keywords/unevaluated.js';
import { leafOf } from './leaf.js';
import { textFor, type Messages } from './messages.js';
import { metaSchema } from './meta/index.js';

export const wholeEngine: Engine = /* @__PURE__ */ engineOf(
  [patterns, formats, objects, arrays, choices, dynamic, unevaluated],
  { fuse: (rules) => ({ leaf: leafOf(rules), accepts: fuse(rules) }), metaSchema },
);

/** The words for every keyword. */
export const english: Messages = wholeEngine.english;

/** The text for a keyword: the caller's message, else the English one, with the parameters in place. */
export function messageFor(messages: Messages, keyword: string, params: Readonly<Record<string, unknown>>): string {
  return textFor({ ...english, ...messages }, keyword, params);
}
