import { plainMakers } from '../codec/index.js';
import type { CompiledSchema } from '../schema/index.js';
import { OpenForm } from './form.js';
import type { Ground, OpenOptions } from './ground.js';
import type { Form } from './types.js';

/** What not every form needs: what moves entries and options, fills in defaults, follows expressions, rules and checks. */
export type FormParts = Partial<Pick<Ground, 'moves' | 'express' | 'attend' | 'normal'>> & {
  readonly fill?: ((compiled: CompiledSchema, begin: unknown) => unknown) | undefined;
};

/** Opens a form on what was prepared: a compiled schema, `codecs` for each of its fields, and the parts that it uses. */
export function openPrepared<T = unknown>(
  compiled: CompiledSchema,
  options: OpenOptions,
  { fill, ...parts }: FormParts = {},
): Form<T> {
  const form = new OpenForm(options, {
    schema: compiled,
    codec: () => plainMakers.same({}),
    fill: (begin) => (fill ? fill(compiled, begin) : begin),
    ...parts,
  });
  // As in `openForm`.
  return form as Form<T>;
}
