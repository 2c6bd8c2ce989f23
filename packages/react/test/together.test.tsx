/** @jest-environment jsdom */
import { nativeAdapters, putTogether, type AdapterDescription, type InputState } from '@poietra/core';
import { act } from 'react';
import type { Root } from 'react-dom/client';
import { adaptTogether, nativeInputs, type AdaptedInput, type Reached } from '../src/index.js';
import { onPage } from './on-page.js';

let root: Root;
let host: HTMLElement;
onPage((...place) => ([host, root] = place));

const use = nativeAdapters['number'] as AdapterDescription;
const description = putTogether([
  { name: 'hour', label: 'Hour', use },
  { name: 'minute', label: 'Minute', use },
]);
const box = nativeInputs['native:number'] as AdaptedInput;
const Time = adaptTogether(description, [box, box]);
const state: InputState = {
  shown: { hour: '9' },
  invalid: false,
  disabled: false,
  readOnly: false,
  required: false,
  id: 'departs',
  name: '/departs',
  labelledBy: 'departs-label',
  describedBy: 'departs-hint',
  sent: '09:15',
};

function draw(more: Partial<InputState> = {}): {
  reports: unknown[];
  left: () => number;
  reached: () => Reached | undefined;
} {
  const reports: unknown[] = [];
  let leaves = 0;
  let reached: Reached | undefined;
  act(() =>
    root.render(
      <Time
        state={{ ...state, ...more }}
        report={(raw) => reports.push(raw)}
        leave={() => void leaves++}
        attach={(one) => {
          reached = one;
          return () => undefined;
        }}
      />,
    ),
  );
  return { reports, left: () => leaves, reached: () => reached };
}
const inputs = (): HTMLInputElement[] => [...host.querySelectorAll<HTMLInputElement>('input:not([type=hidden])')];
const type = (at: number, text: string): void =>
  act(() => {
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(inputs()[at], text);
    inputs()[at]?.dispatchEvent(new Event('input', { bubbles: true }));
  });

describe('inputs as one value', () => {
  it('show their parts, each with a label and an id of its own, in a group that the field names', () => {
    draw();
    expect(inputs().map(({ value, id }) => [id, value])).toEqual([
      ['departs-hour', '9'],
      ['departs-minute', ''],
    ]);
    expect([...host.querySelectorAll('label')].map(({ htmlFor, textContent }) => [htmlFor, textContent])).toEqual([
      ['departs-hour', 'Hour'],
      ['departs-minute', 'Minute'],
    ]);
    const group = host.querySelector('[role=group]');
    expect([group?.id, group?.getAttribute('aria-labelledby')]).toEqual(['departs', 'departs-label']);
  });
  it('report the whole, also when two change before either is drawn', () => {
    const { reports } = draw();
    type(1, '15');
    type(0, '10');
    expect(reports).toEqual([
      { hour: '9', minute: '15' },
      { hour: '10', minute: '15' },
    ]);
  });
  it('are left when the focus leaves all of them, and focused in the first', () => {
    const { left, reached } = draw();
    act(() => reached()?.focus());
    expect(document.activeElement).toBe(inputs()[0]);
    act(() => inputs()[1]?.focus());
    expect(left()).toBe(0);
    act(() => inputs()[1]?.blur());
    expect(left()).toBe(1);
  });
  it('submit one value under the field’s name', () => {
    draw();
    expect([...host.querySelectorAll<HTMLInputElement>('[name]')].map(({ name, value }) => [name, value])).toEqual([
      ['/departs', '09:15'],
    ]);
  });
  it('are all disabled, and all invalid', () => {
    draw({ disabled: true, invalid: true });
    expect(inputs().map((one) => [one.disabled, one.getAttribute('aria-invalid')])).toEqual([
      [true, 'true'],
      [true, 'true'],
    ]);
  });
});
