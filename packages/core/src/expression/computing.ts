/**
 * What expressions that were written out are computed with: CEL's operators and functions over JSON, as far as forms
 * commonly use them, a tenth of the language's size. `handover/expression-source.ts` writes calls of these, and names the
 * parts that they are in (`operators`, `logic`, `loops`, `optionals`).
 *
 * Where several values are given, they come from the last to the first: so the language computes them, and the first that
 * fails says why.
 */
import { askedBy } from './asked.js';
import type { Functions } from './functions.js';
import { fail, kindOf, typeOf } from './kinds.js';
import type { logic } from './logic.js';
import type { loops } from './loops.js';
import { lookUp, type optionals } from './members.js';
import type { operators } from './operators.js';
import type { Expression, Expressions, Scope } from './types.js';

/** A function with the values that it takes, from the last to the first; that of which it is, where it is one's, comes last. */
function call(functions: Functions, name: string, ...backwards: readonly unknown[]): unknown {
  const given = [...backwards].reverse();
  const written = (of: (value: unknown) => string): string => {
    const types = given.map(of);
    return name.startsWith('.')
      ? `${kindOf(given[0])}${name}(${types.slice(1).join(', ')})`
      : `${name}(${types.join(', ')})`;
  };
  const work = functions[written(kindOf)];
  return work ? work(...(given as never[])) : fail(`found no matching overload for '${written(typeOf)}'`);
}

const computingWith = (functions: Functions) => ({
  int: BigInt,
  member: (of: unknown, name: unknown): unknown => {
    const found = lookUp(of, name);
    return found === undefined ? fail(`No such key: ${String(name)}`) : found;
  },
  call: (name: string, ...backwards: readonly unknown[]): unknown => call(functions, name, ...backwards),
});
type Parts = typeof operators & typeof logic & typeof loops & typeof optionals;
/** By these names written expressions call. */
export type Computing = ReturnType<typeof computingWith> & Parts;
/** An expression that was written out: where it looks, and what it comes to. */
export type WrittenExpression = readonly [
  references: Expression['references'],
  compute: (scope: Scope, cel: Computing) => unknown,
];

/**
 * The language as far as a form that was written out needs it: its own expressions, by their text, the parts that they
 * are computed with, and the functions that they call.
 */
export function writtenExpressions(
  written: Readonly<Record<string, WrittenExpression>>,
  parts: readonly Partial<Parts>[] = [],
  functions: Functions = {},
): Expressions {
  // Whoever wrote the expressions gave the parts that they call.
  const computing = Object.assign(computingWith(functions), ...parts) as Computing;
  const known = new Map(
    Object.entries(written).map(([text, [references, compute]]): [string, Expression] => [
      text,
      { text, references, ask: askedBy((scope) => compute(scope, computing)) },
    ]),
  );
  return {
    read: (text) =>
      known.get(text) ?? { text, references: [], ask: () => ({ trouble: 'The expression was not written out.' }) },
  };
}
