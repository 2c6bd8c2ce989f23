import { isObject, type Limits, type Problem } from '../../json/index.js';
import type { Dialect } from '../dialect.js';
import type { Format } from '../formats.js';
import type { Messages } from '../messages.js';
import type { Pattern } from '../pattern/index.js';
import type { Registry, Resource, Spot } from '../registry.js';
import { bits, type Assertion, type Site, type Rule, type Run, type SchemaNode } from '../rule.js';
import type { Seen } from '../seen.js';

/** What a keyword gets to make its rule from. */
export interface Context {
  readonly keyword: string;
  /** The keyword's own value. */
  readonly value: unknown;
  /** The schema object it stands in. */
  readonly raw: Readonly<Record<string, unknown>>;
  readonly spot: Spot;
  readonly dialect: Dialect;
  readonly registry: Registry;
  readonly formats: Readonly<Record<string, Format>>;
  readonly assertFormats: boolean;
  readonly limits: Limits;
  /** Reads a regular expression; there where a schema has any. */
  readonly patternOf: Family['patternOf'];
  /** The subschema at `raw[keyword][…names]`, made ready. */
  child(...names: (string | number)[]): SchemaNode;
  /** The schema that a reference leads to, or `undefined` after telling that it is missing. */
  target(reference: string): SchemaNode | undefined;
  nodeAt(spot: Spot): SchemaNode;
  /** The node of a dynamic anchor in a resource, if that resource has it. */
  dynamicNode(resource: Resource, anchor: string): SchemaNode | undefined;
  /** Tells that the schema itself is wrong here. */
  complain(message: string): void;
  problem(keyword: string, params: Record<string, unknown>, site: Site): Problem;
  /** All problems of a value under another schema. */
  explain(node: SchemaNode, value: unknown, run: Run, site: Site): Problem[];
}

/**
 * `unevaluatedProperties` and `unevaluatedItems` need to know what every other keyword of their schema has looked at.
 * They are therefore asked last, with what the others have marked.
 */
export interface Unevaluated {
  readonly keyword: 'unevaluatedProperties' | 'unevaluatedItems';
  readonly on: number;
  readonly node: SchemaNode;
  /** Members or items that nobody has looked at. */
  left(value: object, seen: Seen): (string | number)[];
  markAll(seen: Seen): void;
}

/** Asked last, about what nobody else has looked at. */
export interface Late {
  /** The verdict of a schema that has to note what was looked at. */
  accepts(node: SchemaNode, value: unknown, run: Run): boolean;
  read(context: Context): Unevaluated;
  rule(context: Context, others: readonly Rule[], one: Unevaluated): Rule;
  markAll(rules: readonly Rule[], late: readonly Unevaluated[], value: unknown, run: Run, seen: Seen): boolean;
}

/** Keywords that go together, with their words: one file each, fetched together where a schema uses one of them. */
export interface Family {
  readonly keywords: Readonly<Record<string, Keyword>>;
  readonly english: Messages;
  readonly formats?: Readonly<Record<string, Format>>;
  /** A regular expression made ready, or `undefined` after a complaint. */
  readonly patternOf?: ((context: Context, source: unknown) => Pattern | undefined) | undefined;
  readonly late?: Late;
}

/** Turns a keyword into its rule; `undefined` where it has nothing to check. */
export type Keyword = (context: Context) => Rule | undefined;

export function assertion(
  context: Context,
  on: number,
  accepts: (value: never) => boolean,
  params: (value: never) => Record<string, unknown> = () => ({ limit: context.value }),
): Assertion {
  return {
    kind: 'assertion',
    keyword: context.keyword,
    on,
    accepts: accepts,
    params: params,
  };
}

/** The keyword's value as a count, or `undefined` after a complaint. */
export function countOf(context: Context): number | undefined {
  const { value } = context;
  if (typeof value === 'number' && Number.isInteger(value) && value >= 0) return value;
  context.complain('has to be a whole number, 0 or more');
  return undefined;
}

/** The names of a map of schemas, or `undefined` after a complaint. */
export function mapOf(context: Context): string[] | undefined {
  if (isObject(context.value)) return Object.keys(context.value);
  context.complain('has to be an object');
  return undefined;
}

/** The nodes of a list of schemas, or `undefined` after a complaint. */
export function branches(context: Context): SchemaNode[] | undefined {
  if (Array.isArray(context.value) && context.value.length > 0) return context.value.map((_, i) => context.child(i));
  context.complain('has to be a list of schemas with at least one in it');
  return undefined;
}

/** A reference counts its depth, since only references can lead round in a circle. */
export function reference(
  keyword: string,
  fixed: readonly SchemaNode[] | undefined,
  find: (run?: Run) => SchemaNode,
): Rule {
  return {
    kind: 'within',
    keyword,
    on: bits.any,
    nodes: fixed ?? ((run) => [find(run)]),
    isReference: true,
    accepts(value, run) {
      run.enter();
      const fits = find(run).accepts(value, run);
      run.leave();
      return fits;
    },
    mark(value, run, seen) {
      run.enter();
      const fits = find(run).mark(value, run, seen);
      run.leave();
      return fits;
    },
  };
}

export const none: readonly SchemaNode[] = [];
export { bits };
