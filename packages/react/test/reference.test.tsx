import { Component, forwardRef, lazy, memo } from 'react';
import { takesReference } from '../src/reference.js';

const draw = () => null;
class Level extends Component {
  override render() {
    return null;
  }
}

it.each<[string, unknown, boolean]>([
  ['a function', draw, false],
  ['a function that is kept as it was drawn', memo(draw), false],
  ['what hands it on', forwardRef(draw), true],
  ['what hands it on, kept twice', memo(memo(forwardRef(draw))), true],
  ['a class', Level, true],
  ['an element of HTML', 'input', true],
  ['what is fetched later', lazy(() => Promise.resolve({ default: Level })), true],
])('before version 19 a reference can be given to %s: %p, %p', (_what, input, isTaken) => {
  expect(takesReference(input, '18.3.1')).toBe(isTaken);
  expect(takesReference(input, '19.0.0')).toBe(true);
});
