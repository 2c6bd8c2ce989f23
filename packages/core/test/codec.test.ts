import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  builtIn,
  guarded,
  jsonText,
  laws,
  makeCodec,
  fromNotation,
  runCase,
  same,
  toNotation,
  type Case,
  type Codec,
  type CodecDescription,
  type Kit,
  type Law,
} from '../src/index.js';

const nothing = { $is: 'undefined' };
const day = (text: string) => ({ $is: 'Date', value: `${text}T00:00:00.000` });

/** The case table of each built-in codec: options, then rows. */
const tables: Readonly<Record<string, readonly (readonly [Readonly<Record<string, unknown>>, readonly Case[]])[]>> = {
  text: [
    [
      {},
      [
        { shown: ' a ', held: ' a ', sent: ' a ' },
        { shown: '', held: nothing, sent: nothing },
        { shown: null, held: nothing, again: '' },
        { shown: 5, refused: 'A text was expected' },
      ],
    ],
    [{ empty: 'null' }, [{ shown: '', held: null, sent: null }]],
    [{ empty: 'text' }, [{ shown: '', held: '', sent: '' }]],
  ],
  trimmed: [
    [
      {},
      [
        { shown: '  Aldervik ', held: 'Aldervik', again: 'Aldervik' },
        { shown: '   ', held: nothing, sent: nothing, again: '' },
      ],
    ],
  ],
  number: [
    [
      {},
      [
        { shown: '12', held: 12, sent: 12 },
        { shown: '12.', held: 12, again: '12' },
        { shown: '.5', held: 0.5, again: '0.5' },
        { shown: '-3', held: -3 },
        { shown: '1e3', held: 1000, again: '1000' },
        { shown: ' 1 000 ', held: 1000, again: '1000' },
        { shown: '', held: nothing },
        { shown: 7, held: 7, again: '7' },
        { shown: '0', held: 0, sent: 0 },
        { shown: '12a', refused: '“a” does not belong' },
        { shown: '-', refused: 'not a complete number' },
        { shown: '1e', refused: 'not a complete number' },
        { shown: '9007199254740993', refused: 'more digits than can be kept exactly' },
        { shown: '1e999', refused: 'too large' },
        { shown: true, refused: 'A number was expected' },
      ],
    ],
    [
      { locale: 'de' },
      [
        { shown: '1.234,5', held: 1234.5, again: '1234,5' },
        { shown: '0,5', held: 0.5 },
      ],
    ],
    [{ locale: 'nb' }, [{ shown: '1 234,5', held: 1234.5, again: '1234,5' }]],
  ],
  integer: [
    [
      {},
      [
        { shown: '012', held: 12, again: '12' },
        { shown: '2.5', refused: 'only whole numbers' },
      ],
    ],
  ],
  boolean: [
    [
      {},
      [
        { shown: 'on', held: true, sent: true, again: true },
        { shown: false, held: false, sent: false },
        { shown: 'perhaps', refused: 'neither yes nor no' },
      ],
    ],
    [{ yes: ['ja'], no: ['nei'] }, [{ shown: 'ja', held: true, again: true }]],
  ],
  date: [
    [
      {},
      [
        { shown: day('2026-12-01'), held: day('2026-12-01'), sent: '2026-12-01' },
        { shown: day('2026-03-29'), sent: '2026-03-29' },
        { shown: { $is: 'Date', value: 'nonsense' }, refused: 'no valid date' },
        { shown: 5, refused: 'A date was expected' },
      ],
    ],
    [
      { shows: 'text' },
      [
        { shown: '2028-02-29', held: day('2028-02-29'), sent: '2028-02-29' },
        { shown: '2026-02-30', refused: 'no day of the calendar' },
        { shown: '1. 2. 2026', refused: 'is no date' },
      ],
    ],
  ],
  slug: [
    [
      {},
      [
        { shown: 'Grey Plover', held: 'grey-plover', again: 'grey-plover' },
        { shown: 'Ternskär ', held: 'ternskar', again: 'ternskar' },
        { shown: '…', refused: 'Nothing is left' },
        { shown: '', held: nothing },
      ],
    ],
  ],
  money: [
    [
      {},
      [
        { shown: '1234.5', held: 123450, sent: 123450, again: '1234.50' },
        { shown: '0.07', held: 7, again: '0.07' },
        { shown: '-0.5', held: -50, again: '-0.50' },
        { shown: '1.10', held: 110, note: 'as a fraction it would be 110.00000000000001' },
        { shown: '12.', held: 1200, again: '12.00' },
        { shown: '1.234', refused: 'more than 2 decimals' },
        { shown: '-', refused: 'not a complete number' },
        { shown: '90071992547409.93', refused: 'too large' },
        { shown: '', held: nothing, again: '' },
      ],
    ],
    [{ locale: 'nb' }, [{ shown: '1 234,50', held: 123450, again: '1234,50' }]],
    [{ digits: 0 }, [{ shown: '12', held: 12, again: '12' }]],
    [{ digits: 3 }, [{ shown: '0.005', held: 5, again: '0.005' }]],
  ],
  quantity: [
    [
      { units: { kg: 1, t: 1000 } },
      [
        { shown: '850', held: 850, sent: 850, again: '850 kg' },
        { shown: '1200 kg', held: 1200, again: '1.2 t' },
        { shown: '1.2 t', held: 1200, again: '1.2 t' },
        { shown: '0.1 t', held: 100, again: '100 kg' },
        { shown: '3 lb', refused: 'known are kg, t' },
        { shown: 'kg', refused: 'no number yet' },
        { shown: '', held: nothing },
      ],
    ],
    [{ units: { m: 1 } }, [{ shown: '12.5 m', held: 12.5, again: '12.5 m' }]],
    [{}, [{ shown: '3', held: 3, again: '3' }]],
  ],
  'date-time': [
    [
      { shows: 'text', zone: 'Europe/Oslo' },
      [
        { shown: '2026-11-23 09:15', sent: '2026-11-23T08:15:00.000Z', again: '2026-11-23T09:15' },
        { shown: '2026-07-01T09:15:30', sent: '2026-07-01T07:15:30.000Z', again: '2026-07-01T09:15:30' },
        { shown: '2026-11-23T09:15:00+05:00', sent: '2026-11-23T04:15:00.000Z', again: '2026-11-23T05:15' },
        { shown: '2026-03-29 02:30', refused: 'does not exist in Europe/Oslo', note: 'the hour that is skipped' },
        {
          shown: '2026-10-25 02:30',
          sent: '2026-10-25T00:30:00.000Z',
          again: '2026-10-25T02:30',
          note: 'the first of two',
        },
        { shown: '2026-02-30 09:15', refused: 'no day of the calendar' },
        { shown: '2026-11-23 25:00', refused: 'no time of day' },
        { shown: 'tomorrow', refused: 'write it like' },
        { shown: '', held: nothing },
      ],
    ],
    [{}, [{ shown: day('2026-11-23'), held: day('2026-11-23'), again: day('2026-11-23') }]],
  ],
  time: [
    [
      {},
      [
        { shown: '9:15', held: '09:15', sent: '09:15', again: '09:15' },
        { shown: '0915', held: '09:15', again: '09:15' },
        { shown: '23:59:30', held: '23:59:30' },
        { shown: '24:00', refused: 'no time of day' },
        { shown: '9', refused: 'no time of day' },
        { shown: '09:15Z', refused: 'no time of day' },
      ],
    ],
    [
      { offset: '+01:00' },
      [
        { shown: '9:15', held: '09:15', sent: '09:15:00+01:00', again: '09:15' },
        { shown: '23:30:05', sent: '23:30:05+01:00' },
        { shown: '23:30Z', held: '00:30', sent: '00:30:00+01:00', again: '00:30' },
      ],
    ],
  ],
  epoch: [
    [
      { shows: 'text', zone: 'UTC' },
      [
        { shown: '2026-11-23T09:15', sent: 1795425300000, again: '2026-11-23T09:15' },
        { shown: '1970-01-01T00:00', sent: 0 },
        { shown: 'now', refused: 'write it like' },
      ],
    ],
    [{}, [{ shown: day('2026-11-23'), again: day('2026-11-23') }]],
  ],
  list: [
    [
      {},
      [
        { shown: 'timber, fish ,, salt', held: ['timber', 'fish', 'salt'], again: 'timber, fish, salt' },
        { shown: ' , ', held: nothing, again: '' },
        { shown: 'fish', held: ['fish'], sent: ['fish'] },
        { shown: 5, refused: 'A text was expected' },
      ],
    ],
    [{ separator: ';' }, [{ shown: 'a,b;c', held: ['a,b', 'c'], again: 'a,b; c' }]],
  ],
  parts: [
    [
      { names: ['latitude', 'longitude'], separator: ', ' },
      [
        {
          shown: { latitude: '60.1', longitude: '5.2' },
          held: '60.1, 5.2',
          sent: '60.1, 5.2',
          again: { latitude: '60.1', longitude: '5.2' },
        },
        { shown: { latitude: '60.1', longitude: '' }, refused: 'Longitude is not there yet' },
        { shown: { latitude: '', longitude: '' }, held: nothing, again: { latitude: '', longitude: '' } },
        { shown: { latitude: '6, 1', longitude: '5' }, refused: 'stands between the parts' },
      ],
    ],
    [
      { names: ['givenName', 'familyName'], at: 'last' },
      [
        {
          shown: { givenName: 'Anna Maria', familyName: 'Berg' },
          held: 'Anna Maria Berg',
          again: { givenName: 'Anna Maria', familyName: 'Berg' },
        },
        {
          shown: 'Anna  Maria Berg',
          held: 'Anna  Maria Berg',
          again: { givenName: 'Anna  Maria', familyName: 'Berg' },
        },
        { shown: { givenName: '', familyName: 'Berg' }, refused: 'Given name is not there yet' },
      ],
    ],
    [
      { names: ['a', 'b'], labels: ['Street', 'House'] },
      [
        { shown: { a: 'Quay', b: '4 b' }, held: 'Quay 4 b', again: { a: 'Quay', b: '4 b' } },
        { shown: { a: 'Old Quay', b: '4' }, refused: 'Street has “ ” in it' },
      ],
    ],
  ],
  chosen: [
    [
      {},
      [
        { shown: 'SK 214', held: 'SK 214', sent: 'SK 214' },
        { shown: { unchosen: 'SK 2' }, refused: '“SK 2” is not among the choices' },
        { shown: '', held: nothing, again: nothing },
      ],
    ],
  ],
  choice: [
    [
      { choices: [{ value: 'TOR', label: 'Torsund' }] },
      [
        {
          shown: { value: 'TOR', label: 'Torsund' },
          held: 'TOR',
          sent: 'TOR',
          again: { value: 'TOR', label: 'Torsund' },
        },
        { shown: { value: 'HAR', label: 'Hareby' }, held: 'HAR', again: { value: 'HAR', label: 'HAR' } },
        { shown: null, held: nothing, again: null },
        { shown: { label: 'Torsund' }, refused: 'has no “value”' },
      ],
    ],
    [
      { many: true, key: 'id', text: 'name' },
      [{ shown: [{ id: 1, name: 'a' }], held: [1], sent: [1], again: [{ id: 1, name: '1' }] }],
    ],
  ],
  file: [
    [
      {},
      [
        { shown: 'data:text/plain;base64,SGF2bg==', held: 'data:text/plain;base64,SGF2bg==' },
        { shown: 'manifest.txt', refused: 'data text was expected' },
      ],
    ],
    [
      { sends: 'base64', mediaType: 'text/plain', most: 4 },
      [
        { shown: 'data:text/plain;base64,SGF2bg==', sent: 'SGF2bg==' },
        { shown: 'data:text/plain;base64,SGF2bmVu', refused: '6 bytes; at most 4' },
        { shown: 'data:image/png;base64,SGF2', refused: 'text/plain is expected' },
      ],
    ],
  ],
  steps: [
    [
      {
        steps: [{ do: 'trim' }, { do: 'upper' }, { do: 'before', text: 'SK ' }, { do: 'number' }],
      },
      [
        { shown: ' sk 214 ', held: 214, sent: 214, again: 'SK 214' },
        { shown: 'SK x', refused: 'Step 4: “X” is no number' },
        { shown: '', held: nothing },
      ],
    ],
    [
      {
        steps: [
          { do: 'split', at: '/' },
          { do: 'map', steps: [{ do: 'look up', table: { ALD: 1, BRE: 2 } }] },
        ],
      },
      [
        { shown: 'ALD/BRE', held: [1, 2], again: 'ALD/BRE' },
        { shown: 'ALD/TOR', refused: 'Item 2: “TOR” is not in the table: ALD, BRE' },
      ],
    ],
    [
      { steps: [{ do: 'replace', what: '.', with: '-' }, { do: 'date' }] },
      [{ shown: '2026.11.23', held: day('2026-11-23'), sent: '2026-11-23', again: '2026-11-23' }],
    ],
    [
      { steps: [{ do: 'split', at: ' ' }, { do: 'join', with: '+' }, { do: 'lower' }] },
      [{ shown: 'A B', held: 'a+b', again: 'a b' }],
    ],
  ],
  same: [
    [
      {},
      [
        { shown: { a: [1] }, held: { a: [1] }, sent: { a: [1] } },
        { shown: 0, held: 0 },
        { shown: false, held: false },
      ],
    ],
  ],
  json: [
    [
      {},
      [
        { shown: '{"a":1}', held: { a: 1 }, sent: { a: 1 }, again: '{\n  "a": 1\n}' },
        { shown: '{', refused: 'This is no JSON' },
      ],
    ],
  ],
};

