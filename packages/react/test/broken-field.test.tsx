/** @jest-environment jsdom */
import { openForm } from '@poietra/core';
import { act } from 'react';
import { createRoot } from 'react-dom/client';
import { Place, FormScope, type AdaptedInput } from '../src/index.js';

(globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;

let isBroken = true;
const Picker: AdaptedInput = () => {
  if (isBroken) throw new TypeError('when.isValid is not a function');
  return <output>a picker</output>;
};

it('an input that breaks breaks alone: its place says so, the rest works, and it can be tried again', () => {
  jest.spyOn(console, 'error').mockImplementation(() => undefined);
  const form = openForm({ schema: { properties: { when: { type: 'string' }, ship: { type: 'string' } } } });
  const host = document.body.appendChild(document.createElement('div'));
  const root = createRoot(host);
  act(() =>
    root.render(
      <FormScope form={form}>
        <Place at="/when" label="When" input={Picker} />
        <Place at="/ship" label="Ship" />
      </FormScope>,
    ),
  );
  expect(host.querySelector('[role=alert]')?.textContent).toContain('When: broken (when.isValid is not a function)');
  act(() => form.field('/ship').write('Grey Plover'));
  expect(host.querySelector('input')?.value).toBe('Grey Plover');
  isBroken = false;
  act(() => host.querySelector<HTMLButtonElement>('[role=alert] button')?.click());
  expect(host.textContent).toContain('a picker');
  act(() => root.unmount());
});
