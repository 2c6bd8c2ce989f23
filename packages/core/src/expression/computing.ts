/**
 * What expressions that were written out are computed with: CEL's operators and functions over JSON, as far as forms
 * commonly use them, a tenth of the language's size. `handover/expression-source.ts` writes calls of these.
 *
 * A number of JSON is a `double`, a `bigint` an `int`; an optional value that is none is `undefined`, which nothing else is.
 * Where several values are given, they come from the last to the first: so the language computes them, and the first that
 * fails says why.
 */
import { isObject, ownMember } from '../json/index.js';
import { askedBy } from './asked.js';
import type { Expression, Expressions, Scope } from './types.js';

type Kind = 'string' | 'int' | 'double' | 'bool' | 'null' | 'list' | 'map';
const kinds: Readonly<Record<string, Kind>> = { string: 'string', bigint: 'int', number: 'double', boolean: 'bool' };

function kindOf(value: unknown): Kind {
  return kinds[typeof value] ?? (value === null ? 'null' : Array.isArray(value) ? 'list' : 'map');
}
/** Of a list and an object, what they hold is told by the first of it. */
function typeOf(value: unknown): string {
  const kind = kindOf(value);
  const [first] = Array.isArray(value) ? (value as unknown[]) : isObject(value) ? Object.values(value) : [];
  if (kind === 'list') return `list<${first === undefined ? 'dyn' : typeOf(first)}>`;
  return kind === 'map' ? `map<${first === undefined ? 'dyn, dyn' : `string, ${typeOf(first)}`}>` : kind;
}
function no(words: string): never {
  throw new Error(words);
}

/** What an object or a list has at a name or a number. */
function lookUp(of: unknown, name: unknown): unknown {
  if (!Array.isArray(of)) {
    const key = String(name);
    return isObject(of) && Object.hasOwn(of, key) ? of[key] : undefined;
  }
  if (typeof name !== 'number' && typeof name !== 'bigint') return undefined;
  const found: unknown = of[Number(name)];
  return found === undefined
    ? no(`No such key: index out of bounds, index ${name} ${name < 0 ? '< 0' : `>= size ${of.length}`}`)
    : found;
}

function isEqual(a: unknown, b: unknown): boolean {
  // An int and a double that mean the same number are equal, which === denies.
  if (typeof a === 'bigint' || typeof b === 'bigint') return kindOf(a) !== 'string' && kindOf(b) !== 'string' && a == b;
  if (a === b || !isHolder(a) || !isHolder(b)) return a === b;
  const [some, others] = [Object.entries(a), Object.entries(b)];
  return (
    Array.isArray(a) === Array.isArray(b) &&
    some.length === others.length &&
    some.every(([name, one]) => Object.hasOwn(b, name) && isEqual(one, (b as Record<string, unknown>)[name]))
  );
}
const isHolder = (value: unknown): value is object => typeof value === 'object' && value !== null;

/** Ints work with ints and doubles with doubles alike, so both are numbers to the compiler. */
const arithmetic: Readonly<Record<string, (a: number, b: number) => number>> = {
  '+': (a, b) => a + b,
  '-': (a, b) => a - b,
  '*': (a, b) => a * b,
  '/': (a, b) => a / b,
  '%': (a, b) => a % b,
};
const zero = BigInt(0);
const mostInt = BigInt('9223372036854775807');
const leastInt = -mostInt - BigInt(1);

function intOf(sign: string, a: bigint, b: bigint): bigint {
  if (b === zero && (sign === '/' || sign === '%')) no(`${sign === '/' ? 'division' : 'modulo'} by zero`);
  const found = arithmetic[sign]?.(a as never, b as never) as unknown as bigint;
  return found > mostInt || found < leastInt ? no(`integer overflow: ${found}`) : found;
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
  return no(`no such overload: ${typeOf(a)} ${sign} ${typeOf(b)}`);
}

const sizeOf = (value: object | string): bigint =>
  BigInt([...(typeof value === 'string' ? value : Object.keys(value))].length);
const text = (value: unknown): string => String(value);
const numberOf = (value: string): number => {
  const infinite = /^([+-]?)inf(inity)?$/i.exec(value);
  if (infinite) return infinite[1] === '-' ? -Infinity : Infinity;
  const found = value.trim() === value && value !== '' ? Number(value) : NaN;
  return Number.isNaN(found) && !/^nan$/i.test(value) ? no('double() type error: cannot convert to double') : found;
};
const wholeOf = (value: number): bigint =>
  Number.isFinite(value) ? BigInt(Math.trunc(value)) : no('int() type error: integer overflow');
const intIn = (value: string): bigint => {
  try {
    const found = value.trim() === value && value.length <= 20 && !value.includes('0x') ? BigInt(value) : undefined;
    if (found !== undefined && found <= mostInt && found >= leastInt) return found;
  } catch {
    // It is told below.
  }
  return no('int() type error: cannot convert to int');
};
const rounded = (value: number, digits: bigint): number => {
  const power = 10 ** Number(digits);
  return Math.round(value * power) / power;
};
const matches = (value: string, pattern: string): boolean => {
  try {
    return new RegExp(pattern).test(value);
  } catch {
    return no(`Invalid regular expression: ${pattern}`);
  }
};

