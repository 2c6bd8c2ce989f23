import { newest, withoutFragment } from './dialect.js';
import { everyDialect } from './dialects.js';
import { formatFamilies } from './formats.js';
import { family as arrays } from './keywords/arrays.js';
import { family as branches } from './keywords/branches.js';
import { family as content } from './keywords/content.js';
import type { Family } from './keywords/context.js';
import { family as dynamic } from './keywords/dynamic.js';
import { family as enumerations } from './keywords/enumerations.js';
import { family as numbers } from './keywords/numbers.js';
import { family as objects } from './keywords/objects.js';
import { family as patterns } from './keywords/patterns.js';
import { family as unevaluated } from './keywords/unevaluated.js';
import { mentioned, rare } from './asked.js';

const families: Readonly<Record<string, Family>> = {
  arrays,
  branches,
  content,
  dynamic,
  enumerations,
  numbers,
  objects,
  patterns,
  unevaluated,
};

/** The parts of the engine that a schema asks for, by the names that `written/checks.ts` gives them. */
export interface EngineParts {
  /** Families of keywords, beside those that every schema has. */
  readonly keywords: readonly string[];
  readonly formats: readonly string[];
  /** Whether it speaks of addresses, or of a dialect other than the newest. */
  readonly isFar: boolean;
  readonly isOlder: boolean;
}

/**
 * For those who put an engine together ahead, in place of fetching it as the schema asks for it. A name that only looks
 * like a keyword costs a part that is not needed. `undefined` where it takes all of it: a schema of schemas, or a dialect
 * of one's own.
 */
export function enginePartsOf(schema: unknown): EngineParts | undefined {
  const { words, named, formats, isAboutSchemas, isFar } = mentioned(schema);
  const isRare = [...words].some((word) => rare.test(word));
  const uris = [...named].map(withoutFragment);
  if (isAboutSchemas || uris.some((uri) => !everyDialect.standard(uri))) return undefined;
  const asked = Object.entries(families).filter(
    ([name, { keywords }]) =>
      Object.keys(keywords).some((keyword) => words.has(keyword)) ||
      (isRare && (name === 'dynamic' || name === 'unevaluated')),
  );
  return {
    keywords: asked.map(([name]) => name),
    formats: Object.entries(formatFamilies).flatMap(([name, family]) =>
      Object.keys(family).some((format) => formats.has(format)) ? [name] : [],
    ),
    isFar,
    isOlder: uris.some((uri) => uri !== newest.uri),
  };
}
