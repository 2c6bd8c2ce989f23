/** Edits of a form made where it is drawn: each becomes the smallest change of the schema that says it. */
import { isObject, joinPointer, lookUp, parsePointer, removeAt, replaceAt, type Pointer } from '../json/index.js';
import { choiceTextAt } from './choice-text.js';
import type { KitEdits } from './groups.js';
import type { Kit } from './kit.js';

export type FormEdit =
  | { readonly do: 'label' | 'hint'; readonly text: string }
  /** An expression; empty takes it away. */
  | { readonly do: 'condition' | 'computed'; readonly text: string }
  /** The text of a value that may be chosen. */
  | { readonly do: 'choice'; readonly value: string | number | boolean | null; readonly text: string }
  | { readonly do: 'required'; readonly is: boolean }
  /** A rule of the schema; `undefined` takes it away. */
  | { readonly do: 'rule'; readonly keyword: string; readonly value: string | number | undefined }
  /** Columns of twelve: everywhere, or where the group is as wide as `width` says. */
  | { readonly do: 'span'; readonly span: number | undefined; readonly width?: SpanWidth }
  | { readonly do: 'layout'; readonly layout: string | undefined }
  /** All hints that stand in the schema itself; what is empty goes. */
  | { readonly do: 'hints'; readonly hints: Readonly<Record<string, unknown>> }
  /** Past its neighbour, or before the member named. */
  | { readonly do: 'move'; readonly by: -1 | 1 }
  | { readonly do: 'place'; readonly before: string }
  | { readonly do: 'remove' }
  /** Out of its object and into another one of the same document, whose schema stands at `group`. */
  | { readonly do: 'into'; readonly group: string }
  /** A new member, in an object. */
  | { readonly do: 'add'; readonly name: string; readonly schema: unknown };

type SpanWidth = 'narrow' | 'medium' | 'wide';

/** Rules that are edited beside a field, by kind of value. */
export const editableRules: Readonly<Record<string, readonly string[]>> = {
  string: ['minLength', 'maxLength', 'pattern', 'format'],
  number: ['minimum', 'maximum', 'multipleOf'],
  integer: ['minimum', 'maximum', 'multipleOf'],
  array: ['minItems', 'maxItems'],
};

/** A schema of the kit, and a place in it. */
interface Spot {
  /** Of the schema in the kit. */
  readonly root: Pointer;
  readonly at: Pointer;
}

