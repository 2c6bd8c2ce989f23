/**
 * Which subschemas speak about a place, and under which conditions: what a form needs to know before and while it is
 * filled. Conditions are kept, not evaluated, so that a form can watch just the values they depend on.
 */
import { equalJson, isObject, ownMember, type Kind, type Pointer } from '../json/index.js';

/**
 * What is read of a subschema here: a compiled one has it, and so has one that was written out (`written.ts`), of which
 * nothing else is there.
 */
export interface SaidNode {
  readonly raw: unknown;
  readonly resource: { readonly document: string };
  /** Its place in its document. */
  readonly at: Pointer;
  readonly rules: readonly SaidRule[];
}
/** What is read of a keyword: the subschemas that it leads to. */
export type SaidRule =
  | { readonly kind: 'assertion'; readonly keyword: string }
  | {
      readonly kind: 'within';
      readonly keyword: string;
      readonly nodes: readonly SaidNode[] | (() => readonly SaidNode[]);
    }
  | {
      readonly kind: 'members';
      readonly keyword: string;
      readonly inner: readonly SaidNode[];
      keys(value: object): readonly (string | number)[];
      nodesFor(key: string | number): readonly SaidNode[];
    }
  | { readonly kind: 'presence'; readonly keyword: string; readonly nameSet: ReadonlySet<string> }
  | { readonly kind: 'whole'; readonly keyword: string; readonly branching?: SaidBranching };
type SaidBranching =
  | {
      readonly kind: 'if';
      readonly asks: Asks;
      readonly yes: SaidNode | undefined;
      readonly no: SaidNode | undefined;
    }
  | ({ readonly kind: 'choice' } & Choice)
  | { readonly kind: 'present'; readonly entries: readonly (readonly [string, SaidNode])[] };
/** What an `if` asks of a value. @throws {RangeError} where that cannot be decided. */
export type Asks = (value: unknown) => boolean;

/** Something that has to hold at an ancestor, `up` levels above the place spoken of. */
export interface Condition {
  readonly up: number;
  readonly about:
    | { readonly kind: 'if'; readonly asks: Asks; readonly holds: boolean }
    | { readonly kind: 'present'; readonly name: string }
    | { readonly kind: 'branch'; readonly choice: Choice; readonly index: number };
}

/** A `oneOf` or `anyOf` that a person has to choose from. */
export interface Choice {
  /** Where it stands: the same whenever the schema is compiled, so that a choice can be kept. */
  readonly id: string;
  readonly nodes: readonly SaidNode[];
  /** @throws {RangeError} where it cannot be decided. */
  best(value: unknown): number | undefined;
}

/** One subschema that speaks about a place, if all its conditions hold. */
export interface Applied {
  readonly node: SaidNode;
  readonly when: readonly Condition[];
}

const cache = new WeakMap<SaidNode, readonly Applied[]>();

/** A node and all that it draws in at the same place: references, `allOf`, conditional branches, choices. */
export function applied(node: SaidNode): readonly Applied[] {
  const known = cache.get(node);
  if (known) return known;
  const found: Applied[] = [];
  expand(node, [], found, new Set());
  cache.set(node, found);
  return found;
}

function expand(node: SaidNode, when: readonly Condition[], into: Applied[], open: Set<SaidNode>): void {
  if (open.has(node)) return;
  open.add(node);
  // The node that only enters another resource says nothing itself.
  if (!node.rules.some((rule) => rule.keyword === '')) into.push({ node, when });
  for (const rule of node.rules) {
    if (rule.kind === 'within') {
      const nodes = typeof rule.nodes === 'function' ? rule.nodes() : rule.nodes;
      for (const inner of nodes) expand(inner, when, into, open);
    } else if (rule.kind === 'whole' && rule.branching) {
      const { branching } = rule;
      const under = (inner: SaidNode, about: Condition['about']): void =>
        expand(inner, [...when, { up: 0, about }], into, open);
      if (branching.kind === 'if') {
        const { asks, yes, no } = branching;
        if (yes) under(yes, { kind: 'if', asks, holds: true });
        if (no) under(no, { kind: 'if', asks, holds: false });
      } else if (branching.kind === 'present') {
        for (const [name, inner] of branching.entries) under(inner, { kind: 'present', name });
      } else branching.nodes.forEach((inner, index) => under(inner, { kind: 'branch', choice: branching, index }));
    }
  }
  open.delete(node);
}

/** More members than this of one object are not kept: names of one's own have no end. */
const mostKept = 2000;
const below = new WeakMap<readonly Applied[], Map<string | number, readonly Applied[]>>();

