/** Values that are objects of a library: made of the text that a field shows, and read as text again. */
import { fromNotation, isOfKind, isPlain, setOwn, type MadeUse, type ValueKind } from '@poietra/core';
import { isHandler, type Making } from './given.js';

/**
 * `kind`: of what is shown; anything else is no value.
 * @throws {TypeError} where what makes the objects can be neither called nor made.
 */
export function makingOf({ by, start, read, given = [] }: MadeUse, maker: unknown, kind?: ValueKind): Making {
  if (!isHandler(maker))
    throw new TypeError(
      `The adapter has its values made by “${by}”, which is no function; give one to adapt() under this name.`,
    );
  const makeOne = (text: string): unknown => {
    if (text === '') return undefined;
    const made: unknown = start === 'new' ? Reflect.construct(maker, [text]) : maker(text);
    // A library that does not throw makes a date that is none, and whose number is none then.
    return Number.isNaN(made?.valueOf()) ? undefined : made;
  };
  const readOne = (value: object): unknown => {
    const method = (value as Record<string, unknown>)[read ?? 'toString'];
    return isHandler(method) ? method.apply(value, given.map(fromNotation)) : value;
  };
  return {
    make: (shown) => {
      if (!isOfKind(shown, kind)) return undefined;
      try {
        return within(shown, (one) => (typeof one === 'string' ? makeOne(one) : one));
      } catch {
        // Most makers throw at what they cannot read.
        return undefined;
      }
    },
    read: (raw) => within(raw, (one) => (typeof one === 'object' && one !== null ? readOne(one) : one)),
  };
}

/** Each value in it changed: itself, or what a list or a plain object holds. */
function within(value: unknown, change: (one: unknown) => unknown): unknown {
  if (Array.isArray(value)) return value.map((item) => within(item, change));
  if (!isPlain(value)) return change(value);
  const changed: Record<string, unknown> = {};
  for (const [name, member] of Object.entries(value)) setOwn(changed, name, within(member, change));
  return changed;
}