/** `schemaAt` as plans tell it: a pointer into the form's schema, or `urn:poietra:group:NAME#/…` for one of a group. */
function spotOf(form: string, schemaAt: string): Spot {
  const group = /^urn:poietra:group:([^#]+)#(.*)$/s.exec(schemaAt);
  return group?.[1] === undefined
    ? { root: `${joinPointer('/forms', form)}/schema`, at: schemaAt }
    : { root: `${joinPointer('/groups', group[1])}/schema`, at: group[2] ?? '' };
}

/**
 * What an edit does to the kit.
 * @throws {TypeError} where the place cannot be edited that way; it says why.
 */
export function editForm(kit: Kit, form: string, schemaAt: string, edit: FormEdit): KitEdits {
  const { root, at } = spotOf(form, schemaAt);
  const schema: unknown = lookUp(kit, root);
  const own: unknown = lookUp(schema, at);
  const whole = (next: unknown): KitEdits => ({ [root]: next });
  if (edit.do === 'add') return whole(added(schema, at, edit.name, edit.schema));
  if (!isObject(own)) throw new TypeError('Its schema says only yes or no; write it as text.');
  const put = (member: string, value: unknown): KitEdits => whole(putAt(schema, `${at}/${member}`, value));
  // What stands beside the form's schema wins over what stands in it: the edit goes where it is heard.
  const beside = root === `${joinPointer('/forms', form)}/schema` ? hintsBeside(kit, form) : undefined;
  const hint = (member: string, value: unknown, where = at): KitEdits =>
    isObject(beside?.hints[where]) && beside.hints[where][member] !== undefined
      ? { [beside.at]: putAt(beside.hints, `${joinPointer('', where)}/${member}`, value) }
      : whole(putAt(schema, `${where}/x-poietra/${member}`, value));
  const hinted = (member: string): boolean =>
    (isObject(beside?.hints[at]) && beside.hints[at][member] !== undefined) ||
    lookUp(own, `/x-poietra/${member}`) !== undefined;
  switch (edit.do) {
    case 'label':
      return hinted('label') ? hint('label', edit.text) : put('title', edit.text);
    case 'hint':
      return hinted('hint') ? hint('hint', edit.text) : put('description', edit.text);
    case 'rule':
      return put(edit.keyword, edit.value);
    case 'condition':
    case 'computed':
      return hint(edit.do, edit.text);
    case 'span': {
      const before: unknown = hinted('span') ? beside && lookUp(beside.hints[at], '/span') : undefined;
      return hint('span', spanWith(before ?? lookUp(own, '/x-poietra/span'), edit));
    }
    case 'layout':
      return hint('layout', edit.layout);
    case 'choice': {
      const said = choiceTextAt(schema, at, edit.value, edit.text);
      if ('schema' in said) return whole(said.schema);
      const words: unknown =
        lookUp(beside?.hints[said.at], '/words') ?? lookUp(schema, `${said.at}/x-poietra/words`) ?? {};
      const next = putAt(words, joinPointer('', String(edit.value)), said.word);
      return hint('words', isObject(next) && Object.keys(next).length === 0 ? undefined : next, said.at);
    }
    case 'hints':
      // Those of the schema alone: what stands beside it stays, and is shown as such where they are edited.
      return put('x-poietra', Object.keys(edit.hints).length === 0 ? undefined : edit.hints);
  }
  const { owner, name } = ownerOf(at);
  switch (edit.do) {
    case 'required':
      return whole(withRequired(schema, owner, name, edit.is));
    case 'remove':
      return whole(withRequired(removeAt(schema, at), owner, name, false));
    case 'into':
      return {
        ...whole(movedInto(schema, { at, owner, name, own }, spotOf(form, edit.group), root)),
        ...hintsMoved(kit, form, root, at, joinPointer(`${spotOf(form, edit.group).at}/properties`, name)),
      };
    case 'move':
    case 'place':
      return whole(moved(schema, owner, name, edit));
  }
}

/** The value there, or nothing there; hints that are left empty go. */
function putAt<T>(whole: T, at: Pointer, value: unknown): T {
  if (value !== undefined && value !== '') return replaceAt(whole, at, value);
  if (lookUp(whole, at) === undefined) return whole;
  const next = removeAt(whole, at);
  const around = at.slice(0, at.lastIndexOf('/'));
  const isLeftEmpty = around.endsWith('/x-poietra') && Object.keys(lookUp(next, around) as object).length === 0;
  return isLeftEmpty ? removeAt(next, around) : next;
}

/** The hints that stand beside a form's schema, by the places that they are about. */
function hintsBeside(
  kit: Kit,
  form: string,
): { readonly at: Pointer; readonly hints: Readonly<Record<Pointer, unknown>> } | undefined {
  const at = `${joinPointer('/forms', form)}/hints`;
  const hints: unknown = lookUp(kit, at);
  return isObject(hints) ? { at, hints } : undefined;
}

/** The object that a member belongs to. */
function ownerOf(at: Pointer): { owner: Pointer; name: string } {
  const tokens = parsePointer(at);
  const name = tokens.at(-1);
  if (name === undefined || tokens.at(-2) !== 'properties')
    throw new TypeError('It is no named member of an object; write this as text.');
  return { owner: tokens.slice(0, -2).reduce<string>(joinPointer, ''), name };
}

function withRequired<T>(schema: T, owner: Pointer, name: string, is: boolean): T {
  const names = requiredAt(schema, owner).filter((one) => one !== name);
  const next = is ? [...names, name] : names;
  if (next.length > 0) return replaceAt(schema, `${owner}/required`, next);
  return lookUp(schema, `${owner}/required`) === undefined ? schema : removeAt(schema, `${owner}/required`);
}

/** Members stand in the order of `properties`, and in that of the hint `order` where there is one. */
function moved(
  schema: unknown,
  owner: Pointer,
  name: string,
  edit: Extract<FormEdit, { do: 'move' | 'place' }>,
): unknown {
  const properties: unknown = lookUp(schema, `${owner}/properties`);
  if (!isObject(properties)) throw new TypeError('There are no members beside it.');
  const hinted: unknown = lookUp(schema, `${owner}/x-poietra/order`);
  const names = Object.keys(properties);
  const order = Array.isArray(hinted)
    ? [...(hinted as string[]).filter((one) => names.includes(one)), ...names.filter((one) => !hinted.includes(one))]
    : names;
  const rest = order.filter((one) => one !== name);
  const index = edit.do === 'place' ? rest.indexOf(edit.before) : order.indexOf(name) + edit.by;
  if (index < 0 || index > rest.length) return schema;
  const next = [...rest.slice(0, index), name, ...rest.slice(index)];
  if (Array.isArray(hinted)) return replaceAt(schema, `${owner}/x-poietra/order`, next);
  return replaceAt(schema, `${owner}/properties`, Object.fromEntries(next.map((one) => [one, properties[one]])));
}

/** A span that says the same for every width stays one number. */
function spanWith(before: unknown, { span, width }: Extract<FormEdit, { do: 'span' }>): unknown {
  if (width === undefined || span === undefined) return span;
  const known = isObject(before) ? before : typeof before === 'number' ? { wide: before } : {};
  // Of one number, narrow groups know nothing: what is said for wide ones only is said shortly.
  return width === 'wide' && !isObject(before) ? span : { ...known, [width]: span };
}

function movedInto(
  schema: unknown,
  {
    at,
    owner,
    name,
    own,
  }: { readonly at: Pointer; readonly owner: Pointer; readonly name: string; readonly own: unknown },
  target: Spot,
  root: Pointer,
): unknown {
  if (target.root !== root)
    throw new TypeError('It cannot be moved from one document into another; take it away here and add it there.');
  if (target.at === owner) return schema;
  if (target.at === at || target.at.startsWith(`${at}/`)) throw new TypeError('It cannot be moved into itself.');
  const wasRequired = requiredAt(schema, owner).includes(name);
  const next = added(schema, target.at, name, own);
  const withoutOld = withRequired(removeAt(next, at), owner, name, false);
  return wasRequired ? withRequired(withoutOld, target.at, name, true) : withoutOld;
}

/** Hints beside the form's schema go with the place that they are about. */
function hintsMoved(kit: Kit, form: string, root: Pointer, from: Pointer, to: Pointer): KitEdits {
  const at = `${joinPointer('/forms', form)}/hints`;
  const hints: unknown = lookUp(kit, at);
  if (!isObject(hints) || root !== `${joinPointer('/forms', form)}/schema`) return {};
  const isInside = (place: string): boolean => place === from || place.startsWith(`${from}/`);
  if (!Object.keys(hints).some(isInside)) return {};
  return {
    [at]: Object.fromEntries(
      Object.entries(hints).map(([place, one]) => [isInside(place) ? `${to}${place.slice(from.length)}` : place, one]),
    ),
  };
}

function requiredAt(schema: unknown, owner: Pointer): readonly unknown[] {
  const list: unknown = lookUp(schema, `${owner}/required`);
  return Array.isArray(list) ? (list as unknown[]) : [];
}

function added(schema: unknown, at: Pointer, name: string, member: unknown): unknown {
  if (!/^[A-Za-z_][\w-]{0,63}$/.test(name))
    throw new TypeError('A name starts with a letter and has only letters, digits, “_” and “-”.');
  if (lookUp(schema, joinPointer(`${at}/properties`, name)) !== undefined)
    throw new TypeError(`There is a member “${name}” already.`);
  return replaceAt(schema, joinPointer(`${at}/properties`, name), member);
}
