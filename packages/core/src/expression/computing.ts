/**
 * What expressions that were written out are computed with: CEL's operators and functions over JSON, as far as forms
 * commonly use them, a tenth of the language's size. `handover/expression-source.ts` writes calls of these.
 *
 * A number of JSON is a `double`, a `bigint` an `int`; an optional value that is none is `undefined`, which nothing else is.
 * Where several values are given, they come from the last to the first: so the language computes them, and the first that
 * fails says why.
 */
import { isObject } from '../json/index.js';
import { arithmetic } from './arithmetic.js';
import { askedBy } from './asked.js';
import type { Functions } from './functions.js';
import { fail, kindOf, leastInt, mostInt, typeOf, type Kind } from './kinds.js';
import type { Expression, Expressions, Scope } from './types.js';

/** What an object or a list has at a name or a number. */
function lookUp(of: unknown, name: unknown): unknown {
  if (!Array.isArray(of)) {
    const key = String(name);
    return isObject(of) && Object.hasOwn(of, key) ? of[key] : undefined;
  }
  if (typeof name !== 'number' && typeof name !== 'bigint') return undefined;
  const found: unknown = of[Number(name)];
  return found === undefined
    ? fail(`No such key: index out of bounds, index ${name} ${name < 0 ? '< 0' : `>= size ${of.length}`}`)
    : found;
}

function isEqual(a: unknown, b: unknown): boolean {
  // An int and a double that mean the same number are equal, which === denies; of anything else == would make a number.
  if (isNumber(kindOf(a)) && isNumber(kindOf(b))) return a == b;
  if (a === b || !isHolder(a) || !isHolder(b)) return a === b;
  const [some, others] = [Object.entries(a), Object.entries(b)];
  return (
    Array.isArray(a) === Array.isArray(b) &&
    some.length === others.length &&
    some.every(([name, one]) => Object.hasOwn(b, name) && isEqual(one, (b as Record<string, unknown>)[name]))
  );
}
const isHolder = (value: unknown): value is object => typeof value === 'object' && value !== null;

const zero = /* @__PURE__ */ BigInt(0);

function intOf(sign: string, a: bigint, b: bigint): bigint {
  if (b === zero && (sign === '/' || sign === '%')) fail(`${sign === '/' ? 'division' : 'modulo'} by zero`);
  // Ints work with ints as doubles do with doubles, so both are numbers to the compiler.
  const found = arithmetic[sign]?.(a as never, b as never) as unknown as bigint;
  return found > mostInt || found < leastInt ? fail(`integer overflow: ${found}`) : found;
}

const comparisons: Readonly<Record<string, (a: never, b: never) => boolean>> = {
  '<': (a, b) => a < b,
  '<=': (a, b) => a <= b,
  '>': (a, b) => a > b,
  '>=': (a, b) => a >= b,
};
const isNumber = (kind: Kind): boolean => kind === 'int' || kind === 'double';

/** What stands left and right of an operator. */
function operate(a: unknown, sign: string, b: unknown): unknown {
  const [left, right] = [kindOf(a), kindOf(b)];
  if (sign === '==') return isEqual(a, b);
  if (sign === '!=') return !isEqual(a, b);
  if (sign === 'in' && Array.isArray(b)) return b.some((one) => isEqual(a, one));
  if (sign === 'in' && right === 'map') return lookUp(b, a) !== undefined;
  const areNumbers = isNumber(left) && isNumber(right);
  const compare = comparisons[sign];
  if (compare && (areNumbers || (left === right && (left === 'string' || left === 'bool'))))
    return compare(a as never, b as never);
  if (sign in arithmetic && areNumbers)
    return left === 'int' && right === 'int'
      ? intOf(sign, a as bigint, b as bigint)
      : arithmetic[sign]?.(Number(a), Number(b));
  if (sign === '+' && left === 'string' && right === 'string') return `${a as string}${b as string}`;
  if (sign === '+' && Array.isArray(a) && Array.isArray(b)) return [...(a as unknown[]), ...(b as unknown[])];
  return fail(`no such overload: ${typeOf(a)} ${sign} ${typeOf(b)}`);
}

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

