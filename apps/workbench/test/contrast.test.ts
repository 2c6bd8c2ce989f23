import { contrast } from '../src/pages/look/contrast.js';

it.each([
  ['#000', '#fff', 21],
  ['white', 'white', 1],
  ['#767676', '#ffffff', 4.54],
  ['rgb(11, 103, 99)', '#fcfdfc', 6.57],
])('%s on %s makes %s', (one, other, ratio) => {
  expect(contrast(one, other)).toBeCloseTo(ratio, 1);
  expect(contrast(other, one)).toBeCloseTo(ratio, 1);
});
it.each(['rgb(0 0 0 / 50%)', 'rgb(11 103 99)', 'no colour', 'oklch(0.5 0.1 200)'])(
  'cannot be reckoned with %s',
  (colour) => expect(contrast(colour, '#fff')).toBeUndefined(),
);
