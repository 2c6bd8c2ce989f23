import { equalJson, lookUp, type Kit, type Pointer } from '@poietra/core';
import { liveQuery, type Subscription } from 'dexie';
import { create } from 'zustand';
import { apply, changesFor, merged, type Edit } from './changes.js';
import { database, firstKit } from './database.js';
import { moveDrafts } from './drafts.js';
import { clearKits, keepCopy } from './kits.js';
import { withTexts } from './written.js';

const mostSteps = 500;
const notSaved = 'Not saved';

/** What else is said of a step. */
export type EditDetails = string | Pick<Edit, 'merge' | 'renamed'>;

interface KitStore {
  /** Which of the browser's kits is open in this tab. */
  readonly id: string;
  readonly status: 'loading' | 'ready' | 'failed';
  /** What keeps the kit from being opened or saved. */
  readonly trouble: string | undefined;
  /** Whether all that was done is on the disk. */
  readonly saved: boolean;
  readonly kit: Kit;
  readonly history: readonly Edit[];
  readonly position: number;
  /** Puts values at places of the kit, as one step that can be undone. */
  edit(label: string, places: Readonly<Record<Pointer, unknown>>, more?: EditDetails): void;
  undo(): void;
  redo(): void;
}

/** A kit with nothing in it. */
export function emptyKit(name: string): Kit {
  return { ...empty, name };
}

const empty: Kit = { poietra: 1, name: '', inputs: {}, adapters: {}, codecs: {}, fields: {}, groups: {}, forms: {} };
let revision = 0;

export const useKit = create<KitStore>()((set, get) => ({
  id: firstKit,
  status: 'loading',
  trouble: undefined,
  saved: true,
  kit: empty,
  history: [],
  position: 0,
  edit(label, places, more = {}) {
    const { kit, history, position } = get();
    const changes = changesFor(kit, withTexts(kit, places));
    if (changes.length === 0) return;
    const next: Edit = { label, changes, time: Date.now(), ...(typeof more === 'string' ? { merge: more } : more) };
    const isAtEnd = position === history.length;
    const one = isAtEnd ? merged(history[position - 1], next) : undefined;
    const kept = history.slice(0, one ? position - 1 : position);
    set({ kit: apply(kit, next, 'forth'), history: [...kept, one ?? next], position: kept.length + 1 });
    alongside(next, 'forth');
    save();
  },
  undo() {
    const { kit, history, position } = get();
    const step = history[position - 1];
    if (!step) return;
    set({ kit: apply(kit, step, 'back'), position: position - 1 });
    alongside(step, 'back');
    save();
  },
  redo() {
    const { kit, history, position } = get();
    const step = history[position];
    if (!step) return;
    set({ kit: apply(kit, step, 'forth'), position: position + 1 });
    alongside(step, 'forth');
    save();
  },
}));

