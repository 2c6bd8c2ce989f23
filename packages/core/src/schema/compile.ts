import { Compiled, compileWith, type CompiledSchema } from './compiled.js';
import { Compiler, SchemaError, type CompileOptions } from './compiler.js';
import type { Turn } from './registry.js';
import type { ValueOf } from './value-of.js';
import { wholeEngine } from './whole-engine.js';

/**
 * Makes a schema ready: closures, no code from text, so it runs under a strict content security policy.
 * @throws {SchemaError} where the schema is wrong or a reference leads nowhere.
 * @throws {LimitReached} where it is nested too deep or too large.
 */
export function compileSchema<const Schema>(
  schema: Schema,
  options: CompileOptions = {},
): CompiledSchema<ValueOf<Schema>> {
  return compileWith(wholeEngine, schema, options);
}

/**
 * Like `compileSchema`, a little at a time: for schemas of megabytes on a page that has to go on answering. `turn` is
 * asked every hundred parts; what it returns is waited for, and where that is rejected the work ends.
 */
export async function compileSchemaInTurns(
  schema: unknown,
  turn: Turn,
  options: CompileOptions = {},
): Promise<CompiledSchema> {
  const compiler = new Compiler(options, wholeEngine);
  const { registry } = compiler;
  let count = 0;
  const isTurn = (): boolean => ++count % 100 === 0;
  const { root, pending } = registry.begin(options.uri ?? '', schema);
  for (let next = pending.pop(); next; next = pending.pop()) {
    registry.scanOne(next, pending);
    if (isTurn()) await turn();
  }
  compiler.nodeAt(root);
  while (compiler.fillOne()) if (isTurn()) await turn();
  return new Compiled(compiler, compiler.finish(root));
}

/**
 * Like `compileSchema`, and asks `load` for each document that is not there yet.
 * `load` rejects where there is none; the reference is then reported as missing, with the reason.
 */
export async function loadSchema(
  schema: unknown,
  load: (uri: string) => Promise<unknown>,
  options: CompileOptions = {},
): Promise<CompiledSchema> {
  const documents: Record<string, unknown> = { ...options.documents };
  const failed = new Map<string, string>();
  for (;;) {
    try {
      return compileSchema(schema, { ...options, documents });
    } catch (error) {
      if (!(error instanceof SchemaError)) throw error;
      const missing = [
        ...new Set(
          error.problems.flatMap(({ params }) => (typeof params['document'] === 'string' ? [params['document']] : [])),
        ),
      ];
      const fresh = missing.filter((uri) => !(uri in documents) && !failed.has(uri) && uri !== '');
      if (fresh.length === 0) {
        throw new SchemaError(
          error.problems.map((problem) => {
            const reason = failed.get(String(problem.params['document']));
            return reason === undefined ? problem : { ...problem, message: `${problem.message} ${reason}` };
          }),
        );
      }
      await Promise.all(
        fresh.map(async (uri) => {
          try {
            documents[uri] = await load(uri);
          } catch (reason) {
            failed.set(uri, reason instanceof Error ? reason.message : String(reason));
          }
        }),
      );
    }
  }
}
