/** All kits of this browser: listed, named, copied, put away; and their states of some time ago. */
import type { Kit } from '@poietra/core';
import { liveQuery } from 'dexie';
import { database, type KeptCopy, type StoredKit } from './database.js';

/** A kit as it is listed. */
export interface ListedKit {
  readonly id: string;
  readonly name: string;
  readonly kit: Kit;
  readonly time: number | undefined;
  readonly removed: number | undefined;
}

const day = 24 * 60 * 60 * 1000;
/** For how long a kit that was put away can be had back. */
export const daysKept = 7;
const mostCopies = 10;
/** Two states within this time are one: what is kept are stations, not key presses. */
const apart = 10 * 60 * 1000;

/** Follows all kits, by name. Gives back how to stop. */
export function followKits(hear: (kits: readonly ListedKit[]) => void): () => void {
  const { unsubscribe } = liveQuery(() => database.kits.toArray()).subscribe({
    next: (kits) => hear(kits.map(listed).sort((a, b) => a.name.localeCompare(b.name))),
    error: () => hear([]),
  });
  return unsubscribe;
}

function listed({ id, kit, time, removed }: StoredKit): ListedKit {
  return { id, name: kit.name, kit, time, removed };
}

/** Another name for a kit that may not be open. An open tab takes it over as what another tab has done. */
export async function nameKit(id: string, name: string): Promise<void> {
  if (name.trim() === '') throw new TypeError('A kit needs a name.');
  await database.transaction('rw', database.kits, async () => {
    const stored = await database.kits.get(id);
    if (stored)
      await database.kits.put({ ...stored, kit: { ...stored.kit, name: name.trim() }, revision: stored.revision + 1 });
  });
}

/** Puts a kit away, or takes it back. Its history and drafts stay until it is cleared. */
export async function putAway(id: string, is: boolean): Promise<void> {
  await database.transaction('rw', database.kits, async () => {
    const stored = await database.kits.get(id);
    if (!stored) return;
    const { removed: _before, ...rest } = stored;
    await database.kits.put(is ? { ...rest, removed: Date.now() } : rest);
  });
}

/** Clears the kits that were put away long ago, or one at once, with all that belongs to them. */
export async function clearKits(only?: string): Promise<void> {
  const { kits, steps, copies, drafts, files } = database;
  await database.transaction('rw', [kits, steps, copies, drafts, files], async () => {
    for (const { id, removed } of await kits.toArray()) {
      const isDue = removed !== undefined && (id === only || Date.now() - removed > daysKept * day);
      if (!isDue) continue;
      await kits.delete(id);
      await steps.where('[kitId+index]').between([id, 0], [id, Infinity]).delete();
      await copies.where('kitId').equals(id).delete();
      await drafts.where('id').startsWith(`${id}/`).delete();
      await files.delete(id);
    }
  });
}

/** Keeps a state, unless one of about the same time is kept. Runs inside the transaction that writes over it. */
export async function keepCopy(copy: KeptCopy): Promise<void> {
  const kept = await database.copies.where('kitId').equals(copy.kitId).sortBy('number');
  const last = kept.at(-1);
  if (last && copy.time - last.time < apart) return;
  await database.copies.add(copy);
  const old = kept.slice(0, Math.max(0, kept.length + 1 - mostCopies)).flatMap(({ number }) => number ?? []);
  await database.copies.bulkDelete(old);
}

/** The states that are kept of a kit, the latest first. */
export async function copiesOf(kitId: string): Promise<KeptCopy[]> {
  return (await database.copies.where('kitId').equals(kitId).sortBy('number')).reverse();
}