it('every built-in codec has a table', () =>
  // What code does is its own author's table.
  expect(Object.keys(tables).sort()).toEqual(
    Object.keys(builtIn)
      .filter((kind) => kind !== 'code')
      .sort(),
  ));

describe.each(Object.entries(tables))('codec %s', (kind, groups) => {
  for (const [options, rows] of groups) {
    it.each(rows)(`${JSON.stringify(options)}: $shown`, (row) => {
      const result = runCase(makeCodec({ kind, options }), row);
      expect({
        refused: result.refused,
        unfit: result.stations.filter(({ fits }) => !fits),
        passed: result.passed,
      }).toMatchObject({ unfit: [], passed: true });
    });
  }
});

const anything = fc.oneof(
  fc.string(),
  fc.double({ noNaN: true, noDefaultInfinity: true }),
  fc.boolean(),
  fc.jsonValue(),
  fc.date({ noInvalidDate: true, min: new Date(0), max: new Date(4e12) }),
  fc.tuple(fc.nat(9999), fc.constantFrom('', '.', ',', ' '), fc.nat(99)).map(([a, sign, b]) => `${a}${sign}${b}`),
  fc.anything(),
);

describe.each(Object.keys(builtIn))('of the codec %s', (kind) => {
  const codec = makeCodec({ kind });
  // A list of texts in one text cannot keep a comma inside an item; its page says so.
  it.each(laws.filter(({ id }) => id !== 'shown' || kind !== 'list'))('it is a law: $says', (law) => {
    fc.assert(
      fc.property(anything, (shown) => {
        // JSON does not keep -0.
        if (jsonText(toNotation(shown))?.includes('-0')) return;
        expect(law.broken(codec, shown)).toBeUndefined();
      }),
      { numRuns: 300 },
    );
  });
});

