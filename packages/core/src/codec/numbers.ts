/** Numbers as people type them: plain, as money in minor units, with a unit. */
import type { Codec, Parsed } from './codec.js';
import { textOption, type CodecKinds } from './kind.js';
import { held, refused, isNothing, unlike, type Maker, type Options } from './maker.js';

interface Signs {
  readonly group: string;
  readonly decimal: string;
}

/** How a locale writes numbers, read from the platform rather than from a table of our own. */
function signsOf(locale: string | undefined): Signs {
  if (locale === undefined) return { group: '', decimal: '.' };
  let parts: Intl.NumberFormatPart[];
  try {
    parts = new Intl.NumberFormat(locale).formatToParts(12345678.9);
  } catch {
    throw new TypeError(`“${locale}” is no language tag; write it like nb-NO.`);
  }
  const find = (type: string, otherwise: string): string =>
    parts.find((part) => part.type === type)?.value ?? otherwise;
  return { group: find('group', ''), decimal: find('decimal', '.') };
}

/** The way in which numbers are written: the codec's own, else that of the language which the form speaks. */
const localeOf = ({ locale, language }: Options): string | undefined =>
  typeof locale === 'string' ? locale : typeof language === 'string' ? language : undefined;

/** What was typed, as JavaScript writes numbers. */
function plainly(typed: string, { group, decimal }: Signs): string {
  let digits = typed.replace(/[\s\u00A0\u202F]/g, '');
  // Of the two apostrophes one machine names this, another that; keyboards have the straight one.
  if (/['’]/.test(group)) digits = digits.replace(/['’]/g, '');
  else if (group.trim() !== '') digits = digits.replaceAll(group, '');
  return digits.replace(decimal, '.').replace('\u2212', '-');
}

