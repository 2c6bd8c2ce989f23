import { equalJson, lookUp, readKit, type Kit, type Pointer } from '@poietra/core';
import { liveQuery } from 'dexie';
import { create } from 'zustand';
import { ask } from './ask.js';
import { apply, changesFor, merged, type Edit } from './changes.js';
import { database } from './database.js';
import { withTexts } from './written.js';

const mostSteps = 500;
const notSaved = 'Not saved';

interface KitStore {
  readonly status: 'loading' | 'ready' | 'failed';
  /** What keeps the kit from being opened or saved. */
  readonly trouble: string | undefined;
  /** Whether all that was done is on the disk. */
  readonly saved: boolean;
  readonly kit: Kit;
  readonly history: readonly Edit[];
  readonly position: number;
  /** Puts values at places of the kit, as one step that can be undone. */
  edit(label: string, places: Readonly<Record<Pointer, unknown>>, merge?: string): void;
  undo(): void;
  redo(): void;
  /** Another kit in place of this one; the history begins anew. */
  replace(kit: Kit): Promise<void>;
}

const empty: Kit = { poietra: 1, name: '', inputs: {}, adapters: {}, codecs: {}, fields: {}, groups: {}, forms: {} };
let revision = 0;

export const useKit = create<KitStore>()((set, get) => ({
  status: 'loading',
  trouble: undefined,
  saved: true,
  kit: empty,
  history: [],
  position: 0,
  edit(label, places, merge) {
    const { kit, history, position } = get();
    const changes = changesFor(kit, withTexts(kit, places));
    if (changes.length === 0) return;
    const next: Edit = { label, changes, time: Date.now(), ...(merge === undefined ? {} : { merge }) };
    const isAtEnd = position === history.length;
    const one = isAtEnd ? merged(history[position - 1], next) : undefined;
    const kept = history.slice(0, one ? position - 1 : position);
    set({ kit: apply(kit, next, 'forth'), history: [...kept, one ?? next], position: kept.length + 1 });
    save();
  },
  undo() {
    const { kit, history, position } = get();
    const step = history[position - 1];
    if (!step) return;
    set({ kit: apply(kit, step, 'back'), position: position - 1 });
    save();
  },
  redo() {
    const { kit, history, position } = get();
    const step = history[position];
    if (!step) return;
    set({ kit: apply(kit, step, 'forth'), position: position + 1 });
    save();
  },
  async replace(kit) {
    set({ kit, history: [], position: 0, status: 'ready', trouble: undefined });
    save();
    await saving;
  },
}));

/** The steps that the database has, in its order. */
let written: readonly Edit[] = [];
/** The kit as it was when this tab and the database last agreed: what differs from it was done here. */
let agreed: Kit = empty;
let saving: Promise<void> = Promise.resolve();
let turns = 0;
let retry: ReturnType<typeof setTimeout> | undefined;

/** What a write came to: the state that is on the disk now, and the places that another tab had changed as well. */
interface Stored {
  readonly kit: Kit;
  readonly history: readonly Edit[];
  readonly position: number;
  readonly revision: number;
  readonly both: readonly Pointer[];
}

/** Writes the whole state, after the writes before it. What is written is what stands when its turn comes. */
function save(): void {
  const turn = ++turns;
  clearTimeout(retry);
  // What was told of another tab has been read by whoever goes on working.
  const { trouble } = useKit.getState();
  useKit.setState({ saved: false, ...(trouble?.startsWith(notSaved) ? {} : { trouble: undefined }) });
  saving = saving.then(async () => {
    const mine = useKit.getState();
    try {
      take(mine, await store(mine));
      if (turn === turns) useKit.setState({ saved: true });
    } catch (error) {
      // Nothing is thrown away: it is all still here, can be exported, and is written as soon as there is room.
      useKit.setState({
        trouble: `${notSaved}: ${error instanceof Error ? error.message : String(error)} Export the kit to be safe; it is tried again every few seconds.`,
      });
      retry = setTimeout(save, 5000);
    }
  });
}

/** Writes to the database. Where another tab has written meanwhile, what was done here is put onto its state. */
async function store({ kit, history, position }: Pick<KitStore, 'kit' | 'history' | 'position'>): Promise<Stored> {
  return database.transaction('rw', database.kits, database.history, async () => {
    const before = await database.kits.get('current');
    let next: Omit<Stored, 'revision'> = { kit, history, position, both: [] };
    let known = written;
    if (before && before.revision > revision) {
      known = await database.history.orderBy('index').toArray();
      next = onto(before.kit, known, before.position, { kit, label: history[position - 1]?.label });
    }
    const drop = Math.max(0, next.history.length - mostSteps);
    const steps = next.history.slice(drop);
    const stored = { ...next, history: steps, position: next.position - drop, revision: (before?.revision ?? 0) + 1 };
    await database.kits.put({ id: 'current', kit: stored.kit, revision: stored.revision, position: stored.position });
    // Only what differs is written: most steps were written long ago.
    await database.history.bulkPut(steps.flatMap((step, index) => (known[index] === step ? [] : [{ ...step, index }])));
    await database.history.where('index').aboveOrEqual(steps.length).delete();
    return stored;
  });
}

