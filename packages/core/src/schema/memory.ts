import { LimitReached, parsePointer, type Pointer, type Problem } from '../json/index.js';
import type { Compiler } from './compiler.js';
import type { State } from './follow.js';
import { tooDeep, type ChosenBranch, type SchemaNode } from './rule.js';

/** Whether a value fits, and what is wrong with it. */
export interface Verdict {
  readonly valid: boolean;
  readonly problems: readonly Problem[];
}
/** A verdict after a change; `touched` names the places where problems may have come or gone. */
export interface Recheck extends Verdict {
  readonly touched: ReadonlySet<Pointer>;
}

export const fine: Verdict = { valid: true, problems: [] };
export const verdict = (problems: readonly Problem[]): Verdict => ({ valid: problems.length === 0, problems });

/** What was wrong the last time, so that the next time only the changed way has to be asked. */
export class Memory {
  #state: State | undefined;
  #last: { value: unknown } | undefined;

  constructor(
    private readonly compiler: Compiler,
    private readonly root: SchemaNode,
    private readonly chosen?: ChosenBranch,
  ) {}

  recheck(value: unknown, changedAt: Pointer): Recheck {
    const { follower } = this.compiler;
    follower.touched = new Set();
    const { root, compiler, chosen } = this;
    try {
      if (!this.#last) this.#state = follower.check(root, value, compiler.run(chosen), { at: '', way: '' });
      else {
        for (const path of this.compiler.changedPaths(this.#last.value, value, parsePointer(changedAt))) {
          this.#state = follower.recheck(root, value, compiler.run(chosen), { at: '', way: '' }, path, 0, this.#state);
        }
      }
      this.#last = { value };
      const state = this.#state;
      return {
        valid: state === undefined,
        // Listing costs as much as there are problems; many callers only need the places touched.
        get problems() {
          return follower.list(root, state, compiler.run(chosen));
        },
        touched: follower.touched,
      };
    } catch (error) {
      this.#last = undefined;
      return { ...verdict([limitProblem(error)]), touched: new Set(['']) };
    }
  }
}

/** A limit, or a stack that ran out, ends a run with a verdict; anything else is our own mistake. */
export function limitOf(error: unknown): string {
  if (error instanceof LimitReached) return error.message;
  if (error instanceof RangeError) return tooDeep;
  throw error;
}
export function limitProblem(error: unknown): Problem {
  const reason = limitOf(error);
  return { at: '', keyword: 'limit', schemaAt: '', params: { reason }, message: reason };
}
