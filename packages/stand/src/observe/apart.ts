/** Whether two values can be told from each other, and from none, by what is drawn. */
import { fullLook } from '../look.js';
import type { Observation } from './observation.js';

export async function tellsApart(seen: Observation, a: unknown, b: unknown): Promise<boolean> {
  const warned = seen.watch.warnings.length;
  const looks: string[] = [];
  for (const shown of [undefined, a, b]) {
    const trial = await seen.mount({ state: { shown } });
    looks.push(trial?.error === undefined && trial ? fullLook(trial.box) : 'failed');
    await seen.clean();
  }
  const [empty, first, second] = looks;
  const isFlag = typeof b === 'boolean';
  return (
    !looks.includes('failed') &&
    first !== empty &&
    first !== second &&
    (isFlag || second !== empty) &&
    seen.watch.warnings.length === warned
  );
}

/**
 * The two as the input writes them. One that tells of a text that it was given in a notation of its own, as editors do,
 * would tell so for ever in a form that refuses it; where it tells of nothing, and of what is no text, they stay.
 */
export async function asItWrites(seen: Observation, pair: readonly [unknown, unknown]): Promise<readonly unknown[]> {
  const own: unknown[] = [];
  for (const shown of pair.filter((one) => typeof one === 'string')) {
    const trial = await seen.mount({ state: { shown } });
    const told = trial?.reports.at(-1);
    own.push(typeof told === 'string' && told !== '' ? told : shown);
    await seen.clean();
  }
  const [a, b] = own;
  const isOther = own.length === pair.length && own.some((one, i) => one !== pair[i]);
  return isOther && (await tellsApart(seen, a, b)) ? own : pair;
}
