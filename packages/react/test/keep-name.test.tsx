/** @jest-environment jsdom */
import { codecsOf, compileSchema, makePlan, openForm } from '@poietra/core';
import { act } from 'react';
import type { Root } from 'react-dom/client';
import { keepName } from '../src/keep-name.js';
import { PlannedForm } from '../src/index.js';
import { onPage } from './on-page.js';

let root: Root;
let host: HTMLElement;
onPage((...place) => ([host, root] = place));

const endOfTurn = () => Promise.resolve();
/** The names that a box has been given and has lost since. */
async function changes(box: Element, work: () => void | Promise<void>): Promise<string[]> {
  const seen: string[] = [];
  const watcher = new MutationObserver((records) =>
    seen.push(...records.map(({ attributeName }) => attributeName ?? '')),
  );
  watcher.observe(box, { attributes: true, attributeFilter: ['name', 'type'] });
  await work();
  await new Promise((resolve) => setTimeout(resolve));
  watcher.disconnect();
  return seen;
}

it('leaves the name and the type of a box alone while someone types', async () => {
  const schema = { type: 'object', properties: { berth: { type: 'string' }, quay: { type: 'string', maxLength: 20 } } };
  const compiled = compileSchema(schema);
  const plan = makePlan(compiled);
  const form = openForm({ schema, compiled, codecs: codecsOf(plan.root) });
  act(() => root.render(<PlannedForm form={form} plan={plan} />));
  const type = (box: HTMLInputElement, text: string) =>
    act(() => {
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(box, text);
      box.dispatchEvent(new InputEvent('input', { bubbles: true }));
    });
  for (const box of host.querySelectorAll('input')) {
    act(() => box.focus());
    // What keeps the names is fetched then.
    await act(() => new Promise((resolve) => setTimeout(resolve, 100)));
    // A box has a name once it has something to be sent.
    type(box, 'North');
    const { name } = box;
    expect(name).not.toBe('');
    expect(await changes(box, () => type(box, 'North Quay'))).toEqual([]);
    expect([box.name, box.value]).toEqual([name, 'North Quay']);
  }
  expect(form.valueAt('')).toEqual({ berth: 'North Quay', quay: 'North Quay' });
});

it('lets whoever writes to a box be right in the end', async () => {
  host.innerHTML = '<form><input name="berth" type="text"></form>';
  const box = host.querySelector('input') as HTMLInputElement;
  keepName(box);
  keepName(box);
  box.name = '';
  expect(box.name).toBe('');
  await endOfTurn();
  expect(box.getAttribute('name')).toBe('');
  box.name = 'quay';
  box.name = '';
  box.name = 'pier';
  box.type = 'number';
  await endOfTurn();
  expect([box.getAttribute('name'), box.getAttribute('type')]).toEqual(['pier', 'number']);
  box.name = '';
  box.removeAttribute('name');
  await endOfTurn();
  expect(box.hasAttribute('name')).toBe(false);
});

it('has radios let go of their names at once, since their groups hang on them', async () => {
  host.innerHTML = '<form><input name="deck" type="radio"></form>';
  const radio = host.querySelector('input') as HTMLInputElement;
  keepName(radio);
  expect(await changes(radio, () => void ((radio.name = ''), (radio.name = 'deck')))).toEqual(['name', 'name']);
  keepName(host);
  expect(Object.keys(host)).not.toContain('name');
});
