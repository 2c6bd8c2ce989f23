import { lookUp, removeAt, replaceAt, type Pointer } from '@poietra/core';

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
}

/** The changes that put values at places, as seen from a document. */
export function changesFor(document: unknown, places: Readonly<Record<Pointer, unknown>>): Change[] {
  return Object.entries(places)
    .map(([at, after]): Change => ({ at, before: lookUp(document, at), after }))
    .filter(({ before, after }) => JSON.stringify(before) !== JSON.stringify(after));
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
  if (last.changes.length !== 1 || next.changes.length !== 1 || last.changes[0]?.at !== next.changes[0]?.at)
    return undefined;
  const [from] = last.changes;
  const [to] = next.changes;
  return from && to ? { ...next, changes: [{ at: from.at, before: from.before, after: to.after }] } : undefined;
}
