/** What runs on the server, in a process of its own: one adapted input as markup, as a trial in the browser takes it over. */
import { fromNotation } from '@poietra/core';
import { renderToString } from 'react-dom/server';
import type { RenderInput } from './ground.js';
import { liveInput, type BundledInputs } from './live.js';
import { sampleChoices } from './sample-choices.js';
import { answerOnce } from './answer.js';
import { Drawn } from './trial.js';
import { plainly, type Wanted } from './wanted.js';

export function startRendering(inputs: BundledInputs): void {
  answerOnce((task) => renderInput(inputs, task as RenderInput));
}

function renderInput(inputs: BundledInputs, { adapter, shown, id }: RenderInput): string {
  const input = liveInput(inputs, adapter);
  if (!input) throw new Error(`The input “${adapter.input}” is not in the bundle.`);
  const wanted: Wanted = { ...plainly, shown: fromNotation(shown) };
  const nothing = (): void => undefined;
  const trial = {
    id,
    options: { input, adapter, choices: sampleChoices },
    heard: [],
    follow: () => nothing,
    read: () => wanted,
    take: nothing,
    left: nothing,
    reach: nothing,
  };
  return renderToString(<Drawn trial={trial} />, { identifierPrefix: `${id}-` });
}