/** What is kept by a form's name outside the kit goes with the name. */
function alongside({ renamed }: Edit, direction: 'forth' | 'back'): void {
  if (!renamed) return;
  const [from, to] = direction === 'forth' ? [renamed.from, renamed.to] : [renamed.to, renamed.from];
  const { id } = useKit.getState();
  moveDrafts(`${id}/${from}`, `${id}/${to}`).catch(() => undefined);
}

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
async function store({
  id,
  kit,
  history,
  position,
}: Pick<KitStore, 'id' | 'kit' | 'history' | 'position'>): Promise<Stored> {
  return database.transaction('rw', database.kits, database.steps, database.copies, async () => {
    const before = await database.kits.get(id);
    let next: Omit<Stored, 'revision'> = { kit, history, position, both: [] };
    let known = written;
    if (before && before.revision > revision) {
      known = await stepsOf(id).toArray();
      next = onto(before.kit, known, before.position, { kit, label: history[position - 1]?.label });
    }
    const drop = Math.max(0, next.history.length - mostSteps);
    const steps = next.history.slice(drop);
    const stored = { ...next, history: steps, position: next.position - drop, revision: (before?.revision ?? 0) + 1 };
    const time = Date.now();
    if (before) await keepCopy({ kitId: id, time: before.time ?? time, kit: before.kit });
    await database.kits.put({
      ...before,
      id,
      kit: next.kit,
      revision: stored.revision,
      position: stored.position,
      time,
    });
    // Only what differs is written: most steps were written long ago.
    await database.steps.bulkPut(
      steps.flatMap((step, index) => (known[index] === step ? [] : [{ ...step, kitId: id, index }])),
    );
    await database.steps.where('[kitId+index]').between([id, steps.length], [id, Infinity]).delete();
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

async function load(id: string): Promise<boolean> {
  const [stored, steps] = await database.transaction('r', database.kits, database.steps, () =>
    Promise.all([database.kits.get(id), stepsOf(id).toArray()]),
  );
  if (!stored) return false;
  revision = stored.revision;
  written = steps;
  agreed = stored.kit;
  useKit.setState({ id, kit: stored.kit, history: steps, position: stored.position, status: 'ready', saved: true });
  return true;
}

/** The steps of a kit, in their order. */
function stepsOf(id: string) {
  return database.steps.where('[kitId+index]').between([id, 0], [id, Infinity]);
}

/** The kit that comes with Poietra. */
export const demoKit = (): Promise<Kit> => served('/api/demo-kit');
/** What a first visit begins with: the demo kit, or an empty one where the project is somebody's own. */
const kitToBegin = (): Promise<Kit> => served('/api/first-kit');
const served = async (address: string): Promise<Kit> => (await import('./served-kit.js')).servedKit(address);

/** Opens what the browser has kept; on a first visit, what the server begins with. Then follows what other tabs write. */
export async function openKit(): Promise<void> {
  try {
    const known = lastOpened();
    const ids = await database.kits.toArray();
    const there = ids.filter(({ removed }) => removed === undefined).map(({ id }) => id);
    const id = there.find((one) => one === known) ?? there[0];
    await (id === undefined ? beginKit(await kitToBegin()) : switchTo(id));
    void persist();
    // What was put away long ago goes, as was said when it was put away; a failure here keeps it a while longer.
    clearKits().catch(() => undefined);
  } catch (error) {
    await openWithoutStorage(error);
  }
}

/** The kit as soon as it is open; `undefined` where it cannot be opened. */
export async function kitOpened(): Promise<Kit | undefined> {
  return new Promise((resolve) => {
    const stop = useKit.subscribe(answer);
    answer();
    function answer(): void {
      const { status, kit } = useKit.getState();
      if (status === 'loading') return;
      stop();
      resolve(status === 'ready' ? kit : undefined);
    }
  });
}

let following: Subscription | undefined;

/** Opens another kit of this browser in this tab. What was done to the one before is written first. */
export async function switchTo(id: string): Promise<void> {
  await saving;
  following?.unsubscribe();
  useKit.setState({ trouble: undefined });
  if (!(await load(id))) throw new Error('This browser has no such kit any more.');
  rememberOpened(id);
  following = liveQuery(() => database.kits.get(id)).subscribe({
    next: (stored) => {
      // What was done here and is not written yet must not be taken away: its own turn puts it on top.
      if (stored && stored.revision > revision && useKit.getState().saved) void load(id);
    },
    error: () => undefined,
  });
}

/** Keeps another kit beside those there are, and opens it. */
export async function makeKit(kit: Kit, id: string = crypto.randomUUID()): Promise<void> {
  await saving;
  await database.kits.put(newKit(id, kit));
  await switchTo(id);
}

/** The first kit of a browser. A tab that was opened at the same time may have made it, and worked in it, by now. */
async function beginKit(kit: Kit): Promise<void> {
  const id = await database.transaction('rw', database.kits, async () => {
    const there = await database.kits.get(firstKit);
    if (there && there.removed === undefined) return firstKit;
    const free = there ? crypto.randomUUID() : firstKit;
    await database.kits.add(newKit(free, kit));
    return free;
  });
  await switchTo(id);
}

function newKit(id: string, kit: Kit) {
  return { id, kit, revision: 1, position: 0, time: Date.now() };
}

const openedKey = 'poietra opened';
/** Each tab remembers its own kit; a new tab begins with the one that was opened last. */
function rememberOpened(id: string): void {
  for (const store of [globalThis.sessionStorage, globalThis.localStorage] as (Storage | undefined)[]) {
    try {
      store?.setItem(openedKey, id);
    } catch {
      // Where the browser refuses to remember it, the next opening begins with the first kit.
    }
  }
}
function lastOpened(): string | undefined {
  try {
    return sessionStorage.getItem(openedKey) ?? localStorage.getItem(openedKey) ?? undefined;
  } catch {
    return undefined;
  }
}

/** Where the browser keeps nothing, one can work all the same, and is told. */
async function openWithoutStorage(error: unknown): Promise<void> {
  const reason = error instanceof Error ? error.message : String(error);
  try {
    const kit = await kitToBegin();
    useKit.setState({
      kit,
      history: [],
      position: 0,
      status: 'ready',
      saved: false,
      trouble: `This browser keeps nothing at present (${reason}). ${kit.name} is open; export what you make, and nothing is lost.`,
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
