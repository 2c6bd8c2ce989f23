/** A kit's parts as things with names: found where they are used, renamed with every use, copied, taken away. */
import { builtIn } from '../codec/index.js';
import { isObject, joinPointer, ownMember, parsePointer, type Pointer } from '../json/index.js';
import { kitDocuments, missingDocuments } from './documents.js';
import type { KitEdits } from './groups.js';
import type { Kit } from './kit.js';
import { withReferences, type PartKind } from './references.js';

/** One use of a part: which other part names it, and where in the kit the name stands. */
export interface KitUse {
  /** `rules` for the rules of the kit, which have no names. */
  readonly kind: PartKind | 'rules';
  readonly name: string;
  readonly title: string;
  readonly at: Pointer;
}

const longestName = 64;
const named = /^[A-Za-z][A-Za-z0-9._-]*$/;

/** All parts of a kind; empty where the kit has none. */
export function partsOf(kit: Kit, kind: PartKind): Readonly<Record<string, unknown>> {
  return kit[kind] ?? {};
}

/** A part's title, or its name where it has none. */
export function titleOf(kit: Kit, kind: PartKind, name: string): string {
  const title = ownMember(ownMember(partsOf(kit, kind), name), 'title');
  return typeof title === 'string' && title.trim() !== '' ? title : name;
}

/** Every place that names a part. A part that names itself counts, too: it is a reference all the same. */
export function usesOfPart(kit: Kit, kind: PartKind, name: string): KitUse[] {
  const uses: KitUse[] = [];
  withReferences(kit, kind, (reference, at) => {
    if (reference === name) uses.push(useAt(kit, at));
    return reference;
  });
  return uses;
}

/** The uses of every part of a kind, by its name, in one walk over the kit. */
export function usesByPart(kit: Kit, kind: PartKind): ReadonlyMap<string, readonly KitUse[]> {
  const uses = new Map<string, KitUse[]>();
  withReferences(kit, kind, (reference, at) => {
    const known = uses.get(reference) ?? [];
    known.push(useAt(kit, at));
    uses.set(reference, known);
    return reference;
  });
  return uses;
}

/** The forms and groups that lead to a document, directly or through others. */
export function usesOfDocument(kit: Kit, uri: string): KitUse[] {
  const { [uri]: _, ...others } = kitDocuments(kit);
  return (['groups', 'forms'] as const).flatMap((kind) =>
    Object.entries(kit[kind]).flatMap(([name, { title, schema }]): KitUse[] =>
      missingDocuments(schema, others).includes(uri) ? [{ kind, name, title, at: joinPointer(`/${kind}`, name) }] : [],
    ),
  );
}

function useAt(kit: Kit, at: Pointer): KitUse {
  const [kind = '', name = ''] = parsePointer(at);
  if (kind === 'rules') return { kind, name, title: `rule ${Number(name) + 1} of the kit`, at };
  return { kind: kind as PartKind, name, title: titleOf(kit, kind as PartKind, name), at };
}

/**
 * Another name for a part, with every use of it. Its place among the others stays; the proof of an adapter goes along.
 * @throws {TypeError} where the name cannot be had; it says why.
 */
export function renamePart(kit: Kit, kind: PartKind, from: string, to: string): KitEdits {
  if (from === to) return {};
  checkName(kit, kind, to);
  if (!Object.hasOwn(partsOf(kit, kind), from)) throw new TypeError(`There is no “${from}” among the ${kind}.`);
  const next = withReferences(kit, kind, (name) => (name === from ? to : name));
  const edits: Record<Pointer, unknown> = {};
  for (const member of ['fields', 'forms', 'groups'] as const)
    if (member !== kind) Object.assign(edits, changedIn(kit[member], next[member], `/${member}`));
  if (next.rules !== kit.rules) edits['/rules'] = next.rules;
  // Whole, so that the part keeps its place, and a group that contains itself is renamed inside as well.
  edits[`/${kind}`] = renamed(partsOf(next, kind), from, to);
  if (kind === 'adapters' && kit.proofs && Object.hasOwn(kit.proofs, from))
    edits['/proofs'] = renamed(kit.proofs, from, to);
  return edits;
}

/** @throws {TypeError} where a new part of the kind may not have the name. */
export function checkName(kit: Kit, kind: PartKind, name: string): void {
  if (!named.test(name) || name.length > longestName)
    throw new TypeError(
      `A name starts with a letter and has only letters, digits, “.”, “_” and “-”, at most ${longestName}.`,
    );
  if (kind === 'codecs' && Object.hasOwn(builtIn, name))
    throw new TypeError(`“${name}” is a built-in codec; what uses that would from then on use this one.`);
  if (Object.hasOwn(partsOf(kit, kind), name)) throw new TypeError(`There is another “${name}” among the ${kind}.`);
}

/** A name from words that no part of the kind has: `Day picker` becomes `day-picker`, or `day-picker-2`. */
export function freeName(words: string, taken: object): string {
  const stem =
    words
      .normalize('NFKD')
      .replace(/\p{M}/gu, '')
      .replace(/([a-z\d])([A-Z])/g, '$1-$2')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .replace(/^(?=\d)/, 'the-')
      .slice(0, longestName - 4)
      .replace(/-+$/, '') || 'new';
  let name = stem;
  for (let i = 2; Object.hasOwn(taken, name); i++) name = `${stem}-${i}`;
  return name;
}

/** A name for a new part of a kind. */
export function freeNameFor(kit: Kit, kind: PartKind, words: string): string {
  return freeName(words, kind === 'codecs' ? { ...builtIn, ...kit.codecs } : partsOf(kit, kind));
}

/** A copy of a part beside it, under a name and a title of its own. Uses stay with the first one. */
export function copyPart(kit: Kit, kind: PartKind, from: string): { readonly name: string; readonly edits: KitEdits } {
  const part = ownMember(partsOf(kit, kind), from);
  if (!isObject(part)) throw new TypeError(`There is no “${from}” among the ${kind}.`);
  const title = `Copy of ${titleOf(kit, kind, from)}`;
  const name = freeNameFor(kit, kind, title);
  return { name, edits: { [joinPointer(`/${kind}`, name)]: { ...part, title } } };
}

/** Takes a part away. What uses it is left as it is, and tells that it is gone: show `usesOfPart` before. */
export function removePart(kit: Kit, kind: PartKind, name: string): KitEdits {
  return {
    [joinPointer(`/${kind}`, name)]: undefined,
    ...(kind === 'adapters' && kit.proofs && Object.hasOwn(kit.proofs, name)
      ? { [joinPointer('/proofs', name)]: undefined }
      : {}),
  };
}

/** The members that differ, each down to the schema or hints that changed, so that texts with comments are mended there. */
function changedIn(before: unknown, after: unknown, at: Pointer): KitEdits {
  const edits: Record<Pointer, unknown> = {};
  for (const [name, part] of Object.entries(after as object)) {
    const old = ownMember(before, name);
    if (old === part) continue;
    for (const [member, value] of Object.entries(part as object))
      if (ownMember(old, member) !== value) edits[joinPointer(joinPointer(at, name), member)] = value;
  }
  return edits;
}

function renamed<T>(parts: Readonly<Record<string, T>>, from: string, to: string): Record<string, T> {
  return Object.fromEntries(Object.entries(parts).map(([name, part]) => [name === from ? to : name, part]));
}
