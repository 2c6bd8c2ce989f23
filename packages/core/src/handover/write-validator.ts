/** A schema written out as functions: one module that imports nothing, for applications that want no library. */
import { isObject } from '../json/index.js';
import { readGraph, type CompileOptions } from '../schema/index.js';
import { comment } from './source.js';
import { jsonSource } from './validator-lines.js';
import { ValidatorWriter } from './validator-writer.js';
import texts from './validator-runtime.json' with { type: 'json' };

/** How the schema of a written validator is read. */
export interface ValidatorOptions {
  /** The meta-schema's URI for a schema that names none; 2020-12 where it is not given. */
  readonly dialect?: string;
  /** Other documents, by absolute URI. */
  readonly documents?: Readonly<Record<string, unknown>>;
  /** Whether `format` and content keywords are checked; otherwise they are notes for the reader. */
  readonly assertFormats?: boolean;
}

/**
 * The text of one ES module that imports nothing and exports `accepts(value): boolean` and
 * `validate(value): { valid, problems }`, as the compiled schema has them: the same verdicts, and problems word for word.
 * Verdicts come from functions written for this schema; problems, and schemas whose meaning depends on the way that led
 * to them (`$dynamicRef`, `unevaluated…`), from the engine, which is part of the text.
 * @throws {SchemaError} where the schema is wrong or a reference leads nowhere.
 * @throws {LimitReached} where it is nested too deep or too large.
 */
export function writeValidator(schema: unknown, options: ValidatorOptions = {}): string {
  const compile: CompileOptions = { ...options };
  const graph = readGraph(schema, compile);
  const writer = new ValidatorWriter(graph);
  const accepts = writer.write();
  const embedded = {
    ...(options.dialect === undefined ? {} : { dialect: options.dialect }),
    ...(options.assertFormats === undefined ? {} : { assertFormats: options.assertFormats }),
    documents: graph.documents,
  };
  const title = isObject(schema) && typeof schema['title'] === 'string' ? schema['title'] : 'a value';
  return `${comment(`Checks ${title}. Written by Poietra from its JSON Schema; write it again instead of changing it.`)}
const runtime = (() => { ${texts.runtime}
return PoietraRuntime.runtime; })();

const schema = ${jsonSource(schema)};
const compiled = runtime.compile(schema, ${jsonSource(embedded)});
${accepts ?? ''}
${comment('Whether a value fits; stops at the first fault.')}export function accepts(value) {
${
  accepts === undefined
    ? '  return compiled.accepts(value);'
    : `  try {
    return ${writer.root}(value);
  } catch (error) {
    // Nested too deep to be checked, or a schema that refers to itself without end.
    if (error instanceof RangeError) return false;
    throw error;
  }`
}
}

${comment('Everything that is wrong, each with its place (`at`, a JSON Pointer), keyword, params and message.')}export function validate(value) {
  return accepts(value) ? { valid: true, problems: [] } : compiled.validate(value);
}
`;
}
