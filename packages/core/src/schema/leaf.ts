import { lengthOf } from './keywords/length.js';
import type { Assertion, Leaf, Rule } from './rule.js';

/** The codes that `acceptsLeaf` switches on: a number compares faster than a word. */
const codes = { text: 0, number: 1, whole: 2, flag: 3, choice: 4 } as const;

const none: ReadonlySet<unknown> = new Set();

/** The leaf that rules amount to, or `undefined` where they say more than that. */
export function leafOf(rules: readonly Rule[]): Leaf | undefined {
  const [first] = rules;
  if (first?.kind !== 'assertion') return undefined;
  if (first.keyword === 'enum' && rules.length === 1) {
    const allowed = first.params(undefined)['allowed'] as readonly unknown[];
    const isPlain = allowed.every((value) => typeof value !== 'object' || value === null);
    return isPlain
      ? { kind: 'choice', code: codes.choice, least: 0, most: 0, isFree: false, allowed: new Set(allowed) }
      : undefined;
  }
  if (first.keyword !== 'type') return undefined;
  const [kind] = kindsOf(first);
  const limits = kind && limitsIn(rules.slice(1), kind);
  return (
    kind &&
    limits && {
      kind,
      code: codes[kind],
      least: limits.least,
      most: limits.most,
      isFree: limits.least <= 0 && limits.most === Infinity,
      allowed: none,
    }
  );
}

const words: Readonly<Record<string, keyof typeof codes>> = {
  string: 'text',
  number: 'number',
  integer: 'whole',
  boolean: 'flag',
};
/** The one kind that a `type` takes, in the words of leaves; empty where it takes several or another. */
function kindsOf(type: Assertion): (keyof typeof codes)[] {
  const expected = type.params(undefined)['expected'] as readonly string[];
  if (expected.length !== 1) return [];
  const word = words[expected[0] ?? ''];
  return word === undefined ? [] : [word];
}

/** The limits, where there is nothing else. */
function limitsIn(rules: readonly Rule[], kind: keyof typeof codes): { least: number; most: number } | undefined {
  if (kind === 'flag') return rules.length === 0 ? { least: 0, most: 0 } : undefined;
  const [low, high] = kind === 'text' ? ['minLength', 'maxLength'] : ['minimum', 'maximum'];
  const limits = { least: -Infinity, most: Infinity };
  for (const rule of rules) {
    if (rule.kind !== 'assertion' || (rule.keyword !== low && rule.keyword !== high)) return undefined;
    const limit = Number(rule.params(kind === 'text' ? '' : 0)['limit']);
    if (rule.keyword === low) limits.least = limit;
    else limits.most = limit;
  }
  return limits;
}

/** The verdict of a leaf. Small, and with plain numbers for codes, so that it is put into the loops that ask it. */
export function acceptsLeaf(leaf: Leaf, value: unknown): boolean {
  switch (leaf.code) {
    case 0:
      return typeof value === 'string' && (leaf.isFree || fitsLength(value, leaf.least, leaf.most));
    case 1:
      return typeof value === 'number' && value >= leaf.least && value <= leaf.most;
    case 2:
      return typeof value === 'number' && value >= leaf.least && value <= leaf.most && Number.isInteger(value);
    case 3:
      return typeof value === 'boolean';
    default:
      return leaf.allowed.has(value);
  }
}

/** A character takes one or two units of a text, so only near the limits they have to be counted. */
function fitsLength(text: string, least: number, most: number): boolean {
  if (text.length <= most && text.length >= least && (least <= 1 || text.length >= 2 * least)) return true;
  if (text.length < least || text.length > 2 * most) return false;
  const length = lengthOf(text);
  return length >= least && length <= most;
}
