/** The codecs that come with Poietra, one maker each: options in, codec out. */
import { isJson, type Json } from '../json/index.js';
import { held, refused, type Codec } from './codec.js';

type Options = Readonly<Record<string, unknown>>;
type Maker = (options: Options) => Codec;

/** "Nothing" in an input: what an emptied box, an undone choice or an untouched picker reports. */
const isNothing = (shown: unknown): boolean => shown === undefined || shown === null || shown === '';
const said = (value: unknown): string =>
  typeof value === 'string' ? `“${value}”` : value === null ? 'null' : Array.isArray(value) ? 'a list' : typeof value;

/**
 * What an emptied input means: `absent` leaves the member out, `null` sends null, `text` sends the empty text.
 * The schema decides which is wanted, so every codec takes the option.
 */
function withEmpty(codec: Codec, options: Options): Codec {
  const { empty } = options;
  if (empty !== 'null' && empty !== 'text') return codec;
  const value = empty === 'null' ? null : '';
  return {
    parse: (shown) => (isNothing(shown) ? held(value) : codec.parse(shown)),
    show: (kept) => codec.show(kept === value ? undefined : kept),
    serialise: (kept) => (kept === value ? value : codec.serialise(kept)),
    revive: (sent) => (sent === value ? held(value) : codec.revive(sent)),
  };
}

const text: Maker = () => ({
  parse: (shown) =>
    isNothing(shown)
      ? held(undefined)
      : typeof shown === 'string'
        ? held(shown)
        : refused(`A text was expected, but the input gave ${said(shown)}.`),
  show: (kept) => (typeof kept === 'string' ? kept : ''),
  serialise: (kept) => (typeof kept === 'string' ? kept : undefined),
  revive: (sent) =>
    sent === undefined || typeof sent === 'string'
      ? held(sent)
      : refused(`A text was expected, but the record has ${said(sent)}.`),
});

const trimmed: Maker = (options) => {
  const plain = text(options);
  return { ...plain, parse: (shown) => plain.parse(typeof shown === 'string' ? shown.trim() : shown) };
};

/** How a locale writes numbers, read from the platform rather than from a table of our own. */
function signs(locale: string): { group: string; decimal: string } {
  const parts = new Intl.NumberFormat(locale).formatToParts(12345678.9);
  const find = (type: string, otherwise: string): string =>
    parts.find((part) => part.type === type)?.value ?? otherwise;
  return { group: find('group', ''), decimal: find('decimal', '.') };
}

const number: Maker = (options) => {
  const locale = typeof options['locale'] === 'string' ? options['locale'] : undefined;
  const { group, decimal } = locale === undefined ? { group: '', decimal: '.' } : signs(locale);
  const whole = options['whole'] === true;
  const plain = (typed: string): string => {
    let digits = typed.trim().replace(/[\s\u00A0\u202F]/g, '');
    if (group.trim() !== '') digits = digits.replaceAll(group, '');
    return digits.replace(decimal, '.').replace('\u2212', '-');
  };
  return {
    parse(shown) {
      if (isNothing(shown)) return held(undefined);
      if (typeof shown === 'number') return Number.isFinite(shown) ? check(shown) : refused('Is no number.');
      if (typeof shown !== 'string') return refused(`A number was expected, but the input gave ${said(shown)}.`);
      const digits = plain(shown);
      if (digits === '') return held(undefined);
      if (/^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i.test(digits)) {
        const value = Number(digits);
        if (!Number.isFinite(value)) return refused(`“${shown}” is too large a number.`);
        if (!isExact(digits, value)) return refused(`“${shown}” has more digits than can be kept exactly.`);
        return check(value);
      }
      if (/^[+-]?\.?$|^[+-]?(\d+\.?\d*|\.\d+)e[+-]?$/i.test(digits))
        return refused(`“${shown}” is not a complete number yet.`);
      const stray = /[^\d.+\-e]/i.exec(digits)?.[0];
      return refused(
        stray === undefined
          ? `“${shown}” is no number.`
          : `“${shown}” is no number: “${stray}” does not belong in one.`,
      );
    },
    show: (kept) =>
      typeof kept === 'number' ? (locale === undefined ? String(kept) : String(kept).replace('.', decimal)) : '',
    serialise: (kept) => (typeof kept === 'number' ? kept : undefined),
    revive: (sent) =>
      sent === undefined || typeof sent === 'number'
        ? held(sent)
        : refused(`A number was expected, but the record has ${said(sent)}.`),
  };
  function check(value: number): ReturnType<Codec['parse']> {
    return whole && !Number.isInteger(value)
      ? refused(`“${String(value)}” has decimals, but only whole numbers are possible here.`)
      : held(value);
  }
};

/** Whether a double keeps all the digits that were typed. Up to 15 of them it always does. */
function isExact(digits: string, value: number): boolean {
  const bare = (text: string): string =>
    text
      .replace(/e.*$/i, '')
      .replace(/^[+-]/, '')
      .replace(/(\.\d*?)0+$/, '$1')
      .replace(/\.$/, '')
      .replace(/^0+/, '');
  const typed = bare(digits);
  if (typed.replace('.', '').length <= 15 || /e/i.test(digits)) return true;
  return /^[+-]?\d+$/.test(digits) ? BigInt(digits.replace('+', '')) === BigInt(value) : typed === bare(String(value));
}

const words = (value: unknown): unknown[] => (Array.isArray(value) ? (value as unknown[]) : []);

