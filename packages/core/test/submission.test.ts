import { asShownName, compileSchema, makePlan, openForm, codecsOf, readSubmission } from '../src/index.js';

const schema = {
  type: 'object',
  properties: {
    pieces: { type: 'integer', minimum: 1 },
    deck: { enum: ['main', 'upper'] },
    hazard: { type: 'boolean' },
    days: { type: 'array', uniqueItems: true, items: { enum: ['Mon', 'Tue', 'Wed'] } },
    consignor: { type: 'object', properties: { name: { type: 'string' } } },
    cargo: { type: 'array', items: { type: 'object', properties: { weight: { type: 'number' } } } },
  },
};
const compiled = compileSchema(schema);
const plan = makePlan(compiled);
const shown = (pairs: [string, string][]) => readSubmission(plan, [[asShownName, 'shown'], ...pairs]);

describe('what a browser sends of a form without script', () => {
  it('is parsed as if it had been typed, choices by their number, lists in their order', () => {
    const { value } = shown([
      ['/pieces', ' 12 '],
      ['/deck', '1'],
      ['/days', '0'],
      ['/days', '2'],
      ['/consignor/name', 'Torsund Fish'],
      ['/cargo/1/weight', '2.5'],
      ['/cargo/0/weight', '1.5'],
    ]);
    expect(value).toEqual({
      pieces: 12,
      deck: 'upper',
      hazard: false,
      days: ['Mon', 'Wed'],
      consignor: { name: 'Torsund Fish' },
      cargo: [{ weight: 1.5 }, { weight: 2.5 }],
    });
  });
  it('keeps what cannot be parsed as typed, and the form that opens on it says so', () => {
    const restore = shown([
      ['/pieces', 'a dozen'],
      ['/hazard', 'on'],
    ]);
    expect(restore).toMatchObject({ value: { hazard: true }, typed: { '/pieces': 'a dozen' } });
    const form = openForm({ schema, compiled, codecs: codecsOf(plan.root), restore });
    expect(form.field('/pieces').shown).toBe('a dozen');
    expect(form.problems()).toMatchObject([{ at: '/pieces', keyword: 'parse' }]);
  });
  it('is taken as it is where a script ran: texts as texts, all else as JSON', () => {
    expect(
      readSubmission(plan, [
        ['/pieces', '12'],
        ['/deck', 'upper'],
        ['/consignor/name', '12'],
      ]).value,
    ).toEqual({ pieces: 12, deck: 'upper', consignor: { name: '12' } });
  });
  it('cannot put anything where no field is, nor make a list of a million entries', () => {
    const { value } = shown([
      ['/__proto__/polluted', 'yes'],
      ['/constructor', 'x'],
      ['token', 'x'],
      ['/cargo/999999/weight', '1'],
    ]);
    expect(value).toEqual({ hazard: false, cargo: [{ weight: 1 }] });
    expect(({} as Record<string, unknown>)['polluted']).toBeUndefined();
  });
});
