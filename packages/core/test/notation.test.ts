/** How values that JSON has no word for are written in tables, kits and messages: to the letter, since others read it. */
import { fromNotation, hasNotation, localText, same, toNotation } from '../src/index.js';

const noon = new Date(2026, 0, 2, 3, 4, 5, 6);

it('a point in time is written as the clock on the wall shows it, in full width', () => {
  expect(localText(noon)).toBe('2026-01-02T03:04:05.006');
  expect(localText(new Date(26, 10, 23))).toBe('1926-11-23T00:00:00.000');
  expect(localText(new Date(2026, 10, 23, 12, 30, 45, 789))).toBe('2026-11-23T12:30:45.789');
});

describe.each([
  ['undefined', undefined, { $is: 'undefined' }],
  ['a number without end', -Infinity, { $is: 'number', value: '-Infinity' }],
  ['no number', NaN, { $is: 'number', value: 'NaN' }],
  ['a great whole number', -12345678901234567890n, { $is: 'bigint', value: '-12345678901234567890' }],
  ['a date', noon, { $is: 'Date', value: '2026-01-02T03:04:05.006' }],
  ['a set', new Set([1, undefined]), { $is: 'Set', of: [1, { $is: 'undefined' }] }],
  ['a list', [1, [undefined]], [1, [{ $is: 'undefined' }]]],
  ['an object', { a: null, b: { c: 2n } }, { a: null, b: { c: { $is: 'bigint', value: '2' } } }],
  ['a text', 'Date', 'Date'],
  ['a number', -1.5, -1.5],
  ['yes', true, true],
] as const)('%s', (_, value, written) => {
  it('is written so', () => expect(toNotation(value)).toEqual(written));
  it('comes back from what was written', () => expect(fromNotation(written)).toEqual(value));
  it('has a notation', () => expect(hasNotation(value)).toBe(true));
});

describe('what does not come back', () => {
  class Day {
    constructor(readonly text: string) {}
    toString(): string {
      return this.text;
    }
  }
  class Told {
    toJSON(): string {
      return 'told '.repeat(100);
    }
  }
  it('is noted by its kind, and by what it says of itself', () => {
    expect(toNotation(() => 1)).toEqual({ $is: 'function' });
    expect(toNotation(Symbol('tide'))).toEqual({ $is: 'symbol' });
    expect(toNotation(new Date(NaN))).toEqual({ $is: 'Date', value: 'Invalid Date' });
    expect(toNotation(new Day('day 3'))).toEqual({ $is: 'Day', says: 'day 3' });
    expect((toNotation(new Told()) as { says: string }).says).toBe('told '.repeat(40));
    expect(toNotation(Object.create({ constructor: undefined }))).toEqual({ $is: 'object' });
  });
  it('has none, wherever it stands', () => {
    const day = new Day('day 3');
    for (const value of [day, [1, day], { a: { b: day } }, new Set([day]), () => 1, Symbol('tide')])
      expect(hasNotation(value)).toBe(false);
  });
  it('is what lies too deep', () => {
    const nested = (depth: number): unknown => (depth === 0 ? [] : [nested(depth - 1)]);
    const innermost = (written: unknown): unknown =>
      Array.isArray(written) && written.length > 0 ? innermost(written[0]) : written;
    expect(innermost(toNotation(nested(20)))).toEqual([]);
    expect(innermost(toNotation(nested(21)))).toEqual({ $is: 'deeper' });
  });
});

it('what only looks like a note is an object like any other', () => {
  const foreign = [
    { $is: 'Date', value: 5 },
    { $is: 'number', value: 5 },
    { $is: 'bigint', value: 'x12' },
    { $is: 'bigint', value: '12x' },
    { $is: 'bigint', value: '1'.repeat(401) },
    { $is: 'Set', of: 3 },
    { $is: 'Setting', of: [] },
    { $is: 'no Set', of: [] },
    { $is: 'tide', value: 'high' },
  ];
  for (const one of foreign) expect(fromNotation(one)).toEqual(one);
  expect(fromNotation({ $is: 'bigint', value: '-1' })).toBe(-1n);
  expect(fromNotation({ a: { $is: 'undefined' } })).toEqual({ a: undefined });
  expect(Object.hasOwn(fromNotation(JSON.parse('{"__proto__":{"a":1}}')) as object, '__proto__')).toBe(true);
});

it('two values are the same where all of them is', () => {
  expect(same(new Date(2026, 0, 2), new Date(2026, 0, 2))).toBe(true);
  expect(same(new Date(2026, 0, 2), new Date(2026, 0, 3))).toBe(false);
  expect(same(new Date(2026, 0, 2), '2026-01-02T00:00:00.000')).toBe(false);
  expect(same(1n, 1)).toBe(false);
  expect(same(NaN, NaN)).toBe(true);
  expect(same(Infinity, -Infinity)).toBe(false);
  expect(same(undefined, null)).toBe(false);
  expect(same({ a: undefined }, {})).toBe(false);
});
