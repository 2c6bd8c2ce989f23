import { engineOf, type Engine } from './engine.js';
import { isObject } from '../json/index.js';
import { standardDialect } from './dialect.js';
import type { Family } from './keywords/context.js';

/** Families that are fetched where a schema has one of their words. */
const families: readonly { readonly words: readonly string[]; load(): Promise<Family> }[] = [
  {
    words: ['pattern', 'patternProperties'],
    load: async () => (await import('./keywords/patterns.js')).patterns,
  },
  {
    words: ['format', 'contentEncoding', 'contentMediaType'],
    load: async () => (await import('./keywords/format.js')).formats,
  },
  {
    words: ['maxProperties', 'minProperties', 'propertyNames', 'dependentRequired', 'dependentSchemas', 'dependencies'],
    load: async () => (await import('./keywords/objects.js')).objects,
  },
  {
    words: ['items', 'prefixItems', 'additionalItems', 'contains', 'maxItems', 'minItems', 'uniqueItems'],
    load: async () => (await import('./keywords/arrays.js')).arrays,
  },
  {
    words: ['anyOf', 'oneOf', 'not', 'if'],
    load: async () => (await import('./keywords/branches.js')).choices,
  },
  {
    words: ['$dynamicRef', '$recursiveRef'],
    load: async () => (await import('./keywords/dynamic.js')).dynamic,
  },
  {
    words: ['unevaluatedItems', 'unevaluatedProperties'],
    load: async () => (await import('./keywords/unevaluated.js')).unevaluated,
  },
];

/**
 * Fetches what a schema, with the documents that it may refer to, asks for. A name that only looks like a keyword
 * costs a file that is not needed, never a keyword that is.
 */
export async function loadEngine(schema: unknown, documents: Readonly<Record<string, unknown>> = {}): Promise<Engine> {
  const { words, isAboutSchemas } = mentioned([schema, documents]);
  if (isAboutSchemas) return (await import('./whole-engine.js')).wholeEngine;
  return engineOf(
    await Promise.all(
      families.filter((family) => family.words.some((word) => words.has(word))).map(async ({ load }) => load()),
    ),
  );
}

/** Every name of a member at any depth, and whether a meta-schema is referred to or a dialect of somebody's own named. */
function mentioned(value: unknown): { readonly words: ReadonlySet<string>; readonly isAboutSchemas: boolean } {
  const words = new Set<string>();
  const seen = new Set<unknown>();
  const waiting: unknown[] = [value];
  let isAboutSchemas = false;
  while (waiting.length > 0) {
    const next = waiting.pop();
    // What contains itself is refused later, with a clear error; here it only must not go on for ever.
    if (typeof next !== 'object' || next === null || seen.has(next)) continue;
    seen.add(next);
    if (isObject(next)) {
      for (const name of Object.keys(next)) words.add(name);
      const { $ref, $schema } = next;
      isAboutSchemas ||= typeof $ref === 'string' && $ref.includes('json-schema.org');
      isAboutSchemas ||= typeof $schema === 'string' && !standardDialect($schema);
    }
    for (const inner of Object.values(next)) waiting.push(inner);
  }
  return { words, isAboutSchemas };
}
