/** Whether its values are objects of a library, and how they come of texts. */
import { toNotation, type FoundInput, type MadeUse } from '@poietra/core';
import type { Making } from '@poietra/react';
import { tellsApart } from './apart.js';
import type { Observation } from './observation.js';

/**
 * Texts that libraries read, the plainest first: days, times, both, months, colours. The third stands for “no value”: of
 * colours one from which all others can be reached by turning and drawing, as from black they cannot.
 */
const texts: readonly (readonly [string, string, string])[] = [
  ['2026-11-10', '2027-02-20', '2026-11-01'],
  ['09:15', '12:30', '00:00'],
  ['09:15:00', '12:30:00', '00:00:00'],
  ['2026-11-10T09:15', '2027-02-20T12:30', '2026-11-01T00:00'],
  ['2026-11-10T09:15:00', '2027-02-20T12:30:00', '2026-11-01T00:00:00'],
  ['2026-11', '2027-02', '2026-01'],
  ['#336699', '#aa5500', '#ff0000'],
  ['#336699', '#AA5500', '#FF0000'],
  ['rgb(51, 102, 153)', 'rgb(170, 85, 0)', 'rgb(255, 0, 0)'],
  ['hsl(210, 50%, 40%)', 'hsl(30, 90%, 35%)', 'hsl(0, 100%, 50%)'],
];

interface Made {
  readonly use: MadeUse;
  readonly a: string;
  readonly b: string;
  readonly none: string;
}

/** Every way to make its values in which texts come back as they were, with the texts. */
export function* makings(seen: Observation): Generator<Made> {
  const { made } = seen.input;
  if (made?.property !== seen.adapter.value.property) return;
  for (const [a, b, none] of texts)
    for (const use of made.uses) {
      const making = makingBy(seen, use);
      if (making && [a, b, none].every((text) => comesBack(making, text))) yield { use, a, b, none };
    }
}

/** None where what is declared is not there: types may name what nothing exports. */
function makingBy({ make, adapter }: Observation, made: MadeUse): Making | undefined {
  try {
    return make({ ...adapter, value: { ...adapter.value, made } })?.making;
  } catch {
    return undefined;
  }
}

function comesBack(making: Making, text: string): boolean {
  try {
    return making.read(making.make(text)) === text;
  } catch {
    return false;
  }
}

/**
 * The first way to make its values of which two look different. With it come the samples, of the shape in which the input
 * takes them: alone, as an object's members, or listed.
 */
export async function findMaking(seen: Observation): Promise<void> {
  const before = seen.adapter;
  for (const { use, a, b } of makings(seen))
    for (const [first, second] of shapes(a, b, seen.input.made)) {
      seen.adapter = { ...before, value: { ...before.value, made: use } };
      if (!(await seen.quietly(() => tellsApart(seen, first, second)))) continue;
      seen.adapter = { ...seen.adapter, samples: [toNotation(first), toNotation(second)] };
      seen.note(
        'made',
        `Its values are objects: ${use.by} makes them of texts, and ${use.read ?? 'toString'} tells them as texts.`,
        `“${a}” came back as it was, and two of them looked different.`,
        0.95,
      );
      return;
    }
  seen.adapter = before;
}

/** What may stand for “no value” where nothing else does: a text of the samples' kind. */
export function textForNone({ adapter: { samples } }: Observation): string | undefined {
  return texts.find(([a, b]) => a === samples?.[0] && b === samples[1])?.[2];
}

/** A range begins before it ends. */
function* shapes(a: string, b: string, made: FoundInput['made']): Generator<readonly [unknown, unknown]> {
  if (made?.alone) yield [a, b];
  const [first, last] = made?.members ?? [];
  if (first !== undefined && last !== undefined)
    yield [
      { [first]: a, [last]: b },
      { [first]: b, [last]: b },
    ];
  if (!made?.listed) return;
  // Of a first and a last one only the last may be moved.
  const before = Array.from({ length: made.listed - 1 }, () => a);
  yield [
    [...before, a],
    [...before, b],
  ];
  if (made.listed === 1) yield [[a, b], [b]];
}
