import { isObject, joinPointer, lookUp, removeAt, replaceAt, type Pointer } from '@poietra/core';

/** One place of the kit before and after; `undefined` is "not there". */
export interface Change {
  readonly at: Pointer;
  readonly before?: unknown;
  readonly after?: unknown;
}

/** One step that can be undone. */
export interface Edit {
  readonly label: string;
  readonly changes: readonly Change[];
  /** Steps of one kind that follow each other closely become one: typing a word is one step, not ten. */
  readonly merge?: string;
  readonly time: number;
  /** A form got another name: what is kept by its name outside the kit goes along, and back. */
  readonly renamed?: { readonly from: string; readonly to: string };
}

/** The changes that put values at places, as seen from a document. */
export function changesFor(document: unknown, places: Readonly<Record<Pointer, unknown>>): Change[] {
  return Object.entries(places).flatMap(([at, after]) => differing(at, lookUp(document, at), after));
}

/**
 * Where two values differ, as near to the leaves as it can be said: a letter in a schema of megabytes is a step of some
 * bytes. Members that come, go or change their order are said by the object around them.
 */
function differing(at: Pointer, before: unknown, after: unknown): Change[] {
  if (before === after) return [];
  if (Array.isArray(before) && Array.isArray(after) && before.length === after.length)
    return before.flatMap((one, i) => differing(joinPointer(at, i), one, after[i]));
  if (isObject(before) && isObject(after)) {
    const [names, next] = [Object.keys(before), Object.keys(after)];
    if (names.length === next.length && names.every((name, i) => name === next[i]))
      return names.flatMap((name) => differing(joinPointer(at, name), before[name], after[name]));
  }
  return JSON.stringify(before) === JSON.stringify(after) ? [] : [{ at, before, after }];
}

export function apply<T>(document: T, { changes }: Edit, direction: 'forth' | 'back'): T {
  const steps = direction === 'forth' ? changes : [...changes].reverse();
  return steps.reduce(
    (value, { at, before, after }) => put(value, at, direction === 'forth' ? after : before),
    document,
  );
}

function put<T>(document: T, at: Pointer, value: unknown): T {
  return value === undefined ? removeAt(document, at) : replaceAt(document, at, value);
}

const closely = 1500;

/** Two steps as one, or `undefined` where they are better kept apart. */
export function merged(last: Edit | undefined, next: Edit): Edit | undefined {
  if (!last || next.merge === undefined || last.merge !== next.merge || next.time - last.time > closely)
    return undefined;
  if (last.changes.some(({ at }, i) => next.changes[i]?.at !== at) || last.changes.length !== next.changes.length)
    return undefined;
  const changes = last.changes.map(({ at, before }, i): Change => ({ at, before, after: next.changes[i]?.after }));
  return { ...next, changes };
}
