/**
 * Where a form's value differs from where it began. Kept as a tree of the members that differ, and looked after with
 * each change: asking whether anything has changed then costs nothing, however large the form is.
 */
import { isObject, ownMember, parsePointer, type Pointer } from '../json/index.js';

/** The members that differ; `true` where the two values are of different kinds or lists of different lengths. */
type Difference = true | Map<string, Difference> | undefined;

export class Changes {
  #root: Difference;

  constructor(
    private readonly now: () => unknown,
    private readonly begun: () => unknown,
  ) {}

  get some(): boolean {
    return this.#root !== undefined;
  }

  /** Looks again at what has changed at a place. */
  note(at: Pointer): void {
    this.#root = renew(this.#root, this.now(), this.begun(), parsePointer(at), 0);
  }
}

const isStructured = (value: unknown): value is object => typeof value === 'object' && value !== null;
/** Whether the members of both can be compared one by one. */
function areAlike(a: unknown, b: unknown): boolean {
  return Array.isArray(a) ? Array.isArray(b) && a.length === b.length : isObject(a) && isObject(b);
}

function renew(before: Difference, now: unknown, begun: unknown, path: readonly string[], depth: number): Difference {
  const token = path[depth];
  if (token === undefined || before === true || !areAlike(now, begun)) return compare(now, begun);
  const members = before ?? new Map<string, Difference>();
  const inner = renew(members.get(token), ownMember(now, token), ownMember(begun, token), path, depth + 1);
  if (inner === undefined) members.delete(token);
  else members.set(token, inner);
  return members.size > 0 ? members : undefined;
}

function compare(now: unknown, begun: unknown): Difference {
  if (now === begun) return undefined;
  if (!isStructured(now) || !isStructured(begun) || !areAlike(now, begun)) return true;
  const members = new Map<string, Difference>();
  for (const name of new Set([...Object.keys(now), ...Object.keys(begun)])) {
    const inner = compare(ownMember(now, name), ownMember(begun, name));
    if (inner !== undefined) members.set(name, inner);
  }
  return members.size > 0 ? members : undefined;
}
