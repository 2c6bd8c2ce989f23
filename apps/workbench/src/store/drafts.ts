import type { Snapshot } from '@poietra/core';
import { liveQuery } from 'dexie';
import { database } from './database.js';

/** What was typed into a form and not sent: kept by form and record, written at once, gone when it was accepted. */
const waiting = new Map<string, Snapshot>();
let writing = false;

export function keepDraft(id: string, snapshot: Snapshot): void {
  waiting.set(id, snapshot);
  if (!writing) void writeAll();
}

export async function dropDraft(id: string): Promise<void> {
  waiting.delete(id);
  await database.drafts.delete(id);
}

export async function draftOf(id: string): Promise<Snapshot | undefined> {
  return waiting.get(id) ?? (await database.drafts.get(id))?.snapshot;
}

/** One write at a time, always of the latest: a fast typist fills no queue. */
async function writeAll(): Promise<void> {
  writing = true;
  try {
    for (let next = waiting.entries().next(); !next.done; next = waiting.entries().next()) {
      const [id, snapshot] = next.value;
      waiting.delete(id);
      await database.drafts.put({ id, snapshot });
    }
  } finally {
    writing = false;
  }
}

/** Follows which drafts there are of a form: what stands behind its name. Gives back how to stop. */
export function followDrafts(form: string, tell: (records: readonly string[]) => void): () => void {
  const start = `${form}/`;
  const query = liveQuery(() => database.drafts.where('id').startsWith(start).primaryKeys());
  const { unsubscribe } = query.subscribe({ next: (ids) => tell(ids.map((id) => id.slice(start.length))) });
  return unsubscribe;
}
