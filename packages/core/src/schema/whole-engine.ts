/** Every keyword, every format, every meta-schema. */
import { changedPaths } from './copies.js';
import { everyDialect } from './dialects.js';
import { engineOf, type Engine } from './engine.js';
import { fuse } from './fuse.js';
import { families as common } from './keywords/common.js';
import { families as rare } from './keywords/rare.js';
import { families as textual } from './keywords/textual.js';
import { leafOf } from './leaf.js';
import { resolveUri } from './resolve-uri.js';
import { textFor, type Messages } from './messages.js';
import { metaSchema } from './meta/index.js';

export const wholeEngine: Engine = /* @__PURE__ */ engineOf([...common, ...textual, ...rare], {
  fuse: (rules) => ({ leaf: leafOf(rules), accepts: fuse(rules) }),
  metaSchema,
  changedPaths,
  dialects: everyDialect,
  resolveUri,
});

/** The words for every keyword. */
export const english: Messages = wholeEngine.english;

/** The text for a keyword: the caller's message, else the English one, with the parameters in place. */
export function messageFor(messages: Messages, keyword: string, params: Readonly<Record<string, unknown>>): string {
  return textFor({ ...english, ...messages }, keyword, params);
}
