/**
 * The engine as it goes into a validator that is written out: every keyword, no meta-schemas (those that a schema refers
 * to are written along with it) and nothing that only a form needs. `scripts/validator-runtime.mjs` bundles it.
 */
import { canonical, equalJson } from '../json/index.js';
import { compileWith, type CompiledSchema } from './compiled.js';
import type { CompileOptions } from './compiler.js';
import { everyDialect } from './dialects.js';
import { engineOf } from './engine.js';
import { families as common } from './keywords/common.js';
import { isMultiple } from './keywords/numbers.js';
import { families as rare } from './keywords/rare.js';
import { families as textual } from './keywords/textual.js';
import { lengthOf } from './keywords/length.js';
import { compilePattern } from './pattern/index.js';
import { resolveUri } from './resolve-uri.js';

const engine = /* @__PURE__ */ engineOf([...common, ...textual, ...rare], {
  dialects: everyDialect,
  resolveUri,
});

/** What the written functions call: the engine for problems and for what is not written out, and its judgements of values. */
export const runtime = {
  compile: (schema: unknown, options: CompileOptions): CompiledSchema => compileWith(engine, schema, options),
  equal: equalJson,
  canonical,
  isMultiple,
  length: lengthOf,
  pattern: compilePattern,
  formats: engine.formats,
};
