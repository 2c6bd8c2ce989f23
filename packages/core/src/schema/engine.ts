/** What a compiler works with: keywords, their words, formats. Whole, or as much of it as a schema asks for. */
import type { Format } from './formats.js';
import type { Context, Family, Keyword } from './keywords/context.js';
import { order } from './dialect.js';
import { family as members } from './keywords/members.js';
import { family as references } from './keywords/references.js';
import type { Late } from './keywords/context.js';
import { family as values } from './keywords/values.js';
import type { Messages } from './messages.js';
import type { Pattern } from './pattern/index.js';
import type { Beyond } from './registry.js';
import type { Leaf, Rule, SchemaNode } from './rule.js';

/** The verdict of several rules as one function, and the leaf that they amount to, if they do. */
export interface Fused {
  readonly leaf: Leaf | undefined;
  readonly accepts: SchemaNode['accepts'];
}

export interface Engine extends Beyond {
  readonly keywords: ReadonlyMap<string, Keyword>;
  readonly english: Messages;
  readonly formats: Readonly<Record<string, Format>>;
  readonly patternOf: ((context: Context, source: unknown) => Pattern | undefined) | undefined;
  readonly late: Late | undefined;
  /** Puts the rules of a schema together for many verdicts; without it they are asked one after the other. */
  readonly fuse?: ((rules: readonly Rule[]) => Fused) | undefined;
  /** Compares copies that share what did not change; a form changes its value in place and has no use for it. */
  readonly changedPaths?: ((before: unknown, after: unknown, path: readonly string[]) => string[][]) | undefined;
}

export { order } from './dialect.js';

/** The keywords that hardly a schema does without. */
const basic: readonly Family[] = [values, members, references];
export const basicKeywords: ReadonlySet<string> = new Set(basic.flatMap(({ keywords }) => Object.keys(keywords)));

/** An engine with the basic keywords and the families given. */
export function engineOf(
  families: readonly Family[],
  more: Partial<Pick<Engine, 'fuse' | 'metaSchema' | 'changedPaths' | 'dialects' | 'resolveUri'>> = {},
): Engine {
  const all = [...basic, ...families];
  const makers = Object.assign({}, ...all.map(({ keywords }) => keywords)) as Readonly<Record<string, Keyword>>;
  return {
    keywords: new Map(order.flatMap((name) => (makers[name] ? [[name, makers[name]] as const] : []))),
    english: Object.assign({}, ...all.map(({ english }) => english)) as Messages,
    formats: all.find(({ formats }) => formats)?.formats ?? {},
    patternOf: all.find(({ patternOf }) => patternOf)?.patternOf,
    late: all.find(({ late }) => late)?.late,
    ...more,
  };
}
