import { isObject } from '../json/index.js';

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

const words = (text: string): string[] => text.split(' ');

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

const annotations = 'title description default';
const limits =
  'type enum multipleOf maximum exclusiveMaximum minimum exclusiveMinimum maxLength minLength pattern maxItems minItems uniqueItems maxProperties minProperties required';
const objects = 'properties patternProperties additionalProperties dependencies';
const logic = 'allOf anyOf oneOf not';
const branches = 'if then else';
const draft4 = words(`$ref definitions format items additionalItems ${limits} ${objects} ${logic} ${annotations}`);
const draft6 = [...draft4, ...words('const contains propertyNames examples')];
const draft7 = [...draft6, ...words(`${branches} readOnly writeOnly contentEncoding contentMediaType $comment`)];

/** What each vocabulary of 2019-09 and 2020-12 brings. */
const vocabularies: Readonly<Record<string, string>> = {
  '2019-09/vocab/core': '$ref $recursiveRef $recursiveAnchor $anchor $defs definitions $comment',
  '2019-09/vocab/applicator': `items additionalItems contains unevaluatedItems unevaluatedProperties propertyNames dependentSchemas ${objects} ${logic} ${branches}`,
  '2019-09/vocab/validation': `const maxContains minContains dependentRequired ${limits}`,
  '2019-09/vocab/meta-data': `${annotations} deprecated readOnly writeOnly examples`,
  '2019-09/vocab/format': 'format',
  '2019-09/vocab/content': 'contentEncoding contentMediaType contentSchema',
  '2020-12/vocab/core': '$ref $dynamicRef $dynamicAnchor $anchor $defs definitions $comment',
  '2020-12/vocab/applicator': `prefixItems items contains propertyNames dependentSchemas ${objects} ${logic} ${branches}`,
  '2020-12/vocab/unevaluated': 'unevaluatedItems unevaluatedProperties',
  '2020-12/vocab/format-annotation': 'format',
  '2020-12/vocab/format-assertion': 'format',
};
const base = 'https://json-schema.org/draft/';
const sameAsBefore = ['validation', 'meta-data', 'content'];
const keywordsOf = (vocabulary: string): readonly string[] => {
  const key = vocabulary.slice(base.length);
  const name = key.slice(key.lastIndexOf('/') + 1);
  const found = vocabularies[sameAsBefore.includes(name) ? `2019-09/vocab/${name}` : key];
  return found === undefined ? [] : words(found);
};
const all = (draft: string): string[] =>
  ['core', 'applicator', 'unevaluated', 'validation', 'meta-data', 'format', 'format-annotation', 'content'].flatMap(
    (name) => keywordsOf(`${base}${draft}/vocab/${name}`),
  );

function standard(uri: string, draft: Draft, keywords: readonly string[]): Dialect {
  return { uri, draft, keywords: new Set(keywords), formatAsserted: false };
}

export const dialects: readonly Dialect[] = [
  standard('http://json-schema.org/draft-04/schema', 4, draft4),
  standard('http://json-schema.org/draft-06/schema', 6, draft6),
  standard('http://json-schema.org/draft-07/schema', 7, draft7),
  standard(`${base}2019-09/schema`, 2019, all('2019-09')),
  standard(`${base}2020-12/schema`, 2020, all('2020-12')),
];
export const newest: Dialect = dialects[4] ?? standard(`${base}2020-12/schema`, 2020, all('2020-12'));

/** A dialect by its meta-schema's URI; an empty fragment makes no difference. */
export function standardDialect(uri: string): Dialect | undefined {
  const bare = uri.replace(/#$/, '');
  return dialects.find((dialect) => dialect.uri === bare);
}

/** The dialect that a meta-schema of somebody's own declares with `$vocabulary` (2019-09 and later). */
export function dialectFromMetaSchema(uri: string, metaSchema: unknown, parent: Dialect): Dialect {
  const declared = isObject(metaSchema) ? metaSchema['$vocabulary'] : undefined;
  if (!isObject(declared) || parent.draft < 2019) return { ...parent, uri };
  const names = Object.keys(declared);
  return {
    uri,
    draft: parent.draft,
    keywords: new Set(names.flatMap(keywordsOf)),
    formatAsserted: names.some(
      (name) =>
        name.endsWith('/vocab/format-assertion') || (name.endsWith('2019-09/vocab/format') && declared[name] === true),
    ),
  };
}

/** Draft 4 writes `id` where later ones write `$id`. */
export function idWord(dialect: Dialect): string {
  return dialect.draft === 4 ? 'id' : '$id';
}

/** Up to draft 7 nothing beside a `$ref` counts. */
export function refStandsAlone(dialect: Dialect): boolean {
  return dialect.draft <= 7;
}
