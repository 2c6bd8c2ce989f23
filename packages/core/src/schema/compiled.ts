import { parsePointer, type Limits, type Pointer } from '../json/index.js';
import { Compiler, type CompileOptions } from './compiler.js';
import type { Engine } from './engine.js';
import type { Messages } from './messages.js';
import { fine, limitOf, limitProblem, Memory, verdict, type Recheck, type Verdict } from './memory.js';
import type { ChosenBranch, Run, SchemaNode } from './rule.js';
import type { StandardSchema } from './standard.js';

/** A schema made ready: what it accepts, what it has against a value, and the same again after a change. */
export interface CompiledSchema<T = unknown> {
  /** The verdict only; stops at the first failure. */
  accepts(value: unknown): value is T;
  /** Every problem, in a fixed order. */
  validate(value: unknown): Verdict;
  /**
   * What `validate` would say, after a change at one place; looks only at what can depend on it. The first call looks
   * at everything. Works on values that are changed in place and on copies that share what did not change.
   * `touched` names the places where problems may have come or gone.
   */
  recheck(value: unknown, changedAt: Pointer): Recheck;
  /**
   * A separate memory for `recheck`, for when several values are followed at once. `chosen` says which branch of a
   * `oneOf` or `anyOf` (as `applied` gives it) somebody has chosen at a place: a value that fits none then has the
   * problems of that one.
   */
  follow(chosen?: ChosenBranch): Pick<CompiledSchema, 'recheck'>;
  /** The compiled root, for those who read the schema rather than ask it. */
  readonly root: SchemaNode;
  /** The schema and the documents that it may refer to, as they were given. */
  readonly documents: readonly unknown[];
  readonly limits: Limits;
  /** Standard Schema, version 1. */
  readonly '~standard': StandardSchema<T>;
  /** The words that it was compiled with, beside the standard ones. */
  readonly messages: Messages;
}

/** Makes a schema ready with an engine that has all it asks for. */
export function compileWith<T>(engine: Engine, schema: unknown, options: CompileOptions): CompiledSchema<T> {
  const compiler = new Compiler(options, engine);
  const root = compiler.compile(schema, options.uri ?? '');
  return new Compiled(compiler, root);
}

export class Compiled<T = unknown> implements CompiledSchema<T> {
  #memory: Memory | undefined;
  constructor(
    private readonly compiler: Compiler,
    readonly root: SchemaNode,
  ) {}

  get ['~standard'](): StandardSchema<T> {
    return {
      version: 1,
      vendor: 'poietra',
      validate: (value) => {
        const { valid, problems } = this.validate(value);
        return valid
          ? { value: value as T }
          : { issues: problems.map(({ at, message }) => ({ message, path: parsePointer(at) })) };
      },
    };
  }

  get documents(): readonly unknown[] {
    return [this.root.raw, ...this.compiler.documents];
  }
  get limits(): Limits {
    return this.compiler.limits;
  }
  get messages(): Messages {
    return this.compiler.ownMessages;
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

  accepts(value: unknown): value is T {
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

  follow(chosen?: ChosenBranch): Pick<CompiledSchema, 'recheck'> {
    return new Memory(this.compiler, this.root, chosen);
  }

  recheck(value: unknown, changedAt: Pointer): Recheck {
    this.#memory ??= new Memory(this.compiler, this.root);
    return this.#memory.recheck(value, changedAt);
  }
}
