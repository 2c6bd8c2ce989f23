/** What runs on the server to draw a form: the sheet as markup, as the frame takes it over. */
import type { CodecCode } from '@poietra/core';
import { answerOnce, type BundledInputs } from '@poietra/stand';
import { renderToString } from 'react-dom/server';
import { servedPrefix, type FormToOpen } from './messages.js';
import { prepare } from './open-form.js';
import { Sheet } from './sheet.js';

export function startRenderingForms(inputs: BundledInputs, codes: Readonly<Record<string, CodecCode>> = {}): void {
  answerOnce(async (task) => {
    const open = task as FormToOpen;
    const prepared = await prepare(open);
    return renderToString(
      <Sheet
        inputs={inputs}
        codes={codes}
        {...prepared}
        open={open}
        send={never}
        fetchChoices={noFetch}
        handle={noHandle}
      />,
      { identifierPrefix: servedPrefix },
    );
  });
}
const never = () => Promise.resolve({ kind: 'failed' as const, message: 'Nothing is sent from the server.' });
/** On the server nothing is fetched: effects do not run there. */
const noFetch = () => Promise.reject(new Error('Nothing is fetched on the server.'));
const noHandle = { current: null };
