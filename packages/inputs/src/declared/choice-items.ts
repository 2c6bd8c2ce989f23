/** What stands inside a component for each value to choose from, by names of general use and what it takes. */
import type { FoundInput } from '@poietra/core';
import ts from 'typescript';
import type { Components } from './components.js';
import type { Declarations } from './declarations.js';

/** Likely names of the item, as exports of the same module; `X.Item` is a member. */
function candidates(exported: string): string[] {
  const way = exported.split('.');
  const last = way[way.length - 1] ?? '';
  if (last === 'Root') return ['Item', 'Option'];
  if (last === 'Group' && way.length === 2) return [way[0] ?? '', `${way[0] ?? ''}.Item`];
  const [, stem] = /^(.+)Group$/.exec(last) ?? [];
  if (stem !== undefined) return [stem, `${stem}Item`, `${stem}Button`, `${stem}Option`, `${last}Item`, `${last}.Item`];
  return /(Select|Listbox|ListBox)$/.test(last)
    ? [`${last}.Option`, `${last}.Item`, `${last}Option`, `${last}Item`, 'Option', 'MenuItem']
    : [];
}

/** With its item, where it takes no list of choices and the module has one by its name. */
export function withChoiceItem(
  read: Declarations,
  components: Components,
  module: ts.Symbol,
  input: FoundInput,
): FoundInput {
  if (input.family !== 'component') return input;
  // HTML's own list takes HTML's own options.
  const isHtml = input.properties.some(({ name, inherited }) => name === 'multiple' && inherited);
  if (/(^|[a-z])Select$/.test(input.export) && (isHtml || /^(Native|Html)Select$/.test(input.export)))
    return { ...input, item: { tag: 'option', module: '' } };
  for (const name of candidates(input.export)) {
    const type = typeAt(read, module, name);
    const props = type && components.propsOf(type, 'value');
    if (!props) continue;
    // Of HTML's own attributes, a label is none of what an element shows.
    const label = read.checker.getPropertyOfType(props, 'label');
    const text = label && read.fromHtml(label) === undefined ? 'label' : 'children';
    if (text === 'children' && !read.checker.getPropertyOfType(props, 'children')) continue;
    return { ...input, choiceItem: { component: `${read.pkg.module ?? read.pkg.name}#${name}`, text } };
  }
  return input;
}

function typeAt({ checker, where }: Declarations, module: ts.Symbol, name: string): ts.Type | undefined {
  const [outer, inner] = name.split('.');
  const symbol = checker.getExportsOfModule(module).find((one) => one.name === outer);
  if (!symbol) return undefined;
  const target = symbol.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(symbol) : symbol;
  if (!(target.flags & ts.SymbolFlags.Value)) return undefined;
  const type = checker.getTypeOfSymbolAtLocation(target, where);
  if (inner === undefined) return type;
  const member = checker.getPropertyOfType(type, inner);
  return member && checker.getTypeOfSymbolAtLocation(member, where);
}
