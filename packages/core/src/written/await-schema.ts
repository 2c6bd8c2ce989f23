import { reasonOf, type Pointer } from '../json/index.js';
import { later } from '../form/runtime.js';
import type { Attendant } from '../form/index.js';
import type { WrittenSchema } from './schema.js';

/**
 * Waits for what checks the values of a form that was written out. It is fetched once the form stands, and again when
 * the form is sent, should that have failed: nothing is sent unchecked.
 */
export function awaitSchema(
  { arrives }: Pick<WrittenSchema, 'arrives'>,
  form: { trouble(at: Pointer, says: string): void },
  arrived: () => void,
): Attendant[] {
  if (!arrives) return [];
  let isHere = false;
  const fetched = async (): Promise<void> => {
    await arrives();
    if (isHere) return;
    isHere = true;
    arrived();
  };
  later(() => {
    fetched().catch((error: unknown) => {
      form.trouble('', `What checks its values could not be fetched: ${reasonOf(error)}`);
    });
  }, 0);
  return [{ settled: () => (isHere ? undefined : fetched()) }];
}
