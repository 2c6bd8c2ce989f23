/** The codecs that come with Poietra, one maker each: options in, codec out. */
import { isJson, ownMember, type Json } from '../json/index.js';
import { codecFromCode, type CodecCode } from './code.js';
import { held, refused, type Codec } from './codec.js';
import { choice, file, list, parts } from './compound.js';
import { date, dateTime, epoch, time } from './dates.js';
import { isNothing, said, textExpected, type Maker, type Options } from './maker.js';
import { money, number, quantity } from './numbers.js';
import { steps } from './steps.js';

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
  revive: (sent) => (sent === undefined || typeof sent === 'string' ? held(sent) : refused(textExpected(sent))),
});

const trimmed: Maker = (options) => {
  const plain = text(options);
  return { ...plain, parse: (shown) => plain.parse(typeof shown === 'string' ? shown.trim() : shown) };
};

/** A name as addresses have it: small letters without marks, figures, and hyphens between. */
const slug: Maker = (options) => {
  const plain = text(options);
  const normal = (typed: string): string =>
    typed
      .replace(/ß/g, 'ss')
      .replace(/æ/gi, 'ae')
      .replace(/ø/gi, 'o')
      .normalize('NFD')
      .replace(/\p{M}/gu, '')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '');
  return {
    ...plain,
    parse(shown) {
      if (typeof shown !== 'string') return plain.parse(shown);
      const made = normal(shown);
      return made === '' && shown.trim() !== ''
        ? refused(`Nothing is left of “${shown}”: only letters a to z, figures and hyphens are.`)
        : plain.parse(made);
    },
  };
};

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
    show: (kept) => (typeof kept === 'boolean' ? kept : undefined),
    serialise: (kept) => (typeof kept === 'boolean' ? kept : undefined),
    revive: (sent) =>
      sent === undefined || typeof sent === 'boolean'
        ? held(sent)
        : refused(`Yes or no was expected, but the record has ${said(sent)}.`),
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

/** Code runs where it was bundled, or in its worker; elsewhere nothing can be said of what it would do. */
const notAtHand: Maker = () => {
  const reason = 'This codec is code, which is not at hand here; open its page to run it.';
  return { parse: () => refused(reason), show: () => '', serialise: () => undefined, revive: () => refused(reason) };
};

export interface BuiltIn {
  readonly title: string;
  readonly says: string;
  readonly options: readonly string[];
  readonly make: Maker;
}
export const builtIn: Readonly<Record<string, BuiltIn>> = {
  text: { title: 'Text', says: 'Text as it is typed.', options: ['empty'], make: text },
  trimmed: { title: 'Trimmed text', says: 'Text without spaces at its ends.', options: ['empty'], make: trimmed },
  slug: {
    title: 'Short name',
    says: 'Small letters, figures and hyphens, made from what is typed.',
    options: ['empty'],
    make: slug,
  },
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
  money: {
    title: 'Money',
    says: 'An amount typed with decimals, held and sent as a whole number of the smallest unit.',
    options: ['digits', 'locale', 'empty'],
    make: money,
  },
  quantity: {
    title: 'Number with unit',
    says: 'A number typed with or without its unit, held and sent in the first of the units.',
    options: ['units', 'locale', 'empty'],
    make: quantity,
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
  'date-time': {
    title: 'Date and time',
    says: 'An instant as a Date, or as the wall time of a zone; sent as 2026-11-23T09:15:00.000Z.',
    options: ['zone', 'shows', 'empty'],
    make: dateTime,
  },
  time: { title: 'Time of day', says: 'A time without date and zone, as 09:15.', options: ['empty'], make: time },
  epoch: {
    title: 'Milliseconds since 1970',
    says: 'An instant as a Date, or as the wall time of a zone; sent as a number.',
    options: ['zone', 'shows', 'empty'],
    make: epoch,
  },
  list: {
    title: 'List in one text',
    says: 'Texts between separators, held and sent as a list.',
    options: ['separator', 'empty'],
    make: list,
  },
  parts: {
    title: 'Parts of one text',
    says: 'Several inputs’ texts, held and sent as one.',
    options: ['names', 'separator', 'empty'],
    make: parts,
  },
  choice: {
    title: 'Choice by key',
    says: 'A choice that the input shows as an object, held and sent by its key.',
    options: ['key', 'text', 'choices', 'many', 'empty'],
    make: choice,
  },
  file: {
    title: 'File as text',
    says: 'A file as data text, sent so or as its base64 content alone.',
    options: ['sends', 'mediaType', 'most', 'empty'],
    make: file,
  },
  steps: {
    title: 'Steps of one’s own',
    says: 'What is shown goes through the steps in order, and back through them.',
    options: ['steps', 'empty'],
    make: steps,
  },
  code: {
    title: 'Code of one’s own',
    says: 'TypeScript with the functions parse and show, and serialise and revive where what is held is no JSON.',
    options: ['source', 'empty'],
    make: notAtHand,
  },
  same: { title: 'As it is', says: 'Any JSON value, unchanged.', options: ['empty'], make: asIs },
  json: { title: 'JSON text', says: 'A value typed as JSON.', options: ['empty'], make: json },
};

/**
 * The codec that a description means. One of code is looked up among `codes` by the option `code`.
 * @throws {TypeError} where no codec of that kind is known.
 */
export function makeCodec(
  { kind, options = {} }: { readonly kind: string; readonly options?: Options },
  codes: Readonly<Record<string, CodecCode>> = {},
): Codec {
  const code = kind === 'code' ? ownMember(codes, String(options['code'])) : undefined;
  if (code) return withEmpty(codecFromCode(code as CodecCode), options);
  const known = Object.hasOwn(builtIn, kind) ? builtIn[kind] : undefined;
  if (!known)
    throw new TypeError(`No codec of the kind “${kind}” is known. Known are: ${Object.keys(builtIn).join(', ')}.`);
  return withEmpty(known.make(options), options);
}
