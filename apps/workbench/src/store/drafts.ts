import { equalJson, type Snapshot } from '@poietra/core';
import { liveQuery } from 'dexie';
import { database, type Draft } from './database.js';

/** What was typed into a form and not sent: kept by form and record, written at once, gone when it was accepted. */
const waiting = new Map<string, Snapshot>();
/** What this tab has read of each draft; one that another tab has written since differs from it. */
const seen = new Map<string, Snapshot | undefined>();
const tab = crypto.randomUUID();
let writing = false;
let tell: (trouble: string) => void = () => undefined;

/** Hears of drafts that cannot be kept, or that are typed in two tabs. */
export function onDraftTrouble(listener: (trouble: string) => void): void {
  tell = listener;
}

const isSameText = (a: Snapshot, b: Snapshot): boolean =>
  equalJson([a.value, a.typed, a.chosen ?? {}], [b.value, b.typed, b.chosen ?? {}]);

/** Whether what is stored is what this tab knows: its own, or what it has read. */
function isKnown({ id, snapshot, by }: Draft): boolean {
  const read = seen.get(id);
  return by === tab || (read !== undefined && isSameText(snapshot, read));
}

/** Keeps what was typed. A field that was only visited is no reason to write: another tab may have typed more. */
export function keepDraft(id: string, snapshot: Snapshot): void {
  const last = waiting.get(id) ?? seen.get(id);
  if (last && isSameText(last, snapshot)) return;
  waiting.set(id, snapshot);
  if (!writing) void writeAll();
}

/** Takes away the draft that this tab has read or written; one that another tab is typing stays. */
export async function dropDraft(id: string): Promise<void> {
  waiting.delete(id);
  await database.transaction('rw', database.drafts, async () => {
    const stored = await database.drafts.get(id);
    if (stored && isKnown(stored)) await database.drafts.delete(id);
  });
  seen.delete(id);
}

export async function draftOf(id: string): Promise<Snapshot | undefined> {
  const draft = waiting.get(id) ?? (await database.drafts.get(id).catch(() => undefined))?.snapshot;
  seen.set(id, draft);
  return draft;
}

/** One write at a time, always of the latest: a fast typist fills no queue. */
async function writeAll(): Promise<void> {
  writing = true;
  try {
    for (let next = waiting.entries().next(); !next.done; next = waiting.entries().next()) {
      const [id, snapshot] = next.value;
      waiting.delete(id);
      await database.transaction('rw', database.drafts, async () => {
        const stored = await database.drafts.get(id);
        if (stored && !isKnown(stored) && !isSameText(stored.snapshot, snapshot))
          tell('This form is being filled in in another tab, too; the draft that is kept is the one of this tab.');
        await database.drafts.put({ id, snapshot, by: tab });
      });
      seen.set(id, snapshot);
    }
  } catch (error) {
    const reason = error instanceof Error ? error.message : String(error);
    tell(`The draft is not kept: ${reason} What was typed stands here until the page is left.`);
  } finally {
    writing = false;
  }
}

/** Follows which drafts there are of a form (`kit/form`): what stands behind its name. Gives back how to stop. */
export function followDrafts(form: string, hear: (records: readonly string[]) => void): () => void {
  const start = `${form}/`;
  const query = liveQuery(() => database.drafts.where('id').startsWith(start).primaryKeys());
  const { unsubscribe } = query.subscribe({
    next: (ids) => hear(ids.map((id) => id.slice(start.length))),
    error: () => hear([]),
  });
  return unsubscribe;
}

/** A form has got another name: its drafts go with it. Both names are `kit/form`. */
export async function moveDrafts(from: string, to: string): Promise<void> {
  await database.transaction('rw', database.drafts, async () => {
    const moved = await database.drafts.where('id').startsWith(`${from}/`).toArray();
    await database.drafts.bulkDelete(moved.map(({ id }) => id));
    await database.drafts.bulkPut(moved.map((draft) => ({ ...draft, id: `${to}${draft.id.slice(from.length)}` })));
  });
}
