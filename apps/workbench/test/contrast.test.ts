import { contrast } from '../src/pages/look/contrast.js';

it.each([
  ['#000', '#fff', 21],
  ['white', 'white', 1],
  ['#767676', '#ffffff', 4.54],
  ['rgb(11, 103, 99)', '#fcfdfc', 6.57],
  ['rgb(11 103 99)', '#fcfdfc', 6.57],
  ['hsl(177.4deg 80.7% 22.4%)', '#fcfdfc', 6.57],
  ['hwb(0 46.3% 53.7%)', 'hwb(0 100% 0%)', 4.54],
  ['lab(50 0 0)', 'white', 4.48],
  ['oklch(0 0 0)', 'oklch(100% 0 0)', 21],
])('%s on %s makes %s', (one, other, ratio) => {
  expect(contrast(one, other)).toBeCloseTo(ratio, 1);
  expect(contrast(other, one)).toBeCloseTo(ratio, 1);
});
it.each(['rgb(0 0 0 / 50%)', '#00000080', 'no colour', 'currentColor', 'transparent'])(
  'cannot be reckoned with %s',
  (colour) => expect(contrast(colour, '#fff')).toBeUndefined(),
);
