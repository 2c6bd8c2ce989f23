/** Whether two values can be told from each other, and from none, by what is drawn. */
import { fullLook } from '../look.js';
import type { Observation } from './observation.js';

export const tellsApart = async (seen: Observation, a: unknown, b: unknown): Promise<boolean> =>
  (await toldApart(seen, a, b)) !== undefined;

/**
 * The two as the input writes them, where they can be told apart. One that tells of a text that it was given in a notation
 * of its own, as editors do, would tell so for ever in a form that refuses it; what is no text stays, and where nothing is told.
 */
export async function apartAsWritten(
  seen: Observation,
  a: unknown,
  b: unknown,
): Promise<readonly [unknown, unknown] | undefined> {
  const told = await toldApart(seen, a, b);
  if (!told) return undefined;
  const writes = (given: unknown, own: unknown): unknown =>
    typeof given === 'string' && typeof own === 'string' && own !== '' ? own : given;
  const [first, second] = [writes(a, told[0]), writes(b, told[1])];
  const isOther = first !== a || second !== b;
  return isOther && (await tellsApart(seen, first, second)) ? [first, second] : [a, b];
}

/** What it told of each as it was given it; undefined where they cannot be told apart. */
async function toldApart(seen: Observation, a: unknown, b: unknown): Promise<readonly unknown[] | undefined> {
  const warned = seen.watch.warnings.length;
  const looks: string[] = [];
  const told: unknown[] = [];
  for (const shown of [undefined, a, b]) {
    const trial = await seen.mount({ state: { shown } });
    looks.push(trial?.error === undefined && trial ? fullLook(trial.box) : 'failed');
    told.push(trial?.reports.at(-1));
    await seen.clean();
  }
  const [empty, first, second] = looks;
  const isFlag = typeof b === 'boolean';
  const areApart =
    !looks.includes('failed') &&
    first !== empty &&
    first !== second &&
    (isFlag || second !== empty) &&
    seen.watch.warnings.length === warned;
  return areApart ? told.slice(1) : undefined;
}
