import { redirect } from 'react-router';
import { pathOf } from '../parts/kit-part.js';
import { kitOpened } from '../store/kit.js';

/**
 * Where one comes in: the kit's first form, with work to look at; in an empty kit, where one begins. It is asked for
 * as data are, so that whoever presses something before there is an answer goes there, and not here.
 */
export async function wayIn(): Promise<Response | null> {
  const kit = await kitOpened();
  if (!kit) return null;
  const [first] = Object.keys(kit.forms);
  return redirect(first === undefined ? '/begin' : pathOf('forms', first));
}
