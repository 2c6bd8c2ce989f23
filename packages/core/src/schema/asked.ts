/**
 * What a schema asks for, found in its text alone: nothing of the engine has to be there for it, so that all of it can be
 * fetched at once.
 */
import { isObject } from '../json/index.js';
import type { CompileOptions } from './compiler.js';
import type { Engine } from './engine.js';
import type { Family } from './keywords/context.js';

/** Names that speak of keywords which are asked last, or whose meaning depends on the way. */
export const rare = /^(\$dyn|\$rec|uneval)/;
/** Those of `keywords/textual.ts` and `keywords/common.ts`. */
const textual = /^(pattern(Properties)?$|format$|content)/;
const common = new Set(
  (
    'enum const multipleOf maximum minimum exclusiveMaximum exclusiveMinimum maxProperties ' +
    'minProperties propertyNames dependentRequired dependentSchemas dependencies prefixItems items additionalItems ' +
    'contains maxItems minItems uniqueItems anyOf oneOf not if'
  ).split(' '),
);
const newest = 'https://json-schema.org/draft/2020-12/schema';

/** What a schema, with the documents that it may refer to, asks of an engine. */
export interface Asked {
  /** Keywords of `keywords/common.ts`. A name that only looks like one costs a file that is not needed, never a keyword that is. */
  readonly isCommon: boolean;
  readonly isTextual: boolean;
  readonly isRare: boolean;
  /** Addresses other than those of places in the schema itself. */
  readonly isAddressed: boolean;
  readonly isAboutSchemas: boolean;
  /** The dialects that are named, where one is another than the newest. */
  readonly dialects: readonly string[];
}

/** What was fetched of an engine, beside what every schema has and the common keywords. */
export interface EngineAsked extends Pick<Engine, 'dialects' | 'resolveUri'> {
  readonly families: readonly Family[];
  /** Schemas of schemas, and dialects of one's own, take all of it. */
  readonly isWhole: boolean;
}

/** Looks through a schema, at any depth. */
export function askedBy(schema: unknown, { documents = {}, dialect, uri }: CompileOptions = {}): Asked {
  const { words, named, isAboutSchemas, isFar } = mentioned([schema, documents]);
  if (dialect !== undefined) named.add(dialect);
  const isAsked = (isOne: (name: string) => boolean): boolean => [...words].some(isOne);
  const isNewest = [...named].every((one) => one === newest || one === `${newest}#`);
  return {
    isCommon: isAsked((name) => common.has(name)),
    isTextual: isAsked((name) => textual.test(name)),
    isRare: isAsked((name) => rare.test(name)),
    isAddressed: isFar || uri !== undefined || Object.keys(documents).length > 0,
    isAboutSchemas,
    dialects: isNewest ? [] : [...named],
  };
}

/** Fetches what is asked for. Few files rather than small ones: each is a request, and what two of them share is a file more. */
export async function fetchAsked(asked: Asked): Promise<EngineAsked> {
  const [dialects, addresses, ...fetched] = await Promise.all([
    asked.dialects.length > 0 ? import('./dialects.js') : undefined,
    asked.isAddressed ? import('./resolve-uri.js') : undefined,
    asked.isTextual ? import('./keywords/textual.js') : undefined,
    asked.isRare ? import('./keywords/rare.js') : undefined,
  ]);
  const everyDialect = dialects?.everyDialect;
  return {
    families: fetched.flatMap((one) => one?.families ?? []),
    dialects: everyDialect,
    resolveUri: addresses?.resolveUri,
    isWhole: asked.isAboutSchemas || asked.dialects.some((one) => everyDialect && !everyDialect.standard(one)),
  };
}

const addressed = ['$id', 'id', '$ref', '$dynamicRef', '$recursiveRef'];

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
      isFar ||= addressed.some((name) => typeof next[name] === 'string' && !next[name].startsWith('#'));
      if (typeof $schema === 'string') named.add($schema);
      if (typeof format === 'string') formats.add(format);
    }
    for (const inner of Object.values(next)) waiting.push(inner);
  }
  return { words, named, formats, isAboutSchemas, isFar };
}
