/** What stands left and right of a sign. A number of JSON is a `double`, a `bigint` an `int`. */
import { arithmetic } from './arithmetic.js';
import { fail, kindOf, leastInt, mostInt, typeOf, type Kind } from './kinds.js';
import { lookUp } from './members.js';

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

export const operators = {
  operate,
  negative: (value: unknown): unknown =>
    isNumber(kindOf(value)) ? -(value as number) : fail(`no such overload: -${typeOf(value)}`),
};
