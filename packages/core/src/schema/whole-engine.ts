/** Every keyword, every format, every meta-schema. */
import { changedPaths } from './copies.js';
import { everyDialect } from './dialects.js';
import { engineOf, type Engine } from './engine.js';
import { fuse } from './fuse.js';
import { family as arrays } from './keywords/arrays.js';
import { family as choices } from './keywords/branches.js';
import { family as dynamic } from './keywords/dynamic.js';
import { family as formats } from './keywords/format.js';
import { family as numbers } from './keywords/numbers.js';
import { family as objects } from './keywords/objects.js';
import { family as patterns } from './keywords/patterns.js';
import { family as unevaluated } from './keywords/unevaluated.js';
import { leafOf } from './leaf.js';
import { resolveUri } from './resolve-uri.js';
import { textFor, type Messages } from './messages.js';
import { metaSchema } from './meta/index.js';

export const wholeEngine: Engine = /* @__PURE__ */ engineOf(
  [numbers, patterns, formats, objects, arrays, choices, dynamic, unevaluated],
  {
    fuse: (rules) => ({ leaf: leafOf(rules), accepts: fuse(rules) }),
    metaSchema,
    changedPaths,
    dialects: everyDialect,
    resolveUri,
  },
);

/** The words for every keyword. */
export const english: Messages = wholeEngine.english;

/** The text for a keyword: the caller's message, else the English one, with the parameters in place. */
export function messageFor(messages: Messages, keyword: string, params: Readonly<Record<string, unknown>>): string {
  return textFor({ ...english, ...messages }, keyword, params);
}
