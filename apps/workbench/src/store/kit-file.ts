/** The open kit kept in step with `poietra.kit.json` of the opened project: written as it changes, merged as the file does. */
import {
  lookUp,
  mergeKits,
  takeThere,
  writeKit,
  type Kit,
  type KitReading,
  type MergedKit,
  type Pointer,
} from '@poietra/core';
import { create } from 'zustand';
import { ask, AskError } from './ask.js';
import { database, type FileInStep } from './database.js';
import { useKit } from './kit.js';

export const kitFileName = 'poietra.kit.json';

export type FileState =
  /** It is in step with no file. */
  | { readonly is: 'apart' }
  /** File and kit say the same, or what was done here is on its way. */
  | { readonly is: 'same'; readonly folder: string }
  /** The file has something else: nothing is written until that is taken in. */
  | {
      readonly is: 'ahead';
      readonly folder: string;
      readonly there: Kit;
      readonly tag: string;
      readonly merged: MergedKit;
    }
  /** It cannot be read or written; `isGone` where it was taken away and can be written anew. */
  | { readonly is: 'trouble'; readonly folder?: string; readonly message: string; readonly isGone?: true };

export const useKitFile = create<{ readonly state: FileState }>()(() => ({ state: { is: 'apart' } }));
const be = (state: FileState): void => useKitFile.setState({ state });

interface Answer {
  readonly folder: string;
  readonly text?: string;
  readonly tag?: string;
}
type Reader = (text: string) => Promise<KitReading>;
let readText: Reader;
/** The last text of the file that was read, by its tag: it is not read again while nothing has changed. */
let lastRead: { readonly tag: string; readonly reading: KitReading } | undefined;
/** What stood when file and kit were last found alike: while neither changes, a look is one small question. */
let alike: { readonly id: string; readonly kit: Kit; readonly folder: string; readonly tag: string } | undefined;
let turn: Promise<void> = Promise.resolve();

/** One after the other: two looks at once would each write on what the other has read. */
function inTurn(work: () => Promise<void>): Promise<void> {
  const mine = turn.then(work);
  turn = mine.catch(() => undefined);
  return mine;
}
const failed = (error: unknown): void =>
  be({ is: 'trouble', message: error instanceof Error ? error.message : String(error) });

const sameText = (a: Kit, b: Kit): boolean => a === b || writeKit(a) === writeKit(b);
/** With a tag, the text comes only where the file has another one. */
const answered = async (tag?: string): Promise<Answer> =>
  (await ask(tag === undefined ? '/api/kit-file' : `/api/kit-file?tag=${encodeURIComponent(tag)}`)) as Answer;

function beSame(known: FileInStep, kit: Kit, tag: string): void {
  alike = { id: known.kitId, kit, folder: known.folder, tag };
  be({ is: 'same', folder: known.folder });
}

async function read(tag: string, text: string): Promise<KitReading> {
  if (lastRead?.tag !== tag) lastRead = { tag, reading: await readText(text) };
  return lastRead.reading;
}

/**
 * Begins to keep the open kit in step. A file that is there already is merged first, and nothing is overwritten.
 * @throws where another kit is in step with it, or the server does not answer.
 */
export function keepInStep(): Promise<void> {
  return inTurn(async () => {
    const { id } = useKit.getState();
    const { folder } = await answered();
    const others = await database.files.toArray();
    const other = others.find((one) => one.folder === folder && one.kitId !== id);
    const its = other && (await database.kits.get(other.kitId));
    if (its && its.removed === undefined)
      throw new Error(`“${its.kit.name}” is in step with ${kitFileName} of this project. End that first.`);
    await database.files.put({ kitId: id, folder });
    await look();
  });
}

/** Ends it. The file stays as it is, and so does the kit. */
export function endStep(): Promise<void> {
  return inTurn(async () => {
    alike = undefined;
    await database.files.delete(useKit.getState().id);
    be({ is: 'apart' });
  });
}

