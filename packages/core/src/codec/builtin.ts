/** The codecs that come with Poietra, one maker each: options in, codec out. */
import { codeMaker, type CodecCode } from './code.js';
import type { Codec, CodecDescription } from './codec.js';
import { choice, file, list, parts } from './compound.js';
import { date, dateTime, epoch, time } from './dates.js';
import type { Maker } from './maker.js';
import { integer, money, number, quantity } from './numbers.js';
import { asIs, boolean, codecBy, text } from './plain.js';
import { steps } from './steps.js';
import { json, slug, trimmed } from './texts.js';

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
    make: integer,
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
    make: codeMaker({}),
  },
  same: { title: 'As it is', says: 'Any JSON value, unchanged.', options: ['empty'], make: asIs },
  json: { title: 'JSON text', says: 'A value typed as JSON.', options: ['empty'], make: json },
};

/**
 * The codec that a description means. One of code is looked up among `codes` by the option `code`.
 * @throws {TypeError} where no codec of that kind is known.
 */
export function makeCodec(description: CodecDescription, codes: Readonly<Record<string, CodecCode>> = {}): Codec {
  return codecBy({ ...makers, code: codeMaker(codes) }, description);
}
const makers = Object.fromEntries(Object.entries(builtIn).map(([kind, { make }]) => [kind, make]));
