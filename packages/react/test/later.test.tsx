/** @jest-environment jsdom */
/** Inputs that stand in a browser alone: nothing on a server, then there, with its value. */
import type { AdapterDescription, InputState } from '@poietra/core';
import { act, createElement, type ReactNode } from 'react';
import { hydrateRoot, type Root } from 'react-dom/client';
import { renderToString } from 'react-dom/server';
import { adapt, later, type AdaptedInput } from '../src/index.js';
import { onPage } from './on-page.js';

let host: HTMLElement;
let root: Root;
onPage((...place) => ([host, root] = place));

const Gauge = ({ value, title }: { readonly value?: string; readonly title?: string }): ReactNode => (
  <input value={value} title={title} readOnly />
);
const ByLot = (props: { readonly value?: string }): ReactNode =>
  createElement(Gauge, { ...props, title: String(Math.random()) });
const description: AdapterDescription = {
  input: 'tide#Gauge',
  value: { property: 'value', empty: '' },
  change: { report: 'onChange', path: '/0' },
  focus: { by: 'element' },
};
const state: InputState = {
  shown: 'high',
  invalid: false,
  disabled: false,
  readOnly: false,
  required: false,
  id: 'f-gauge',
  name: '/gauge',
  labelledBy: 'f-label',
  describedBy: undefined,
};
const nothing = (): void => undefined;
const drawn = (Adapted: AdaptedInput): ReactNode => (
  <Adapted state={state} report={nothing} leave={nothing} attach={() => nothing} />
);
const shown = (): string | undefined => host.querySelector('input')?.value;

/** Until what was asked for has come, too. */
const settled = (work: () => void): Promise<void> =>
  act(async () => {
    work();
    await Promise.resolve();
  });

it('draws nothing on a server, and what a page took over stands then', async () => {
  const Adapted = adapt(ByLot, { ...description, onServer: 'nothing' });
  host.innerHTML = renderToString(drawn(Adapted));
  expect(host.querySelector('input')).toBeNull();
  const told: unknown[] = [];
  let over: Root | undefined;
  await settled(() => {
    over = hydrateRoot(host, drawn(Adapted), { onRecoverableError: (error) => told.push(error) });
  });
  expect([shown(), told]).toEqual(['high', []]);
  act(() => over?.unmount());
});

it('has its value sent beside it as long as it is not there, though it would send it itself', async () => {
  const Adapted = adapt(ByLot, { ...description, name: { property: 'name' }, onServer: 'nothing' });
  const sent = { ...state, sent: 'high' };
  const drawnSent = <Adapted state={sent} report={nothing} leave={nothing} attach={() => nothing} />;
  expect(renderToString(drawnSent)).toContain('<input type="hidden" name="/gauge" value="high"/>');
  await settled(() => root.render(drawnSent));
  expect(host.querySelectorAll('input[type=hidden]')).toHaveLength(0);
});

it('is loaded once it is drawn in a browser, and once only', async () => {
  const load = jest.fn(() => Promise.resolve(Gauge));
  const Adapted = adapt(later(load), description);
  expect(renderToString(drawn(Adapted))).not.toContain('<input');
  expect(load).not.toHaveBeenCalled();
  await settled(() => root.render(drawn(Adapted)));
  expect(shown()).toBe('high');
  await settled(() => root.render([drawn(Adapted), drawn(Adapted)]));
  expect(load).toHaveBeenCalledTimes(1);
});

it('that could not be loaded says so, and is asked for again by the next copy', async () => {
  const said = jest.spyOn(console, 'error').mockImplementation(nothing);
  const load = jest.fn(() => Promise.reject(new Error('no network')));
  const Adapted = adapt(later(load), description);
  await settled(() => root.render(drawn(Adapted)));
  expect(shown()).toBeUndefined();
  expect(said).toHaveBeenCalledWith('An input could not be loaded:', expect.any(Error));
  said.mockRestore();
  load.mockImplementation(() => Promise.resolve(Gauge) as never);
  await settled(() => root.render(<div>{drawn(Adapted)}</div>));
  expect(shown()).toBe('high');
});
