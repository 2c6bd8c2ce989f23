import { prepareSchema } from '../schema/index.js';
import { choicesOf } from './choices.js';
import type { WrittenChecks } from './nodes.js';

/** What checks the values of a form whose checks were not put together ahead: fetched as its schema asks for it. */
export async function checksFor(schema: unknown): Promise<WrittenChecks> {
  const compiled = await prepareSchema(schema, { assertFormats: true });
  return { compiled, choices: choicesOf(compiled) };
}