export const number: Maker = (options) => {
  const signs = signsOf(localeOf(options));
  const whole = options['whole'] === true;
  return {
    parse(shown) {
      if (isNothing(shown)) return held(undefined);
      if (typeof shown === 'number')
        return Number.isFinite(shown) ? check(shown) : refused('Is no number.', 'noNumber', { typed: String(shown) });
      if (typeof shown !== 'string') return unlike('number', 'A number was', shown, 'input');
      const digits = plainly(shown, signs);
      if (digits === '') return held(undefined);
      if (/^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i.test(digits)) {
        const value = Number(digits);
        if (!Number.isFinite(value))
          return refused(`“${shown}” is too large a number.`, 'largeNumber', { typed: shown });
        if (!isExact(digits, value))
          return refused(`“${shown}” has more digits than can be kept exactly.`, 'longNumber', { typed: shown });
        return check(value);
      }
      if (/^[+-]?\.?$|^[+-]?(\d+\.?\d*|\.\d+)e[+-]?$/i.test(digits))
        return refused(`“${shown}” is not a complete number yet.`, 'halfNumber', { typed: shown });
      const stray = /[^\d.+\-e]/i.exec(digits)?.[0];
      return refused(
        stray === undefined
          ? `“${shown}” is no number.`
          : `“${shown}” is no number: “${stray}” does not belong in one.`,
        'noNumber',
        { typed: shown, stray },
      );
    },
    // An input whose value is a number is given one, or it takes the text for no value.
    show: (kept) =>
      options['shows'] === 'number' ? kept : typeof kept === 'number' ? String(kept).replace('.', signs.decimal) : '',
    serialise: (kept) => (typeof kept === 'number' ? kept : undefined),
    revive: (sent) =>
      sent === undefined || typeof sent === 'number' ? held(sent) : unlike('number', 'A number was', sent, 'record'),
  };
  function check(value: number): ReturnType<Codec['parse']> {
    return whole && !Number.isInteger(value)
      ? refused(`“${String(value)}” has decimals, but only whole numbers are possible here.`, 'decimals', {
          typed: String(value),
        })
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
  if (typed === bare(String(value))) return true;
  return /^[+-]?\d+$/.test(digits) && BigInt(digits.replace('+', '')) === BigInt(value);
}

/** Texts of decimal digits only, as they were typed under a locale. */
function decimalText(shown: string, signs: Signs): string | undefined {
  const digits = plainly(shown, signs);
  return /^[+-]?(\d+\.?\d*|\.\d+)$/.test(digits) ? digits : undefined;
}

/** A number without decimals. */
export const integer: Maker = (options) => number({ ...options, whole: true });

/**
 * An amount of money: typed in the major unit, held and sent as a whole number of the minor unit (`digits` decimals, 2 if
 * it is not said). Exact: the text is read digit by digit, never as a fraction.
 */
export const money: Maker = (options) => {
  const digits = typeof options['digits'] === 'number' ? options['digits'] : 2;
  if (!Number.isInteger(digits) || digits < 0 || digits > 12)
    throw new TypeError(`“digits” has to be a whole number from 0 to 12, but is ${digits}.`);
  const signs = signsOf(localeOf(options));
  const plain = number(options);
  return {
    parse(shown) {
      if (isNothing(shown)) return held(undefined);
      const text = typeof shown === 'number' ? String(shown) : shown;
      if (typeof text !== 'string') return unlike('amount', 'An amount was', shown, 'input');
      const typed = decimalText(text, signs);
      if (typed === undefined) {
        const parsed = plain.parse(text);
        return parsed.ok
          ? parsed.held === undefined
            ? parsed
            : refused(`“${text}” is no amount.`, 'noAmount', { typed: text })
          : parsed;
      }
      const [, sign = '', whole = '', fraction = ''] = /^([+-]?)(\d*)\.?(\d*)$/.exec(typed) ?? [];
      if (/[1-9]/.test(fraction.slice(digits)))
        return refused(`“${text}” has more than ${digits} ${digits === 1 ? 'decimal' : 'decimals'}.`, 'fineAmount', {
          typed: text,
          digits,
        });
      const minor = Number(`${sign === '-' ? '-' : ''}${whole}${fraction.slice(0, digits).padEnd(digits, '0')}`);
      return Number.isSafeInteger(minor)
        ? held(minor === 0 ? 0 : minor)
        : refused(`“${text}” is too large an amount to be kept exactly.`, 'largeAmount', { typed: text });
    },
    show(kept) {
      if (typeof kept !== 'number') return '';
      const [sign, text] = [kept < 0 ? '-' : '', String(Math.abs(kept)).padStart(digits + 1, '0')];
      const whole = text.slice(0, text.length - digits);
      if (digits === 0) return sign + whole;
      return `${sign}${whole}${signs.decimal}${text.slice(-digits)}`;
    },
    serialise: (kept) => (typeof kept === 'number' ? kept : undefined),
    revive: (sent) =>
      sent === undefined || (typeof sent === 'number' && Number.isSafeInteger(sent))
        ? held(sent)
        : unlike('minor', 'A whole number of the smallest unit was', sent, 'record'),
  };
};

/**
 * A number with a unit: `units` gives each unit's factor, the first is the one that is held and sent and may be left out
 * when typing. Shown in the largest unit that leaves at least one of it.
 */
export const quantity: Maker = (options) => {
  const given = options['units'];
  const units = (
    typeof given === 'object' && given !== null && !Array.isArray(given)
      ? Object.entries(given).filter((entry): entry is [string, number] => typeof entry[1] === 'number' && entry[1] > 0)
      : []
  ) satisfies [string, number][];
  const all =
    units.length > 0 ? units : [[typeof options['unit'] === 'string' ? options['unit'] : '', 1] as [string, number]];
  const plain = number(options);
  return {
    parse(shown): Parsed<unknown> {
      if (isNothing(shown) || typeof shown === 'number') return plain.parse(shown);
      if (typeof shown !== 'string') return unlike('number', 'A number was', shown, 'input');
      const typed = shown.trim();
      const unit = [...all]
        .sort(([a], [b]) => b.length - a.length)
        .find(([name]) => name !== '' && typed.toLowerCase().endsWith(name.toLowerCase()));
      const parsed = plain.parse(unit ? typed.slice(0, -unit[0].length) : typed);
      if (!parsed.ok) {
        const known = all.map(([name]) => name).filter((name) => name !== '');
        return /\p{L}/u.test(typed) && !unit && known.length > 0
          ? refused(`“${shown}” has a unit that is not known here; known are ${known.join(', ')}.`, 'unit', {
              typed: shown,
              known,
            })
          : parsed;
      }
      if (typeof parsed.held !== 'number')
        return unit ? refused(`“${shown}” has no number yet.`, 'onlyUnit', { typed: shown }) : parsed;
      return held(unit ? times(parsed.held, unit[1]) : parsed.held);
    },
    show(kept) {
      if (typeof kept !== 'number') return '';
      const fitting = all.filter(([, factor]) => Math.abs(kept) >= factor);
      const [name, factor] = fitting.sort(([, a], [, b]) => b - a)[0] ?? all[0] ?? ['', 1];
      const scaled = Number((kept / factor).toPrecision(15));
      // A unit in which the number would not come back is no good.
      const [unit, value] = times(scaled, factor) === kept ? [name, scaled] : [all[0]?.[0] ?? '', kept];
      return `${String(plain.show(value))}${unit === '' ? '' : ` ${unit}`}`;
    },
    serialise: plain.serialise.bind(plain),
    revive: plain.revive.bind(plain),
  };
};

/** A product without the dust of binary fractions. */
const times = (value: number, factor: number): number =>
  factor === 1 ? value : Number((value * factor).toPrecision(15));

const locale = textOption('Written in the way of', { format: 'language-tag', examples: ['nb-NO'] });
const shows = {
  title: 'The input shows',
  oneOf: [
    { const: 'text', title: 'A text' },
    { const: 'number', title: 'A number' },
  ],
};
const digits = { type: 'integer', title: 'Decimals of the smallest unit', minimum: 0, maximum: 12 };
const units = {
  type: 'object',
  title: 'Units, each with its size in the first',
  additionalProperties: { type: 'number', exclusiveMinimum: 0 },
  minProperties: 1,
};
const unit = textOption('Unit');

export const numberKinds = {
  number: {
    title: 'Number',
    says: 'A number, typed in the way of a locale; half-typed text is kept.',
    options: { locale, shows },
    make: number,
  },
  integer: {
    title: 'Whole number',
    says: 'A number without decimals.',
    options: { locale, shows },
    make: integer,
  },
  money: {
    title: 'Money',
    says: 'An amount typed with decimals, held and sent as a whole number of the smallest unit.',
    options: { digits, locale },
    make: money,
  },
  quantity: {
    title: 'Number with unit',
    says: 'A number typed with or without its unit, held and sent in the first of the units.',
    options: { units, unit, locale, shows },
    make: quantity,
  },
} as const satisfies CodecKinds;
