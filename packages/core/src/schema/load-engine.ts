import { basicKeywords, engineOf, order, type Engine } from './engine.js';
import { isObject } from '../json/index.js';
import { newest, withoutFragment } from './dialect.js';
import type { CompileOptions } from './compiler.js';
import type { Family } from './keywords/context.js';

type Fetched = Promise<{ readonly families: readonly Family[] }>;
const textual = /^(pattern|format|content)/;
/** Names that speak of keywords which are asked last, or whose meaning depends on the way. */
export const rare = /^(\$dyn|\$rec|uneval)/;

/**
 * The families that words of a schema ask for. Few files rather than small ones: each is a request, and what two of them
 * share is a file more.
 */
function fetched(words: ReadonlySet<string>): Fetched[] {
  const asked = order.filter((name) => words.has(name) && !basicKeywords.has(name));
  const isAsked = (isOne: (name: string) => boolean): boolean => asked.some(isOne);
  return [
    ...(isAsked((name) => !textual.test(name) && !rare.test(name)) ? [import('./keywords/common.js')] : []),
    ...(isAsked((name) => textual.test(name)) ? [import('./keywords/textual.js')] : []),
    ...([...words].some((name) => rare.test(name)) ? [import('./keywords/rare.js')] : []),
  ];
}

/**
 * Fetches what a schema, with the documents that it may refer to, asks for. A name that only looks like a keyword
 * costs a file that is not needed, never a keyword that is.
 */
export async function loadEngine(
  schema: unknown,
  { documents = {}, dialect, uri }: CompileOptions = {},
): Promise<Engine> {
  const { words, named, isAboutSchemas, isFar } = mentioned([schema, documents]);
  if (dialect !== undefined) named.add(dialect);
  const isNewest = [...named].every((uri) => withoutFragment(uri) === newest.uri);
  const dialects = isNewest ? undefined : (await import('./dialects.js')).everyDialect;
  if (isAboutSchemas || [...named].some((uri) => dialects && !dialects.standard(uri)))
    return (await import('./whole-engine.js')).wholeEngine;
  const loaded = await Promise.all(fetched(words));
  return engineOf(
    loaded.flatMap((one) => one.families),
    {
      dialects,
      resolveUri:
        isFar || uri !== undefined || Object.keys(documents).length > 0
          ? (await import('./resolve-uri.js')).resolveUri
          : undefined,
    },
  );
}

const addresses = ['$id', 'id', '$ref', '$dynamicRef', '$recursiveRef'];

/** Every name of a member at any depth, the dialects and formats that are named, and whether a meta-schema is referred to. */
export function mentioned(value: unknown) {
  const [words, named, formats] = [new Set<string>(), new Set<string>(), new Set<string>()];
  const seen = new Set<unknown>();
  const waiting: unknown[] = [value];
  let [isAboutSchemas, isFar] = [false, false];
  while (waiting.length > 0) {
    const next = waiting.pop();
    // What contains itself is refused later, with a clear error; here it only must not go on for ever.
    if (typeof next !== 'object' || next === null || seen.has(next)) continue;
    seen.add(next);
    if (isObject(next)) {
      for (const name of Object.keys(next)) words.add(name);
      const { $ref, $schema, format } = next;
      isAboutSchemas ||= typeof $ref === 'string' && $ref.includes('json-schema.org');
      isFar ||= addresses.some((name) => typeof next[name] === 'string' && !next[name].startsWith('#'));
      if (typeof $schema === 'string') named.add($schema);
      if (typeof format === 'string') formats.add(format);
    }
    for (const inner of Object.values(next)) waiting.push(inner);
  }
  return { words, named, formats, isAboutSchemas, isFar };
}
