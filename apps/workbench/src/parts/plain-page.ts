import type { FormDescription, Kit } from '@poietra/core';
import { ask } from '../store/ask.js';
import { bundledFor, formToOpen } from './form-open.js';
import { keysOfCodes } from './use-codes.js';

/** The address of a page with the form as the server draws it, without script. @throws where it cannot be drawn. */
export async function plainPage(form: FormDescription, kit: Kit): Promise<string> {
  const codecs = await keysOfCodes(kit.codecs);
  const task = {
    ...formToOpen(form, kit),
    notes: false,
    copies: 1,
    native: { action: '/company/echo' },
  };
  const { page } = (await ask('/api/plain', {
    method: 'POST',
    json: { what: 'form', title: form.title, ...bundledFor(form, kit, undefined), codecs, task },
  })) as { readonly page: string };
  return page;
}
