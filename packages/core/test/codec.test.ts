import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { builtIn, jsonText, makeCodec, readWritten, runCase, same, write, type Case, type Kit } from '../src/index.js';

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

it('every built-in codec has a table', () => expect(Object.keys(tables).sort()).toEqual(Object.keys(builtIn).sort()));

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

describe.each(Object.keys(builtIn))('law for %s', (kind) => {
  const codec = makeCodec({ kind });
  it('parse and revive never throw', () => {
    fc.assert(
      fc.property(fc.anything(), (value) => {
        codec.parse(value);
        codec.revive(value);
      }),
      { numRuns: 500 },
    );
  });
  it('nothing is lost from held through JSON and back', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.double({ noNaN: true, noDefaultInfinity: true }),
          fc.boolean(),
          fc.jsonValue(),
          fc.date({ noInvalidDate: true, min: new Date(0), max: new Date(4e12) }),
        ),
        (shown) => {
          const parsed = codec.parse(shown);
          if (!parsed.ok) return;
          const sent = codec.serialise(parsed.held);
          const back = codec.revive(sent === undefined ? undefined : JSON.parse(JSON.stringify(sent)));
          // A double may be -0, which JSON does not keep; everything else has to come back.
          if (Object.is(parsed.held, -0) || jsonText(write(parsed.held))?.includes('-0')) return;
          expect(back.ok && same(back.held, parsed.held)).toBe(true);
        },
      ),
      { numRuns: 500 },
    );
  });
});

it('a codec that nobody knows is named, with those there are', () =>
  expect(() => makeCodec({ kind: 'tide' })).toThrow('No codec of the kind “tide” is known. Known are: text'));

it('a case that does not hold fails at the first station that differs', () => {
  const result = runCase(makeCodec({ kind: 'integer' }), { shown: '12', held: 13 });
  expect(result.passed).toBe(false);
  expect(result.stations.filter(({ fits }) => !fits).map(({ name }) => name)).toEqual(['held']);
});

it('values that JSON has no word for survive being written', () => {
  const value = { when: new Date(2026, 10, 23), none: undefined, not: NaN, big: 12n, list: [new Date(0)] };
  expect(same(readWritten(JSON.parse(JSON.stringify(write(value)))), value)).toBe(true);
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
