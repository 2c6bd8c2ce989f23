/** Groups taken out of forms, put back, and what a change to one does to what was saved. */
import { isObject, joinPointer, lookUp, replaceAt, type Pointer } from '../json/index.js';
import { compileSchema } from '../schema/index.js';
import type { Kit } from './kit.js';
import { groupUri, kitDocuments } from './documents.js';

/** One place where a group is used. */
export interface GroupPlace {
  readonly in: 'forms' | 'groups';
  readonly name: string;
  readonly title: string;
  /** Of the object with the `$ref`, in the schema. */
  readonly at: Pointer;
}

/** Every reference to a group, in forms and in other groups. */
export function placesOfGroup(kit: Pick<Kit, 'forms' | 'groups'>, group: string): GroupPlace[] {
  const find = (value: unknown, at: string): string[] =>
    Array.isArray(value)
      ? value.flatMap((item, i) => find(item, joinPointer(at, i)))
      : isObject(value)
        ? [
            ...(value['$ref'] === groupUri(group) ? [at] : []),
            ...Object.entries(value).flatMap(([key, member]) => find(member, joinPointer(at, key))),
          ]
        : [];
  return (['forms', 'groups'] as const).flatMap((kind) =>
    Object.entries(kit[kind]).flatMap(([name, { title, schema }]) =>
      find(schema, '').map((at): GroupPlace => ({ in: kind, name, title, at })),
    ),
  );
}

/** Places of the kit with their new values, as the store's edits take them. */
export type KitEdits = Readonly<Record<Pointer, unknown>>;

/**
 * Takes members of a form's object out into a group of their own. The form refers to it by `allOf`, so the JSON that it
 * sends keeps its shape.
 * @throws {TypeError} where there is no object, or it lacks one of the members.
 */
export function makeGroup(
  kit: Kit,
  form: string,
  at: Pointer,
  members: readonly string[],
  group: { readonly name: string; readonly title: string },
): KitEdits {
  const schema = kit.forms[form]?.schema;
  const object = lookUp(schema, at);
  const properties = isObject(object) ? object['properties'] : undefined;
  if (!isObject(object) || !isObject(properties)) throw new TypeError(`There is no object with members at “${at}”.`);
  const lacking = members.find((name) => !Object.hasOwn(properties, name));
  if (members.length === 0 || lacking !== undefined)
    throw new TypeError(
      lacking === undefined ? 'Choose at least one field.' : `There is no field “${lacking}” at “${at}”.`,
    );
  const isChosen = (name: unknown): boolean => typeof name === 'string' && members.includes(name);
  const required = Array.isArray(object['required']) ? (object['required'] as unknown[]) : [];
  const pick = (wanted: boolean): Record<string, unknown> =>
    Object.fromEntries(Object.entries(properties).filter(([name]) => isChosen(name) === wanted));
  const { required: _required, ...others } = object;
  const kept = required.filter((name) => !isChosen(name));
  const taken = required.filter(isChosen);
  const left = {
    ...others,
    ...(kept.length > 0 ? { required: kept } : {}),
    properties: pick(false),
    allOf: [...(Array.isArray(object['allOf']) ? (object['allOf'] as unknown[]) : []), { $ref: groupUri(group.name) }],
  };
  return {
    [joinPointer('/groups', group.name)]: {
      title: group.title,
      schema: {
        type: 'object',
        ...(taken.length > 0 ? { required: taken } : {}),
        properties: pick(true),
      },
    },
    [`${joinPointer('/forms', form)}/schema`]: at === '' ? left : replaceAt(schema, at, left),
  };
}

/** Puts a group's schema in place of every reference to it and takes the group away. What the forms send stays the same. */
export function dissolveGroup(kit: Kit, name: string): KitEdits {
  const group = kit.groups[name]?.schema;
  const inline = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(inline);
    if (!isObject(value)) return value;
    const inner = Object.fromEntries(Object.entries(value).map(([key, member]) => [key, inline(member)]));
    if (inner['$ref'] === groupUri(name) && isObject(group)) {
      const { $ref: _reference, ...rest } = inner;
      return { ...group, ...rest };
    }
    return mergedUp(inner, value, name);
  };
  const edits: Record<Pointer, unknown> = { [joinPointer('/groups', name)]: undefined };
  for (const place of placesOfGroup(kit, name)) {
    if (place.in === 'groups' && place.name === name) continue;
    edits[`${joinPointer(`/${place.in}`, place.name)}/schema`] = inline(kit[place.in][place.name]?.schema);
  }
  return edits;
}