function isTrue(value: unknown, words: string): boolean {
  return typeof value === 'boolean' ? value : fail(`${words}, got '${typeOf(value)}'`);
}
/** One side of *and* and *or*: `undefined` with the trouble where it is neither true nor false. */
function sideOf(work: () => unknown): { readonly is?: boolean; readonly trouble?: unknown } {
  try {
    return { is: operand(work()) };
  } catch (trouble) {
    return { trouble };
  }
}
const operand = (value: unknown): boolean => isTrue(value, 'Logical operator requires bool operands');

/** A side that decides alone does so, even where the other cannot be computed. */
function either(decides: boolean, left: () => unknown, right: () => unknown): boolean {
  const first = sideOf(left);
  if (first.is === decides || operand(right()) === decides) return decides;
  if (first.is === undefined) throw first.trouble;
  return !decides;
}

/** The items of a list, or the names of an object. */
function itemsOf(value: unknown): readonly unknown[] {
  if (Array.isArray(value)) return value;
  return isObject(value)
    ? Object.keys(value)
    : fail(`Expression of type '${kindOf(value)}' cannot be range of a comprehension (must be list, map, or dynamic).`);
}
/** Whether one of the items, or none, is as asked; an item that cannot be asked tells so only where no other decides. */
function among(decides: boolean, of: unknown, ask: (item: unknown) => unknown): boolean {
  const name = decides ? 'exists' : 'all';
  let trouble: { readonly thrown: unknown } | undefined;
  for (const item of itemsOf(of))
    try {
      if (isTrue(ask(item), `${name}(var, predicate) predicate must return bool`) === decides) return decides;
    } catch (thrown) {
      trouble ??= { thrown };
    }
  if (trouble) throw trouble.thrown;
  return !decides;
}
const filtered = (of: unknown, ask: (item: unknown) => unknown, words: string): unknown[] =>
  itemsOf(of).filter((item) => isTrue(ask(item), `${words} predicate must return bool`));

/** By these names written expressions call. */
const computingWith = (functions: Functions) => ({
  int: BigInt,
  member: (of: unknown, name: unknown): unknown => {
    const found = lookUp(of, name);
    return found === undefined ? fail(`No such key: ${String(name)}`) : found;
  },
  optional: (of: unknown, name: unknown): unknown => {
    try {
      return lookUp(of, name);
    } catch {
      return undefined;
    }
  },
  orValue: (value: unknown, otherwise: () => unknown): unknown => (value === undefined ? otherwise() : value),
  has(of: unknown, ...names: readonly string[]): boolean {
    let at = of;
    for (const [i, name] of names.entries()) {
      at = Array.isArray(at) ? undefined : lookUp(at, name);
      if (at === undefined) return i < names.length - 1 ? fail(`No such key: ${name}`) : false;
    }
    return true;
  },
  operate,
  call: (name: string, ...backwards: readonly unknown[]): unknown => call(functions, name, ...backwards),
  not: (value: unknown): boolean => (typeof value === 'boolean' ? !value : fail(`no such overload: !${typeOf(value)}`)),
  negative: (value: unknown): unknown =>
    isNumber(kindOf(value)) ? -(value as number) : fail(`no such overload: -${typeOf(value)}`),
  isTrue: (value: unknown): boolean => isTrue(value, 'Ternary condition must be bool'),
  and: (left: () => unknown, right: () => unknown): boolean => either(false, left, right),
  or: (left: () => unknown, right: () => unknown): boolean => either(true, left, right),
  all: (of: unknown, ask: (item: unknown) => unknown): boolean => among(false, of, ask),
  exists: (of: unknown, ask: (item: unknown) => unknown): boolean => among(true, of, ask),
  existsOne: (of: unknown, ask: (item: unknown) => unknown): boolean =>
    filtered(of, ask, 'exists_one(var, predicate)').length === 1,
  filter: (of: unknown, ask: (item: unknown) => unknown): unknown[] => filtered(of, ask, 'filter(var, predicate)'),
  map: (of: unknown, give: (item: unknown) => unknown): unknown[] => itemsOf(of).map((item) => give(item)),
});
export type Computing = ReturnType<typeof computingWith>;
/** An expression that was written out: where it looks, and what it comes to. */
export type WrittenExpression = readonly [
  references: Expression['references'],
  compute: (scope: Scope, cel: Computing) => unknown,
];

/** The language as far as a form that was written out needs it: its own expressions, by their text, and the functions that these call. */
export function writtenExpressions(
  written: Readonly<Record<string, WrittenExpression>>,
  functions: Functions = {},
): Expressions {
  const computing = computingWith(functions);
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
