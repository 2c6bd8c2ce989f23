import { LimitReached, parsePointer, type Pointer, type Problem } from '../json/index.js';
import type { Compiler } from './compiler.js';
import type { State } from './follow.js';
import { tooDeep, type ChosenBranch, type SchemaNode } from './rule.js';

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
        for (const path of changedPaths(this.#last.value, value, parsePointer(changedAt))) {
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

/** The place that was said to have changed, and any other where a copy does not share with the last value. */
function changedPaths(before: unknown, after: unknown, path: readonly string[]): string[][] {
  if (before === after) return [[...path]];
  const found: string[][] = [];
  const compare = (a: unknown, b: unknown, depth: number): void => {
    const token = path[depth];
    const isList = Array.isArray(a);
    if (
      token === undefined ||
      typeof a !== 'object' ||
      typeof b !== 'object' ||
      a === null ||
      b === null ||
      isList !== Array.isArray(b)
    ) {
      found.push(path.slice(0, depth));
      return;
    }
    const [from, to] = [a as Record<string, unknown>, b as Record<string, unknown>];
    if (isList && from['length'] !== to['length']) {
      found.push(path.slice(0, depth));
      return;
    }
    if (isList) {
      const skip = Number(token);
      const [left, right] = [a as unknown[], b as unknown[]];
      for (let i = 0; i < left.length; i++)
        if (i !== skip && left[i] !== right[i]) found.push([...path.slice(0, depth), String(i)]);
    } else {
      for (const name of Object.keys(from))
        if (name !== token && from[name] !== to[name]) found.push([...path.slice(0, depth), name]);
      for (const name of Object.keys(to))
        if (name !== token && !Object.hasOwn(from, name)) found.push([...path.slice(0, depth), name]);
    }
    if (depth === path.length - 1) found.push([...path]);
    else if (Object.hasOwn(from, token) && Object.hasOwn(to, token)) {
      if (from[token] !== to[token]) compare(from[token], to[token], depth + 1);
      else found.push([...path]);
    } else found.push(path.slice(0, depth + 1));
  };
  compare(before, after, 0);
  return found;
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
