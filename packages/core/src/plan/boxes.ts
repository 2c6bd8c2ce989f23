/** Boxes of HTML's own that hints name: which values they take, and what carries those. */
import type { CodecDescription } from '../codec/index.js';
import type { Kind } from '../json/index.js';
import { standardRules, type Boxed, type BoxReader } from './rules.js';

/** Which codec carries what one of HTML's own boxes gives, where a hint names the box. */
const codecOfBox: Readonly<Record<string, CodecDescription>> = {
  checkbox: { kind: 'boolean' },
  date: { kind: 'date', options: { shows: 'text' } },
  'datetime-local': { kind: 'date-time', options: { shows: 'text' } },
  time: { kind: 'time' },
  file: { kind: 'file' },
  select: { kind: 'same' },
  radios: { kind: 'same' },
  checks: { kind: 'same' },
  listbox: { kind: 'same' },
  combobox: { kind: 'same' },
};

export const readBox: BoxReader = (input, boxed) => {
  if (!suits(input, boxed)) return undefined;
  const { facts, kind } = boxed;
  // A list box holds any number of choices; for one it is a list of HTML's own.
  const box = input === 'listbox' && kind !== 'array' ? 'list' : input;
  // What the format asks for is sent, whatever it is typed into.
  const byFormat = standardRules.find(({ format }) => format !== undefined && format === facts.format);
  return {
    adapter: `native:${box}`,
    codec: byFormat?.use.codec ?? codecOfBox[input] ?? codecByKind(kind) ?? { kind: 'same' },
  };
};

const textual = 'text email password search tel url textarea';
/** What takes values of a kind, beside the boxes that choose. */
const takers: Partial<Record<Kind, string>> = {
  boolean: 'checkbox',
  number: `${textual} number range`,
  integer: `${textual} number range`,
};
/** What takes a text of one format only, or of none. */
const formatOf: Readonly<Record<string, string>> = {
  date: 'date',
  time: 'time',
  'datetime-local': 'date-time',
  file: '',
  color: '',
  number: '',
  range: '',
};
/**
 * Whether a person could enter a valid value with one of HTML's own inputs: a hint that names another is left out, and
 * told by `checkHints`.
 */
function suits(input: string, { facts: { format }, kind, several, hasChoices }: Boxed): boolean {
  const isOf = (names = ''): boolean => names.split(' ').includes(input);
  if (kind === 'array') return several && isOf('checks listbox');
  if (isOf('select radios combobox listbox')) return hasChoices;
  if (kind === undefined) return !hasChoices && input !== 'checks';
  const own = formatOf[input];
  if (kind === 'string') return own === undefined ? isOf(textual) : format === undefined || format === own;
  return isOf(takers[kind]);
}

function codecByKind(kind: Kind | undefined): CodecDescription | undefined {
  if (kind === 'string') return { kind: 'text' };
  return kind === 'number' || kind === 'integer' || kind === 'boolean' ? { kind } : undefined;
}
