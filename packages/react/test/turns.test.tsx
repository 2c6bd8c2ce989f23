/** @jest-environment jsdom */
import { codecsOf, compileSchema, makePlan, openForm, type Form } from '@poietra/core';
import { act, type ReactNode } from 'react';
import { hydrateRoot, type Root } from 'react-dom/client';
import { renderToString } from 'react-dom/server';
import { adapt, PlannedForm } from '../src/index.js';
import { onPage } from './on-page.js';

let root: Root;
let host: HTMLElement;
onPage((...place) => ([host, root] = place));
beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

const texts = (count: number, begin = 0) =>
  Object.fromEntries(Array.from({ length: count }, (_, i) => [`hold${begin + i}`, { type: 'string' }]));
const opened = (schema: object, values?: unknown, props: object = {}): { form: Form; drawing: ReactNode } => {
  const compiled = compileSchema(schema);
  const plan = makePlan(compiled);
  const form = openForm({ schema, compiled, codecs: codecsOf(plan.root), values });
  return { form, drawing: <PlannedForm form={form} plan={plan} {...props} /> };
};
const names = () => [...host.querySelectorAll<HTMLElement>('.poietra-field')].map((field) => field.dataset['at']);
const oneTurn = () => act(() => jest.advanceTimersToNextTimer());
const allTurns = () => act(() => jest.runAllTimers());

const groups = {
  properties: Object.fromEntries(
    Array.from({ length: 3 }, (_, i) => [`deck${i}`, { type: 'object', properties: texts(90) }]),
  ),
};
const inOrder = Array.from({ length: 3 }, (_, i) => Object.keys(texts(90)).map((name) => `/deck${i}/${name}`)).flat();

it('draws most forms at once', () => {
  act(() => root.render(opened({ properties: texts(200) }).drawing));
  expect(names()).toHaveLength(200);
});

it('draws of a long form what one sees first, and the rest a little at a time, from top to bottom', () => {
  act(() => root.render(opened(groups).drawing));
  expect(host.querySelectorAll('fieldset')).toHaveLength(3);
  let before = names();
  const early = [...host.querySelectorAll('input')];
  expect(before).toEqual(inOrder.slice(0, before.length));
  expect(before.length).toBeGreaterThan(100);
  expect(before.length).toBeLessThanOrEqual(200);
  for (let turns = 0; before.length < inOrder.length && turns < 30; turns++) {
    oneTurn();
    const now = names();
    expect(now).toEqual(inOrder.slice(0, now.length));
    expect(now.length - before.length).toBeLessThanOrEqual(40);
    before = now;
  }
  // What was there first is there still: nobody loses the box in which they type.
  expect([...host.querySelectorAll('input')].slice(0, early.length).every((input, i) => input === early[i])).toBe(true);
  expect(before).toEqual(inOrder);
  expect(jest.getTimerCount()).toBeLessThanOrEqual(1);
});

it('keeps what was typed before its turn had come to all of it', () => {
  const { form, drawing } = opened(groups);
  act(() => root.render(drawing));
  act(() => form.field('/deck0/hold3').report('grain'));
  act(() => form.field('/deck2/hold80').report('salt'));
  allTurns();
  const shown = (at: string) => host.querySelector<HTMLInputElement>(`[data-at="${at}"] input`)?.value;
  expect([shown('/deck0/hold3'), shown('/deck2/hold80')]).toEqual(['grain', 'salt']);
});

it('stops where the form is taken away', () => {
  act(() => root.render(opened(groups).drawing));
  oneTurn();
  act(() => root.render(null));
  allTurns();
  expect([host.childElementCount, jest.getTimerCount()]).toEqual([0, 0]);
});

