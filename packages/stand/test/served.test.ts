/** @jest-environment jsdom */
import { servedDifferences, setStylesAside } from '../src/served.js';

const place = (html: string): HTMLElement => {
  const box = document.body.appendChild(document.createElement('div'));
  box.innerHTML = html;
  return box;
};

it('styles that a library drew between the elements go aside, and are none that a component draws itself', () => {
  const box = place(
    '<div><style data-tide="css 1">i { color: red }</style><i>low</i><style>b { color: red }</style></div>',
  );
  setStylesAside(box);
  expect(box.innerHTML).toBe('<div><i>low</i><style>b { color: red }</style></div>');
  expect(document.head.querySelector('style[data-tide]')?.textContent).toContain('color: red');
  expect(servedDifferences(box, place('<div><i>low</i><style></style></div>'))).toEqual([]);
});

it('what the browser takes away or calls otherwise is a difference', () => {
  const served = place('<p id="a1"><i>low</i></p>');
  expect(servedDifferences(served, place('<p id="a2"><i>low</i></p>'))).toMatchObject([{ kind: 'id invented anew' }]);
  expect(servedDifferences(served, place('<p id="a1"></p>'))).toMatchObject([
    { says: expect.stringContaining('<i>') as string },
  ]);
});
