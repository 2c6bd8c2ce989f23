/** Operations of an OpenAPI 3.1 document (its schemas are JSON Schema 2020-12), and the forms that they ask for. */
import { isObject, lookUp, ownMember, parsePointer, type Pointer } from '../json/index.js';
import { resolveUri } from '../schema/index.js';
import type { BegunForm } from './begin.js';
import type { Purpose, SendDescription } from '../plan/index.js';

const dialect = 'https://json-schema.org/draft/2020-12/schema';

/** One operation for which somebody fills in something: a body, or the variables of its query. */
export interface Operation {
  /** In capitals, as HTTP has it. */
  readonly method: string;
  /** With `{variables}`, as the document has it. */
  readonly path: string;
  readonly title: string;
}

const methods = ['get', 'post', 'put', 'patch', 'delete'] as const;
const jsonType = /^application\/(?:[\w.-]+\+)?json\b/;

/** @throws {TypeError} where it is no OpenAPI 3.1 document. */
export function operationsOf(document: unknown): Operation[] {
  const version = ownMember(document, 'openapi');
  if (typeof version !== 'string') throw new TypeError('It has no member “openapi” with a version.');
  if (!version.startsWith('3.1'))
    throw new TypeError(`It is OpenAPI ${version}; documents of 3.1 are read, whose schemas are JSON Schema.`);
  const paths = ownMember(document, 'paths');
  if (!isObject(paths)) return [];
  return Object.entries(paths).flatMap(([path, item]) =>
    methods.flatMap((method) => {
      const operation = ownMember(item, method);
      if (!isObject(operation)) return [];
      const asks = bodySchema(document, operation) !== undefined || queryOf(document, item, operation).length > 0;
      if (!asks) return [];
      const words = [operation['summary'], operation['operationId']].find((one) => typeof one === 'string');
      const capitals = method.toUpperCase();
      return [{ method: capitals, path, title: typeof words === 'string' ? words : `${capitals} ${path}` }];
    }),
  );
}

/**
 * The form of an operation: its body as schema with all that it refers to, its address, its method. References to other
 * documents stay, as seen from `base`, where the document was fetched. What the operation has beside the body is told.
 */
export function formFromOperation(
  document: unknown,
  { method, path, title }: Operation,
  { base }: { readonly base?: string | undefined } = {},
): BegunForm {
  const item = ownMember(ownMember(document, 'paths'), path);
  const operation = ownMember(item, method.toLowerCase());
  const notes: string[] = [];
  const body = bodySchema(document, operation);
  const query = queryOf(document, item, operation);
  const root = body ?? querySchema(query);
  const beside = [
    ...(body === undefined ? [] : query.map(({ name }) => `“${name}” of the query`)),
    ...['header', 'cookie'].flatMap((place) =>
      variablesIn(document, item, operation, place).map(({ name }) => `${place} “${name}”`),
    ),
  ];
  if (beside.length > 0)
    notes.push(`Left out, since it is no part of the ${body === undefined ? 'query' : 'body'}: ${beside.join(', ')}.`);
  const refusals = refusalsOf(document, operation);
  if (refusals !== undefined) notes.push(refusals);
  const own = ownMember(body, 'title');
  const words = typeof own === 'string' ? own : title;
  const { schema, missing } = selfContained(document, root, base);
  if (missing.length > 0)
    notes.push(`Not in the document, so those places take anything: ${missing.map((one) => `“${one}”`).join(', ')}.`);
  const send = sendOf(document, path, method, notes);
  return {
    form: { title: words, schema: { $schema: dialect, title: words, ...schema }, ...(send ? { send } : {}) },
    notes,
  };
}

function bodySchema(document: unknown, operation: unknown): unknown {
  const body = resolved(document, ownMember(operation, 'requestBody'));
  const content = ownMember(body, 'content');
  if (!isObject(content)) return undefined;
  const names = Object.keys(content);
  const name = names.find((one) => jsonType.test(one)) ?? names.find((one) => /form|\*/.test(one));
  return name === undefined ? undefined : ownMember(content[name], 'schema');
}

interface QueryVariable {
  readonly name: string;
  readonly required: boolean;
  readonly schema: unknown;
}
const queryOf = (document: unknown, item: unknown, operation: unknown): QueryVariable[] =>
  variablesIn(document, item, operation, 'query');

/** Variables of one place (`query`, `header` …), the operation's own winning over those of its path. */
function variablesIn(document: unknown, item: unknown, operation: unknown, place: string): QueryVariable[] {
  const byName = new Map<string, QueryVariable>();
  for (const holder of [item, operation]) {
    const parameters = ownMember(holder, 'parameters');
    for (const given of Array.isArray(parameters) ? (parameters as unknown[]) : []) {
      const parameter = resolved(document, given);
      const name = ownMember(parameter, 'name');
      if (typeof name !== 'string' || ownMember(parameter, 'in') !== place) continue;
      const schema = ownMember(parameter, 'schema') ?? {};
      const description = ownMember(parameter, 'description');
      byName.set(name, {
        name,
        required: ownMember(parameter, 'required') === true,
        schema: isObject(schema) && typeof description === 'string' ? { description, ...schema } : schema,
      });
    }
  }
  return [...byName.values()];
}

