/**
 * Why a built-in codec refuses a value: the English words, and beside them the name and what it speaks of, from which every
 * other language makes its own.
 */
import { makeCodec } from '../src/index.js';

type Row = readonly [
  kind: string,
  options: Readonly<Record<string, unknown>>,
  shown: unknown,
  reason: string,
  name: string,
  about: object,
];

const stray = (typed: string, sign: string): readonly [string, string, object] => [
  `“${typed}” is no number: “${sign}” does not belong in one.`,
  'noNumber',
  { typed, stray: sign },
];
const half = (typed: string): readonly [string, string, object] => [
  `“${typed}” is not a complete number yet.`,
  'halfNumber',
  { typed },
];
const long = (typed: string): readonly [string, string, object] => [
  `“${typed}” has more digits than can be kept exactly.`,
  'longNumber',
  { typed },
];
const fine = (typed: string, digits: number, word = 'decimals'): readonly [string, string, object] => [
  `“${typed}” has more than ${digits} ${word}.`,
  'fineAmount',
  { typed, digits },
];
const unlike = (words: string, wanted: string, seen: unknown): readonly [string, string, object] => [
  `${words} expected, but the input gave ${String(seen)}.`,
  'kind',
  { wanted, seen, from: 'input' },
];
const weights = { units: { g: 1, kg: 1000 } };

const rows: readonly Row[] = [
  ['number', {}, NaN, 'Is no number.', 'noNumber', { typed: 'NaN' }],
  ['number', {}, true, ...unlike('A number was', 'number', true)],
  ['number', {}, 'abc', ...stray('abc', 'a')],
  ['number', {}, '12x', ...stray('12x', 'x')],
  ['number', { locale: 'nb-NO' }, '1,5 kr', ...stray('1,5 kr', 'k')],
  ['number', {}, '-', ...half('-')],
  ['number', {}, '1e', ...half('1e')],
  ['number', {}, '12.50e', ...half('12.50e')],
  ['number', {}, '+.55e-', ...half('+.55e-')],
  ['number', {}, '1e999', '“1e999” is too large a number.', 'largeNumber', { typed: '1e999' }],
  ['number', {}, '0.12345678901234567', ...long('0.12345678901234567')],
  ['number', {}, '12345678901234567890', ...long('12345678901234567890')],
  ['number', {}, '-12345678901234567891', ...long('-12345678901234567891')],
  ['integer', {}, '2.5', '“2.5” has decimals, but only whole numbers are possible here.', 'decimals', { typed: '2.5' }],
  ['money', {}, '1.234', ...fine('1.234', 2)],
  ['money', { digits: 1 }, '1.23', ...fine('1.23', 1, 'decimal')],
  ['money', { digits: 0 }, '1.5', ...fine('1.5', 0)],
  ['money', { locale: 'de-DE' }, '1.234,567', ...fine('1.234,567', 2)],
  ['money', {}, 'x', ...stray('x', 'x')],
  ['money', {}, true, ...unlike('An amount was', 'amount', true)],
  [
    'money',
    {},
    '99999999999999999',
    '“99999999999999999” is too large an amount to be kept exactly.',
    'largeAmount',
    { typed: '99999999999999999' },
  ],
  ['quantity', { unit: 'kg' }, 'kg', '“kg” has no number yet.', 'onlyUnit', { typed: 'kg' }],
  ['quantity', weights, 'kg', '“kg” has no number yet.', 'onlyUnit', { typed: 'kg' }],
  ...['5 lb', 'x'].map((typed): Row => [
    'quantity',
    weights,
    typed,
    `“${typed}” has a unit that is not known here; known are g, kg.`,
    'unit',
    { typed, known: ['g', 'kg'] },
  ]),
  // Only what is more than nothing is a unit.
  [
    'quantity',
    { units: { g: 1, none: 0, less: -1, word: '2' } },
    '2 none',
    '“2 none” has a unit that is not known here; known are g.',
    'unit',
    { typed: '2 none', known: ['g'] },
  ],
  ['quantity', {}, '5 lb', ...stray('5 lb', 'l')],
  ['date', {}, 'x', '“x” is no date; write it like 2026-11-23.', 'noDate', { typed: 'x' }],
  ['date', {}, '2026-02-30', '“2026-02-30” is no day of the calendar.', 'noDay', { typed: '2026-02-30' }],
  ['date', {}, 5, ...unlike('A date was', 'date', 5)],
  ['date', {}, new Date(NaN), 'This is no valid date.', 'brokenDate', {}],
  ['epoch', {}, new Date(NaN), 'This is no valid date.', 'brokenDate', {}],
  ['time', {}, 'x', '“x” is no time of day; write it like 09:15.', 'noTime', { typed: 'x' }],
  ['time', {}, 5, ...unlike('A time was', 'time', 5)],
  ...['date-time', 'epoch'].map((kind): Row => [
    kind,
    {},
    'x',
    '“x” is no date and time; write it like 2026-11-23 09:15.',
    'noInstant',
    { typed: 'x' },
  ]),
  ['date-time', {}, 5, ...unlike('A date and time was', 'instant', 5)],
  [
    'date-time',
    { zone: 'Europe/Oslo' },
    '2026-03-29T02:30',
    '“2026-03-29T02:30” does not exist in Europe/Oslo: the clocks are put forward over it.',
    'skipped',
    { typed: '2026-03-29T02:30', zone: 'Europe/Oslo' },
  ],
  ['list', {}, 5, ...unlike('A text was', 'text', 5)],
  ['parts', { names: ['a', 'b'] }, 5, ...unlike('Parts were', 'parts', 5)],
  ['parts', { names: ['a', 'b'] }, { a: 1 }, 'B is not there yet.', 'part', { part: 'B' }],
  [
    'parts',
    { names: ['a', 'b'], separator: '-' },
    { a: '1-2', b: '3' },
    'A has “-” in it, which stands between the parts.',
    'separator',
    { part: 'A', separator: '-' },
  ],
  ['choice', {}, {}, 'The choice has no “value”.', 'noKey', { key: 'value' }],
  ['file', {}, 5, ...unlike('A file as data text was', 'file', 5)],
  [
    'slug',
    {},
    '!!!',
    'Nothing is left of “!!!”: only letters a to z, figures and hyphens are.',
    'nothingLeft',
    { typed: '!!!' },
  ],
  ...['slug', 'trimmed', 'text'].map((kind): Row => [kind, {}, 5, ...unlike('A text was', 'text', 5)]),
  ['same', {}, NaN, 'NaN has no form in JSON.', 'notJson', { seen: NaN }],
  ['chosen', {}, NaN, 'NaN has no form in JSON.', 'notJson', { seen: NaN }],
  ['chosen', {}, { unchosen: 'x' }, '“x” is not among the choices: choose one of them.', 'unchosen', { typed: 'x' }],
  ['choice', { many: true }, 5, ...unlike('A list of choices was', 'choices', 5)],
  [
    'file',
    { most: 1 },
    'data:a/b;base64,AAAA',
    'The file has 3 bytes; at most 1 are taken.',
    'fileSize',
    { size: 3, most: 1 },
  ],
  [
    'file',
    { mediaType: 'a/c' },
    'data:a/b;base64,AAAA',
    'The file is of the kind a/b; a/c is expected.',
    'fileKind',
    { type: 'a/b', wanted: 'a/c' },
  ],
  ['money', {}, '1e2', '“1e2” is no amount.', 'noAmount', { typed: '1e2' }],
  ['boolean', {}, 'x', '“x” means neither yes nor no.', 'yesNo', { seen: 'x' }],
];

