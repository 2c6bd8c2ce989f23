/** Two states of a kit that both come from a third: what was changed on one side only is taken from there. */
import { isObject, joinPointer, lookUp, ownMember, removeAt, replaceAt, setOwn, type Pointer } from '../json/index.js';
import type { Kit } from './kit.js';

/** One part of the kit that the two sides do not have alike. */
export interface PartDifference {
  /** Of the part: `/forms/booking`, or `/name` for what has no parts. */
  readonly at: Pointer;
  /** Who has changed it: this side, the other, or both. */
  readonly by: 'here' | 'there' | 'both';
  /** What it is on either side; absent where it is not there. */
  readonly here?: unknown;
  readonly there?: unknown;
  /** Places that both have changed, each to something else: they stand as they are here until somebody decides. */
  readonly conflicts: readonly Pointer[];
}
export interface MergedKit {
  readonly kit: Kit;
  readonly differences: readonly PartDifference[];
}

/** What divides a kit into parts: members that have names of one's own. */
const kinds = 'inputs adapters codecs fields groups forms documents skins hints proofs'.split(' ');

/**
 * Puts together what was done here and there since `base`, the state that both had; without it everything that differs
 * is a conflict, and what only one has stays. Members keep the order that they have here; those that are new there stand
 * behind the ones that they follow. Two sides that each changed a list are a conflict at the list.
 */
export function mergeKits(base: Kit | undefined, here: Kit, there: Kit): MergedKit {
  const differences: PartDifference[] = [];
  let kit = here as unknown;
  for (const at of partsOfBoth(here, there)) {
    const [was, mine, theirs] = [lookUp(base, at), lookUp(here, at), lookUp(there, at)];
    if (same(mine, theirs)) continue;
    const conflicts: Pointer[] = [];
    const merged = merge(was, mine, theirs, at, conflicts);
    const by = base && same(was, mine) ? 'there' : base && same(was, theirs) ? 'here' : 'both';
    differences.push({ at, by, ...given('here', mine), ...given('there', theirs), conflicts });
    if (!same(merged, mine)) kit = merged === undefined ? removeAt(kit, at) : replaceAt(kit, at, merged);
  }
  return { kit: kit as Kit, differences };
}

/** The kit with the other side's word at places that were in conflict. */
export function takeThere(merged: Kit, there: Kit, places: readonly Pointer[]): Kit {
  return places.reduce<Kit>((kit, at) => {
    const value = lookUp(there, at);
    return value === undefined ? removeAt(kit, at) : replaceAt(kit, at, value);
  }, merged);
}

function partsOfBoth(here: Kit, there: Kit): Pointer[] {
  const members = [...new Set([...Object.keys(here), ...Object.keys(there)])];
  return members.flatMap((member) => {
    const both = [ownMember(here, member), ownMember(there, member)];
    if (!kinds.includes(member) || !both.every((one) => one === undefined || isObject(one)))
      return [joinPointer('', member)];
    const names = new Set(both.flatMap((one) => Object.keys((one ?? {}) as object)));
    return [...names].map((name) => joinPointer(`/${member}`, name));
  });
}

/** What comes of a value that was `was`; where both sides have their own, the side here stands and the place is noted. */
function merge(was: unknown, here: unknown, there: unknown, at: Pointer, conflicts: Pointer[]): unknown {
  if (same(here, there) || same(was, there)) return here;
  if (same(was, here)) return there;
  if (!isObject(here) || !isObject(there) || (was !== undefined && !isObject(was))) {
    conflicts.push(at);
    return here;
  }
  const merged: Record<string, unknown> = {};
  for (const name of inOrder(Object.keys(here), Object.keys(there))) {
    const own = merge(
      ownMember(was, name),
      ownMember(here, name),
      ownMember(there, name),
      joinPointer(at, name),
      conflicts,
    );
    if (own !== undefined) setOwn(merged, name, own);
  }
  return merged;
}

/** The names of both: in the first one's order, and those of the second alone behind the ones that they follow there. */
function inOrder(first: readonly string[], second: readonly string[]): string[] {
  const names = [...first];
  second.forEach((name, i) => {
    if (names.includes(name)) return;
    const before = second[i - 1];
    names.splice(before === undefined ? 0 : names.indexOf(before) + 1, 0, name);
  });
  return names;
}

/** The order of members counts: it is the order in which fields are drawn. */
function same(a: unknown, b: unknown): boolean {
  return a === b || JSON.stringify(a) === JSON.stringify(b);
}

function given<Name extends string>(name: Name, value: unknown): { readonly [N in Name]?: unknown } {
  return value === undefined ? {} : ({ [name]: value } as Record<Name, unknown>);
}