const variants: Readonly<Record<string, readonly object[]>> = {
  parts: [{ names: ['a', 'b'] }, { names: ['a', 'b', 'c'], at: 'last' }, { names: ['a', 'b'], separator: ', ' }],
  time: [{ offset: 'Z' }, { offset: '-04:30' }],
  number: [{ shows: 'number' }, { locale: 'nb-NO' }],
  money: [{ digits: 0 }, { digits: 3, locale: 'de' }],
  quantity: [{ units: { kg: 1, t: 1000 } }],
};
/** Values that come near to what such codecs take. */
const near = fc.oneof(
  anything,
  fc.stringMatching(/^[ 0-9a,.:+Z-]{0,12}$/),
  fc.record({ a: fc.stringMatching(/^[ a0,]{0,4}$/), b: fc.stringMatching(/^[ a0,]{0,4}$/) }),
);
describe.each(Object.entries(variants).flatMap(([kind, all]) => all.map((options) => ({ kind, options }))))(
  'of the codec %j',
  (description) => {
    const codec = makeCodec(description as CodecDescription);
    it.each(laws)('it is a law: $says', (law) => {
      fc.assert(
        fc.property(near, (shown) => {
          if (jsonText(toNotation(shown))?.includes('-0')) return;
          expect(law.broken(codec, shown)).toBeUndefined();
        }),
        { numRuns: 300 },
      );
    });
  },
);

