/** @jest-environment jsdom */
import { act } from 'react';
import { createRoot, type Root } from 'react-dom/client';
import userEvent from '@testing-library/user-event';
import { SettingsForm } from '../src/parts/settings-form.js';

(globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;

const schema = {
  type: 'object',
  properties: { title: { type: 'string', title: 'Title' }, pieces: { type: 'integer', title: 'Pieces' } },
};
let root: Root;
let taken: unknown[];
/** The form over a value that is kept elsewhere, as the kit keeps it. */
function open(value: Record<string, unknown>): void {
  taken = [];
  const draw = (now: unknown): void =>
    root.render(
      <SettingsForm
        schema={schema}
        value={now}
        onChange={(next) => {
          taken.push(next);
          draw(next);
        }}
      />,
    );
  act(() => draw(value));
}
const box = (label: string): HTMLInputElement => {
  const [found] = [...document.querySelectorAll('label')].filter(({ textContent }) => textContent.startsWith(label));
  return document.getElementById(found?.htmlFor ?? '') as HTMLInputElement;
};
const type = async (label: string, text: string): Promise<void> => {
  const user = userEvent.setup();
  await act(async () => {
    await user.clear(box(label));
    await user.type(box(label), text);
  });
};

beforeEach(() => {
  const host = document.createElement('div');
  document.body.replaceChildren(host);
  root = createRoot(host);
});
afterEach(() => act(() => root.unmount()));

it('a setting that is changed and changed back is stored as it stands', async () => {
  open({ title: 'Quay', pieces: 1 });
  await type('Title', 'Berth');
  expect(taken.at(-1)).toEqual({ title: 'Berth', pieces: 1 });
  await type('Title', 'Quay');
  expect(taken.at(-1)).toEqual({ title: 'Quay', pieces: 1 });
});

it('what does not hold is not stored, and nothing is stored by being drawn', async () => {
  open({ title: 'Quay', pieces: 1 });
  expect(taken).toEqual([]);
  await type('Pieces', '4x');
  expect(taken.every((one) => (one as { pieces?: unknown }).pieces !== '4x')).toBe(true);
  await type('Pieces', '7');
  expect(taken.at(-1)).toEqual({ title: 'Quay', pieces: 7 });
});