/** Functions by what they take, as CEL tells overloads apart; those of a value stand behind its kind. */
const functions: Readonly<Record<string, (...given: never[]) => unknown>> = {
  'size(string)': sizeOf,
  'size(list)': sizeOf,
  'size(map)': sizeOf,
  'string.size()': sizeOf,
  'list.size()': sizeOf,
  'map.size()': sizeOf,
  'string(string)': text,
  'string(bool)': text,
  'string(int)': text,
  'string(double)': text,
  'double(double)': Number,
  'double(int)': Number,
  'double(string)': numberOf,
  'int(int)': (value: bigint) => value,
  'int(double)': wholeOf,
  'int(string)': intIn,
  'string.contains(string)': (value: string, part: string) => value.includes(part),
  'string.startsWith(string)': (value: string, part: string) => value.startsWith(part),
  'string.endsWith(string)': (value: string, part: string) => value.endsWith(part),
  'string.matches(string)': matches,
  'string.trim()': (value: string) => value.trim(),
  'string.lowerAscii()': (value: string) => value.toLowerCase(),
  'string.upperAscii()': (value: string) => value.toUpperCase(),
  'string.split(string)': (value: string, at: string) => value.split(at),
  'round(double)': Math.round,
  'round(double, int)': rounded,
  'list.sum()': (items: unknown[]) => items.reduce<number>((total, item) => total + Number(item ?? 0), 0),
  'list.joined(string)': (items: unknown[], between: string) => items.map(String).join(between),
};

/** Whether a function of this name is among them that takes so many values; one of a value is called with a dot before its name. */
export function isComputed(name: string, count: number): boolean {
  return Object.keys(functions).some((one) => {
    const [, of, called, given = ''] = /^(?:(\w+)(?=\.))?(\.?\w+)\((.*)\)$/.exec(one) ?? [];
    return called === name && (given === '' ? 0 : given.split(', ').length) + (of ? 1 : 0) === count;
  });
}

/** A function with the values that it takes, from the last to the first; that of which it is, where it is one's, comes last. */
function call(name: string, ...backwards: readonly unknown[]): unknown {
  const given = backwards.toReversed();
  const written = (of: (value: unknown) => string): string => {
    const types = given.map(of);
    return name.startsWith('.')
      ? `${kindOf(given[0])}${name}(${types.slice(1).join(', ')})`
      : `${name}(${types.join(', ')})`;
  };
  const work = functions[written(kindOf)];
  return work ? work(...(given as never[])) : no(`found no matching overload for '${written(typeOf)}'`);
}

function isTrue(value: unknown, words: string): boolean {
  return typeof value === 'boolean' ? value : no(`${words}, got '${typeOf(value)}'`);
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
    : no(`Expression of type '${kindOf(value)}' cannot be range of a comprehension (must be list, map, or dynamic).`);
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
const computing = {
  int: BigInt,
  member: (of: unknown, name: unknown): unknown => lookUp(of, name) ?? nullOr(of, name),
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
      if (Array.isArray(at)) at = undefined;
      else at = lookUp(at, name);
      if (at === undefined) return i < names.length - 1 ? no(`No such key: ${name}`) : false;
    }
    return true;
  },
  operate,
  call,
  not: (value: unknown): boolean => (typeof value === 'boolean' ? !value : no(`no such overload: !${typeOf(value)}`)),
  negative: (value: unknown): unknown =>
    isNumber(kindOf(value)) ? -(value as number) : no(`no such overload: -${typeOf(value)}`),
  isTrue: (value: unknown): boolean => isTrue(value, 'Ternary condition must be bool'),
  and: (left: () => unknown, right: () => unknown): boolean => either(false, left, right),
  or: (left: () => unknown, right: () => unknown): boolean => either(true, left, right),
  all: (of: unknown, ask: (item: unknown) => unknown): boolean => among(false, of, ask),
  exists: (of: unknown, ask: (item: unknown) => unknown): boolean => among(true, of, ask),
  existsOne: (of: unknown, ask: (item: unknown) => unknown): boolean =>
    filtered(of, ask, 'exists_one(var, predicate)').length === 1,
  filter: (of: unknown, ask: (item: unknown) => unknown): unknown[] => filtered(of, ask, 'filter(var, predicate)'),
  map: (of: unknown, give: (item: unknown) => unknown): unknown[] => itemsOf(of).map((item) => give(item)),
};
/** What can be null is there; what is not there is missing. */
function nullOr(of: unknown, name: unknown): unknown {
  return lookUp(of, name) === null ? null : no(`No such key: ${String(name)}`);
}

export type Computing = typeof computing;
/** An expression that was written out: where it looks, and what it comes to. */
export type WrittenExpression = readonly [
  references: Expression['references'],
  compute: (scope: Scope, cel: Computing) => unknown,
];

/** The language as far as a form that was written out needs it: its own expressions, by their text. */
export function writtenExpressions(written: Readonly<Record<string, WrittenExpression>>): Expressions {
  return {
    read(text) {
      const [references = [], compute = () => no('The expression was not written out.')] =
        (ownMember(written, text) as WrittenExpression | undefined) ?? [];
      return { text, references, ask: askedBy((scope) => compute(scope, computing)) };
    },
  };
}
