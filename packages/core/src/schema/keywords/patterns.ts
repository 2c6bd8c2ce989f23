/** Keywords with regular expressions in them. */
import { joinPointer, ownMember } from '../../json/index.js';
import type { Messages } from '../messages.js';
import { compilePattern, type Pattern } from '../pattern/index.js';
import type { SchemaNode } from '../rule.js';
import { assertion, bits, mapOf, type Context, type Family, type Keyword } from './context.js';

function patternOf(context: Context, source: unknown): Pattern | undefined {
  if (typeof source !== 'string') {
    context.complain('has to be a regular expression as text');
    return undefined;
  }
  try {
    return compilePattern(source, context.limits.patternSteps);
  } catch (error) {
    context.complain(`is no regular expression: ${error instanceof Error ? error.message : String(error)}`);
    return undefined;
  }
}

const pattern: Keyword = (context) => {
  const compiled = patternOf(context, context.value);
  if (!compiled) return undefined;
  return assertion(
    context,
    bits.string,
    (value: string) => compiled.test(value),
    () => ({ pattern: compiled.source }),
  );
};

const patternProperties: Keyword = (context) => {
  const sources = mapOf(context);
  if (!sources || sources.length === 0) return undefined;
  const patterns = sources.flatMap((source) => {
    const compiled = patternOf(context, source);
    return compiled ? [{ compiled, node: context.child(source), source }] : [];
  });
  const nodesFor = (key: string | number): SchemaNode[] =>
    patterns.filter(({ compiled }) => compiled.test(String(key))).map(({ node }) => node);
  const steps = (key: string | number): string[] =>
    patterns
      .filter(({ compiled }) => compiled.test(String(key)))
      .map(({ source }) => joinPointer('/patternProperties', source));
  return {
    kind: 'members',
    keyword: 'patternProperties',
    on: bits.object,
    accepts: (value, run) =>
      Object.keys(value as object).every((key) =>
        nodesFor(key).every((node) => node.accepts(ownMember(value, key), run)),
      ),
    mark(value, run, seen) {
      for (const key of Object.keys(value as object)) {
        const nodes = nodesFor(key);
        if (!nodes.every((node) => node.accepts(ownMember(value, key), run))) return false;
        if (nodes.length > 0) seen.members.add(key);
      }
      return true;
    },
    inner: patterns.map(({ node }) => node),
    keys: (value) => Object.keys(value).sort(),
    nodesFor,
    step: (key, index) => steps(key)[index] ?? '/patternProperties',
  };
};

/** Patterns that people write again and again, in words. What is not listed gets the pattern beside an honest sentence. */
const knownPatterns: readonly (readonly [RegExp, (match: RegExpExecArray) => string])[] = [
  [/^\^\[A-Z\]\{(\d+)\}\$$/, (m) => `${m[1] ?? ''} capital letters A to Z`],
  [/^\^\[a-z\]\{(\d+)\}\$$/, (m) => `${m[1] ?? ''} small letters a to z`],
  [/^\^(?:\[0-9\]|\\d)\{(\d+)\}\$$/, (m) => `${m[1] ?? ''} digits`],
  [/^\^(?:\[0-9\]|\\d)[+*]\$$/, () => 'digits only'],
  [/^\^\[a-z0-9-\]\+\$$/, () => 'small letters, digits and hyphens only'],
  [/^\\S$|^\^.*\\S.*\$$/, () => 'something other than spaces'],
];
function patternWords(source: string): string {
  for (const [shape, words] of knownPatterns) {
    const match = shape.exec(source);
    if (match) return `Needs ${words(match)}.`;
  }
  return `Does not have the expected form (pattern ${source}).`;
}

const english: Messages = {
  pattern: ({ pattern }) => patternWords(String(pattern)),
};

export const family: Family = { keywords: { pattern, patternProperties }, english, patternOf };
