import type { FormDescription, Outcome } from '@poietra/core';
import { useRef, type RefObject } from 'react';
import { sendForm } from '../../store/ask.js';

/** Sends what a proof holds: as a new record, or in place of the one that is open. */
export function useSending(
  form: FormDescription,
  record: string | undefined,
  tag: RefObject<string | undefined>,
): (sent: unknown) => Promise<Outcome> {
  const sending = useRef<{ readonly text: string; readonly key: string }>(undefined);
  return async (sent) => {
    if (!form.send)
      return { kind: 'failed', message: 'This form has no address to send to yet. Its settings, above, say where.' };
    // The same values once more, after an answer that never came, are the same sending.
    const text = JSON.stringify(sent);
    if (sending.current?.text !== text) sending.current = { text, key: crypto.randomUUID() };
    const isNew = record === undefined;
    const outcome = await sendForm(form.send, isNew ? 'create' : 'replace', record, sent, {
      key: isNew ? sending.current.key : undefined,
      match: tag.current,
    });
    if (outcome.kind === 'accepted') {
      sending.current = undefined;
      // What is stored by now has another tag, which the answer's header would tell; a second change asks without.
      tag.current = undefined;
    }
    return outcome;
  };
}
