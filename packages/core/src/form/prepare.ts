import { codecBy, plainMakers } from '../codec/index.js';
import type { CompiledSchema } from '../schema/index.js';
import { OpenForm, type Ground } from './form.js';
import type { Form, FormOptions } from './types.js';

/** What follows the expressions of a form, fetched where it has any. */
export async function loadFormExpressions(): Promise<NonNullable<Ground['express']>> {
  const computed = await import('./computed.js');
  return (...args) => new computed.FormExpressions(...args);
}

/** Opens a form on what was prepared: a compiled schema, `codecs` for each of its fields, and what follows its expressions. */
export function openPrepared<T = unknown>(
  compiled: CompiledSchema,
  options: Omit<FormOptions, 'schema' | 'compiled' | 'compile'>,
  express?: Ground['express'],
): Form<T> {
  return new OpenForm(options, {
    compiled,
    codec: () => codecBy(plainMakers, { kind: 'same' }),
    ...(express ? { express } : {}),
  });
}
