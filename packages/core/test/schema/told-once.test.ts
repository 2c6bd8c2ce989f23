import { compileSchema } from '../../src/index.js';

const told = (schema: unknown, value: unknown): string[] =>
  compileSchema(schema)
    .validate(value)
    .problems.map(({ at, message }) => `${at} ${message}`);

describe('a value that is none of those that may be', () => {
  const meant = ' “barr” is none of: “bar”, “line”, “point”. Did you mean “bar”?';
  it('is told with the nearest of them', () => {
    expect(told({ enum: ['bar', 'line', 'point'] }, 'barr')).toEqual([meant]);
    expect(told({ enum: ['bar', 'line'] }, 'xyzzy')).toEqual([' “xyzzy” is none of: “bar”, “line”.']);
    expect(told({ enum: ['bar', 'line'] }, 3)).toEqual([' Has to be “bar” or “line”.']);
    expect(told({ const: 'bar' }, 'barr')).toEqual([' Has to be “bar”, but is “barr”.']);
  });
  it('is one fault where the branches of a choice name the values', () => {
    expect(told({ anyOf: [{ enum: ['bar', 'line'] }, { const: 'point' }] }, 'barr')).toEqual([meant]);
    const branch = (kind: string) => ({ required: ['kind'], properties: { kind: { const: kind }, width: {} } });
    expect(told({ oneOf: [branch('bar'), branch('line'), branch('point')] }, { kind: 'barr', width: 1 })).toEqual([
      `/kind${meant}`,
    ]);
  });
  it('is told with a few of them where there are many', () =>
    expect(told({ enum: Array.from({ length: 20 }, (_, i) => `berth ${i}`) }, 'quay')).toEqual([
      ' “quay” is none of: “berth 0”, “berth 1”, “berth 2”, “berth 3”, “berth 4”, … (20 in all).',
    ]));
});

it('a member that is wrong by itself is not told to be unknown besides; one that is unknown is', () => {
  const schema = { allOf: [{ properties: { pieces: { type: 'number' } } }], unevaluatedProperties: false };
  expect(told(schema, { pieces: 'x', ship: 1 })).toEqual([
    '/pieces Has to be a number, but is a text.',
    '/ship Is not allowed here.',
  ]);
  expect(told(schema, { pieces: 1, ship: 1 })).toEqual(['/ship Is not allowed here.']);
});
