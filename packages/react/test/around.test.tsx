/** @jest-environment jsdom */
import { codecsOf, compileSchema, makePlan, openForm, type Form, type HintsBeside } from '@poietra/core';
import { signal } from '@preact/signals-core';
import { act, type ReactNode } from 'react';
import type { Root } from 'react-dom/client';
import {
  Place,
  FormScope,
  PlannedForm,
  suiteSkin,
  mayLeave,
  usePlace,
  useFormAround,
  useLeaveGuard,
  useFollowed,
  type PlannedFormProps,
} from '../src/index.js';
import { onPage } from './on-page.js';
import { sameMembers } from '../src/follow.js';

let root: Root;
let host: HTMLElement;
onPage((...place) => ([host, root] = place));
const show = (node: ReactNode): void => act(() => root.render(node));
function open(schema: unknown, hints: HintsBeside = {}, more: Partial<PlannedFormProps> = {}, values?: unknown): Form {
  const compiled = compileSchema(schema);
  const plan = makePlan(compiled, hints);
  const form = openForm({ schema, compiled, codecs: codecsOf(plan.root), values });
  show(<PlannedForm form={form} plan={plan} {...more} />);
  return form;
}
const buttons = (words: string): HTMLButtonElement[] =>
  [...host.querySelectorAll('button')].filter((one) => (one.getAttribute('aria-label') ?? one.textContent) === words);
const press = (words: string): void => act(() => buttons(words)[0]?.click());
const pointer = (type: string): void => act(() => void window.dispatchEvent(new Event(type)));

const ports = { type: 'object', required: ['from'], properties: { from: { type: 'string' }, to: { type: 'string' } } };

describe('leaving a field', () => {
  it('waits for the end of a press, so that nothing moves away under the pointer', () => {
    jest.useFakeTimers();
    const form = open(ports);
    const [from] = host.querySelectorAll('input');
    act(() => from?.focus());
    pointer('pointerdown');
    act(() => from?.blur());
    expect(form.field('/from').visited).toBe(false);
    pointer('pointerup');
    expect(form.field('/from').visited).toBe(false);
    act(() => void jest.runAllTimers());
    expect(form.field('/from').visited).toBe(true);
    expect(host.querySelector('[data-at="/from"] .poietra-error')?.textContent).toBe('Is needed.');
    jest.useRealTimers();
  });
  it('by keyboard is told at once', () => {
    const form = open(ports);
    const [from] = host.querySelectorAll('input');
    act(() => from?.focus());
    act(() => from?.blur());
    expect(form.field('/from').visited).toBe(true);
  });
});

describe('a page with changes', () => {
  const leave = (): boolean => {
    const event = new Event('beforeunload', { cancelable: true });
    act(() => void window.dispatchEvent(event));
    return event.defaultPrevented;
  };
  it('is guarded where that is wanted, while there is something to lose', () => {
    const Guarded = () => (useLeaveGuard(useFormAround()), null);
    const form = open(ports, {}, { actions: <Guarded /> });
    expect(leave()).toBe(false);
    act(() => form.field('/to').write('Torsund'));
    expect(leave()).toBe(true);
    act(() => form.restart());
    expect(leave()).toBe(false);
  });
  it('asks whoever changes pages inside the application, and only while there is something to lose', async () => {
    const form = open(ports);
    const ask = jest.fn(() => false);
    expect([await mayLeave(form, ask), ask.mock.calls.length]).toEqual([true, 0]);
    act(() => form.field('/to').write('Torsund'));
    expect([await mayLeave(form, ask), await mayLeave(form, () => true), ask.mock.calls.length]).toEqual([
      false,
      true,
      1,
    ]);
  });
  it('is left as it pleases where it is not', () => {
    const form = open(ports);
    act(() => form.field('/to').write('Torsund'));
    expect(leave()).toBe(false);
  });
});

