import 'fake-indexeddb/auto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { renamePart, type Kit, type Snapshot } from '@poietra/core';
import Dexie from 'dexie';
import { database, firstKit } from '../src/store/database.js';
import { draftOf, dropDraft, keepDraft } from '../src/store/drafts.js';
import { clearKits, copiesOf, keepCopy, nameKit, putAway } from '../src/store/kits.js';
import * as kitModule from '../src/store/kit.js';

// The secret stands in a page, and here is none; `secret.test.ts` has one.
jest.mock('../src/store/secret.js', () => ({ fetchApi: (address: string) => fetch(address) }));

const { openKit, useKit } = kitModule;

const demo = JSON.parse(readFileSync(join(__dirname, '../../../demo/kit.json'), 'utf8')) as Kit;
const asked: string[] = [];
globalThis.fetch = ((address: string) => {
  asked.push(address);
  return Promise.resolve({
    ok: true,
    status: 200,
    headers: new Headers(),
    json: () => Promise.resolve(JSON.parse(JSON.stringify(demo))),
  });
}) as unknown as typeof fetch;

const until = async (check: () => boolean): Promise<void> => {
  while (!check()) await new Promise((resolve) => setImmediate(resolve));
};
const saved = () => until(() => useKit.getState().saved);
const label = () => useKit.getState().kit.fields['pieces']?.label;
const rename = (to: string, merge?: string) =>
  useKit.getState().edit(`Rename to ${to}`, { '/fields/pieces/label': to }, merge);
/** As after a reload: the memory is gone, the database is not. */
const reopen = async (): Promise<void> => {
  useKit.setState({ status: 'loading', kit: { ...demo, name: '', fields: {} }, history: [], position: 0 });
  await openKit();
};

beforeAll(async () => {
  await openKit();
  await saved();
});

it('a first visit opens what the server begins with, and stores it', async () => {
  expect([useKit.getState().status, useKit.getState().kit.name, asked]).toEqual([
    'ready',
    'Skerry Line',
    ['/api/first-kit'],
  ]);
  expect((await database.kits.get('current'))?.kit).toEqual(demo);
});

it('steps can be undone and redone, also after the page was loaded anew', async () => {
  rename('One');
  rename('Two');
  useKit.getState().undo();
  expect(label()).toBe('One');
  await saved();
  await reopen();
  expect([label(), asked.length]).toEqual(['One', 1]);
  useKit.getState().redo();
  expect(label()).toBe('Two');
  useKit.getState().undo();
  useKit.getState().undo();
  useKit.getState().undo();
  expect(label()).toBe('Pieces');
  await saved();
});

it('a new step after an undo takes the place of what was undone', async () => {
  rename('Three');
  useKit.getState().undo();
  rename('Four');
  expect(useKit.getState().history.map((step) => step.label)).toEqual(['Rename to Four']);
  useKit.getState().redo();
  expect(label()).toBe('Four');
  await saved();
  expect(await database.steps.count()).toBe(1);
});

it('typing a word is one step', async () => {
  const before = useKit.getState().position;
  for (const text of ['T', 'To', 'Tor']) rename(text, 'label of pieces');
  expect(useKit.getState().position).toBe(before + 1);
  useKit.getState().undo();
  expect(label()).toBe('Four');
  await saved();
});

it('an edit that changes nothing is none', () => {
  const before = useKit.getState().history;
  rename('Four');
  expect(useKit.getState().history).toBe(before);
});