describe('sent while the rest is still to be drawn, where that is what is missing', () => {
  const focused = () => document.activeElement?.closest<HTMLElement>('[data-at]')?.dataset['at'];
  const someTurns = async () => {
    for (let i = 0; i < 10; i++) await act(() => Promise.resolve(jest.advanceTimersToNextTimer()));
  };
  beforeEach(async () => {
    const deck2 = { type: 'object', required: ['hold80'], properties: texts(90) };
    const schema = { required: ['deck2'], properties: { ...groups.properties, deck2 } };
    const send = () => Promise.resolve({ kind: 'accepted' });
    act(() => root.render(opened(schema, undefined, { send }).drawing));
    await act(() => Promise.resolve(host.querySelector<HTMLElement>('[type=submit]')?.click()));
    expect(host.querySelector('[data-at="/deck2/hold80"]')).toBeNull();
  });

  it('it gets the focus as soon as it is there', async () => {
    await someTurns();
    expect(focused()).toBe('/deck2/hold80');
  });

  it('nobody loses it who went elsewhere meanwhile', async () => {
    host.querySelector('input')?.focus();
    await someTurns();
    expect(focused()).toBe('/deck0/hold0');
  });
});

it('is whole from a server, and stays so where the page takes it over', () => {
  const served = host.appendChild(document.createElement('div'));
  served.innerHTML = renderToString(opened(groups).drawing);
  expect(names()).toEqual(inOrder);
  const told: unknown[] = [];
  const first = host.querySelector('[data-at="/deck2/hold80"] input');
  let over: Root | undefined;
  act(() => {
    over = hydrateRoot(served, opened(groups).drawing, { onRecoverableError: (error) => told.push(error) });
  });
  expect([names(), told]).toEqual([inOrder, []]);
  allTurns();
  expect(host.querySelector('[data-at="/deck2/hold80"] input')).toBe(first);
  act(() => over?.unmount());
});

describe('a list', () => {
  const list = (layout?: string) => ({
    properties: {
      crates: {
        type: 'array',
        items: layout === 'table' ? { type: 'object', properties: texts(4) } : { type: 'string' },
      },
    },
  });
  let drawn = 0;
  const Counted = adapt(
    ({ value, onChange }: { value: string; onChange(value: string): void }) => {
      drawn++;
      return <input value={value} onChange={({ target }) => onChange(target.value)} />;
    },
    {
      input: 'counted',
      value: { property: 'value', empty: '' },
      change: { report: 'onChange', path: '/0' },
      focus: { by: 'element' },
    },
  );
  const values = { crates: Array.from({ length: 250 }, (_, i) => `crate ${i}`) };

  it('is drawn in turns, too, and draws no entry anew for another', () => {
    const { form, drawing } = opened(list(), values, { inputs: { 'native:text': Counted } });
    act(() => root.render(drawing));
    // The group around has one cell, the list itself.
    expect(host.querySelectorAll('.poietra-item')).toHaveLength(199);
    allTurns();
    expect(host.querySelectorAll('.poietra-item')).toHaveLength(250);
    drawn = 0;
    act(() => form.list('/crates').add('one more'));
    expect(host.querySelectorAll('.poietra-item')).toHaveLength(251);
    // Of the others only the last changes, which can be moved down now.
    expect(drawn).toBe(1);
  });

  it('as a table whose rows have no columns comes, too', () => {
    const items = { type: 'object', additionalProperties: { type: 'string' } };
    const rows = { type: 'array', items, 'x-poietra': { layout: 'table' } };
    const { drawing } = opened({ properties: { ...texts(239), rows } }, { rows: [{}, {}, {}] });
    act(() => root.render(drawing));
    expect(host.querySelector('tbody')).toBeNull();
    allTurns();
    expect(host.querySelectorAll('tbody tr')).toHaveLength(3);
  });

  it('draws an entry that is added at once, and many in turns', () => {
    const { form, drawing } = opened(list());
    act(() => root.render(drawing));
    allTurns();
    act(() => form.list('/crates').add('first'));
    expect(host.querySelectorAll('.poietra-item')).toHaveLength(1);
    act(() => form.put('/crates', values.crates));
    expect(host.querySelectorAll('.poietra-item').length).toBeLessThan(250);
    allTurns();
    expect(host.querySelectorAll('.poietra-item')).toHaveLength(250);
  });
});