/** A group that stood in `allOf` for members of this object goes back among them, where no name stands twice. */
function mergedUp(
  inlined: Record<string, unknown>,
  before: Record<string, unknown>,
  name: string,
): Record<string, unknown> {
  const [list, old] = [inlined['allOf'], before['allOf']];
  if (!Array.isArray(list) || !Array.isArray(old)) return inlined;
  const index = old.findIndex(
    (part: unknown) => isObject(part) && part['$ref'] === groupUri(name) && Object.keys(part).length === 1,
  );
  const part: unknown = list[index];
  const own = isObject(inlined['properties']) ? inlined['properties'] : {};
  if (!isObject(part) || !isObject(part['properties'])) return inlined;
  const isPlain = Object.keys(part).every((key) => ['type', 'title', 'properties', 'required'].includes(key));
  if (!isPlain || Object.keys(part['properties']).some((key) => Object.hasOwn(own, key))) return inlined;
  const rest: unknown[] = list.filter((_, i) => i !== index);
  const { allOf: _all, required: _required, ...others } = inlined;
  const required = [inlined['required'], part['required']].flatMap((names) =>
    Array.isArray(names) ? (names as unknown[]) : [],
  );
  return {
    ...others,
    ...(required.length > 0 ? { required } : {}),
    properties: { ...own, ...part['properties'] },
    ...(rest.length > 0 ? { allOf: rest } : {}),
  };
}

/** What a new schema for a group does to saved records of one form. */
export interface GroupEffect {
  readonly form: string;
  readonly title: string;
  readonly fitting: number;
  /** Records that fitted before and would not any more, each with the first thing that is wrong. */
  readonly broken: readonly { readonly record: string; readonly at: Pointer; readonly message: string }[];
}

/**
 * What would happen to the records of every form that uses a group, before the change is made.
 * @throws {SchemaError} where a form does not compile with the new schema.
 */
export function groupEffects(
  kit: Kit,
  group: string,
  schema: unknown,
  records: Readonly<Record<string, Readonly<Record<string, unknown>>>>,
): GroupEffect[] {
  const old = kit.groups[group];
  const next = { ...kit.groups, [group]: { title: old?.title ?? group, schema } };
  return Object.entries(kit.forms).flatMap(([name, form]) => {
    const before = compileSchema(form.schema, { documents: kitDocuments(kit), assertFormats: true });
    const after = compileSchema(form.schema, {
      documents: kitDocuments({ ...kit, groups: next }),
      assertFormats: true,
    });
    if (!uses(kit, form.schema, group)) return [];
    const own = Object.entries(records[name] ?? {});
    const broken = own.flatMap(([record, value]) => {
      const [problem] = before.accepts(value) ? after.validate(value).problems : [];
      return problem ? [{ record, at: problem.at, message: problem.message }] : [];
    });
    return [{ form: name, title: form.title, fitting: own.length - broken.length, broken }];
  });
}

/** Whether a schema leads to a group, directly or through other groups. */
function uses(kit: Kit, schema: unknown, group: string): boolean {
  const seen = new Set<string>();
  const leads = (value: unknown): boolean => {
    if (Array.isArray(value)) return value.some(leads);
    if (!isObject(value)) return false;
    const reference = value['$ref'];
    if (reference === groupUri(group)) return true;
    const other = typeof reference === 'string' ? /^urn:poietra:group:(.+)$/.exec(reference)?.[1] : undefined;
    if (other !== undefined && !seen.has(other)) {
      seen.add(other);
      if (leads(kit.groups[other]?.schema)) return true;
    }
    return Object.values(value).some(leads);
  };
  return leads(schema);
}
