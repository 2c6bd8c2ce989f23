/** What a server draws of it: where that fails, or is not what the browser makes of it, nothing. */
import type { CheckVerdict } from '@poietra/core';
import type { Ground } from '../ground.js';
import { prove } from '../prove.js';
import { sampleChoices } from '../sample-choices.js';
import { newId, Trial } from '../trial.js';
import { watch } from '../watch.js';
import type { Observation } from './observation.js';

export async function findOnServer(seen: Observation, render: Ground['render']): Promise<void> {
  const before = seen.adapter;
  // Without a value there is nothing that could be held to it; one that nobody can write, a file, a gesture gives.
  if (!before.samples && !before.gesture) return;
  const first = await drawn(seen, render);
  if (first?.state !== 'fail') return;
  seen.adapter = { ...before, onServer: 'nothing' };
  const second = await drawn(seen, render);
  if (second?.state === 'pass')
    seen.note('onServer', 'It is drawn in the browser alone.', `On a server it was tried: ${first.seen}`, 1);
  else seen.adapter = before;
}

async function drawn({ adapter, make }: Observation, render: Ground['render']): Promise<CheckVerdict | undefined> {
  const input = make(adapter);
  if (!input) return undefined;
  const mount: Ground['mount'] = (options) => Trial.mount({ input, adapter, choices: sampleChoices, ...options });
  let told: CheckVerdict | undefined;
  await prove({ adapter, render, newId, watch, mount }, ['server'], (verdict) => (told = verdict));
  return told;
}
