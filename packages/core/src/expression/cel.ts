import { Environment, ParseError } from '@marcbachmann/cel-js';
import { arithmetic } from './arithmetic.js';
import { askedBy } from './asked.js';
import { referencesIn } from './references.js';
import type { Expression, Expressions, Scope } from './types.js';

/** CEL with the few functions that forms need. JSON has one kind of number, so whole and decimal ones mix here. */
function environment(): Environment {
  const env = new Environment({
    unlistedVariablesAreDyn: true,
    homogeneousAggregateLiterals: false,
    enableOptionalTypes: true,
    limits: { maxAstNodes: 2000, maxDepth: 60 },
  });
  for (const [sign, work] of Object.entries(arithmetic)) {
    env.registerOperator(`double ${sign} int`, (a: number, b: bigint) => work(a, Number(b)));
    env.registerOperator(`int ${sign} double`, (a: bigint, b: number) => work(Number(a), b));
  }
  env.registerOperator('double % double', (a: number, b: number) => a % b);
  env.registerFunction('list.sum(): double', (items: Iterable<unknown>) =>
    [...items].reduce<number>((total, item) => total + Number(item ?? 0), 0),
  );
  env.registerFunction('list.joined(string): string', (items: Iterable<unknown>, between: string) =>
    [...items].map(String).join(between),
  );
  const round = (value: number, digits: bigint): number => {
    const power = 10 ** Number(digits);
    return Math.round(value * power) / power;
  };
  env.registerFunction('round(double, int): double', round);
  env.registerFunction('round(double): double', (value: number) => Math.round(value));
  return env;
}

export function celExpressions(): Expressions {
  const env = environment();
  const known = new Map<string, Expression>();
  return {
    read(text) {
      let expression = known.get(text);
      if (!expression) {
        expression = { text, references: referencesIn(text), ask: asker(env, text) };
        known.set(text, expression);
      }
      return expression;
    },
  };
}

function asker(env: Environment, text: string): Expression['ask'] {
  let run: (scope: Scope) => unknown;
  try {
    run = env.parse(text) as (scope: Scope) => unknown;
  } catch (error) {
    const trouble = `The expression cannot be read: ${wordsOf(error)}`;
    return () => ({ trouble });
  }
  return askedBy(run, wordsOf);
}

function wordsOf(error: unknown): string {
  if (!(error instanceof Error)) return String(error);
  const [first = ''] = error.message.split('\n');
  return error instanceof ParseError ? `${first}.` : first;
}

/** A node of a text that was read, as `readTree` gives it: the operator, what it works on, and the type that is sure of it. */
export interface ExpressionNode {
  readonly op: string;
  readonly args: unknown;
  readonly checkedType?: { readonly kind: string };
}

/** A text taken apart; `undefined` where it cannot be read, or where its types show that it cannot be computed. */
export function readTree(text: string): ExpressionNode | undefined {
  try {
    const read = environment().parse(text);
    return read.check().valid ? read.ast : undefined;
  } catch {
    return undefined;
  }
}
