/** Whether it goes back to what it is told: when a change is refused or reset, emptied, or given a later value. */
import { same } from '@poietra/core';
import { leave, perform } from '../hands.js';
import { look } from '../look.js';
import { settle } from '../settle.js';
import { elsewhere } from '../wanted.js';
import type { Observation } from './observation.js';

/** Some keep what was changed in themselves, whatever they are given. */
export async function findGoingBack(seen: Observation): Promise<void> {
  const { gesture, change } = seen.adapter;
  if (!gesture) return;
  /** How often it is as it should be: after a change that is refused, after one that was taken and is taken back by a reset, and emptied. */
  const comesBack = async (): Promise<number> => {
    const shown = await seen.start(gesture);
    let times = 0;
    for (const form of ['refuses', 'takes'] as const) {
      const trial = await seen.mount({ state: { shown }, form });
      if (!trial) return 0;
      const wanted = look(trial.box);
      await perform(trial.box, gesture);
      await leave();
      if (form === 'takes') await trial.set({ shown });
      await settle();
      if (trial.reports.length === 0 || look(trial.box) === wanted) times++;
      await seen.clean();
    }
    const empty = await seen.mount();
    const wanted = empty && look(empty.box);
    await seen.clean();
    const emptied = await seen.mount({ state: { shown } });
    await emptied?.set({ shown: undefined });
    if (emptied && look(emptied.box) === wanted) times++;
    await seen.clean();
    return times;
  };
  const plainly = (await seen.quietly(comesBack)) ?? 3;
  if (plainly === 3) return;
  const before = seen.adapter;
  seen.adapter = { ...before, change: { ...change, refused: 'anew' } };
  if (((await seen.quietly(comesBack)) ?? 0) > plainly) {
    seen.note(
      'change',
      'It keeps a change that is refused; it is made anew then.',
      'It was given the old value and showed the new one.',
      0.95,
    );
    return;
  }
  seen.adapter = before;
  seen.note('change', 'It keeps a change that is refused.', 'It was given the old value, and made anew.', 0.95);
}

/** Some know a value from their beginning only. */
export async function findLater(seen: Observation): Promise<void> {
  const { family } = seen.input;
  if (family === 'native') return;
  const shown = await seen.sample();
  if (shown === undefined) return;
  const follows = async (): Promise<boolean> => {
    const trial = await seen.mount();
    // A calendar may know a later day and stay at its page.
    const [near, far] = [shown, elsewhere(shown)];
    for (const later of same(far, near) ? [near] : [near, far]) {
      const wanted = await seen.mount({ state: { shown: later } });
      await trial?.set({ shown: later });
      await settle();
      // What cannot be drawn with it shows no later value either.
      const isSo = !wanted || !trial || wanted.error !== undefined || look(trial.box) === look(wanted.box);
      if (!isSo) {
        await seen.clean();
        return false;
      }
    }
    await seen.clean();
    return true;
  };
  if ((await seen.quietly(follows)) ?? true) return;
  const before = seen.adapter;
  seen.adapter = { ...before, value: { ...before.value, later: 'anew' } };
  if (await seen.quietly(follows)) {
    const said = 'It knows its value from the beginning only; with a later one it is made anew.';
    seen.note('value', said, 'A later value changed nothing of it.', 0.95);
  } else seen.adapter = before;
}
