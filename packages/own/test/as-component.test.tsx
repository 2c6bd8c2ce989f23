/** @jest-environment jsdom */
import { act, createRef, useState, type ReactNode } from 'react';
import { createRoot, type Root } from 'react-dom/client';
import { nativeAdapters } from '@poietra/core';
import { adapt } from '@poietra/react';
import { asComponent, type InputHandle } from '../src/index.js';

const text = nativeAdapters['text'];
if (!text) throw new Error('HTML has a text box.');
const Text = asComponent(adapt('input', text, 'native'));

let root: Root;
beforeEach(() => {
  Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: true });
  document.body.innerHTML = '<div></div>';
  root = createRoot(document.body.firstElementChild as HTMLElement);
});
afterEach(() => act(() => root.unmount()));
const draw = (what: ReactNode): void => act(() => root.render(what));
const box = (): HTMLInputElement => document.querySelector('input') as HTMLInputElement;
const type = (value: string): void =>
  act(() => {
    Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(box(), value);
    box().dispatchEvent(new Event('input', { bubbles: true }));
  });

it('shows its value, tells changes and leaving, and carries the line by plain names', () => {
  const told: unknown[] = [];
  const ref = createRef<InputHandle>();
  draw(
    <Text
      ref={ref}
      id="berth"
      value="A4"
      change={(value) => told.push(value)}
      leave={() => told.push('left')}
      describedBy="why"
      invalid
      required
    />,
  );
  expect([box().value, box().id, box().name]).toEqual(['A4', 'berth', 'berth']);
  expect([
    box().getAttribute('aria-invalid'),
    box().getAttribute('aria-required'),
    box().getAttribute('aria-describedby'),
  ]).toEqual(['true', 'true', 'why']);
  act(() => ref.current?.focus());
  expect(document.activeElement).toBe(box());
  type('A5');
  act(() => box().blur());
  expect(told).toEqual(['A5', 'left']);
  expect(Text.takesLabel).toBe(true);
});

it('shows the old value again where a change is not taken, and the new one where it is', () => {
  draw(<Text id="berth" value="A4" change={() => undefined} />);
  type('A5');
  expect(box().value).toBe('A4');
  function Kept(): ReactNode {
    const [value, change] = useState<unknown>('A4');
    return <Text id="berth" value={value} change={change} />;
  }
  draw(<Kept />);
  type('A5');
  expect(box().value).toBe('A5');
});

it('takes no change while it is disabled or read only', () => {
  draw(<Text id="berth" value="A4" change={() => undefined} disabled readOnly />);
  expect([box().disabled, box().readOnly]).toEqual([true, true]);
});
