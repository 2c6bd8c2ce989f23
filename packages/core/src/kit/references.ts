/** Where a kit's parts name each other. One walk over the kit serves finding, renaming and taking away. */
import { isObject, joinPointer, type Pointer } from '../json/index.js';
import type { Kit } from './kit.js';
import { groupUri } from './documents.js';

/** The parts of a kit that have names by which others refer to them. */
export type PartKind = 'adapters' | 'codecs' | 'fields' | 'groups' | 'forms' | 'skins' | 'hints';

/** Is asked at every reference to a part of one kind: gives the name that is to stand there. */
export type AtReference = (name: string, at: Pointer) => string;

type Visit = (value: unknown, at: Pointer) => unknown;

/** The kit with what `ask` says at each reference to parts of the kind. What has not changed is shared. */
export function withReferences(kit: Kit, kind: PartKind, ask: AtReference): Kit {
  switch (kind) {
    case 'adapters':
      return inRules(inFields(kit, 'adapter', ask), 'adapter', ask);
    case 'codecs':
      return inFields(kit, 'codec', ask);
    case 'fields':
      return inRules(inHints(kit, memberNamed('field', ask)), 'field', ask);
    case 'skins':
      return inForms(inHints(kit, memberNamed('skin', ask)), ask);
    case 'hints':
      return inHints(kit, memberNames(ask));
    case 'groups':
      return inSchemas(kit, (schema, at) => inSchema(schema, at, { reference: groupReference(ask) }));
    case 'forms':
      return kit;
  }
}

function inFields(kit: Kit, member: 'adapter' | 'codec', ask: AtReference): Kit {
  const fields = mapped(kit.fields, '/fields', (field, at) => memberNamed(member, ask)(field, at));
  return fields === kit.fields ? kit : { ...kit, fields: fields as Kit['fields'] };
}

function inRules(kit: Kit, member: 'adapter' | 'field', ask: AtReference): Kit {
  if (!kit.rules) return kit;
  const rules = mapped(kit.rules, '/rules', (rule, at) => {
    const use: unknown = isObject(rule) ? rule['use'] : undefined;
    const next = memberNamed(member, ask)(use, `${at}/use`);
    return next === use ? rule : { ...(rule as object), use: next };
  });
  return rules === kit.rules ? kit : { ...kit, rules: rules as NonNullable<Kit['rules']> };
}

function inForms(kit: Kit, ask: AtReference): Kit {
  const forms = mapped(kit.forms, '/forms', memberNamed('skin', ask));
  return forms === kit.forms ? kit : { ...kit, forms: forms as Kit['forms'] };
}

/** Hints stand in schemas, as `x-poietra`, and beside those of forms. */
function inHints(kit: Kit, hints: Visit): Kit {
  const within = inSchemas(kit, (schema, at) => inSchema(schema, at, { hints }));
  const forms = mapped(within.forms, '/forms', (form, at) => {
    const beside = isObject(form) ? form['hints'] : undefined;
    const next = mapped(beside, `${at}/hints`, hints);
    return next === beside ? form : { ...(form as object), hints: next };
  });
  return forms === within.forms ? within : { ...within, forms: forms as Kit['forms'] };
}

function inSchemas(kit: Kit, visit: Visit): Kit {
  const within = (kind: 'forms' | 'groups'): unknown =>
    mapped(kit[kind], `/${kind}`, (part, at) => {
      const schema = isObject(part) ? part['schema'] : undefined;
      const next = visit(schema, `${at}/schema`);
      return next === schema ? part : { ...(part as object), schema: next };
    });
  const [forms, groups] = [within('forms') as Kit['forms'], within('groups') as Kit['groups']];
  return forms === kit.forms && groups === kit.groups ? kit : { ...kit, forms, groups };
}

/** Keywords whose members have names of the author's own, and keywords that hold values and no schemas. */
const namedSchemas = new Set('properties patternProperties $defs definitions dependentSchemas dependencies'.split(' '));
const plainValues = new Set(['const', 'enum', 'default', 'examples']);

function inSchema(schema: unknown, at: Pointer, on: { readonly hints?: Visit; readonly reference?: Visit }): unknown {
  if (Array.isArray(schema)) return mapped(schema, at, (one, place) => inSchema(one, place, on));
  if (!isObject(schema)) return schema;
  return mapped(schema, at, (value, place, keyword) => {
    if (plainValues.has(keyword)) return value;
    if (keyword === 'x-poietra') return on.hints ? on.hints(value, place) : value;
    if (keyword === '$ref' || keyword === '$dynamicRef') return on.reference ? on.reference(value, place) : value;
    if (namedSchemas.has(keyword) && isObject(value)) return mapped(value, place, (one, own) => inSchema(one, own, on));
    return inSchema(value, place, on);
  });
}

const memberNamed =
  (member: string, ask: AtReference): Visit =>
  (holder, at) => {
    const name = isObject(holder) ? holder[member] : undefined;
    if (typeof name !== 'string') return holder;
    const next = ask(name, `${at}/${member}`);
    return next === name ? holder : { ...(holder as object), [member]: next };
  };

/** The members' own names are the references. */
const memberNames =
  (ask: AtReference): Visit =>
  (holder, at) => {
    if (!isObject(holder)) return holder;
    const names = Object.keys(holder).map((name) => [name, ask(name, joinPointer(at, name))] as const);
    if (names.every(([name, next]) => name === next)) return holder;
    return Object.fromEntries(names.map(([name, next]) => [next, holder[name]]));
  };

const groupReference =
  (ask: AtReference): Visit =>
  (reference, at) => {
    const [, name, rest = ''] = /^urn:poietra:group:([^#]+)(#.*)?$/s.exec(String(reference)) ?? [];
    if (name === undefined) return reference;
    const next = ask(name, at);
    return next === name ? reference : `${groupUri(next)}${rest}`;
  };

/** The same object or list where no member has changed. */
function mapped(holder: unknown, at: Pointer, each: (value: unknown, at: Pointer, name: string) => unknown): unknown {
  if (typeof holder !== 'object' || holder === null) return holder;
  const entries = Object.entries(holder).map(
    ([name, value]) => [name, value, each(value, joinPointer(at, name), name)] as const,
  );
  if (entries.every(([, before, after]) => before === after)) return holder;
  return Array.isArray(holder)
    ? entries.map(([, , after]) => after)
    : Object.fromEntries(entries.map(([name, , after]) => [name, after]));
}
