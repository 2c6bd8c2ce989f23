/** What a widget leaves on the page each time it was there, and whether it can be taken away. */
import { settle } from '../settle.js';
import type { Observation } from './observation.js';

/** Where it leaves listeners or elements behind, the adapter takes them away. */
export async function findTraces(seen: Observation): Promise<void> {
  const { widget } = seen.adapter;
  if (!widget || widget.leavesTraces) return;
  const left = await leftBy(seen);
  if (left === undefined) return;
  const before = seen.adapter;
  seen.adapter = { ...before, widget: { ...widget, leavesTraces: true } };
  if ((await leftBy(seen)) === undefined)
    seen.note(
      'widget',
      'What it leaves on the page is taken away.',
      `Each time it was made it left ${left} behind.`,
      1,
    );
  else seen.adapter = before;
}

/** What is made once for all that come after is no trace. */
async function leftBy(seen: Observation): Promise<'listeners' | 'elements' | undefined> {
  const left = async (): Promise<readonly [number, number]> => {
    await seen.mount();
    await seen.clean();
    await settle(60);
    return [seen.watch.listeners(), document.body.childElementCount];
  };
  await left();
  const [first, second] = [await left(), await left()];
  return second[0] > first[0] ? 'listeners' : second[1] > first[1] ? 'elements' : undefined;
}
