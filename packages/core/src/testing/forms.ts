import type { Form } from '../form/index.js';
import type { Pointer } from '../json/index.js';

/**
 * Enters what inputs would report, place by place in the order given, and leaves each place as a person does.
 * @throws {TypeError} for a place that no schema speaks of: a test with a misspelt place must not pass.
 *
 * @example
 * enter(form, { '/consignor/name': 'Aldervik Timber', '/mass': '12x' });
 */
export function enter<T>(form: Form<T>, raws: Readonly<Record<Pointer, unknown>>): void {
  for (const [at, raw] of Object.entries(raws)) {
    const field = form.field(at);
    if (!field.inForce)
      throw new TypeError(`There is no place “${at}” in the form as it stands: nobody could enter anything.`);
    field.report(raw);
    field.leave();
  }
}

/** What is wrong by now, by place: the messages that sending would tell. */
export function problemsIn<T>(form: Form<T>): Record<Pointer, string[]> {
  const found: Record<Pointer, string[]> = {};
  for (const { at, message } of form.problems()) (found[at] ??= []).push(message);
  return found;
}
