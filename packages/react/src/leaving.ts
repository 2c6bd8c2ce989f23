/** What was typed and not sent is not lost without a question: by the browser, and by an application's own router. */
import type { Form } from '@poietra/core';
import { useEffect } from 'react';

/** Has the browser ask before the page is closed or left while something is changed and not sent; it words the question. */
export function useLeaveGuard(form: Pick<Form, 'changed'>, isOn = true): void {
  useEffect(() => {
    if (!isOn) return undefined;
    const ask = (event: BeforeUnloadEvent): void => {
      if (form.changed) event.preventDefault();
    };
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [form, isOn]);
}

/**
 * Whether one may go on to another page of the application: nothing is changed, or the person says so. Any router can
 * ask it before it changes pages.
 */
export async function mayLeave(
  form: Pick<Form, 'changed' | 'status'>,
  ask: () => boolean | Promise<boolean>,
): Promise<boolean> {
  return (!form.changed && form.status !== 'sending') || (await ask());
}
