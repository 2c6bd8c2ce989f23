/** What is asked of, or made of, each item of a list or name of an object. */
import { isObject } from '../json/index.js';
import { fail, kindOf } from './kinds.js';
import { isTrue } from './logic.js';

/** The items of a list, or the names of an object. */
function itemsOf(value: unknown): readonly unknown[] {
  if (Array.isArray(value)) return value;
  return isObject(value)
    ? Object.keys(value)
    : fail(`Expression of type '${kindOf(value)}' cannot be range of a comprehension (must be list, map, or dynamic).`);
}
/** Whether one of the items, or none, is as asked; an item that cannot be asked tells so only where no other decides. */
function among(decides: boolean, of: unknown, ask: (item: unknown) => unknown): boolean {
  const name = decides ? 'exists' : 'all';
  let trouble: { readonly thrown: unknown } | undefined;
  for (const item of itemsOf(of))
    try {
      if (isTrue(ask(item), `${name}(var, predicate) predicate must return bool`) === decides) return decides;
    } catch (thrown) {
      trouble ??= { thrown };
    }
  if (trouble) throw trouble.thrown;
  return !decides;
}
const filtered = (of: unknown, ask: (item: unknown) => unknown, words: string): unknown[] =>
  itemsOf(of).filter((item) => isTrue(ask(item), `${words} predicate must return bool`));

export const loops = {
  all: (of: unknown, ask: (item: unknown) => unknown): boolean => among(false, of, ask),
  exists: (of: unknown, ask: (item: unknown) => unknown): boolean => among(true, of, ask),
  existsOne: (of: unknown, ask: (item: unknown) => unknown): boolean =>
    filtered(of, ask, 'exists_one(var, predicate)').length === 1,
  filter: (of: unknown, ask: (item: unknown) => unknown): unknown[] => filtered(of, ask, 'filter(var, predicate)'),
  map: (of: unknown, give: (item: unknown) => unknown): unknown[] => itemsOf(of).map((item) => give(item)),
};
