import { compileWith, type CompiledSchema } from './compiled.js';
import type { CompileOptions } from './compiler.js';
import { loadEngine } from './load-engine.js';
import type { ValueOf } from './value-of.js';

/**
 * Like `compileSchema`, and fetches the keywords that the schema uses instead of having them all at hand.
 * @throws {SchemaError} and {LimitReached} as `compileSchema` does.
 */
export async function prepareSchema<const Schema>(
  schema: Schema,
  options: CompileOptions = {},
): Promise<CompiledSchema<ValueOf<Schema>>> {
  return compileWith(await loadEngine(schema, options), schema, options);
}
