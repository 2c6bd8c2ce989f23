import { readKit, type Kit, type Pointer } from '@poietra/core';
import { liveQuery } from 'dexie';
import { create } from 'zustand';
import { ask } from './ask.js';
import { apply, changesFor, merged, type Edit } from './changes.js';
import { database } from './database.js';
import { withTexts } from './written.js';

const mostSteps = 500;

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
let saving: Promise<void> = Promise.resolve();
let turns = 0;

/** Writes the whole state at once, after the writes before it. A tab that is behind takes over what the other wrote. */
function save(): void {
  const { kit, history, position } = useKit.getState();
  const turn = ++turns;
  useKit.setState({ saved: false });
  saving = saving.then(async () => {
    let next: readonly Edit[] = [];
    try {
      await database.transaction('rw', database.kits, database.history, async () => {
        const stored = await database.kits.get('current');
        if (stored && stored.revision > revision)
          throw new Error(
            'Another tab has changed the kit meanwhile; its state was taken over, and the last step here was left out.',
          );
        const drop = Math.max(0, history.length - mostSteps);
        revision++;
        await database.kits.put({ id: 'current', kit, revision, position: position - drop });
        const steps = history.slice(drop);
        // Only what differs is written: most steps were written long ago. No other tab can have written meanwhile.
        const fresh = steps.flatMap((step, index) => (written[index] === step ? [] : [{ ...step, index }]));
        await database.history.bulkPut(fresh);
        await database.history.where('index').aboveOrEqual(steps.length).delete();
        next = steps;
      });
      written = next;
      if (useKit.getState().trouble !== undefined) useKit.setState({ trouble: undefined });
    } catch (error) {
      useKit.setState({
        trouble: `Not saved: ${error instanceof Error ? error.message : String(error)} Export the kit to be safe.`,
      });
      await load().catch(() => undefined);
    }
    if (turn === turns) useKit.setState({ saved: true });
  });
}

async function load(): Promise<boolean> {
  const [stored, steps] = await database.transaction('r', database.kits, database.history, () =>
    Promise.all([database.kits.get('current'), database.history.orderBy('index').toArray()]),
  );
  if (!stored) return false;
  revision = stored.revision;
  written = steps;
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
    liveQuery(() => database.kits.get('current')).subscribe({
      next: (stored) => {
        if (stored && stored.revision > revision) void load();
      },
    });
  } catch (error) {
    useKit.setState({ status: 'failed', trouble: error instanceof Error ? error.message : String(error) });
  }
}