/** Takes in what the file has, with its word at the places given, and the kit's own at other conflicts; then writes. */
export function takeIn(places: readonly Pointer[]): Promise<void> {
  return inTurn(async () => {
    const { state } = useKitFile.getState();
    if (state.is !== 'ahead') return;
    const { there, tag, folder } = state;
    const { id, kit, edit } = useKit.getState();
    const known = await database.files.get(id);
    // What was typed since the difference was shown counts as well.
    const { kit: merged, differences } = mergeKits(known?.agreed, kit, there);
    const next = takeThere(merged, there, places);
    edit(`Take in ${kitFileName}`, Object.fromEntries(differences.map(({ at }) => [at, lookUp(next, at)])));
    await database.files.put({ kitId: id, folder, agreed: there, tag });
    await look();
  });
}

/** Writes the file anew after it was taken away. */
export function writeAnew(): Promise<void> {
  return inTurn(async () => {
    const { id, kit } = useKit.getState();
    const { folder, text } = await answered();
    if (text === undefined) await write({ kitId: id, folder }, kit, null);
    await look();
  });
}

/** Looks at the file, and does what follows from it. Runs in turn only. */
async function look(): Promise<void> {
  const { id, kit, status } = useKit.getState();
  if (alike && alike.id === id && alike.kit === kit) {
    const { folder, tag } = await answered(alike.tag);
    if (folder === alike.folder && tag === alike.tag) {
      be({ is: 'same', folder });
      return;
    }
  }
  alike = undefined;
  const known = status === 'ready' ? await database.files.get(id) : undefined;
  if (!known) {
    be({ is: 'apart' });
    return;
  }
  const { folder, text, tag } = await answered();
  if (folder !== known.folder) {
    be({
      is: 'trouble',
      folder: known.folder,
      message: `It is in step with ${kitFileName} in ${known.folder}; another project is open now, so nothing is written.`,
    });
    return;
  }
  if (text === undefined || tag === undefined) {
    if (known.tag === undefined) await write(known, kit, null);
    else be({ is: 'trouble', folder, message: `${kitFileName} was taken away from the project.`, isGone: true });
    return;
  }
  if (tag === known.tag && known.agreed) {
    if (sameText(known.agreed, kit)) beSame(known, kit, tag);
    else await write(known, kit, tag);
    return;
  }
  const reading = await read(tag, text);
  if (!reading.ok) {
    const [first] = reading.problems;
    be({
      is: 'trouble',
      folder,
      message: `${kitFileName} cannot be read, so it is left alone. ${first ? `${first.at === '' ? '' : `${first.at}: `}${first.message}` : ''}`,
    });
    return;
  }
  const merged = mergeKits(known.agreed, kit, reading.kit);
  if (merged.differences.length === 0) {
    await database.files.put({ ...known, agreed: reading.kit, tag });
    beSame(known, kit, tag);
  } else be({ is: 'ahead', folder, there: reading.kit, tag, merged });
}

async function write(known: FileInStep, kit: Kit, tag: string | null): Promise<void> {
  try {
    const answer = (await ask('/api/kit-file', { method: 'PUT', json: { text: writeKit(kit), tag } })) as {
      readonly tag: string;
    };
    await database.files.put({ ...known, agreed: kit, tag: answer.tag });
    beSame(known, kit, answer.tag);
  } catch (error) {
    // Somebody was faster: the next look tells what they wrote.
    if (!(error instanceof AskError && error.status === 412)) throw error;
  }
}

/** In milliseconds: how often the file is looked at while the page is seen, and how long after an edit. */
const every = 2000;
const afterEdit = 300;

/** Follows kit and file for as long as the page lives. Gives back how to stop. */
export function followFile(reader: Reader): () => void {
  readText = reader;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const soon = (time: number): void => {
    clearTimeout(timer);
    timer = setTimeout(() => {
      const isSeen = document.visibilityState === 'visible';
      const { state } = useKitFile.getState();
      const goes = isSeen && (state.is !== 'apart' || time === afterEdit);
      void (goes ? inTurn(look).catch(failed) : Promise.resolve()).then(() => soon(every));
    }, time);
  };
  const unsubscribe = useKit.subscribe((now, before) => {
    if (now.kit !== before.kit || now.id !== before.id || now.status !== before.status) soon(afterEdit);
  });
  const seen = (): void => soon(afterEdit);
  document.addEventListener('visibilitychange', seen);
  soon(afterEdit);
  return () => {
    clearTimeout(timer);
    unsubscribe();
    document.removeEventListener('visibilitychange', seen);
  };
}
