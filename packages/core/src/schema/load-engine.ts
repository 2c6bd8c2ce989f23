import { askedBy, fetchAsked, type EngineAsked } from './asked.js';
import type { CompileOptions } from './compiler.js';
import { engineOf, type Engine } from './engine.js';
import type { Family } from './keywords/context.js';

/**
 * The engine of what was fetched for a schema, and the common keywords where it asks for them. The whole one is fetched
 * from here, where what it stands on is there already: a bundler need not cut that into files of its own for it.
 */
export async function engineFrom(
  { isWhole, families, dialects, resolveUri }: EngineAsked,
  common: readonly Family[] = [],
): Promise<Engine> {
  if (isWhole) return (await import('./whole-engine.js')).wholeEngine;
  return engineOf([...common, ...families], { dialects, resolveUri });
}

/** Fetches what a schema, with the documents that it may refer to, asks for, and puts it together. */
export async function loadEngine(schema: unknown, options: CompileOptions = {}): Promise<Engine> {
  const asked = askedBy(schema, options);
  const [fetched, common] = await Promise.all([
    fetchAsked(asked),
    asked.isCommon ? import('./keywords/common.js') : undefined,
  ]);
  return engineFrom(fetched, common?.families);
}