/** What was done here since both agreed, as one step on top of what another tab has made of the kit. */
function onto(
  theirs: Kit,
  history: readonly Edit[],
  position: number,
  { kit, label = 'An edit' }: { readonly kit: Kit; readonly label: string | undefined },
): Omit<Stored, 'revision'> {
  const ours = changesFor(agreed, { '': kit });
  const both = ours.filter(({ at, before }) => !equalJson(lookUp(theirs, at) ?? null, before ?? null));
  const changes = ours.map(({ at, after }) => ({ at, before: lookUp(theirs, at), after }));
  const step: Edit = { label, changes, time: Date.now() };
  return {
    kit: apply(theirs, step, 'forth'),
    history: ours.length > 0 ? [...history.slice(0, position), step] : history,
    position: ours.length > 0 ? position + 1 : position,
    both: both.map(({ at }) => at),
  };
}

/** Takes over what was written; what was done here while it was being written stands on top of it. */
function take(mine: Pick<KitStore, 'kit' | 'history' | 'position'>, stored: Stored): void {
  const { kit, history, position, trouble } = useKit.getState();
  const isMerged = stored.kit !== mine.kit;
  const since = changesFor(mine.kit, { '': kit });
  revision = stored.revision;
  written = stored.history;
  agreed = stored.kit;
  if (isMerged) {
    const step: Edit = { label: history[position - 1]?.label ?? 'An edit', changes: since, time: Date.now() };
    useKit.setState({
      kit: apply(stored.kit, step, 'forth'),
      history: since.length > 0 ? [...stored.history.slice(0, stored.position), step] : stored.history,
      position: stored.position + (since.length > 0 ? 1 : 0),
    });
  } else if (stored.history.length < mine.history.length) {
    const drop = mine.history.length - stored.history.length;
    useKit.setState({ history: history.slice(drop), position: position - drop });
  }
  const [first, ...others] = stored.both;
  if (first !== undefined)
    useKit.setState({
      trouble: `Another tab has changed ${first}${others.length > 0 ? ` and ${others.length} more` : ''} as well. What was done here stands; Undo brings the other back.`,
    });
  else if (trouble?.startsWith(notSaved)) useKit.setState({ trouble: undefined });
}

async function load(): Promise<boolean> {
  const [stored, steps] = await database.transaction('r', database.kits, database.history, () =>
    Promise.all([database.kits.get('current'), database.history.orderBy('index').toArray()]),
  );
  if (!stored) return false;
  revision = stored.revision;
  written = steps;
  agreed = stored.kit;
  useKit.setState({ kit: stored.kit, history: steps, position: stored.position, status: 'ready' });
  return true;
}

/** The kit that comes with Poietra. */
export async function demoKit(): Promise<Kit> {
  const reading = readKit(await ask('/api/demo-kit'));
  if (!reading.ok) throw new Error(reading.problems.map(({ at, message }) => `${at}: ${message}`).join('\n'));
  return reading.kit;
}

/** Opens what the browser has kept; on a first visit, the demo kit. Then follows what other tabs write. */
export async function openKit(): Promise<void> {
  try {
    if (!(await load())) await useKit.getState().replace(await demoKit());
    void persist();
    liveQuery(() => database.kits.get('current')).subscribe({
      next: (stored) => {
        // What was done here and is not written yet must not be taken away: its own turn puts it on top.
        if (stored && stored.revision > revision && useKit.getState().saved) void load();
      },
      error: () => undefined,
    });
  } catch (error) {
    await openWithoutStorage(error);
  }
}

/** Where the browser keeps nothing, one can work all the same, and is told. */
async function openWithoutStorage(error: unknown): Promise<void> {
  const reason = error instanceof Error ? error.message : String(error);
  try {
    const kit = await demoKit();
    useKit.setState({
      kit,
      history: [],
      position: 0,
      status: 'ready',
      saved: false,
      trouble: `This browser keeps nothing at present (${reason}). The demo kit is open; export what you make, and nothing is lost.`,
    });
  } catch {
    useKit.setState({ status: 'failed', trouble: reason });
  }
}

/** Asks the browser not to clear what is kept here when room runs short; it may refuse. */
async function persist(): Promise<void> {
  const { navigator } = globalThis as { navigator?: Partial<Navigator> };
  await navigator?.storage?.persist().catch(() => false);
}
