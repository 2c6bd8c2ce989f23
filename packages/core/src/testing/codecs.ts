import { describeValue } from '../adapter/index.js';
import { laws, runCase, type Case, type Codec } from '../codec/index.js';

const said = (value: unknown): string => describeValue(value, 0).text;

/**
 * Runs a codec's table of cases the whole way: shown → held → sent → JSON text → held → shown. Each row that breaks is one
 * sentence with its number (from 1), the station, what was wanted and what came.
 *
 * @example
 * expect(brokenCases(makeCodec({ kind: 'money' }), [{ shown: '12.50', held: 1250, sent: 1250 }])).toEqual([]);
 */
export function brokenCases(codec: Codec, cases: readonly Case[]): string[] {
  return cases.flatMap((row, i) => {
    const { passed, refused, stations } = runCase(codec, row);
    if (passed) return [];
    const where = `Case ${i + 1}, shown ${said(row.shown)}`;
    if (refused !== undefined)
      return [
        row.refused === undefined
          ? `${where}: refused (${refused}), and a value was expected.`
          : `${where}: refused (${refused}), and the reason was expected to say “${row.refused}”.`,
      ];
    if (row.refused !== undefined) return [`${where}: taken, and a refusal was expected that says “${row.refused}”.`];
    return stations
      .filter(({ fits }) => !fits)
      .map(({ name, wanted, seen }) => `${where}: ${name} is ${said(seen)}, and ${said(wanted)} was expected.`);
  });
}

/**
 * Holds the laws of codecs against samples of what an input may show: nothing throws, nothing is lost through JSON, what
 * is shown is parsed again. Each law that a sample breaks is one sentence.
 */
export function brokenLaws(codec: Codec, samples: readonly unknown[]): string[] {
  return laws.flatMap(({ says, broken }) =>
    samples.flatMap((shown) => {
      const reason = broken(codec, shown);
      return reason === undefined ? [] : [`Shown ${said(shown)}: ${says} ${reason}`];
    }),
  );
}