it.each(rows)('%s %j refuses %j', (kind, options, shown, reason, name, about) => {
  expect(makeCodec({ kind, options }).parse(shown)).toEqual({ ok: false, reason, refusal: { name, about } });
});

it('what makes no sense as an option is told when the codec is made', () => {
  const made = (kind: string, options: object) => () => makeCodec({ kind, options: { ...options } });
  expect(made('number', { locale: 'x y' })).toThrow('“x y” is no language tag; write it like nb-NO.');
  for (const digits of [-1, 13, 1.5])
    expect(made('money', { digits })).toThrow(`“digits” has to be a whole number from 0 to 12, but is ${digits}.`);
  expect(made('steps', { steps: [null] })).toThrow(
    'Step 1 is not known: “”. Known are: trim, upper, lower, replace, before, split, join, look up, map, number, date.',
  );
  expect(made('steps', { steps: [{ do: 'toString' }] })).toThrow('Step 1 is not known: “toString”.');
});

describe('steps refuse', () => {
  const parse = (steps: readonly object[], shown: unknown) =>
    makeCodec({ kind: 'steps', options: { steps } }).parse(shown);
  const [reason, name, about] = stray('x', 'x');
  const inner = { ok: false, reason, refusal: { name, about } };
  it('as the one step does, and with its number where there are several', () => {
    expect(parse([{ do: 'number' }], 'x')).toEqual(inner);
    expect(parse([{ do: 'trim' }, { do: 'number' }], 'x')).toEqual({
      ok: false,
      reason: `Step 2: ${reason}`,
      refusal: { name: 'step', about: { number: 2, inner } },
    });
  });
  it('an item by its number', () =>
    expect(parse([{ do: 'map', steps: [{ do: 'number' }] }], ['1', 'x'])).toEqual({
      ok: false,
      reason: `Item 2: ${reason}`,
      refusal: { name: 'item', about: { number: 2, inner } },
    }));
  it('what is no text, and what is no list', () => {
    const kind = (wanted: string, seen: unknown) => ({ name: 'kind', about: { wanted, seen, from: 'step' } });
    for (const step of [{ do: 'trim' }, { do: 'split', at: ',' }])
      expect(parse([step], 5)).toEqual({
        ok: false,
        reason: 'A text was expected, but came 5.',
        refusal: kind('text', 5),
      });
    for (const step of [
      { do: 'join', with: ',' },
      { do: 'map', steps: [] },
    ])
      expect(parse([step], 'x')).toEqual({
        ok: false,
        reason: 'A list was expected, but came “x”.',
        refusal: kind('list', 'x'),
      });
  });
  it('what has no form in JSON', () =>
    expect(parse([], NaN)).toEqual({
      ok: false,
      reason: 'The steps leave NaN, which has no form in JSON.',
      refusal: { name: 'notJson', about: { seen: NaN } },
    }));
  it('what is not in the table, with all that is', () =>
    expect(parse([{ do: 'look up', table: { A: 1, B: 2 } }], 'C')).toEqual({
      ok: false,
      reason: '“C” is not in the table: A, B.',
      refusal: { name: 'notListed', about: { typed: 'C', known: ['A', 'B'] } },
    }));
});
