import { laws, fromNotation, toNotation, type Codec, type Law } from '@poietra/core';
import * as fc from 'fast-check';

/** What a search for counterexamples has found so far. */
export interface LawResult {
  readonly law: Law['id'];
  readonly tried: number;
  /** The smallest shown value that breaks the law, as `write` writes it, and what goes wrong with it. */
  readonly counterexample?: { readonly shown: unknown; readonly says: string };
}

/** Values of every kind that an input may give, near the cases first: a fault mostly sits close to what is used. */
function values(cases: readonly unknown[]): fc.Arbitrary<unknown> {
  const known = cases.map(fromNotation);
  const figures = fc.tuple(
    fc.constantFrom('', '-', '+', ' '),
    fc.nat(99_999_999),
    fc.constantFrom('', '.', ',', '. ', ' ', 'e', '/', '-'),
    fc.constantFrom('', '0', '00', '5', '05', '123456789'),
    fc.constantFrom('', ' ', ' kg', 't'),
  );
  const dates = fc.date({ noInvalidDate: true, min: new Date(0), max: new Date(4e12) });
  return fc.oneof(
    ...(known.length > 0 ? [fc.constantFrom(...known)] : []),
    fc.constantFrom(undefined, null, '', 0, false, true, []),
    figures.map((parts) => parts.join('')),
    fc.string({ maxLength: 12 }),
    fc.string({ unit: 'grapheme', maxLength: 8 }),
    fc.integer(),
    fc.double({ noNaN: true, noDefaultInfinity: true }).map((value) => (value === 0 ? 0 : value)),
    dates,
    dates.map((date) => date.toISOString()),
    dates.map((date) => date.toISOString().slice(0, 10)),
    fc.array(fc.string({ maxLength: 6 }), { maxLength: 4 }),
    fc.record({ value: fc.string({ maxLength: 6 }), label: fc.string({ maxLength: 6 }) }),
  );
}

const atOnce = 2000;

/** Faults in code are the business of one law only; for the others nothing can be said then. */
function brokenBy(law: Law, codec: Codec, shown: unknown): string | undefined {
  try {
    return law.broken(codec, shown);
  } catch {
    return undefined;
  }
}

/** Tries `wanted` values on each law, some thousand at a time, and tells after each lot. `seed` makes a search repeatable. */
export async function searchLaws(
  codec: Codec,
  cases: readonly { readonly shown: unknown }[],
  { wanted, seed }: { readonly wanted: number; readonly seed: number },
  tell: (result: LawResult) => void,
): Promise<void> {
  const source = values(cases.map(({ shown }) => shown));
  for (const law of laws) {
    for (let tried = 0; tried < wanted; tried += atOnce) {
      const found = fc.check(
        fc.property(source, (shown) => brokenBy(law, codec, shown) === undefined),
        { numRuns: Math.min(atOnce, wanted - tried), seed: seed + tried },
      );
      if (found.counterexample) {
        const [shown] = found.counterexample;
        tell({
          law: law.id,
          tried: tried + found.numRuns,
          counterexample: { shown: toNotation(shown), says: brokenBy(law, codec, shown) ?? '' },
        });
        break;
      }
      tell({ law: law.id, tried: tried + found.numRuns });
      // The page's wish to stop gets its turn between lots.
      await new Promise((resolve) => setTimeout(resolve));
    }
  }
}
