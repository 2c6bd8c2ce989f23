/** What may be written at a place of a schema or of hints. */
import { hintsSchemaWith, isObject, lookUp, metaSchema, type Kit } from '@poietra/core';
import type { Offers } from './code-props.js';

const dialect = 'https://json-schema.org/draft/2020-12/';
/** The keywords of the present dialect, as its meta-schemas list them, and ours. */
const keywords = [
  ...['core', 'applicator', 'unevaluated', 'validation', 'format-annotation', 'content', 'meta-data'].flatMap((part) =>
    namesIn(metaSchema(`${dialect}meta/${part}`)),
  ),
  'x-poietra',
];
const kinds = ['string', 'number', 'integer', 'boolean', 'object', 'array', 'null'];
const formats = ['date', 'date-time', 'time', 'email', 'uri', 'uuid', 'hostname', 'ipv4', 'json-pointer'];
/** Members have names of their author's own. */
const free = new Set([
  'properties',
  '$defs',
  'patternProperties',
  'words',
  'messages',
  'dependentSchemas',
  'variables',
]);

function namesIn(schema: unknown): string[] {
  const members: unknown = isObject(schema) ? schema['properties'] : undefined;
  return isObject(members) ? Object.keys(members) : [];
}

/** In hints, below the place `names` of one object of hints. */
function forHints(kit: Kit, names: readonly string[], isName: boolean): readonly string[] {
  let schema: unknown = hintsSchemaWith(kit.hints);
  for (const name of names) schema = lookUp(schema, `/properties/${name}`);
  if (isName) return namesIn(schema);
  const last = names.at(-1);
  if (last === 'field') return Object.keys(kit.fields);
  if (last === 'skin') return ['plain', 'compact', ...Object.keys(kit.skins ?? {})];
  const allowed: unknown = isObject(schema) ? schema['enum'] : undefined;
  return Array.isArray(allowed) ? allowed.map(String) : [];
}

export function schemaOffers(kit: Kit): Offers {
  return (names, isName) => {
    const hints = names.indexOf('x-poietra');
    if (hints >= 0) return forHints(kit, names.slice(hints + 1), isName);
    const last = names.at(-1) ?? '';
    if (isName) return free.has(last) ? [] : keywords;
    if (last === 'type' || names.at(-2) === 'type') return kinds;
    if (last === 'format') return formats;
    return last === '$ref' ? Object.keys(kit.groups).map((name) => `urn:poietra:group:${name}`) : [];
  };
}

/** Hints beside a schema: first the place in the schema, then one object of hints. */
export function hintsOffers(kit: Kit, schema: unknown): Offers {
  const places: string[] = [];
  const walk = (at: string, one: unknown): void => {
    if (places.length > 500) return;
    places.push(at);
    const members: unknown = isObject(one) ? one['properties'] : undefined;
    if (isObject(members))
      for (const [name, inner] of Object.entries(members))
        walk(`${at}/properties/${name.replaceAll('~', '~0').replaceAll('/', '~1')}`, inner);
    if (isObject(one) && isObject(one['items'])) walk(`${at}/items`, one['items']);
  };
  walk('', schema);
  return (names, isName) => (names.length === 0 ? (isName ? places : []) : forHints(kit, names.slice(1), isName));
}
