/** @jest-environment jsdom */
import { isToldBare } from '../src/bare.js';

test('what it warns of given nothing is its own, but for what is about its use', () => {
  const given = { value: { property: 'depth' }, change: { report: 'onDepth', path: '/0' } } as const;
  const bare = [
    'Gate 7 of legacy-context is not ready.',
    'The prop `tide` is required.',
    'It must be wrapped.',
    'onDepth grows old.',
  ];
  expect(isToldBare('Gate 12 of legacy-context is not ready.', bare, given)).toBe(true);
  expect(isToldBare('The gate is shut.', bare, given)).toBe(false);
  for (const text of bare.slice(1)) expect(isToldBare(text, bare, given)).toBe(false);
});
