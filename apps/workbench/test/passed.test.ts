import fc from 'fast-check';
import { meter, passedNoted, readNoted, readPassed } from '../src/sandbox/passed.js';

it('law: JSON passes as it is, whatever stands in its texts', () =>
  fc.assert(
    fc.property(fc.jsonValue({ maxDepth: 5 }), (value) => {
      expect(readPassed(JSON.stringify(value))).toEqual({ message: JSON.parse(JSON.stringify(value)) as unknown });
    }),
  ));

it('what JSON has no word for passes in the notation of cases', () => {
  const value = { day: new Date(2026, 10, 27), nothing: undefined, endless: Infinity, all: new Set([1]) };
  expect(readNoted(passedNoted(value))).toEqual({ message: value });
});

it.each([
  ['a structure', { kind: 'ready' }, 'no text'],
  ['half a text', '{"kind":', 'no JSON'],
  ['a text without end', `"${'x'.repeat(40_000_001)}"`, 'too long'],
  ['lists in lists', '['.repeat(1001), 'too deep'],
  ['objects in objects', '{"a":'.repeat(1001), 'too deep'],
])('refuses %s before it is built', (_name, data, refused) => expect(readPassed(data)).toEqual({ refused }));

it('takes nothing that does not begin with the secret', () => {
  expect(readPassed('{"kind":"send"}', 'a secret')).toEqual({ refused: 'another script’s' });
  expect(readPassed('a secret{"kind":"send"}', 'a secret')).toEqual({ message: { kind: 'send' } });
});

it('takes brackets in texts for texts', () => {
  const message = { text: `\\"${'['.repeat(5000)}` };
  expect(readPassed(JSON.stringify(message))).toEqual({ message });
});

describe('the meter', () => {
  it('says when there are too many messages, and begins anew with the next second', () => {
    const clock = jest.spyOn(performance, 'now').mockReturnValue(10_000);
    const one = meter();
    for (let i = 0; i < 1000; i++) expect(one.heard()).toBeUndefined();
    expect(one.heard()).toMatch('more than 1000 messages');
    clock.mockReturnValue(11_001);
    expect(one.heard()).toBeUndefined();
    clock.mockRestore();
  });
  it('bears some words of other scripts, not many', () => {
    const one = meter();
    one.heard();
    for (let i = 0; i < 30; i++) expect(one.refused()).toBeUndefined();
    expect(one.refused()).toMatch('what no stand sends');
  });
  it('bears large records, and no flood of them', () => {
    const one = meter();
    one.heard();
    expect(one.read(60_000_000)).toBeUndefined();
    expect(one.read(60_000_000)).toMatch('100 MB');
  });
});