describe('two tabs', () => {
  type Tab = typeof kitModule;
  /** Another tab: modules of its own over the same database. */
  const openTab = async (): Promise<Tab> => {
    let tab: Promise<Tab> | undefined;
    jest.isolateModules(() => {
      tab = import('../src/store/kit.js');
    });
    const opened = await tab!;
    await opened.openKit();
    return opened;
  };
  const settled = (...tabs: Tab[]) => until(() => tabs.every(({ useKit: one }) => one.getState().saved));
  const put = ({ useKit: one }: Tab, at: string, text: string) => one.getState().edit(`Put ${text}`, { [at]: text });
  const stored = async () => (await database.kits.get('current'))!.kit;

  it.each([1, 2, 3, 4])('quick edits of both, at different places, are all on the disk (order %i)', async (order) => {
    const [one, other] = [await openTab(), await openTab()];
    for (let i = 0; i < 20; i++) {
      const turns: [Tab, string][] = [
        [one, '/fields/pieces/label'],
        [other, '/fields/notes/label'],
      ];
      for (const [tab, at] of (i + order) % 2 === 0 ? turns : turns.reverse()) put(tab, at, `${at} ${i}`);
      if (i % order === 0) await new Promise((resolve) => setImmediate(resolve));
    }
    await settled(one, other);
    await until(() => one.useKit.getState().kit.fields['notes']?.label === '/fields/notes/label 19');
    await until(() => other.useKit.getState().kit.fields['pieces']?.label === '/fields/pieces/label 19');
    expect([(await stored()).fields['pieces']?.label, (await stored()).fields['notes']?.label]).toEqual([
      '/fields/pieces/label 19',
      '/fields/notes/label 19',
    ]);
    expect(one.useKit.getState().kit).toEqual(await stored());
    expect(other.useKit.getState().kit).toEqual(await stored());
  });
  it('on a first visit, the later one takes nothing of what the earlier one has done', async () => {
    const { fetch } = globalThis;
    await Promise.all([database.kits.clear(), database.steps.clear()]);
    let answer: (() => void) | undefined;
    globalThis.fetch = async (...asking: Parameters<typeof fetch>) => {
      await new Promise<void>((resolve) => (answer = resolve));
      return fetch(...asking);
    };
    const late = openTab();
    await until(() => answer !== undefined);
    globalThis.fetch = fetch;
    const one = await openTab();
    put(one, '/fields/pieces/label', 'The earlier one’s');
    await settled(one);
    answer!();
    expect((await late).useKit.getState().kit.fields['pieces']?.label).toBe('The earlier one’s');
    expect((await stored()).fields['pieces']?.label).toBe('The earlier one’s');
  });
  it('two edits in a row against a newer state lose nothing, and the same place changed twice is told', async () => {
    const one = await openTab();
    const before = (await database.kits.get('current'))!;
    const theirs = { ...before.kit, name: 'From elsewhere', fields: { ...before.kit.fields } };
    theirs.fields['pieces'] = { ...theirs.fields['pieces']!, label: 'Theirs' };
    await database.kits.put({ ...before, revision: before.revision + 5, kit: theirs });
    put(one, '/fields/pieces/label', 'Ours');
    put(one, '/fields/pieces/hint', 'Ours, too');
    await settled(one);
    expect((await stored()).name).toBe('From elsewhere');
    expect((await stored()).fields['pieces']).toMatchObject({ label: 'Ours', hint: 'Ours, too' });
    expect(one.useKit.getState().trouble).toContain('/fields/pieces');
    expect(one.useKit.getState().kit).toEqual(await stored());
    one.useKit.getState().undo();
    await settled(one);
    expect((await stored()).fields['pieces']?.label).toBe('Theirs');
  });
  it('a write that fails throws nothing away, and is made again', async () => {
    const one = await openTab();
    const full = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementationOnce(() => {
      throw new DOMException('There is no room.', 'QuotaExceededError');
    });
    put(one, '/name', 'Still here');
    await until(() => one.useKit.getState().trouble !== undefined);
    expect([one.useKit.getState().kit.name, one.useKit.getState().saved]).toEqual(['Still here', false]);
    full.mockRestore();
    put(one, '/fields/pieces/label', 'Next');
    await settled(one);
    expect([(await stored()).name, one.useKit.getState().trouble]).toEqual(['Still here', undefined]);
  });
});

