/**
 * Functions of expressions that are written out, in the groups in which a hand-over brings them along. Each stands under what
 * it takes, as CEL tells overloads apart: those of a value behind its kind. A name has all its overloads for the values of
 * JSON: with one missing, what the language takes would be refused here.
 */
import { fail, leastInt, mostInt } from './kinds.js';

/** Functions by name and kinds: `size(string)`, `list.joined(string)`. */
export type Functions = Readonly<Record<string, (...given: never[]) => unknown>>;

const sizeOf = (value: object | string): bigint =>
  BigInt([...(typeof value === 'string' ? value : Object.keys(value))].length);
const text = (value: unknown): string => String(value);
const numberOf = (value: string): number => {
  const infinite = /^([+-]?)inf(inity)?$/i.exec(value);
  if (infinite) return infinite[1] === '-' ? -Infinity : Infinity;
  const found = value.trim() === value && value !== '' ? Number(value) : NaN;
  return Number.isNaN(found) && !/^nan$/i.test(value) ? fail('double() type error: cannot convert to double') : found;
};
const wholeOf = (value: number): bigint =>
  Number.isFinite(value) ? BigInt(Math.trunc(value)) : fail('int() type error: integer overflow');
const intIn = (value: string): bigint => {
  try {
    const found = value.trim() === value && value.length <= 20 && !value.includes('0x') ? BigInt(value) : undefined;
    if (found !== undefined && found <= mostInt && found >= leastInt) return found;
  } catch {
    // It is told below.
  }
  return fail('int() type error: cannot convert to int');
};
const rounded = (value: number, digits: bigint): number => {
  const power = 10 ** Number(digits);
  return Math.round(value * power) / power;
};
const matches = (value: string, pattern: string): boolean => {
  try {
    return new RegExp(pattern).test(value);
  } catch {
    return fail(`Invalid regular expression: ${pattern}`);
  }
};

export const sizes: Functions = {
  'size(string)': sizeOf,
  'size(list)': sizeOf,
  'size(map)': sizeOf,
  'string.size()': sizeOf,
  'list.size()': sizeOf,
  'map.size()': sizeOf,
};

export const textFunctions: Functions = {
  'string.contains(string)': (value: string, part: string) => value.includes(part),
  'string.startsWith(string)': (value: string, part: string) => value.startsWith(part),
  'string.endsWith(string)': (value: string, part: string) => value.endsWith(part),
  'string.matches(string)': matches,
  'string.trim()': (value: string) => value.trim(),
  'string.lowerAscii()': (value: string) => value.toLowerCase(),
  'string.upperAscii()': (value: string) => value.toUpperCase(),
  'string.split(string)': (value: string, at: string) => value.split(at),
};

export const numberFunctions: Functions = {
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
  'round(double)': Math.round,
  'round(double, int)': rounded,
};

export const listFunctions: Functions = {
  'list.sum()': (items: unknown[]) => items.reduce<number>((total, item) => total + Number(item ?? 0), 0),
  'list.joined(string)': (items: unknown[], between: string) => items.map(String).join(between),
};

const groups = { listFunctions, numberFunctions, sizes, textFunctions };

/**
 * The group that has a function of this name which takes so many values; one of a value is called with a dot before its
 * name, and the value counts. `undefined` where none has.
 */
export function groupOf(name: string, count: number): keyof typeof groups | undefined {
  const isIt = (one: string): boolean => {
    const [, of, called, given = ''] = /^(?:(\w+)(?=\.))?(\.?\w+)\((.*)\)$/.exec(one) ?? [];
    return called === name && (given === '' ? 0 : given.split(', ').length) + (of ? 1 : 0) === count;
  };
  const names = Object.keys(groups) as (keyof typeof groups)[];
  return names.find((group) => Object.keys(groups[group]).some(isIt));
}
