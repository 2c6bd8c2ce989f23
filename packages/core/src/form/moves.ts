/**
 * Values that move, and what a person did with them: entries of lists, options of choosers. Fetched by forms whose
 * schema has either.
 */
import { batch } from '@preact/signals-core';
import { copyOf, isObject, ownMember, setOwn } from '../json/index.js';
import type { Condition } from '../schema/index.js';
import type { Left, Remembered } from './acts.js';
import { FormDocument } from './document.js';
import { openList, type FormList, type Origin } from './list.js';
import { ancestor } from './described.js';
import type { Place, Span } from './place.js';

/** What moving needs of the form. */
export interface Movable {
  read(place: Place): unknown;
  /** The value with all that is kept aside in it, as a copy. */
  whole(place: Place): unknown;
  /** Of a list the entries outside of the span stay as they are. */
  replace(place: Place, value: unknown, span?: Span): void;
  /** What was put back is there: conditions and schema are asked again. */
  settleAt(place: Place, span?: Span): void;
}

export class Moves {
  #nextKey = 0;

  constructor(private readonly form: Movable) {}

  list(place: Place): FormList {
    const isList = place.facts.kinds?.includes('array') !== false;
    if (!isList)
      place.form.trouble(place.at, 'It is used as a list, but its schema takes none. Nothing is changed by it.');
    return openList({
      facts: (index) => place.child(String(index)).facts,
      read: () => (void place.subtreeVersion.value, this.form.read(place)),
      keys: () => (void place.subtreeVersion.value, this.#keysOf(place)),
      remember: (index) => {
        const entry = place.children.get(String(index));
        return entry && remember(entry);
      },
      replace: (items, from) => {
        if (isList) this.#rearrange(place, items, from);
      },
    });
  }

  #keysOf(place: Place): readonly number[] {
    const value = this.form.read(place);
    const length = Array.isArray(value) ? value.length : 0;
    // A list that came from outside has items that nobody has told apart yet.
    if (place.keys.length !== length) place.keys = Array.from({ length }, () => this.#nextKey++);
    return place.keys;
  }

  /**
   * Items in another order, more or fewer of them: what a person did in each goes with it. Those that stay where they are
   * are not touched: of ten thousand, one more at the end costs little more than the schema's verdict.
   */
  #rearrange(place: Place, items: readonly unknown[], from: readonly Origin[]): void {
    batch(() => {
      const keys = this.#keysOf(place);
      const span = changed(from, keys.length);
      const [first, end] = span;
      if (first === end) return;
      const remembered = from.slice(first, end).map((origin) => {
        const entry = typeof origin === 'number' ? place.children.get(String(origin)) : undefined;
        return entry ? remember(entry) : typeof origin === 'object' ? origin.back : undefined;
      });
      this.form.replace(place, items, span);
      place.keys = from.map((origin) => (typeof origin === 'number' ? (keys[origin] ?? 0) : this.#nextKey++));
      for (const entry of place.made(span)) unvisit(entry);
      remembered.forEach((one, i) => {
        if (one) recall(place.child(String(first + i)), one);
      });
      this.form.settleAt(place, span);
    });
  }

  /**
   * Who enters something that one option alone has, has taken that option. Were it still looked for by what fits best, a
   * value that is half typed could take away the input that it is typed into. What several options have may tell them apart.
   */
  takeOptions(place: Place): void {
    const branches = place.applied.flatMap(({ when }) => when).filter(isBranchAbove);
    for (const { about, up } of branches) {
      if (branches.some((other) => other.about.choice === about.choice && other.about.index !== about.index)) continue;
      const above = ancestor(place, up);
      const chosen = above.acts.chosen(about.choice.id);
      if (chosen.peek() === undefined && above.verdict(about).peek()) chosen.value = about.index;
    }
  }

  /** Takes another option; what stood in the one that is left is kept for its return. */
  choose(place: Place, key: string, before: number, index: number, value: unknown): void {
    batch(() => {
      const left = place.acts.left ?? new Map<string, Map<number, Left>>();
      const options = left.get(key) ?? new Map<number, Left>();
      left.set(key, options);
      options.set(before, { value: this.form.whole(place), acts: remember(place) });
      const back = options.get(index);
      this.form.replace(place, back ? merge(value, copyOf(back.value)) : value);
      place.acts.left = left;
      place.acts.chosen(key).value = index;
      for (const [name, acts] of back?.acts?.children ?? []) recallTyped(place.child(name), acts);
      this.form.settleAt(place);
    });
  }
}

type BranchCondition = Condition & { readonly about: { readonly kind: 'branch' } };
const isBranchAbove = (condition: Condition): condition is BranchCondition =>
  condition.up > 0 && condition.about.kind === 'branch';

function unvisit(place: Place): void {
  if (place.acts.visited.peek()) place.acts.visited.value = false;
  for (const child of place.children.values()) unvisit(child);
}

/** Of the entries of a list that had so many, those that come from elsewhere, and those behind the last one. */
function changed(from: readonly Origin[], before: number): Span {
  let [first, end] = [0, Math.max(from.length, before)];
  while (first < end && from[first] === first) first++;
  if (from.length === before) while (first < end && from[end - 1] === end - 1) end--;
  return [first, end];
}

/** What a person did at a place and below it, to be put back where the value is moved to; nothing of most places. */
function remember(place: Place): Remembered | undefined {
  const { typed, draft, visited, refusals, held, choices, left } = place.acts;
  const own = held.peek();
  const kept = place.kept?.root;
  const children: (readonly [string, Remembered])[] = [];
  for (const [key, child] of place.children) {
    const inside = remember(child);
    if (inside) children.push([key, inside]);
  }
  const isOfNow = own?.version === place.replacedVersion.peek();
  const isSaid = visited.peek() || isOfNow || typed.peek() !== undefined || draft.peek() !== undefined;
  if (!isSaid && !left && kept === undefined && refusals.peek().length + choices.length + children.length === 0)
    return undefined;
  return {
    typed: typed.peek(),
    draft: draft.peek(),
    visited: visited.peek(),
    refusals: refusals.peek(),
    held: isOfNow ? { held: own.held } : undefined,
    chosen: choices,
    left: new Map(left),
    kept: kept === undefined ? undefined : { value: kept },
    children,
  };
}

function recall(place: Place, acts: Remembered): void {
  const { typed, draft, visited, refusals, held, chosen, left, kept, children } = acts;
  const own = place.acts;
  own.visited.value = visited;
  own.typed.value = typed;
  own.draft.value = draft;
  own.refusals.value = refusals.map((problem) => ({ ...problem, at: place.at }));
  if (held) own.held.value = { held: held.held, version: place.replacedVersion.peek() };
  for (const [key, index] of chosen) own.chosen(key).value = index;
  own.left = new Map([...left].map(([key, options]) => [key, new Map(options)]));
  if (kept && place.decide && !place.parent?.keeper) {
    place.kept = new FormDocument(kept.value);
    place.holdsItself = false;
  }
  place.form.noticed(place);
  for (const [key, child] of children) recall(place.child(key), child);
}

/** Texts that could not be parsed come back where nothing stands in their place. */
function recallTyped(place: Place, { typed, children }: Remembered): void {
  if (typed && place.form.read(place) === undefined) place.acts.typed.value = typed;
  place.form.noticed(place);
  for (const [key, child] of children) recallTyped(place.child(key), child);
}

/** What another option starts from, and what stood there when it was left: what has a value already has the last word. */
function merge(value: unknown, left: unknown): unknown {
  if (value === undefined || (Array.isArray(value) && value.length === 0 && Array.isArray(left))) return left;
  if (!isObject(value) || !isObject(left)) return value;
  const merged: Record<string, unknown> = {};
  for (const name of Object.keys(value)) setOwn(merged, name, merge(ownMember(value, name), ownMember(left, name)));
  for (const name of Object.keys(left)) if (!Object.hasOwn(merged, name)) setOwn(merged, name, ownMember(left, name));
  return merged;
}
