/** Where a keyword keeps subschemas. `either`: one schema or a list of them; `dependencies`: a map of schemas or lists of names. */
export type Position = 'schema' | 'list' | 'map' | 'either' | 'dependencies';

export type Draft = 4 | 6 | 7 | 2019 | 2020;

/** One version of JSON Schema, or a vocabulary-made variant of one. */
export interface Dialect {
  /** The meta-schema's URI, without an empty fragment. */
  readonly uri: string;
  readonly draft: Draft;
  /** Keywords that mean something here. */
  readonly keywords: ReadonlySet<string>;
  /** Whether its vocabularies ask that `format` be checked. */
  readonly formatAsserted: boolean;
}

export const words = (text: string): string[] => text.split(' ');

const placed: Readonly<Record<Position, string>> = {
  schema:
    'not if then else contains propertyNames additionalProperties additionalItems unevaluatedItems unevaluatedProperties contentSchema',
  list: 'allOf anyOf oneOf prefixItems',
  map: 'properties patternProperties dependentSchemas $defs definitions',
  either: 'items',
  dependencies: 'dependencies',
};
export const positions: ReadonlyMap<string, Position> = new Map(
  Object.entries(placed).flatMap(([position, names]) => words(names).map((name) => [name, position as Position])),
);

const ranks = new WeakMap<ReadonlyMap<string, unknown>, ReadonlyMap<string, number>>();
/** What a table knows of a schema’s keywords, in the table’s order: a schema has few keywords, a table has many. */
export function knownIn<T>(
  raw: Readonly<Record<string, unknown>>,
  table: ReadonlyMap<string, T>,
): readonly (readonly [keyword: string, T])[] {
  const known: [string, T][] = [];
  for (const keyword of Object.keys(raw)) {
    const entry = table.get(keyword);
    if (entry !== undefined) known.push([keyword, entry]);
  }
  if (known.length < 2) return known;
  let rank = ranks.get(table);
  if (!rank) ranks.set(table, (rank = new Map([...table.keys()].map((keyword, i) => [keyword, i]))));
  const of = rank;
  return known.sort(([one], [other]) => (of.get(one) ?? 0) - (of.get(other) ?? 0));
}

/** In the order in which rules are asked and problems are listed: cheap and telling ones first. */
export const order = (
  'type enum const multipleOf maximum minimum exclusiveMaximum exclusiveMinimum maxLength minLength pattern format ' +
  'contentEncoding contentMediaType properties patternProperties additionalProperties required maxProperties ' +
  'minProperties propertyNames dependentRequired dependentSchemas dependencies prefixItems items additionalItems ' +
  'contains maxItems minItems uniqueItems $ref $dynamicRef $recursiveRef allOf anyOf oneOf not if'
).split(' ');

const base = 'https://json-schema.org/draft/';
/** 2020-12; the others stand in `dialects.ts`, fetched where a schema names one. */
export const newest: Dialect = {
  uri: `${base}2020-12/schema`,
  draft: 2020,
  keywords: new Set([
    ...positions.keys(),
    ...order.filter((name) => name !== '$recursiveRef'),
    ...words(
      '$dynamicAnchor $anchor $comment maxContains minContains title description default deprecated readOnly writeOnly examples',
    ),
  ]),
  formatAsserted: false,
};

/** What a compiler asks of dialects beyond the newest. */
export interface Dialects {
  /** A published dialect by its meta-schema's URI; an empty fragment makes no difference. */
  standard(uri: string): Dialect | undefined;
  /** The dialect that a meta-schema of somebody's own declares with `$vocabulary` (2019-09 and later). */
  fromMetaSchema(uri: string, metaSchema: unknown, parent: Dialect): Dialect;
}
/** The newest, and no other. */
export const onlyNewest: Dialects = {
  standard: (uri) => (withoutFragment(uri) === newest.uri ? newest : undefined),
  fromMetaSchema: (uri, _metaSchema, parent) => ({ ...parent, uri }),
};
export const withoutFragment = (uri: string): string => uri.replace(/#$/, '');

/** Draft 4 writes `id` where later ones write `$id`. */
export function idWord(dialect: Dialect): string {
  return dialect.draft === 4 ? 'id' : '$id';
}

/** Up to draft 7 nothing beside a `$ref` counts. */
export function refStandsAlone(dialect: Dialect): boolean {
  return dialect.draft <= 7;
}
