import { isObject, ownMember, setOwn } from '../json/index.js';
import type { Kit } from '../kit/index.js';
import { resolveUri } from '../schema/index.js';

/**
 * A form's schema that stands alone. Groups become definitions in it, and references lead there. Documents of others go
 * along whole, each a definition with its own `$id` (JSON Schema 2020-12 core, section 9.3), so that references to them
 * stay as they are; only one that asks for a document under another address than its own is told that.
 */
export function standaloneSchema(schema: unknown, groups: Kit['groups'], documents: Kit['documents'] = {}): unknown {
  const definitions: Record<string, unknown> = {};
  const word = isOld(ownMember(schema, '$schema')) ? 'definitions' : '$defs';
  const ownId = ownMember(schema, '$id');
  const root = typeof ownId === 'string' ? resolveUri('', ownId) : '';
  /** Groups that are referred to from inside another resource, where `#` would mean that one. */
  const addressed = new Set<string>();
  const names = new Map<string, string>();
  const taken = new Set(['$defs', 'definitions'].flatMap((word) => Object.keys(ownMember(schema, word) ?? {})));
  /** A definition is named once, before it is read: it may contain itself. */
  const named = (uri: string, wanted: string, read: () => unknown): string => {
    const known = names.get(uri);
    if (known !== undefined) return known;
    let name = wanted;
    for (let i = 2; taken.has(name); i++) name = `${wanted}${i}`;
    taken.add(name);
    names.set(uri, name);
    setOwn(definitions, name, true);
    setOwn(definitions, name, read());
    return name;
  };

  const referred = (reference: string, base: string): string => {
    const [address = '', fragment] = reference.split('#', 2);
    const group = /^urn:poietra:group:(.+)$/s.exec(address)?.[1];
    if (group !== undefined && Object.hasOwn(groups, group)) {
      const name = named(address, group, () => redirect(groups[group]?.schema, root));
      if (base === root) return `#/${word}/${name}${fragment ?? ''}`;
      addressed.add(address);
      return reference;
    }
    if (address === '') return reference;
    const uri = resolveUri(base, address);
    const document: unknown = ownMember(documents, uri);
    if (document === undefined) return reference;
    const { schema: whole } = document as { readonly schema: unknown };
    const own = ownMember(whole, '$id') ?? ownMember(whole, 'id');
    const itself = typeof own === 'string' ? resolveUri(uri, own.split('#')[0] ?? '') : uri;
    named(uri, /([\w-]+)(\.[\w.-]*)?\/?$/.exec(uri)?.[1] ?? 'document', () => embedded(whole, itself));
    return itself === uri ? reference : itself + (fragment === undefined ? '' : `#${fragment}`);
  };
  const redirect = (value: unknown, base: string): unknown => {
    if (Array.isArray(value)) return value.map((one) => redirect(one, base));
    if (!isObject(value)) return value;
    const id = value['$id'];
    const within = typeof id === 'string' && !id.startsWith('#') ? resolveUri(base, id) : base;
    const copy: Record<string, unknown> = {};
    for (const name of Object.keys(value)) {
      const member = value[name];
      const isReference = name === '$ref' && typeof member === 'string';
      setOwn(copy, name, isReference ? referred(member, within) : redirect(member, within));
    }
    return copy;
  };
  /** As a resource of its own, which keeps the version of JSON Schema that it had as a document. */
  const embedded = (whole: unknown, uri: string): unknown => {
    if (!isObject(whole)) return { $id: uri, ...(whole === false ? { not: {} } : {}) };
    const { $schema = newest, ...rest } = whole;
    const isSame = $schema === (ownMember(schema, '$schema') ?? newest);
    const id = isOldest($schema) ? 'id' : '$id';
    return redirect({ ...(isSame ? {} : { $schema }), ...rest, [id]: uri }, '');
  };

  const main = redirect(schema, '');
  if (names.size === 0 || !isObject(main)) return main;
  for (const uri of addressed) {
    const name = names.get(uri) ?? '';
    setOwn(definitions, name, { $id: uri, ...(definitions[name] as object) });
  }
  return { ...main, [word]: { ...(isObject(main[word]) ? main[word] : {}), ...definitions } };
}

const newest = 'https://json-schema.org/draft/2020-12/schema';
/** Drafts that know no `$defs`. */
const isOld = (uri: unknown): boolean => typeof uri === 'string' && /draft-0[467]/.test(uri);
const isOldest = (uri: unknown): boolean => typeof uri === 'string' && uri.includes('draft-04');
