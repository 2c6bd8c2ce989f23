import 'fake-indexeddb/auto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Kit, Snapshot } from '@poietra/core';
import { database } from '../src/store/database.js';
import { draftOf, dropDraft, keepDraft } from '../src/store/drafts.js';
import { openKit, useKit } from '../src/store/kit.js';

const demo = JSON.parse(readFileSync(join(__dirname, '../../../demo/kit.json'), 'utf8')) as Kit;
const asked: string[] = [];
globalThis.fetch = ((address: string) => {
  asked.push(address);
  return Promise.resolve({ ok: true, status: 200, json: () => Promise.resolve(JSON.parse(JSON.stringify(demo))) });
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

it('a first visit opens the demo kit, and stores it', async () => {
  expect([useKit.getState().status, useKit.getState().kit.name, asked]).toEqual([
    'ready',
    'Skerry Line',
    ['/api/demo-kit'],
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
  expect(await database.history.count()).toBe(1);
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

it('what another tab wrote is taken over, and the step that met it is told to be left out', async () => {
  const stored = await database.kits.get('current');
  await database.kits.put({
    ...stored!,
    revision: stored!.revision + 5,
    kit: { ...stored!.kit, name: 'From elsewhere' },
  });
  rename('Lost');
  await saved();
  await until(() => useKit.getState().kit.name === 'From elsewhere');
  expect(label()).not.toBe('Lost');
  rename('Five');
  await saved();
  expect((await database.kits.get('current'))?.kit.fields['pieces']?.label).toBe('Five');
});

it('another kit begins a new history', async () => {
  await useKit.getState().replace({ ...demo, name: 'Harbour office' });
  expect([useKit.getState().kit.name, useKit.getState().history]).toEqual(['Harbour office', []]);
  expect(await database.history.count()).toBe(0);
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
