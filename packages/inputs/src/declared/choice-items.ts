/** What stands inside a component for each value to choose from, by names of general use and what it takes. */
import type { FoundInput } from '@poietra/core';
import ts from 'typescript';
import type { Components } from './components.js';
import type { Declarations } from './declarations.js';
import { exportsOf, meantBy } from './exports.js';

/** Likely names of the item, as exports of the same module; `X.Item` is a member. */
function candidates(exported: string): string[] {
  const way = exported.split('.');
  const last = way[way.length - 1] ?? '';
  const space = way.length === 2 ? `${way[0] ?? ''}.` : '';
  if (last === 'Root') return [...['Item', 'Option'].map((name) => `${space}${name}`), ...ofGroup(way[0] ?? '')];
  if (last === 'Group' && way.length === 2) return [way[0] ?? '', `${way[0] ?? ''}.Item`];
  const [, root] = /^(.+)Root$/.exec(last) ?? [];
  if (root !== undefined) return [`${root}Item`, `${root}Option`, ...ofGroup(root)];
  if (last.endsWith('Group')) return ofGroup(last);
  const own = [`${last}.Option`, `${last}.Item`, `${last}Option`, `${last}Item`];
  if (/(Select|Listbox|ListBox)$/.test(last)) return [...own, 'Option', 'MenuItem'];
  if (/(Dropdown|Combobox|ComboBox)$/.test(last)) return [...own, `${last}.Button`, 'Option'];
  if (/Tiles$/.test(last)) return [last.replace(/s$/, ''), `${last}.Tile`];
  const ofParts = ['Item', 'Choice', 'Option', 'Button'].map((end) => last.replace(/Control$/, end));
  if (last === 'SegmentedControl') return [...own, `${last}.Button`, ...ofParts];
  return /(Autocomplete|Control)$/.test(last) ? [...own, `${last}.Button`] : [];
}

/** What a group is a group of: by the group's own name, and as components that stand alone, too. */
function ofGroup(name: string): string[] {
  const [, stem] = /^(.+)Group$/.exec(name) ?? [];
  if (stem === undefined) return [];
  // What bears the whole of its name is made for it alone.
  const ends = ['', 'Item', 'Button', 'Option', 'Root', '.Root'];
  return [`${name}Item`, `${name}.Item`, ...ends.map((end) => `${stem}${end}`)];
}

/** With its item, where it takes no list of choices and the module has one by its name. */
export function withChoiceItem(
  read: Declarations,
  components: Components,
  module: ts.Symbol,
  input: FoundInput,
): FoundInput {
  if (input.family !== 'component') return input;
  // HTML's own list takes HTML's own options; what says itself what is chosen passes its attributes on to one that is hidden.
  const isHtml =
    input.properties.some(({ name, inherited }) => name === 'multiple' && inherited) &&
    !input.properties.some(({ name, inherited }) => /^selected[A-Z]/.test(name) && !inherited);
  if (/(^|[a-z])Select(Field)?$/.test(input.export) && (isHtml || /^(Native|Html)Select/.test(input.export)))
    return { ...input, item: { tag: 'option', module: '' } };
  // What holds what is chosen by keys may have the item that all such lists of its package have.
  const isKeyed = input.properties.some(({ name }) => /^selectedKeys?$/.test(name));
  for (const name of [...candidates(input.export), ...(isKeyed ? ['Item'] : [])]) {
    const choiceItem = choiceComponent(read, components, module, name);
    if (!choiceItem) continue;
    const type = choiceItem.text === 'children' ? typeAt(read, module, name) : undefined;
    const isTold = type !== undefined && components.propsOf(type, wordsBeside) !== undefined;
    return { ...input, choiceItem, ...(isTold ? { choiceWords: wordsBeside } : {}) };
  }
  return input;
}

/** The property that takes the words of a choice beside what is drawn of it. */
export const wordsBeside = 'textValue';

/** Names for the value of a choice; `id` is HTML's, too, so it comes last. */
const valueNames = ['value', 'eventKey', 'itemValue', 'id'];

/** An export of this name as what stands for a choice, where it takes a value and words. */
export function choiceComponent(
  read: Declarations,
  components: Components,
  module: ts.Symbol,
  name: string,
): FoundInput['choiceItem'] {
  const type = typeAt(read, module, name);
  const props = type && [...valueNames, wordsBeside].map((one) => components.propsOf(type, one)).find(Boolean);
  if (!props) return undefined;
  // What takes its words beside what is drawn stands in a list, and is known there by its key where it takes no value.
  const isKeyed = read.checker.getPropertyOfType(props, wordsBeside) !== undefined;
  const value = valueNames.find((one) => bearsText(read, props, one)) ?? (isKeyed ? 'key' : undefined);
  if (value === undefined) return undefined;
  const children = read.checker.getPropertyOfType(props, 'children');
  // An option draws what stands inside it, where its package says that something does; its label is told of it elsewhere.
  const drawsInner = /Option$/.test(name) && children && read.fromHtml(children) === undefined;
  // Of HTML's own attributes, a label is none of what an element shows.
  const text =
    (drawsInner ? [] : ['label', 'labelText']).find((one) => {
      const label = read.checker.getPropertyOfType(props, one);
      return label && read.fromHtml(label) === undefined && bearsText(read, props, one);
    }) ?? 'children';
  if (text === 'children' && !children) return undefined;
  return { component: `${read.pkg.module ?? read.pkg.name}#${name}`, value, text };
}

/** Whether the property could hold a text; one that is told by its user may, but for one that is said to be an object, or yes or no. */
function bearsText({ checker, where }: Declarations, props: ts.Type, name: string): boolean {
  const property = checker.getPropertyOfType(props, name);
  if (!property) return false;
  const type = checker.getNonNullableType(checker.getTypeOfSymbolAtLocation(property, where));
  const bound = type.flags & ts.TypeFlags.TypeParameter ? checker.getBaseConstraintOfType(type) : type;
  if (!bound || bound.flags & (ts.TypeFlags.Any | ts.TypeFlags.Unknown)) return true;
  return (
    checker.isTypeAssignableTo(checker.getStringType(), bound) ||
    !(bound.flags & (ts.TypeFlags.NonPrimitive | ts.TypeFlags.Object | ts.TypeFlags.BooleanLike))
  );
}

export function typeAt({ checker, where }: Declarations, module: ts.Symbol, name: string): ts.Type | undefined {
  const [outer, inner] = name.split('.');
  const symbol = exportsOf(checker, module).find((one) => one.name === outer);
  if (!symbol) return undefined;
  const target = meantBy(checker, symbol);
  if (!(target.flags & ts.SymbolFlags.Value)) return undefined;
  const type = checker.getTypeOfSymbolAtLocation(target, where);
  if (inner === undefined) return type;
  const member = checker.getPropertyOfType(type, inner);
  return member && checker.getTypeOfSymbolAtLocation(member, where);
}
