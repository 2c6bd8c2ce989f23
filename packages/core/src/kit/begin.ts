/** Where a form begins: a schema, an OpenAPI document, samples of its data. */
import { isObject, ownMember } from '../json/index.js';
import { inferSchema, type InferReason } from '../schema/index.js';
import { missingDocuments } from './documents.js';
import type { FormDescription } from './kit.js';

/** What a document is taken for. */
export type BeginningKind = 'schema' | 'openapi' | 'samples';

const types = new Set(['object', 'array', 'string', 'number', 'integer', 'boolean', 'null']);
/** Keywords that no sample of data has by accident, beside `type`. */
const telling = ['$schema', '$defs', '$ref', 'properties', 'allOf', 'oneOf', 'anyOf', 'items', 'enum'];

/** What a parsed document most likely is; a person may say otherwise. */
export function kindOfBeginning(document: unknown): BeginningKind {
  if (typeof document === 'boolean') return 'schema';
  if (!isObject(document)) return 'samples';
  if (typeof document['openapi'] === 'string') return 'openapi';
  const type = document['type'];
  const isType = (one: unknown): boolean => typeof one === 'string' && types.has(one);
  const hasType = Array.isArray(type) ? type.length > 0 && type.every(isType) : isType(type);
  const told = telling.filter((keyword) => Object.hasOwn(document, keyword));
  if (typeof document['$schema'] === 'string') return 'schema';
  if (hasType && (told.length > 0 || Object.keys(document).length === 1)) return 'schema';
  return ['properties', '$defs', 'allOf', 'oneOf', 'anyOf'].some((keyword) => isSchemaHolder(document[keyword]))
    ? 'schema'
    : 'samples';
}

/** Members that are schemas themselves: an object or list of objects that each say a type, a reference or the like. */
function isSchemaHolder(value: unknown): boolean {
  if (typeof value !== 'object' || value === null) return false;
  const members = Object.values(value);
  return (
    members.length > 0 &&
    members.every((one) => typeof one === 'boolean' || (isObject(one) && ['type', ...telling].some((k) => k in one)))
  );
}

/** A form as it begins, with what there is to say about it. */
export interface BegunForm {
  readonly form: FormDescription;
  /** Decisions and things left out, in words. */
  readonly notes: readonly string[];
  /** Why an inferred schema says what it says. */
  readonly reasons?: readonly InferReason[];
}

/** A form of one text field: where there is nothing yet. */
export function emptyForm(title: string): FormDescription {
  return {
    title,
    schema: {
      $schema: 'https://json-schema.org/draft/2020-12/schema',
      title,
      type: 'object',
      properties: { name: { title: 'Name', type: 'string' } },
    },
  };
}

/**
 * A form of a schema; the schema's own title offers itself. `base` is where it was fetched: a schema that refers to
 * others as seen from there, and has no address of its own, is given that one.
 */
export function formFromSchema(
  schema: unknown,
  { title, base }: { readonly title?: string; readonly base?: string | undefined } = {},
): BegunForm {
  const own = ownMember(schema, 'title');
  const words = title ?? (typeof own === 'string' && own.trim() !== '' ? own.trim() : 'Form');
  const isFar = missingDocuments(schema, {}).some((uri) => !/^[a-z][a-z0-9+.-]*:/i.test(uri));
  if (base === undefined || !isFar || !isObject(schema)) return { form: { title: words, schema }, notes: [] };
  return {
    form: { title: words, schema: { $id: base, ...schema } },
    notes: [`It refers to others as seen from where it was fetched, so it is given that as “$id”: ${base}`],
  };
}

/** A form of the schema that all samples fit. */
export function formFromSamples(samples: readonly unknown[], title = 'Form'): BegunForm {
  const { schema, reasons } = inferSchema(samples);
  const { $schema, ...rest } = schema;
  return {
    form: { title, schema: { $schema, title, ...rest } },
    notes: [samples.length === 1 ? 'Inferred from one sample.' : `Inferred from ${samples.length} samples.`],
    reasons,
  };
}