describe('several kits', () => {
  const { makeKit, switchTo } = kitModule;
  const own: Kit = { ...demo, name: 'Harbour office', forms: {} };

  it('each has a history of its own, and is as it was when one comes back to it', async () => {
    rename('Before leaving');
    const first = useKit.getState();
    await makeKit(own);
    expect([useKit.getState().kit.name, useKit.getState().history]).toEqual(['Harbour office', []]);
    useKit.getState().edit('Note', { '/note': 1 });
    await saved();
    await switchTo(first.id);
    expect([label(), useKit.getState().history.at(-1)?.label]).toEqual(['Before leaving', 'Rename to Before leaving']);
  });
  it('one that was put away is cleared after some days, with all that was its own', async () => {
    await makeKit(own, 'gone');
    useKit.getState().edit('Note', { '/note': 2 });
    await saved();
    keepDraft('gone/form/new', { value: {}, typed: {}, visited: [] });
    await switchTo(firstKit);
    await putAway('gone', true);
    await clearKits();
    expect(await database.kits.get('gone')).toBeDefined();
    await database.kits.update('gone', { removed: Date.now() - 8 * 24 * 60 * 60 * 1000 });
    await reopen();
    await until(() => true);
    await saved();
    while ((await database.kits.get('gone')) !== undefined) await new Promise((resolve) => setImmediate(resolve));
    expect((await database.steps.toArray()).filter(({ kitId }) => kitId === 'gone')).toEqual([]);
    expect((await database.drafts.toArray()).filter(({ id }) => id.startsWith('gone/'))).toEqual([]);
  });
  it('one that was put away can be had back', async () => {
    await makeKit(own, 'back');
    await switchTo(firstKit);
    await putAway('back', true);
    await putAway('back', false);
    await clearKits('back');
    expect((await database.kits.get('back'))?.removed).toBeUndefined();
  });
  it('another name, given from the list, reaches the tab in which the kit is open', async () => {
    await nameKit(firstKit, ' Skerry Line 2 ');
    await until(() => useKit.getState().kit.name === 'Skerry Line 2');
    await expect(nameKit(firstKit, ' ')).rejects.toThrow('needs a name');
  });
  it('states of some time ago are kept, the last ten', async () => {
    for (let i = 0; i < 12; i++)
      await keepCopy({ kitId: 'many', time: i * 3_600_000, kit: { ...own, name: String(i) } });
    await keepCopy({ kitId: 'many', time: 11 * 3_600_000 + 1, kit: own });
    expect((await copiesOf('many')).map(({ kit }) => kit.name)).toEqual(
      Array.from({ length: 10 }, (_, i) => String(11 - i)),
    );
  });
  it('a form’s drafts go with its name, and back with undo', async () => {
    keepDraft(`${firstKit}/harbour-report/new`, { value: { a: 1 }, typed: {}, visited: [] });
    await until(() => true);
    useKit.getState().edit('Rename', renamePart(useKit.getState().kit, 'forms', 'harbour-report', 'event'), {
      renamed: { from: 'harbour-report', to: 'event' },
    });
    const has = async (form: string) => (await database.drafts.get(`${firstKit}/${form}/new`)) !== undefined;
    await saved();
    expect([await has('harbour-report'), await has('event')]).toEqual([false, true]);
    useKit.getState().undo();
    await saved();
    expect([await has('harbour-report'), await has('event')]).toEqual([true, false]);
  });
});

it('a browser that had one kit keeps its history and its drafts', async () => {
  await database.delete();
  const old = new Dexie('poietra');
  old.version(1).stores({ kits: 'id', history: 'index', drafts: 'id' });
  await old.table('kits').put({ id: 'current', kit: { ...demo, name: 'Old' }, revision: 3, position: 1 });
  await old.table('history').put({ index: 0, label: 'First', changes: [], time: 1 });
  await old.table('drafts').put({ id: 'harbour-report/new', snapshot: { value: {}, typed: {}, visited: [] } });
  old.close();
  await database.open();
  await reopen();
  expect([useKit.getState().kit.name, useKit.getState().history.map((step) => step.label)]).toEqual(['Old', ['First']]);
  expect(await draftOf('current/harbour-report/new')).toBeDefined();
});

describe('drafts', () => {
  const snapshot = (text: string): Snapshot => ({ value: {}, typed: { '/pieces': text }, visited: [] });
  it('are kept by form and record, the latest only, and gone when dropped', async () => {
    for (const text of ['1', '12', '12a']) keepDraft('form/new', snapshot(text));
    keepDraft('form/FB-1', snapshot('other'));
    expect(await draftOf('form/new')).toEqual(snapshot('12a'));
    await until(() => true);
    await dropDraft('form/new');
    expect(await draftOf('form/new')).toBeUndefined();
    expect(await draftOf('form/FB-1')).toEqual(snapshot('other'));
  });
});
