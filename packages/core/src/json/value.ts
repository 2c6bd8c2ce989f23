/** A value as RFC 8259 has it. */
export type Json = null | boolean | number | string | readonly Json[] | JsonObject;
/** An object as RFC 8259 has it. */
export interface JsonObject {
  readonly [name: string]: Json;
}

/** The seven kinds of value that JSON Schema tells apart. */
export type Kind = 'null' | 'boolean' | 'integer' | 'number' | 'string' | 'array' | 'object';

/** The kind of a value; `undefined` for what JSON has no word for. A number without fraction is an `integer`. */
export function kindOf(value: unknown): Kind | undefined {
  if (value === null) return 'null';
  if (Array.isArray(value)) return 'array';
  switch (typeof value) {
    case 'boolean':
    case 'string':
    case 'object':
      return typeof value as Kind;
    case 'number':
      return Number.isInteger(value) ? 'integer' : 'number';
    default:
      return undefined;
  }
}

/** True for a JSON object: not `null`, not an array. */
export function isObject(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** True for an object literal or one parsed from JSON; false for a `Date`, a `File`, a DOM node. */
export function isPlain(value: unknown): value is Record<string, unknown> {
  if (!isObject(value)) return false;
  const prototype: unknown = Object.getPrototypeOf(value);
  return prototype === null || prototype === Object.prototype;
}

/** A member by its name, where `constructor`, `__proto__` and their like are plain names. */
export function ownMember(value: unknown, name: string | number): unknown {
  if (typeof value !== 'object' || value === null) return undefined;
  return Object.hasOwn(value, name) ? (value as Record<string | number, unknown>)[name] : undefined;
}

/** Sets a member so that `__proto__` becomes a member and no prototype changes. */
export function setOwn(target: object, name: string | number, value: unknown): void {
  if (name === '__proto__') {
    Object.defineProperty(target, name, { value, writable: true, enumerable: true, configurable: true });
  } else {
    (target as Record<string | number, unknown>)[name] = value;
  }
}

/** A value as JSON text; `undefined` for what has none. The platform's own type leaves that out. */
export function jsonText(value: unknown): string | undefined {
  const text: string | undefined = JSON.stringify(value);
  return text;
}

/** Whether a value is JSON all through: no `Date`, no function, no `NaN`, nothing nested without end. */
export function isJson(value: unknown, depth = 200): value is Json {
  if (value === null || typeof value === 'boolean' || typeof value === 'string') return true;
  if (typeof value === 'number') return Number.isFinite(value);
  if (typeof value !== 'object' || depth === 0) return false;
  const inside: unknown[] = Array.isArray(value)
    ? (value as unknown[])
    : isPlain(value)
      ? Object.values(value)
      : [undefined];
  return inside.every((member) => isJson(member, depth - 1));
}

/** A copy of a value that is JSON. */
export function copyOf(value: unknown): unknown {
  return value === undefined ? undefined : (JSON.parse(JSON.stringify(value)) as unknown);
}

/** What was thrown, in words. */
export function reasonOf(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}

/** Equality as JSON Schema defines it: by value, `1` and `1.0` the same, the order of members without meaning. */
export function equalJson(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a)) {
    if (!Array.isArray(b) || a.length !== b.length) return false;
    for (let i = 0; i < a.length; i++) if (!equalJson(a[i], b[i])) return false;
    return true;
  }
  if (!isObject(a) || !isObject(b)) return false;
  const names = Object.keys(a);
  if (names.length !== Object.keys(b).length) return false;
  for (const name of names) if (!Object.hasOwn(b, name) || !equalJson(a[name], b[name])) return false;
  return true;
}

/** What JSON writes as a word, as a person says it (in English). */
export const plainly: Readonly<Record<string, string>> = { null: 'nothing', true: 'yes', false: 'no' };
