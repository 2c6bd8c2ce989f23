/** Copies of an input on the page that the checks run on. */
import type { AdapterDescription } from '@poietra/core';
import type { Ground } from './ground.js';
import { prepare, type Make } from './observe/index.js';
import { sampleChoices } from './sample-choices.js';
import { newId, Trial } from './trial.js';
import { watch } from './watch.js';

/** @throws {Error} where the input is not in the bundle. */
export async function groundHere(
  make: Make,
  given: AdapterDescription,
  render: Ground['render'],
): Promise<Ground & { mount(...options: Parameters<Ground['mount']>): Promise<Trial> }> {
  const adapter = await prepare(given, make);
  const input = make(adapter);
  if (!input) throw new Error(`The input “${given.input}” is not in the bundle.`);
  return {
    adapter,
    render,
    newId,
    watch,
    mount: (options) => Trial.mount({ input, adapter, choices: sampleChoices, ...options }),
  };
}
