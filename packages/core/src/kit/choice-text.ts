/** Where the texts of values that may be chosen stand: a title beside a `const`, or the hint `words` for an `enum`. */
import { isObject, lookUp, removeAt, replaceAt, type Pointer } from '../json/index.js';

type Value = string | number | boolean | null;
const elsewhere = 'The values that may be chosen stand elsewhere; change their texts there.';
/** A reference to a reference to a reference: more is a circle. */
const mostHops = 8;

/**
 * How the text of a value is changed: in the schema itself, where it is one of several branches, or by the hint `words`
 * at the place where the values are asked for. A text that is the value itself, or empty, is none.
 * @throws {TypeError} where the values are not written at that place of this document.
 */
export function choiceTextAt(
  schema: unknown,
  at: Pointer,
  value: Value,
  text: string,
): { readonly schema: unknown } | { readonly at: Pointer; readonly word: string | undefined } {
  const title = text === '' || text === String(value) ? undefined : text;
  const place = withoutReferences(schema, at);
  const own: unknown = lookUp(schema, place);
  if (!isObject(own)) throw new TypeError(elsewhere);
  const itemsAt = isObject(own['items']) ? withoutReferences(schema, `${place}/items`) : undefined;
  const items: unknown = itemsAt === undefined ? undefined : lookUp(schema, itemsAt);
  for (const [said, where] of [[own, place] as const, [items, itemsAt] as const])
    for (const keyword of isObject(said) ? ['oneOf', 'anyOf'] : []) {
      const branches = (said as Record<string, unknown>)[keyword];
      const index = Array.isArray(branches) ? branches.findIndex((one) => isValue(one, value)) : -1;
      if (index < 0) continue;
      const there = `${where ?? ''}/${keyword}/${index}/title`;
      if (title !== undefined) return { schema: replaceAt(schema, there, title) };
      return { schema: lookUp(schema, there) === undefined ? schema : removeAt(schema, there) };
    }
  const list = own['enum'] ?? (isObject(items) ? items['enum'] : undefined);
  if (!Array.isArray(list) || !list.includes(value)) throw new TypeError(elsewhere);
  return { at: place, word: title };
}

/** Where a reference within the same document leads, however far; the place itself without one. */
function withoutReferences(schema: unknown, at: Pointer): Pointer {
  let place = at;
  for (let hops = 0; hops < mostHops; hops++) {
    const own: unknown = lookUp(schema, place);
    const reference = isObject(own) && own['enum'] === undefined ? own['$ref'] : undefined;
    if (typeof reference !== 'string' || !/^#(\/|$)/.test(reference)) return place;
    place = decodeURIComponent(reference.slice(1));
  }
  throw new TypeError(elsewhere);
}

function isValue(branch: unknown, value: Value): boolean {
  if (!isObject(branch)) return false;
  if (Object.hasOwn(branch, 'const')) return branch['const'] === value;
  const list = branch['enum'];
  return Array.isArray(list) && list.length === 1 && list[0] === value;
}
