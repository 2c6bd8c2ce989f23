import { makeCodec, openForm } from '../src/index.js';
import { brokenCases, brokenLaws, enter, problemsIn } from '../src/testing/index.js';

describe('brokenCases', () => {
  const money = makeCodec({ kind: 'money' });
  it('says nothing of a table that holds', () => {
    expect(
      brokenCases(money, [
        { shown: '12.50', held: 1250, sent: 1250 },
        { shown: '1.234', refused: 'decimals' },
      ]),
    ).toEqual([]);
  });
  it('says which row breaks, where, and what came', () => {
    expect(
      brokenCases(money, [
        { shown: '1', held: 1 },
        { shown: 'x', held: 1 },
        { shown: 'x', refused: 'other' },
        { shown: '1', refused: 'digits' },
      ]),
    ).toEqual([
      'Case 1, shown "1": held is 100, and 1 was expected.',
      expect.stringMatching(/^Case 2, shown "x": refused \(.*\), and a value was expected\.$/),
      expect.stringMatching(/^Case 3, .* the reason was expected to say “other”\.$/),
      'Case 4, shown "1": taken, and a refusal was expected that says “digits”.',
    ]);
  });
});

it('brokenLaws finds the sample that breaks a law', () => {
  const lossy = { ...makeCodec({ kind: 'text' }), show: () => 'always this' };
  expect(brokenLaws(makeCodec({ kind: 'text' }), ['a', ''])).toEqual([]);
  expect(brokenLaws(lossy, ['a'])[0]).toMatch(/^Shown "a": /);
});

describe('a form', () => {
  const schema = {
    required: ['name'],
    properties: { name: { type: 'string' }, cooled: { type: 'boolean' } },
    if: { properties: { cooled: { const: true } }, required: ['cooled'] },
    then: { properties: { degrees: { type: 'integer' } } },
  };
  it('is entered as a person would, and tells what is wrong by place', () => {
    const form = openForm({ schema });
    enter(form, { '/cooled': true, '/degrees': '4x' });
    expect(Object.keys(problemsIn(form)).sort()).toEqual(['/degrees', '/name']);
    expect(form.field('/degrees').visited).toBe(true);
  });
  it('a place that is not there is an error, and nothing that passes by', () => {
    const form = openForm({ schema });
    expect(() => enter(form, { '/degrees': '4' })).toThrow('There is no place “/degrees”');
    expect(() => enter(form, { '/nmae': 'a' })).toThrow('There is no place “/nmae”');
  });
});
