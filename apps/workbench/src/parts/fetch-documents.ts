/** Documents that schemas refer to: fetched by the server, or found in the project. */
import { missingDocuments, type DocumentDescription } from '@poietra/core';
import { ask } from '../store/ask.js';
import { readTyped } from './read-typed.js';

export type Source = 'address' | 'project';
export type Documents = Readonly<Record<string, DocumentDescription>>;

/** The host that would be asked; `undefined` where the address is none of the web. */
export function hostOf(uri: string): string | undefined {
  const url = URL.canParse(uri) ? new URL(uri) : undefined;
  return url && /^https?:$/.test(url.protocol) ? url.host : undefined;
}

/** The text behind an address. @throws where it cannot be had; it says why. */
export async function textBehind(address: string, from: Source): Promise<string> {
  const { text } = (await ask('/api/document', { method: 'POST', json: { address, from } })) as {
    readonly text: string;
  };
  return text;
}

/** One document. @throws where it cannot be had, or is neither JSON nor YAML. */
export async function documentFrom(address: string, from: Source): Promise<DocumentDescription> {
  const schema = schemaIn(await textBehind(address, from));
  return { schema, ...(from === 'address' ? { fetched: new Date().toISOString() } : {}) };
}

/** What a text says, where it can be a schema: an object, true or false. @throws where it cannot. */
export function schemaIn(text: string): unknown {
  const read = readTyped(text);
  if (!read.ok) throw new TypeError(`It cannot be read: ${read.reason}`);
  const is = typeof read.value;
  if (is !== 'boolean' && (is !== 'object' || read.value === null || Array.isArray(read.value)))
    throw new TypeError('A schema is an object, true or false.');
  return read.value;
}

/** Documents lead to further ones; so many are fetched with one press. */
const most = 60;

/**
 * A document, with those that it leads to in turn: from the same host, or from the project as well. Others stay missing,
 * and are asked for on their own.
 */
export async function documentsFrom(
  address: string,
  from: Source,
  schema: unknown,
  known: Readonly<Record<string, unknown>>,
): Promise<Documents> {
  const had: Record<string, DocumentDescription> = { [address]: await documentFrom(address, from) };
  const refused = new Set<string>();
  while (Object.keys(had).length < most) {
    const all = { ...known, ...schemasOf(had) };
    const next = missingDocuments(schema, all).find(
      (uri) => !refused.has(uri) && (from === 'project' || hostOf(uri) === hostOf(address)),
    );
    if (next === undefined) break;
    try {
      had[next] = await documentFrom(next, from);
    } catch {
      // It is told as missing, and says why when it is asked for itself.
      refused.add(next);
    }
  }
  return had;
}

export function schemasOf(documents: Documents): Record<string, unknown> {
  return Object.fromEntries(Object.entries(documents).map(([uri, { schema }]) => [uri, schema]));
}