/** What becomes of its refusals here: problem details (RFC 9457) land on their fields, and nothing else does. */
function refusalsOf(document: unknown, operation: unknown): string | undefined {
  const responses = ownMember(operation, 'responses');
  const refused = Object.entries(isObject(responses) ? responses : {}).filter(([status]) => /^4/.test(status));
  const typesOf = (response: unknown): string[] =>
    Object.keys(ownMember(resolved(document, response), 'content') ?? {});
  const [details, others] = [true, false].map((is) =>
    refused.flatMap(([status, response]) => {
      const types = typesOf(response);
      return types.length > 0 && types.some((type) => type.startsWith('application/problem+json')) === is
        ? [status]
        : [];
    }),
  );
  const said = [
    details?.length
      ? `What it refuses (${details.join(', ')}) comes as problem details: what they say of a field is told there.`
      : '',
    others?.length
      ? `What it refuses (${others.join(', ')}) comes otherwise than as problem details (RFC 9457), so it is told for the form as a whole.`
      : '',
  ].filter((one) => one !== '');
  return said.length > 0 ? said.join(' ') : undefined;
}

function querySchema(query: readonly QueryVariable[]): unknown {
  const required = query.flatMap(({ name, required: is }) => (is ? [name] : []));
  return {
    type: 'object',
    ...(required.length > 0 ? { required } : {}),
    properties: Object.fromEntries(query.map(({ name, schema }) => [name, schema])),
  };
}

/** What a reference inside the document leads to; chains of references are followed as far as one would write them. */
function resolved(document: unknown, value: unknown): unknown {
  let next = value;
  for (let i = 0; i < 10; i++) {
    const reference = ownMember(next, '$ref');
    if (typeof reference !== 'string' || !reference.startsWith('#')) return next;
    next = lookUp(document, pointerIn(reference));
  }
  return undefined;
}

function pointerIn(reference: string): Pointer {
  try {
    return decodeURIComponent(reference.slice(1));
  } catch {
    return reference.slice(1);
  }
}

/** A schema that stands alone: what it refers to in the document goes along as `$defs`. */
function selfContained(
  document: unknown,
  root: unknown,
  base: string | undefined,
): { schema: Record<string, unknown>; missing: string[] } {
  const names = new Map<string, string>();
  const defs: Record<string, unknown> = {};
  const missing: string[] = [];
  const nameFor = (reference: string): string | undefined => {
    const known = names.get(reference);
    if (known !== undefined) return known;
    const target = reference.startsWith('#/') ? lookUp(document, pointerIn(reference)) : undefined;
    if (target === undefined) {
      if (!missing.includes(reference)) missing.push(reference);
      return undefined;
    }
    const last = parsePointer(pointerIn(reference)).at(-1) ?? 'part';
    let name = last;
    for (let i = 2; Object.hasOwn(defs, name); i++) name = `${last}${i}`;
    names.set(reference, name);
    // Known before it is read: it may contain itself.
    defs[name] = true;
    defs[name] = bring(target);
    return name;
  };
  const bring = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(bring);
    if (!isObject(value)) return value;
    const entries = Object.entries(value).flatMap(([keyword, member]): [string, unknown][] => {
      if (keyword !== '$ref' || typeof member !== 'string') return [[keyword, bring(member)]];
      if (!member.startsWith('#')) return [['$ref', base === undefined ? member : resolveUri(base, member)]];
      const name = nameFor(member);
      return name === undefined ? [] : [['$ref', `#/$defs/${name.replaceAll('~', '~0').replaceAll('/', '~1')}`]];
    });
    return Object.fromEntries(entries);
  };
  const own = bring(root);
  const schema = isObject(own) ? own : {};
  return { schema: Object.keys(defs).length > 0 ? { ...schema, $defs: defs } : schema, missing };
}

/** Where records are listed and how they are written, from the paths beside the operation's own. */
function sendOf(document: unknown, path: string, method: string, notes: string[]): SendDescription | undefined {
  if (method === 'GET') return undefined;
  const paths = ownMember(document, 'paths');
  const one = /^(.*)\/\{([^{}/]+)\}$/.exec(path);
  const list = one?.[1] ?? path;
  const single = isObject(paths)
    ? Object.keys(paths).find(
        (other) => other.startsWith(`${list}/{`) && /^\/\{[^{}/]+\}$/.test(other.slice(list.length)),
      )
    : undefined;
  const key = one?.[2] ?? (single === undefined ? undefined : /\{([^{}]+)\}$/.exec(single)?.[1]);
  if (list.includes('{')) {
    notes.push(`The address ${path} has variables before its end; say in the settings where the form sends.`);
    return undefined;
  }
  if (key === undefined) notes.push('No path names a single record, so its key is taken to be “id”.');
  const usual: Readonly<Record<Purpose, string>> = {
    create: 'POST',
    replace: 'PUT',
    change: 'PATCH',
    delete: 'DELETE',
  };
  const purpose: Purpose = one === null ? 'create' : method === 'PATCH' ? 'change' : 'replace';
  return {
    path: `${serverPath(document)}${list}` || '/',
    key: key ?? 'id',
    ...(method === usual[purpose] ? {} : { methods: { [purpose]: method } }),
  };
}

/** What stands before every path: the path of the first server, where it has one. */
function serverPath(document: unknown): string {
  const url = ownMember(ownMember(ownMember(document, 'servers'), '0'), 'url');
  if (typeof url !== 'string') return '';
  const path = url.replace(/^[a-z][a-z0-9+.-]*:\/\/[^/]*/i, '').replace(/\/+$/, '');
  return path.startsWith('/') && !path.includes('{') ? path : '';
}