/** What speaks about a member or an item of a place. Kept by place: the entries of a list share theirs. */
export function appliedBelow(at: readonly Applied[], key: string | number): readonly Applied[] {
  const kept = below.get(at) ?? new Map<string | number, readonly Applied[]>();
  if (kept.size === 0) below.set(at, kept);
  const own = typeof key === 'number' ? Math.min(key, positions(at)) : key;
  let found = kept.get(own);
  if (!found) {
    found = findBelow(at, own);
    if (kept.size < mostKept) kept.set(own, found);
  }
  return found;
}

function findBelow(at: readonly Applied[], key: string | number): readonly Applied[] {
  return at.flatMap(({ node, when }) => {
    const raised = when.map((condition) => ({ ...condition, up: condition.up + 1 }));
    return node.rules.flatMap((rule) =>
      rule.kind === 'members'
        ? rule
            .nodesFor(key)
            .flatMap((inner) => applied(inner).map((one) => ({ node: one.node, when: [...raised, ...one.when] })))
        : [],
    );
  });
}

/** The members that are named, in the order in which they are first named. */
export function namedMembers(at: readonly Applied[]): string[] {
  const names = new Set<string>();
  for (const { node } of at) {
    for (const rule of node.rules)
      if (rule.keyword === 'properties' && rule.kind === 'members')
        for (const key of rule.keys({})) names.add(String(key));
  }
  return [...names];
}

/**
 * Whether a member begins as nothing, whatever holds: what is said of it has no default, no only value and no members of
 * its own. Found without making anything of the member, since most are such.
 */
export function beginsAsNothing(at: readonly Applied[], name: string): boolean {
  return at.every(
    ({ node, when }) =>
      when.length === 0 && node.rules.every((rule) => rule.kind !== 'members' || rule.nodesFor(name).every(isPlain)),
  );
}
function isPlain({ raw, rules }: SaidNode): boolean {
  if (!isObject(raw) || typeof raw['type'] !== 'string' || !plainKinds.has(raw['type'])) return false;
  if (beginnings.some((keyword) => ownMember(raw, keyword) !== undefined)) return false;
  return rules.every((rule) => rule.kind === 'assertion' || (rule.kind === 'whole' && !rule.branching));
}
const plainKinds = new Set(['string', 'number', 'integer', 'boolean']);
const beginnings = ['default', 'const', 'enum'];

/** Whether members may have names of one's own, and something is said of them. */
export function hasMembersBesides(at: readonly Applied[]): boolean {
  return at.some(({ node: { raw } }) => {
    const [others, patterns] = [ownMember(raw, 'additionalProperties'), ownMember(raw, 'patternProperties')];
    return others === true || isObject(others) || (isObject(patterns) && Object.keys(patterns).length > 0);
  });
}

/** How many positions of a list have a schema of their own; those behind them are all alike. */
function positions(at: readonly Applied[]): number {
  return at.reduce((most, { node: { raw } }) => {
    const listed = ownMember(raw, 'prefixItems') ?? ownMember(raw, 'items');
    return Array.isArray(listed) ? Math.max(most, listed.length) : most;
  }, 0);
}

/** How many positions of a list are drawn as having a schema of their own. */
export const tupleLength = (at: readonly Applied[]): number => Math.min(100, positions(at));

/** Whether a place says which members it has, so that one of another name is left over. */
export function namesMembers(at: readonly Applied[]): boolean {
  return (
    at.some(
      ({ node: { rules, raw } }) =>
        rules.some(({ kind, keyword }) => kind === 'members' && byName.has(keyword)) ||
        ownMember(raw, 'unevaluatedProperties') === false,
    ) && !at.some(({ node: { raw } }) => saysOfOthers(ownMember(raw, 'unevaluatedProperties')))
  );
}
const byName = new Set(['properties', 'patternProperties', 'additionalProperties']);
const saysOfOthers = (schema: unknown): boolean => schema !== undefined && schema !== false;

/** The branch that a value speaks for; the first where none can be told. */
export function bestBranch(choice: Choice, value: unknown): number {
  // A value that is not there speaks for none of them.
  if (value === undefined) return 0;
  try {
    return choice.best(value) ?? 0;
  } catch (error) {
    if (error instanceof RangeError) return 0;
    throw error;
  }
}

/** Whether a condition holds, given the value of the place it looks at. One that cannot be decided does not hold. */
export function holds({ about }: Condition, value: unknown): boolean {
  try {
    return isMet(about, value);
  } catch (error) {
    if (error instanceof RangeError) return false;
    throw error;
  }
}

function isMet(about: Condition['about'], value: unknown): boolean {
  switch (about.kind) {
    case 'if':
      return about.asks(value) === about.holds;
    case 'present':
      return ownMember(value, about.name) !== undefined;
    case 'branch':
      return bestBranch(about.choice, value) === about.index;
  }
}

