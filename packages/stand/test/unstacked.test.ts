import { createElement } from 'react';
import { takeNoStacks } from '../src/unstacked.js';

/** What the framework keeps of where an element was made, in development. */
const stackOf = (element: unknown): unknown => (element as { readonly _debugStack?: unknown })._debugStack;

test('once it was asked to take no stacks, the framework has one for all elements', () => {
  expect(stackOf(createElement('a'))).not.toBe(stackOf(createElement('b')));
  takeNoStacks();
  expect(stackOf(createElement('a'))).toBe(stackOf(createElement('b')));
});
