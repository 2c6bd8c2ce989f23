import { isObject, jsonText } from './value.js';

/** A text that two values share exactly when they are equal; members sorted by name. */
export function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`;
  if (isObject(value)) {
    const members = Object.keys(value).sort();
    return `{${members.map((name) => `${JSON.stringify(name)}:${canonical(value[name])}`).join(',')}}`;
  }
  return Object.is(value, -0) ? '0' : (jsonText(value) ?? 'undefined');
}
