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
