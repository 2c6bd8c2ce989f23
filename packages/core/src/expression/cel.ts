import { Environment, ParseError } from '@marcbachmann/cel-js';
import { referencesIn } from './references.js';
import type { Expressed, Expression, Expressions } from './types.js';

const arithmetic: Readonly<Record<string, (a: number, b: number) => number>> = {
  '+': (a, b) => a + b,
  '-': (a, b) => a - b,
  '*': (a, b) => a * b,
  '/': (a, b) => a / b,
  '%': (a, b) => a % b,
};

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
  let run: (scope: Record<string, unknown>) => unknown;
  try {
    run = env.parse(text);
  } catch (error) {
    const trouble = `The expression cannot be read: ${wordsOf(error)}`;
    return () => ({ trouble });
  }
  return ({ form, here, value }): Expressed => {
    try {
      return { value: plain(run({ form: form ?? {}, here: here ?? {}, value: value ?? null })) };
    } catch (error) {
      const words = wordsOf(error);
      // While a form is being filled, what is not there yet is no fault of the expression.
      return /No such key|no such key|index out of|out of bounds/i.test(words) || isAboutNull(words)
        ? { missing: words }
        : { trouble: words };
    }
  };
}
const isAboutNull = (words: string): boolean => /\bnull\b/.test(words);

function wordsOf(error: unknown): string {
  if (!(error instanceof Error)) return String(error);
  const [first = ''] = error.message.split('\n');
  return error instanceof ParseError ? `${first}.` : first;
}

/** What the language gives, as JSON. */
function plain(value: unknown): unknown {
  if (typeof value === 'bigint') return Number(value);
  if (Array.isArray(value)) return value.map(plain);
  if (typeof value === 'number') return Number.isFinite(value) ? value : undefined;
  return value;
}