it('law: whatever its options, a guarded codec throws nothing and never speaks in the words of the engine', () => {
  const option = fc.oneof(
    fc.anything(),
    fc.constantFrom('xx-not a tag', 'Europe/Aldervik', '', -1, 1e9, NaN, [null], [{ do: 'sing' }], { kg: -1 }),
  );
  fc.assert(
    fc.property(
      fc
        .constantFrom(...Object.entries(builtIn))
        .chain(([kind, { options }]) =>
          fc.tuple(
            fc.constant(kind),
            fc.record(Object.fromEntries(Object.keys(options).map((name) => [name, option])), { requiredKeys: [] }),
          ),
        ),
      near,
      ([kind, options], value) => {
        const codec = guarded(() => makeCodec({ kind, options }));
        const said = [codec.parse(value), codec.revive(value)].map((one) => (one.ok ? '' : one.reason)).join(' ');
        codec.show(value);
        expect(said).not.toMatch(
          /Cannot convert|Invalid string length|Incorrect locale|is not a function|undefined \(/,
        );
      },
    ),
    { numRuns: 1500 },
  );
});

it('what throws in making a codec is told, and refuses whatever is typed', () => {
  const codec = guarded(() => makeCodec({ kind: 'money', options: { digits: 1e9 } }));
  expect(codec.trouble).toContain('“digits” has to be a whole number from 0 to 12');
  expect(codec.parse('1')).toEqual({ ok: false, reason: codec.trouble });
});

describe('a law', () => {
  const sound = makeCodec({ kind: 'integer' });
  const planted: Readonly<Record<Law['id'], Partial<Codec>>> = {
    throws: {
      parse: () => {
        throw new Error('the tide went out');
      },
    },
    json: { serialise: (kept) => (typeof kept === 'number' ? Math.abs(kept) : undefined) },
    shown: { show: (kept) => (typeof kept === 'number' ? String(kept % 100) : '') },
    stable: { show: (kept) => (typeof kept === 'number' ? `${kept}1` : '') },
    empty: { parse: (shown) => (shown === '' ? { ok: true, held: 0 } : sound.parse(shown)) },
  };
  it.each(laws)('is found broken where a fault is planted: $says', (law) => {
    const faulty: Codec = { ...sound, ...planted[law.id] };
    const found = fc.check(
      fc.property(fc.oneof(fc.integer(), fc.constant('')), (shown) => law.broken(faulty, shown) === undefined),
      { numRuns: 1000 },
    );
    expect(found.failed).toBe(true);
    expect(laws.every((other) => other.broken(sound, '12') === undefined)).toBe(true);
  });
});

it('a zone or a step that does not exist is named', () => {
  expect(() => makeCodec({ kind: 'date-time', options: { zone: 'Europe/Aldervik' } })).toThrow('is no time zone');
  expect(() => makeCodec({ kind: 'steps', options: { steps: [{ do: 'trim' }, { do: 'sing' }] } })).toThrow(
    'Step 2 is not known: “sing”. Known are: trim, upper',
  );
});

it('a codec that nobody knows is named, with those there are', () =>
  expect(() => makeCodec({ kind: 'tide' })).toThrow('No codec of the kind “tide” is known. Known are: text'));

it('a case that does not hold fails at the first station that differs', () => {
  const result = runCase(makeCodec({ kind: 'integer' }), { shown: '12', held: 13 });
  expect(result.passed).toBe(false);
  expect(result.stations.filter(({ fits }) => !fits).map(({ name }) => name)).toEqual(['held']);
});

it('values that JSON has no word for survive being written', () => {
  const value = {
    when: new Date(2026, 10, 23),
    none: undefined,
    not: NaN,
    big: 12n,
    list: [new Date(0)],
    set: new Set(['ALD', new Date(0)]),
  };
  expect(same(fromNotation(JSON.parse(JSON.stringify(toNotation(value)))), value)).toBe(true);
});

it('two objects of a class are told apart by what they say of themselves', () => {
  class Day {
    constructor(readonly day: number) {}
    toString(): string {
      if (this.day < 0) throw new RangeError('No such day.');
      return `day ${this.day}`;
    }
  }
  expect(toNotation(new Day(3))).toEqual({ $is: 'Day', says: 'day 3' });
  expect(same(new Day(3), new Day(3))).toBe(true);
  expect(same(new Day(3), new Day(4))).toBe(false);
  expect(toNotation(new Day(-1))).toEqual({ $is: 'Day' });
  expect(toNotation(new Map())).toEqual({ $is: 'Map' });
  expect(same(new Set([1]), new Set([2]))).toBe(false);
  expect(fromNotation({ $is: 'Set', of: 3 })).toEqual({ $is: 'Set', of: 3 });
});

it('what is written reads without throwing, whatever a foreign table holds', () => {
  expect(fromNotation({ $is: 'bigint', value: 'many' })).toEqual({ $is: 'bigint', value: 'many' });
  fc.assert(
    fc.property(
      fc.record({ $is: fc.constantFrom('Date', 'number', 'bigint', 'undefined', 'x'), value: fc.jsonValue() }),
      (one) => {
        fromNotation(one);
      },
    ),
  );
});

it('the cases of the demo kit pass', () => {
  const kit = JSON.parse(readFileSync(join(__dirname, '../../../demo/kit.json'), 'utf8')) as Kit;
  const failing = Object.entries(kit.codecs).flatMap(([name, codec]) =>
    (codec.cases ?? [])
      .filter((row) => !runCase(makeCodec(codec), row).passed)
      .map((row) => `${name} ${JSON.stringify(row.shown)}`),
  );
  expect(failing).toEqual([]);
});