/** What the schemas at a place say together. */
export interface Facts {
  readonly title?: string;
  readonly description?: string;
  readonly default?: unknown;
  readonly examples: readonly unknown[];
  readonly format?: string;
  readonly contentEncoding?: string;
  readonly contentMediaType?: string;
  readonly readOnly: boolean;
  readonly writeOnly: boolean;
  readonly deprecated: boolean;
  /** The kinds allowed; `undefined` where nothing is said. */
  readonly kinds?: readonly Kind[];
  /** The only values allowed, from `enum` and `const`. */
  readonly allowed?: readonly unknown[];
  /** Numbers by keyword: the tightest of all that is said. */
  readonly limits: Readonly<Record<string, number>>;
  readonly patterns: readonly string[];
  readonly uniqueItems: boolean;
  /** `x-poietra`, members of the outer schema winning. */
  readonly hints: Readonly<Record<string, unknown>>;
}

const upper = new Set(['maximum', 'exclusiveMaximum', 'maxLength', 'maxItems', 'maxProperties']);
const lower = new Set(['minimum', 'exclusiveMinimum', 'minLength', 'minItems', 'minProperties']);

/** Gathers what schemas say of one place. The first to give a title, a description or a default wins: it stands nearest. */
export function factsOf(nodes: readonly SaidNode[]): Facts {
  const facts: { -readonly [K in keyof Facts]: Facts[K] } & {
    limits: Record<string, number>;
    patterns: string[];
    hints: Record<string, unknown>;
  } = {
    examples: [],
    readOnly: false,
    writeOnly: false,
    deprecated: false,
    uniqueItems: false,
    limits: {},
    patterns: [],
    hints: {},
  };
  for (const { raw } of nodes) {
    if (typeof raw !== 'object' || raw === null) continue;
    const schema = raw as Readonly<Record<string, unknown>>;
    const text = (name: 'title' | 'description' | 'format' | 'contentEncoding' | 'contentMediaType'): void => {
      const value = ownMember(schema, name);
      if (typeof value === 'string') facts[name] ??= value;
    };
    text('title');
    text('description');
    text('format');
    text('contentEncoding');
    text('contentMediaType');
    if (facts.default === undefined && Object.hasOwn(schema, 'default')) facts.default = schema['default'];
    if (facts.examples.length === 0 && Array.isArray(schema['examples'])) facts.examples = schema['examples'];
    facts.readOnly ||= schema['readOnly'] === true;
    facts.writeOnly ||= schema['writeOnly'] === true;
    facts.deprecated ||= schema['deprecated'] === true;
    facts.uniqueItems ||= schema['uniqueItems'] === true;
    const kinds = ownMember(schema, 'type');
    if (kinds !== undefined) {
      const said = (Array.isArray(kinds) ? kinds : [kinds]) as Kind[];
      facts.kinds = facts.kinds ? commonKinds(facts.kinds, said) : said;
    }
    const allowed = Object.hasOwn(schema, 'const')
      ? [schema['const']]
      : Array.isArray(schema['enum'])
        ? (schema['enum'] as unknown[])
        : undefined;
    if (allowed)
      facts.allowed = facts.allowed?.filter((value) => allowed.some((one) => equalJson(one, value))) ?? allowed;
    for (const keyword of [...upper, ...lower, 'multipleOf']) {
      const value = ownMember(schema, keyword);
      if (typeof value !== 'number') continue;
      const known = facts.limits[keyword];
      facts.limits[keyword] =
        known === undefined
          ? value
          : upper.has(keyword)
            ? Math.min(known, value)
            : lower.has(keyword)
              ? Math.max(known, value)
              : known;
    }
    if (typeof schema['pattern'] === 'string') facts.patterns.push(schema['pattern']);
    const hints = ownMember(schema, 'x-poietra');
    if (typeof hints === 'object' && hints !== null) facts.hints = { ...hints, ...facts.hints };
  }
  return facts;
}

/** The kinds that both take; a whole number is a number, whichever of them says so. */
function commonKinds(one: readonly Kind[], other: readonly Kind[]): readonly Kind[] {
  const takes = (kinds: readonly Kind[], kind: Kind): boolean =>
    kinds.includes(kind) || (kind === 'integer' && kinds.includes('number'));
  return [...new Set([...one, ...other])].filter((kind) => takes(one, kind) && takes(other, kind));
}

/** The schemas of a place that ask for a member of this name. */
export function requiring(at: readonly Applied[], name: string): readonly Applied[] {
  return at.filter(({ node }) => node.rules.some((rule) => rule.kind === 'presence' && rule.nameSet.has(name)));
}
