/** All versions of JSON Schema from draft 4 on, and what vocabularies make of the later ones. */
import { isObject } from '../json/index.js';
import { newest, withoutFragment, words, type Dialect, type Dialects, type Draft } from './dialect.js';

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

/** The drafts that are known, by the URIs of their meta-schemas. */
export const dialects: readonly Dialect[] = [
  standard('http://json-schema.org/draft-04/schema', 4, draft4),
  standard('http://json-schema.org/draft-06/schema', 6, draft6),
  standard('http://json-schema.org/draft-07/schema', 7, draft7),
  standard(`${base}2019-09/schema`, 2019, all('2019-09')),
  newest,
];
/** A dialect by its meta-schema's URI; an empty fragment makes no difference. */
function standardDialect(uri: string): Dialect | undefined {
  const bare = withoutFragment(uri);
  return dialects.find((dialect) => dialect.uri === bare);
}

/** The dialect that a meta-schema of somebody's own declares with `$vocabulary` (2019-09 and later). */
function dialectFromMetaSchema(uri: string, metaSchema: unknown, parent: Dialect): Dialect {
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

export const everyDialect: Dialects = { standard: standardDialect, fromMetaSchema: dialectFromMetaSchema };
