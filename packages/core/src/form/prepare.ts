import { codecBy, plainMakers } from '../codec/index.js';
import { loadDefaults, type CompiledSchema } from '../schema/index.js';
import { OpenForm, type Ground } from './form.js';
import type { Form, FormOptions } from './types.js';

/** What not every form needs: what moves entries and options, fills in defaults, follows expressions. */
export type FormParts = Partial<Pick<Ground, 'moves' | 'express'>> & {
  readonly fill?: ((compiled: CompiledSchema, begin: unknown) => unknown) | undefined;
};

/** Fetches what a form of this schema and these hints uses. */
export async function loadFormParts(schema: unknown, hints: unknown): Promise<FormParts> {
  const text = JSON.stringify([schema, hints]);
  const [moves, fill, express] = await Promise.all([
    /"(array|items|prefixItems|oneOf|anyOf)"|"type":\[/.test(text) ? import('./moves.js') : undefined,
    text.includes('"default":') ? loadDefaults() : undefined,
    /"(condition|computed)":/.test(text) ? import('./computed.js') : undefined,
  ]);
  return {
    ...(moves ? { moves: (form) => new moves.Moves(form) } : {}),
    ...(fill ? { fill } : {}),
    ...(express ? { express: (...args) => new express.FormExpressions(...args) } : {}),
  };
}

/** Opens a form on what was prepared: a compiled schema, `codecs` for each of its fields, and the parts that it uses. */
export function openPrepared<T = unknown>(
  compiled: CompiledSchema,
  options: Omit<FormOptions, 'schema' | 'compiled' | 'compile'>,
  { fill, ...parts }: FormParts = {},
): Form<T> {
  return new OpenForm(options, {
    compiled,
    codec: () => codecBy(plainMakers, { kind: 'same' }),
    fill: (begin) => (fill ? fill(compiled, begin) : begin),
    ...parts,
  });
}
