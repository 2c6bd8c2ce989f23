/** The texts of values that may be chosen: JSON Schema has no word for them but `title` beside a `const`. */
import { isObject, lookUp, removeAt, replaceAt, type Pointer } from '../json/index.js';

const elsewhere = 'The values that may be chosen stand elsewhere; change their texts there.';
/** A reference to a reference to a reference: more is a circle. */
const mostHops = 8;

/**
 * A schema in which a value that may be chosen at `at` has this text. An `enum` becomes a `oneOf` of values with
 * titles; where no title is left, it becomes an `enum` again. A text that is the value itself, or empty, is none.
 * @throws {TypeError} where the values are not written at that place of this document.
 */
export function withChoiceText<T>(schema: T, at: Pointer, value: string | number | boolean | null, text: string): T {
  const place = placeOf(schema, at);
  const own = lookUp(schema, place) as Readonly<Record<string, unknown>>;
  const list = own['enum'];
  const branches = ['oneOf', 'anyOf'].find((keyword) => own[keyword] !== undefined);
  const title = text === '' || text === String(value) ? undefined : text;
  if (Array.isArray(list)) {
    if (branches !== undefined || !list.includes(value)) throw new TypeError(elsewhere);
    if (title === undefined) return schema;
    const next = list.map((one: unknown) => (one === value ? { const: one, title } : { const: one }));
    return replaceAt(removeAt(schema, `${place}/enum`), `${place}/oneOf`, next);
  }
  const written: unknown = branches === undefined ? undefined : own[branches];
  const index = Array.isArray(written) ? written.findIndex((one) => isValue(one, value)) : -1;
  if (branches === undefined || !Array.isArray(written) || index < 0) throw new TypeError(elsewhere);
  const next = written.map((one: unknown, i) => (i === index ? titled(one, title) : one));
  const bare = next.map((one) => (isObject(one) && Object.keys(one).join() === 'const' ? [one['const']] : undefined));
  return bare.every((one) => one !== undefined)
    ? replaceAt(removeAt(schema, `${place}/${branches}`), `${place}/enum`, bare.flat())
    : replaceAt(schema, `${place}/${branches}`, next);
}

/** Where the values stand: behind references of the same document, and in the entries of a list. */
function placeOf(schema: unknown, at: Pointer): Pointer {
  let place = at;
  for (let hops = 0; hops < mostHops; hops++) {
    const own: unknown = lookUp(schema, place);
    if (!isObject(own)) break;
    const isHere = ['enum', 'oneOf', 'anyOf'].some((keyword) => own[keyword] !== undefined);
    if (isHere) return place;
    const reference = own['$ref'];
    if (typeof reference === 'string' && /^#(\/|$)/.test(reference)) place = decodeURIComponent(reference.slice(1));
    else if (isObject(own['items'])) place = `${place}/items`;
    else break;
  }
  throw new TypeError(elsewhere);
}

function isValue(branch: unknown, value: unknown): boolean {
  if (!isObject(branch)) return false;
  if (Object.hasOwn(branch, 'const')) return branch['const'] === value;
  const list = branch['enum'];
  return Array.isArray(list) && list.length === 1 && list[0] === value;
}

function titled(branch: unknown, title: string | undefined): unknown {
  const { title: _before, ...rest } = branch as Readonly<Record<string, unknown>>;
  return title === undefined ? rest : { ...rest, title };
}
