/** Values of the three stations written as JSON, for case tables and messages: `{ "$is": "Date", "value": "2026-11-23T00:00:00.000" }`. */
import { isObject, isPlain, setOwn } from '../json/index.js';

const mark = '$is';
const pad = (value: number, width: number): string => String(value).padStart(width, '0');

/** A point in local time without zone, so that a calendar day is the same day wherever the table is read. */
export function localText(date: Date): string {
  return `${pad(date.getFullYear(), 4)}-${pad(date.getMonth() + 1, 2)}-${pad(date.getDate(), 2)}T${pad(date.getHours(), 2)}:${pad(date.getMinutes(), 2)}:${pad(date.getSeconds(), 2)}.${pad(date.getMilliseconds(), 3)}`;
}

/** What was written, as the value it stands for. */
export function fromNotation(written: unknown): unknown {
  if (Array.isArray(written)) return written.map(fromNotation);
  if (!isObject(written)) return written;
  const { value } = written;
  // What only looks like one of these is an object like any other: tables come from foreign kits.
  switch (typeof value === 'string' || /^(undefined|Set)$/.test(String(written[mark])) ? written[mark] : undefined) {
    case 'Date':
      return new Date(value as string);
    case 'undefined':
      return undefined;
    case 'number':
      return Number(value);
    case 'Set':
      if (Array.isArray(written['of'])) return new Set(written['of'].map(fromNotation));
      break;
    case 'bigint':
      if (/^-?\d{1,400}$/.test(value as string)) return BigInt(value as string);
  }
  const read: Record<string, unknown> = {};
  for (const name of Object.keys(written)) setOwn(read, name, fromNotation(written[name]));
  return read;
}

/** A value as JSON that `fromNotation` turns back; what it has no way to write becomes a note of its kind. */
export function toNotation(value: unknown, depth = 0): unknown {
  if (value === undefined) return { [mark]: 'undefined' };
  if (typeof value === 'bigint') return { [mark]: 'bigint', value: String(value) };
  if (typeof value === 'number' && !Number.isFinite(value)) return { [mark]: 'number', value: String(value) };
  if (typeof value === 'function' || typeof value === 'symbol') return { [mark]: typeof value };
  if (typeof value !== 'object' || value === null) return value;
  if (value instanceof Date)
    return { [mark]: 'Date', value: Number.isNaN(value.getTime()) ? 'Invalid Date' : localText(value) };
  if (depth > 20) return { [mark]: 'deeper' };
  if (Array.isArray(value)) return value.map((item) => toNotation(item, depth + 1));
  if (value instanceof Set) return { [mark]: 'Set', of: [...value].map((item) => toNotation(item, depth + 1)) };
  if (!isPlain(value)) return noteOf(value);
  const written: Record<string, unknown> = {};
  for (const name of Object.keys(value)) setOwn(written, name, toNotation(value[name], depth + 1));
  return written;
}

/** An object of a class: its name, and what it says of itself, by which two of them are told apart. */
function noteOf(value: object): Record<string, string> {
  const {
    constructor: made,
    toJSON,
    toString,
  } = value as {
    constructor?: { name?: string };
    toJSON?: () => unknown;
    toString?: () => string;
  };
  let says: unknown;
  try {
    says = typeof toJSON === 'function' ? toJSON.call(value) : undefined;
    if (typeof says !== 'string' && typeof toString === 'function') says = toString.call(value);
  } catch {
    // What cannot say what it is has its name alone.
  }
  const isWord = typeof says === 'string' && !says.startsWith('[object ');
  return { [mark]: made?.name ?? 'object', ...(isWord ? { says: (says as string).slice(0, 200) } : {}) };
}

/** Whether two values of any station are the same: dates by their time, the rest by value. */
export function same(a: unknown, b: unknown): boolean {
  return JSON.stringify(toNotation(a)) === JSON.stringify(toNotation(b));
}

const readable = new Set(['Date', 'undefined', 'number', 'bigint', 'Set']);

/** Whether `fromNotation` gives back all of what `toNotation` writes of it; objects of a package's own classes do not come back. */
export function hasNotation(value: unknown): boolean {
  const isSound = (written: unknown): boolean => {
    if (Array.isArray(written)) return written.every(isSound);
    if (!isObject(written)) return true;
    const is = written[mark];
    return (typeof is !== 'string' || readable.has(is)) && Object.values(written).every(isSound);
  };
  return isSound(toNotation(value));
}
