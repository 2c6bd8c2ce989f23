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
const many = (count: number): string[] => Array.from({ length: count }, (_, i) => `n${i}`);
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

describe('a submission that is not as the form would send it', () => {
  const wide = compileSchema({
    type: 'object',
    properties: {
      port: { enum: ['A', 'B', 'C', 'D', 'E', 'F', 'G', 'H', 'I', 'J', 'K', 'L'] },
      crew: { type: 'array', uniqueItems: true, items: { enum: many(20) } },
      berth: { enum: many(20) },
      pair: { prefixItems: [{ type: 'string' }, { type: 'integer' }] },
      notes: { type: 'array', items: { type: 'string' } },
      terms: { type: 'boolean' },
    },
  });
  const planned = makePlan(wide);
  const read = (pairs: [string, unknown][], as: unknown = 'shown') =>
    readSubmission(planned, [[asShownName, as], ...pairs]);

  it.each<[string, [string, unknown][], unknown]>([
    ['a choice by a number of two digits', [['/port', '11']], { port: 'L' }],
    ['no number', [['/port', '1x']], {}],
    ['a number behind something else', [['/port', 'x1']], {}],
    ['a number that no choice has', [['/port', '12']], {}],
    ['nothing chosen', [['/port', '']], {}],
    [
      'several of a list box',
      [
        ['/crew', '1'],
        ['/crew', '12'],
      ],
      { crew: ['n1', 'n12'] },
    ],
    ['the words of a choice in a search box', [['/berth', 'n3']], { berth: 'n3' }],
    ['words that no choice has, for the form to tell', [['/berth', 'n99']], { berth: 'n99' }],
    ['a tuple from its second entry on', [['/pair/1', '4']], { pair: [undefined, 4] }],
    [
      'entries of a list without gaps, in the order of their numbers',
      [
        ['/notes/12', 'c'],
        ['/notes/2', 'b'],
      ],
      { notes: ['b', 'c'] },
    ],
    [
      'an entry twice: the first counts',
      [
        ['/notes/0', 'a'],
        ['/notes/0', 'b'],
      ],
      { notes: ['a'] },
    ],
    ['a file where a text is wanted', [['/notes/0', {}]], {}],
    ['a place without its slash', [['notes/0', 'a']], {}],
  ])('%s', (_name, pairs, value) => expect(read(pairs).value).toEqual({ terms: false, ...(value as object) }));

  it('counts as shown only where it says so: otherwise marks that are not set are not known of', () => {
    expect(read([['/terms', 'true']], 'sent').value).toEqual({ terms: true });
    expect(read([], 'sent').value).toEqual({});
    expect(read([['/terms', 'no']], 'sent')).toEqual({ value: {}, typed: { '/terms': 'no' }, visited: ['/terms'] });
  });
  it('names every place that it speaks of as visited, in the order in which it does', () =>
    expect(
      read([
        ['/notes/0', 'a'],
        ['/port', '1'],
      ]).visited,
    ).toEqual(['/notes/0', '/port', '/terms']));
});
