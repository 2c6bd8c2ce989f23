/**
 * Where a form began: by a new record, one that was loaded, or one that was accepted. How its value differs from that is
 * kept as a tree of the members that differ, and looked after with each change: asking whether anything has changed then
 * costs nothing, however large the form is.
 */
import { equalJson, isObject, ownMember, parsePointer, type Pointer } from '../json/index.js';
import { FormDocument } from './document.js';

/** The members that differ; `true` where the two values are of different kinds or lists of different lengths. */
type Difference = true | Map<string, Difference> | undefined;

export class Beginning {
  /** What was in force of it. */
  readonly #begun = new FormDocument();
  #difference: Difference;
  /** With what was kept aside: to this `restart` goes back. */
  whole: unknown;

  constructor(private readonly now: FormDocument) {}

  /** Whether the form is no longer where it began. */
  get isLeft(): boolean {
    return this.#difference !== undefined;
  }
  isLeftAt(at: Pointer): boolean {
    return !equalJson(this.now.read(at), this.#begun.read(at));
  }
  /** Looks again at what has changed at a place. */
  note(at: Pointer): void {
    this.#difference = renew(this.#difference, this.now.root ?? {}, this.#begun.root ?? {}, parsePointer(at), 0);
  }
  take(begun: unknown, whole: unknown): void {
    this.#begun.root = begun;
    this.whole = whole;
    this.note('');
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
