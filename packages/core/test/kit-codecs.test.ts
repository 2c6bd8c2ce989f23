import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readKit, type CodecDescription } from '../src/index.js';

const demo = JSON.parse(readFileSync(join(__dirname, '../../../demo/kit.json'), 'utf8')) as { codecs: object };
const told = (codec: CodecDescription): string[] => {
  const read = readKit({ ...demo, codecs: { ...demo.codecs, odd: codec } });
  return read.ok ? [] : read.problems.map(({ at, message }) => `${at}: ${message}`);
};

it.each<[CodecDescription, RegExp]>([
  [{ kind: 'money', options: { locale: 'xx-not a tag' } }, /^\/codecs\/odd\/options\/locale: /],
  [{ kind: 'money', options: { digits: 1e9 } }, /digits: Has to be 12 or less/],
  [{ kind: 'date-time', options: { zone: 'Europe/Aldervik' } }, /options\/zone: /],
  [{ kind: 'list', options: { separator: '' } }, /separator: Must not be empty/],
  [{ kind: 'quantity', options: { units: { kg: -1 } } }, /units\/kg: Has to be more than 0/],
  [{ kind: 'steps', options: { steps: [{ do: 'sing' }] } }, /steps\/0\/do: /],
  [{ kind: 'parts', options: { names: ['a'], at: 'middle' } }, /options\/at: /],
  [{ kind: 'number', options: { localle: 'nb' } }, /has no option “localle”. Did you mean “locale”\?/],
])('options that a codec cannot be made with are refused at their place: %j', (codec, words) =>
  expect(told(codec).join('\n')).toMatch(words),
);

it('the demo kit and sound options are taken', () => {
  expect(told({ kind: 'time', options: { offset: '+01:00', empty: 'null' } })).toEqual([]);
});
