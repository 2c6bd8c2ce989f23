/** Which part of a kit is made of which: what is drawn on the map from inputs to forms. */
import { partsOf, titleOf, usesByPart, type Kit } from '@poietra/core';
import { partKey } from '../../parts/use-attention.js';

/** From what is wrapped to what is filled in, in the order of work. */
export const mappedKinds = ['adapters', 'codecs', 'fields', 'groups', 'forms'] as const;
export type MappedKind = (typeof mappedKinds)[number];

export interface MapPart {
  /** Its key. */
  readonly id: string;
  readonly kind: MappedKind;
  readonly name: string;
  readonly title: string;
}
/** `to` is made with `from`. */
export interface MapLink {
  readonly from: string;
  readonly to: string;
}
export interface KitMap {
  readonly parts: readonly MapPart[];
  readonly links: readonly MapLink[];
}

export function kitMap(kit: Kit): KitMap {
  const parts = mappedKinds.flatMap((kind) =>
    Object.keys(partsOf(kit, kind)).map((name): MapPart => ({
      id: partKey(kind, name),
      kind,
      name,
      title: titleOf(kit, kind, name),
    })),
  );
  const known = new Set(parts.map(({ id }) => id));
  const links = new Map<string, MapLink>();
  for (const kind of mappedKinds)
    for (const [name, uses] of usesByPart(kit, kind))
      for (const use of uses) {
        if (use.kind === 'rules') continue;
        const link = { from: partKey(kind, name), to: partKey(use.kind, use.name) };
        // What is built in, and what is not there, has no place on the map.
        if (known.has(link.from) && known.has(link.to)) links.set(`${link.from} ${link.to}`, link);
      }
  return { parts, links: [...links.values()] };
}

/** A part with all that it is made of and all that is made with it, however far. */
export function tiedTo({ links }: KitMap, id: string): ReadonlySet<string> {
  const tied = new Set([id]);
  for (const [near, far] of [
    ['from', 'to'],
    ['to', 'from'],
  ] as const) {
    const reached = new Set([id]);
    for (const at of reached) for (const link of links) if (link[near] === at) reached.add(link[far]);
    for (const one of reached) tied.add(one);
  }
  return tied;
}

/**
 * The columns from left to right, each sorted by the middle of what its parts are made of, so that few lines cross; what
 * is made of nothing on the map comes last.
 */
export function columnsOf({ parts, links }: KitMap): readonly (readonly MapPart[])[] {
  const heights = new Map<string, number>();
  return mappedKinds.map((kind) => {
    const middle = new Map(
      parts.flatMap((part): (readonly [string, number])[] => {
        if (part.kind !== kind) return [];
        const known = links.flatMap(({ from, to }) => (to === part.id ? (heights.get(from) ?? []) : []));
        const sum = known.reduce((total, one) => total + one, 0);
        return [[part.id, known.length === 0 ? Infinity : sum / known.length]];
      }),
    );
    const column = parts.filter((part) => part.kind === kind);
    // In the first column nothing is made of anything: it keeps the kit's order, and so does all that ties.
    const sorted = [...column].sort((a, b) => compare(middle.get(a.id) ?? Infinity, middle.get(b.id) ?? Infinity));
    sorted.forEach(({ id }, i) => heights.set(id, i));
    return sorted;
  });
}
function compare(a: number, b: number): number {
  return a === b ? 0 : a - b;
}