/** A check box and its like. Native boxes have a habit of reporting `"on"`; `yes` and `no` name further words. */
const boolean: Maker = (options) => {
  const yes: unknown[] = [true, 'true', 'on', ...words(options['yes'])];
  const no: unknown[] = [false, 'false', 'off', ...words(options['no'])];
  return {
    parse: (shown) =>
      isNothing(shown)
        ? held(undefined)
        : yes.includes(shown)
          ? held(true)
          : no.includes(shown)
            ? held(false)
            : refused(`${said(shown)} means neither yes nor no.`),
    show: (kept) => kept === true,
    serialise: (kept) => (typeof kept === 'boolean' ? kept : undefined),
    revive: (sent) =>
      sent === undefined || typeof sent === 'boolean'
        ? held(sent)
        : refused(`Yes or no was expected, but the record has ${said(sent)}.`),
  };
};

const isDate = (value: unknown): value is Date => value instanceof Date && !Number.isNaN(value.getTime());
const pad = (value: number, width = 2): string => String(value).padStart(width, '0');

/** A calendar day, read from and written to local fields only, so that no zone can move it. */
function dayText(date: Date): string {
  return `${pad(date.getFullYear(), 4)}-${pad(date.getMonth() + 1)}-${pad(date.getDate())}`;
}
function dayOf(value: string): Date | undefined {
  const match = /^(\d{4})-(\d\d)-(\d\d)$/.exec(value);
  if (!match) return undefined;
  const date = new Date(Number(match[1]), Number(match[2]) - 1, Number(match[3]));
  date.setFullYear(Number(match[1]));
  return dayText(date) === value ? date : undefined;
}

/**
 * A calendar date: the input shows a `Date`, or with `shows: "text"` an ISO date text; a `Date` at local midnight is
 * held; an ISO 8601 date text is sent.
 */
const date: Maker = (options) => {
  const asText = options['shows'] === 'text';
  return {
    parse(shown) {
      if (isNothing(shown)) return held(undefined);
      if (isDate(shown)) return held(new Date(shown.getFullYear(), shown.getMonth(), shown.getDate()));
      if (typeof shown !== 'string')
        return refused(
          shown instanceof Date ? 'This is no valid date.' : `A date was expected, but the input gave ${said(shown)}.`,
        );
      const day = dayOf(shown.trim());
      return day
        ? held(day)
        : refused(
            /^\d{4}-\d\d-\d\d$/.test(shown.trim())
              ? `“${shown}” is no day of the calendar.`
              : `“${shown}” is no date; write it like 2026-11-23.`,
          );
    },
    show: (kept) => (isDate(kept) ? (asText ? dayText(kept) : kept) : asText ? '' : undefined),
    serialise: (kept) => (isDate(kept) ? dayText(kept) : undefined),
    revive(sent) {
      if (sent === undefined || sent === null) return held(undefined);
      const day = typeof sent === 'string' ? dayOf(sent) : undefined;
      return day ? held(day) : refused(`A date like 2026-11-23 was expected, but the record has ${said(sent)}.`);
    },
  };
};

/** Any JSON as it is, for inputs whose value needs no change. */
const asIs: Maker = () => ({
  parse: (shown) =>
    isNothing(shown) ? held(undefined) : isJson(shown) ? held(shown) : refused(`${said(shown)} has no form in JSON.`),
  show: (kept) => kept,
  serialise: (kept) => kept as Json | undefined,
  revive: (sent) => held(sent),
});

/** A value typed as JSON text. */
const json: Maker = () => ({
  parse(shown) {
    if (isNothing(shown) || (typeof shown === 'string' && shown.trim() === '')) return held(undefined);
    if (typeof shown !== 'string') return isJson(shown) ? held(shown) : refused(`${said(shown)} has no form in JSON.`);
    try {
      return held(JSON.parse(shown) as unknown);
    } catch (error) {
      return refused(`This is no JSON: ${error instanceof Error ? error.message : String(error)}.`);
    }
  },
  show: (kept) => (kept === undefined ? '' : JSON.stringify(kept, undefined, 2)),
  serialise: (kept) => kept as Json | undefined,
  revive: (sent) => held(sent),
});

export interface BuiltIn {
  readonly title: string;
  readonly says: string;
  readonly options: readonly string[];
  readonly make: Maker;
}
export const builtIn: Readonly<Record<string, BuiltIn>> = {
  text: { title: 'Text', says: 'Text as it is typed.', options: ['empty'], make: text },
  trimmed: { title: 'Trimmed text', says: 'Text without spaces at its ends.', options: ['empty'], make: trimmed },
  number: {
    title: 'Number',
    says: 'A number, typed in the way of a locale; half-typed text is kept.',
    options: ['locale', 'empty'],
    make: number,
  },
  integer: {
    title: 'Whole number',
    says: 'A number without decimals.',
    options: ['locale', 'empty'],
    make: (options) => number({ ...options, whole: true }),
  },
  boolean: {
    title: 'Yes or no',
    says: 'A check mark as true or false.',
    options: ['yes', 'no', 'empty'],
    make: boolean,
  },
  date: {
    title: 'Calendar date',
    says: 'A Date or an ISO date text; sent as 2026-11-23, never moved by a zone.',
    options: ['shows', 'empty'],
    make: date,
  },
  same: { title: 'As it is', says: 'Any JSON value, unchanged.', options: ['empty'], make: asIs },
  json: { title: 'JSON text', says: 'A value typed as JSON.', options: ['empty'], make: json },
};

/**
 * The codec that a description means.
 * @throws {TypeError} where no codec of that kind is known.
 */
export function makeCodec({ kind, options = {} }: { readonly kind: string; readonly options?: Options }): Codec {
  const known = Object.hasOwn(builtIn, kind) ? builtIn[kind] : undefined;
  if (!known)
    throw new TypeError(`No codec of the kind “${kind}” is known. Known are: ${Object.keys(builtIn).join(', ')}.`);
  return withEmpty(known.make(options), options);
}
