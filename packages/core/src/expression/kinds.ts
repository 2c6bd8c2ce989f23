/** The kinds of values that expressions tell apart, and the names that CEL has for them. */
import { isObject } from '../json/index.js';

export type Kind = 'string' | 'int' | 'double' | 'bool' | 'null' | 'list' | 'map';
const kinds: Readonly<Record<string, Kind>> = { string: 'string', bigint: 'int', number: 'double', boolean: 'bool' };

export function kindOf(value: unknown): Kind {
  return kinds[typeof value] ?? (value === null ? 'null' : Array.isArray(value) ? 'list' : 'map');
}
/** Of a list and an object, what they hold is told by the first of it. */
export function typeOf(value: unknown): string {
  const kind = kindOf(value);
  const [first] = Array.isArray(value) ? (value as unknown[]) : isObject(value) ? Object.values(value) : [];
  if (kind === 'list') return `list<${first === undefined ? 'dyn' : typeOf(first)}>`;
  return kind === 'map' ? `map<${first === undefined ? 'dyn, dyn' : `string, ${typeOf(first)}`}>` : kind;
}
export function fail(words: string): never {
  throw new Error(words);
}

/** CEL's ints have 64 bits. */
export const mostInt = /* @__PURE__ */ BigInt('9223372036854775807');
export const leastInt = -mostInt - /* @__PURE__ */ BigInt(1);
