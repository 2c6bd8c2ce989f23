import type { Limits, Pointer } from '../json/index.js';
import { Compiler, SchemaError, type CompileOptions } from './compiler.js';
import { fine, limitOf, limitProblem, Memory, verdict, type Recheck, type Verdict } from './memory.js';
import { outputOf, type OutputFormat, type OutputUnit } from './output.js';
import type { Run, SchemaNode } from './rule.js';
import type { Turn } from './registry.js';

export interface CompiledSchema {
  /** The verdict only; stops at the first failure. */
  accepts(value: unknown): boolean;
  /** Every problem, in a fixed order. */
  validate(value: unknown): Verdict;
  /**
   * What `validate` would say, after a change at one place; looks only at what can depend on it. The first call looks
   * at everything. Works on values that are changed in place and on copies that share what did not change.
   * `touched` names the places where problems may have come or gone.
   */
  recheck(value: unknown, changedAt: Pointer): Recheck;
  /** A separate memory for `recheck`, for when several values are followed at once. */
  follow(): Pick<CompiledSchema, 'recheck'>;
  /** The verdict in one of the standard's formats. */
  output(value: unknown, format: OutputFormat): { readonly valid: boolean } | OutputUnit;
  /** A part of the schema, or of another document of it, as a schema of its own: by JSON Pointer or URI. */
  part(schemaAt: string): CompiledSchema;
  /** The compiled root, for those who read the schema rather than ask it. */
  readonly root: SchemaNode;
  readonly limits: Limits;
}

/**
 * Makes a schema ready: closures, no code from text, so it runs under a strict content security policy.
 * @throws {SchemaError} where the schema is wrong or a reference leads nowhere.
 * @throws {LimitReached} where it is nested too deep or too large.
 */
export function compileSchema(schema: unknown, options: CompileOptions = {}): CompiledSchema {
  const compiler = new Compiler(options);
  const root = compiler.compile(schema, options.uri ?? '');
  return new Compiled(compiler, root);
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
  const compiler = new Compiler(options);
  return new Compiled(compiler, await compiler.compileInTurns(schema, options.uri ?? '', turn));
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

class Compiled implements CompiledSchema {
  #memory: Memory | undefined;
  constructor(
    private readonly compiler: Compiler,
    readonly root: SchemaNode,
  ) {}

  get limits(): Limits {
    return this.compiler.limits;
  }

  /** One run is kept for all verdicts; a keyword of somebody's own may ask again meanwhile, and then gets a new one. */
  #run: Run | undefined;
  #verdict(value: unknown): boolean {
    const run = this.#run ?? this.compiler.run();
    this.#run = undefined;
    // Not put back after an error: its counts would be wrong.
    const verdict = this.root.accepts(value, run);
    this.#run = run;
    return verdict;
  }

  accepts(value: unknown): boolean {
    try {
      return this.#verdict(value);
    } catch (error) {
      limitOf(error);
      return false;
    }
  }

  validate(value: unknown): Verdict {
    try {
      if (this.#verdict(value)) return fine;
      const { follower } = this.compiler;
      const state = follower.check(this.root, value, this.compiler.run(), { at: '', way: '' });
      return verdict(follower.list(this.root, state, this.compiler.run()));
    } catch (error) {
      return verdict([limitProblem(error)]);
    }
  }

  follow(): Pick<CompiledSchema, 'recheck'> {
    return new Memory(this.compiler, this.root);
  }

  recheck(value: unknown, changedAt: Pointer): Recheck {
    this.#memory ??= new Memory(this.compiler, this.root);
    return this.#memory.recheck(value, changedAt);
  }

  output(value: unknown, format: OutputFormat): { readonly valid: boolean } | OutputUnit {
    return outputOf(this.root, value, this.validate(value), format, this.compiler.run());
  }

  part(reference: string): CompiledSchema {
    const node = this.compiler.part(reference);
    if (!node)
      throw new SchemaError([
        {
          at: reference,
          keyword: 'reference',
          schemaAt: reference,
          params: { reference },
          message: `The schema has no part at “${reference}”.`,
        },
      ]);
    return new Compiled(this.compiler, node);
  }
}