describe('a list', () => {
  const lines = {
    type: 'object',
    properties: {
      lines: {
        title: 'Lines',
        type: 'array',
        minItems: 1,
        maxItems: 3,
        items: { type: 'object', title: 'Line', properties: { goods: { type: 'string' } } },
      },
    },
  };
  const goods = (form: Form): unknown => (form.sent() as { lines: { goods: string }[] }).lines.map((one) => one.goods);
  const start = { lines: [{ goods: 'salt' }, { goods: 'timber' }] };

  it('doubles an entry, says when there may be no more, and gives back what was taken away', () => {
    const form = open(lines, {}, {}, start);
    press('Double line 1');
    expect(goods(form)).toEqual(['salt', 'salt', 'timber']);
    expect(host.textContent).toContain('There may be no more than 3.');
    expect(buttons('Double line 1')).toEqual([]);
    press('Take away line 1');
    expect(host.textContent).toContain('Took away line 1.');
    press('Take away line 1');
    expect(goods(form)).toEqual(['timber']);
    // The last one has to stay.
    expect(buttons('Take away line 1')).toEqual([]);
    press('Put it back');
    expect(goods(form)).toEqual(['salt', 'timber']);
  });
  it('moves an entry that is dragged onto another', () => {
    const form = open(lines, {}, {}, start);
    const drag = (element: Element | null | undefined, type: string): void =>
      act(() => void element?.dispatchEvent(new Event(type, { bubbles: true, cancelable: true })));
    const items = host.querySelectorAll('.poietra-item');
    drag(items[1]?.querySelector('[draggable]'), 'dragstart');
    drag(items[0], 'dragover');
    drag(items[0], 'drop');
    expect(goods(form)).toEqual(['timber', 'salt']);
  });
});

it('tabs are walked by arrows, Home and End, round and round', () => {
  const part = { type: 'object', properties: { name: { type: 'string' } } };
  open({ type: 'object', properties: { a: part, b: part, c: part } }, { '': { layout: 'tabs' } });
  const tabs = [...host.querySelectorAll<HTMLElement>('[role=tab]')];
  const key = (name: string): void =>
    act(() => void tabs[0]?.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true })));
  const chosen = (): number => tabs.findIndex((tab) => tab.getAttribute('aria-selected') === 'true');
  const walked = ['ArrowRight', 'ArrowRight', 'ArrowRight', 'ArrowLeft', 'Home', 'End', 'a'].map((name) => {
    key(name);
    return chosen();
  });
  expect(walked).toEqual([1, 2, 0, 2, 0, 2, 2]);
  expect(document.activeElement).toBe(tabs[2]);
  expect([...host.querySelectorAll<HTMLElement>('[role=tabpanel]')].map(({ hidden }) => hidden)).toEqual([
    true,
    true,
    false,
  ]);
});

it('a field may stand alone in a form’s scope, in the skin of a suite', () => {
  const form = openForm({ schema: ports });
  const Box = ({ label, error, children }: { label?: ReactNode; error?: ReactNode; children?: ReactNode }) => (
    <section>
      <header>{label}</header>
      {children}
      <footer>{error}</footer>
    </section>
  );
  const desk = suiteSkin({ box: Box, label: 'label', error: 'error' });
  show(
    <FormScope form={form}>
      <Place at="/from" label="From" skin={desk} hint="Where it is loaded." />
      <Place at="/to" label="To" />
    </FormScope>,
  );
  expect(host.querySelector('header')?.textContent).toBe('From (required)');
  expect(host.querySelector('footer')?.textContent).toBe('');
  act(() => form.field('/from').leave());
  expect(host.querySelector('footer')?.textContent).toBe('Is needed.');
  const [from, to] = host.querySelectorAll('input');
  expect(
    from
      ?.getAttribute('aria-describedby')
      ?.split(' ')
      .map((id) => document.getElementById(id)?.textContent),
  ).toEqual(['Where it is loaded.', 'Is needed.']);
  expect(to?.closest('.poietra-field')?.querySelector('label')?.textContent).toBe('To');
});

it('a field is followed by a component of one’s own', () => {
  const form = openForm({ schema: ports });
  const Told = (): ReactNode => {
    const { held, required, shownProblems } = usePlace('/from');
    return <output>{JSON.stringify([held ?? null, required, shownProblems.length])}</output>;
  };
  show(
    <FormScope form={form}>
      <Told />
    </FormScope>,
  );
  expect(host.textContent).toBe('[null,true,0]');
  act(() => form.field('/from').leave());
  expect(host.textContent).toBe('[null,true,1]');
  act(() => form.field('/from').write('Aldervik'));
  expect(host.textContent).toBe('["Aldervik",true,0]');
});

it('what is followed is drawn anew only when it differs in the eyes of its comparison', () => {
  const tide = signal({ low: 1, at: ['Torsund'] });
  let drawn = 0;
  const Tide = (): ReactNode => {
    const { low } = useFollowed(() => tide.value, [], sameMembers);
    drawn++;
    return low;
  };
  show(<Tide />);
  act(() => void (tide.value = { low: 1, at: ['Torsund'] }));
  expect([drawn, host.textContent]).toEqual([1, '1']);
  act(() => void (tide.value = { low: 2, at: ['Torsund'] }));
  expect([drawn, host.textContent]).toEqual([2, '2']);
  expect(sameMembers({ a: ['x'] }, { a: ['x', 'y'] })).toBe(false);
});
