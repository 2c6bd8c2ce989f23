/** Other documents that the schemas of a kit refer to by their URI: its groups, and those that it keeps. */
import { compileSchema, SchemaError } from '../schema/index.js';
import type { Kit } from './kit.js';

export function groupUri(name: string): string {
  return `urn:poietra:group:${name}`;
}

/** Other documents that the forms of a kit may refer to: its groups, and those that it keeps by their address. */
export function kitDocuments({ documents = {}, groups }: Pick<Kit, 'groups' | 'documents'>): Record<string, unknown> {
  return Object.fromEntries([
    ...Object.entries(documents).map(([uri, { schema }]) => [uri, schema] as const),
    ...Object.entries(groups).map(([name, { schema }]) => [groupUri(name), schema] as const),
  ]);
}

/**
 * The URIs, without fragment, of documents that a schema leads to and that are not at hand. What a missing document
 * would lead to in turn is known once it is there. Empty also where the schema cannot be read for another reason.
 */
export function missingDocuments(schema: unknown, documents: Readonly<Record<string, unknown>>): string[] {
  // Most schemas refer to nobody else, and need not be compiled to know it.
  if (!/"\$(ref|dynamicRef|recursiveRef)":"[^#"]/.test(JSON.stringify(schema))) return [];
  try {
    compileSchema(schema, { documents });
    return [];
  } catch (error) {
    return error instanceof SchemaError ? missingIn(error) : [];
  }
}

/** The same, of what compiling has said. */
export function missingIn({ problems }: SchemaError): string[] {
  const named = problems.map(({ params: { document } }) => document);
  return [...new Set(named)].filter((uri): uri is string => typeof uri === 'string' && uri !== '').sort();
}

/** The URI under which a document is kept, without fragment. @throws {TypeError} where the text is none. */
export function documentUri(text: string): string {
  const [uri = '', fragment = ''] = text.trim().split('#');
  if (uri === '' || /\s/.test(uri))
    throw new TypeError('A document has an address, like https://schemas.example.org/party.json.');
  if (fragment !== '') throw new TypeError(`A whole document is meant: leave out “#${fragment}”.`);
  if (uri.startsWith(groupUri(''))) throw new TypeError(`“${uri}” would be a group of this kit.`);
  return uri;
}
