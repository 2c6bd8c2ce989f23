/** The codecs that come with Poietra, one maker each: options in, codec out. */
import { codeMaker, type CodecCode } from './code.js';
import type { Codec, CodecDescription } from './codec.js';
import { choice, chosen, file, list, parts } from './compound.js';
import { date, dateTime, epoch, time } from './dates.js';
import type { Maker } from './maker.js';
import { integer, money, number, quantity } from './numbers.js';
import { asIs, boolean, codecBy, text } from './plain.js';
import { steps, stepsSchema } from './steps.js';
import { json, slug, trimmed } from './texts.js';

export type OptionSchema = Readonly<Record<string, unknown>>;

export interface BuiltIn {
  readonly title: string;
  readonly says: string;
  /** Its options, as the properties of a JSON Schema: by these a form draws them and a kit's are checked. */
  readonly options: Readonly<Record<string, OptionSchema>>;
  readonly make: Maker;
}
const textOption = (title: string, more: OptionSchema = {}): OptionSchema => ({ type: 'string', title, ...more });
const texts = (title: string): OptionSchema => ({ type: 'array', title, items: { type: 'string' } });
const empty = {
  title: 'What an emptied input means',
  oneOf: [
    { const: 'absent', title: 'The member is left out' },
    { const: 'null', title: 'null is sent' },
    { const: 'text', title: 'The empty text is sent' },
  ],
};
const locale = textOption('Written in the way of', { format: 'language-tag', examples: ['nb-NO'] });
const zone = textOption('Time zone', { format: 'time-zone', examples: ['Europe/Oslo'] });
const separator = textOption('Stands between them', { minLength: 1 });
const shows = {
  title: 'The input shows',
  oneOf: [
    { const: 'date', title: 'A Date' },
    { const: 'text', title: 'A text' },
  ],
};
const showsNumber = {
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
const yes = { type: 'array', title: 'Reports that mean yes' };
const no = { type: 'array', title: 'Reports that mean no' };
const names = texts('Names of the parts');
const labels = texts('What the parts are called');
const at = {
  title: 'Divided where there are more separators than needed',
  oneOf: [
    { const: 'first', title: 'At the first: the last part takes the rest' },
    { const: 'last', title: 'At the last: the first part takes the rest' },
  ],
};
const key = textOption('Member that is the key');
const textMember = textOption('Member that is the text');
const choices = { type: 'array', title: 'Choices', items: { type: 'object' } };
const many = { type: 'boolean', title: 'Any number of them' };
const sends = {
  title: 'Sent as',
  oneOf: [
    { const: 'data', title: 'Data text' },
    { const: 'base64', title: 'Its content alone, in base64' },
  ],
};
const mediaType = textOption('Media type', { pattern: '^[^/]+/[^/]+$', examples: ['image/png'] });
const most = { type: 'integer', title: 'Most bytes', minimum: 0 };
const offset = textOption('Offset from UTC that is sent', {
  pattern: '^(Z|[+-]\\d\\d:\\d\\d)$',
  examples: ['Z', '+01:00'],
});
const code = textOption('Name of its module');
const source = textOption('TypeScript');
export const builtIn: Readonly<Record<string, BuiltIn>> = {
  text: { title: 'Text', says: 'Text as it is typed.', options: { empty }, make: text },
  trimmed: { title: 'Trimmed text', says: 'Text without spaces at its ends.', options: { empty }, make: trimmed },
  slug: {
    title: 'Short name',
    says: 'Small letters, figures and hyphens, made from what is typed.',
    options: { empty },
    make: slug,
  },
  number: {
    title: 'Number',
    says: 'A number, typed in the way of a locale; half-typed text is kept.',
    options: { locale, shows: showsNumber, empty },
    make: number,
  },
  integer: {
    title: 'Whole number',
    says: 'A number without decimals.',
    options: { locale, shows: showsNumber, empty },
    make: integer,
  },
  money: {
    title: 'Money',
    says: 'An amount typed with decimals, held and sent as a whole number of the smallest unit.',
    options: { digits, locale, empty },
    make: money,
  },
  quantity: {
    title: 'Number with unit',
    says: 'A number typed with or without its unit, held and sent in the first of the units.',
    options: { units, unit, locale, shows: showsNumber, empty },
    make: quantity,
  },
  boolean: {
    title: 'Yes or no',
    says: 'A check mark as true or false.',
    options: { yes, no, empty },
    make: boolean,
  },
  date: {
    title: 'Calendar date',
    says: 'A Date or an ISO date text; sent as 2026-11-23, never moved by a zone.',
    options: { shows, empty },
    make: date,
  },
  'date-time': {
    title: 'Date and time',
    says: 'An instant as a Date, or as the wall time of a zone; sent as 2026-11-23T09:15:00.000Z.',
    options: { zone, shows, empty },
    make: dateTime,
  },
  time: {
    title: 'Time of day',
    says: 'A time without date, as 09:15; sent with an offset where one is said.',
    options: { offset, empty },
    make: time,
  },
  epoch: {
    title: 'Milliseconds since 1970',
    says: 'An instant as a Date, or as the wall time of a zone; sent as a number.',
    options: { zone, shows, empty },
    make: epoch,
  },
  list: {
    title: 'List in one text',
    says: 'Texts between separators, held and sent as a list.',
    options: { separator, empty },
    make: list,
  },
  parts: {
    title: 'Parts of one text',
    says: 'Several inputs’ texts, held and sent as one.',
    options: { names, labels, separator, at, empty },
    make: parts,
  },
  choice: {
    title: 'Choice by key',
    says: 'A choice that the input shows as an object, held and sent by its key.',
    options: { key, text: textMember, choices, many, empty },
    make: choice,
  },
  chosen: {
    title: 'Choice from elsewhere',
    says: 'A key that was chosen; what was only typed is kept, and told.',
    options: { empty },
    make: chosen,
  },
  file: {
    title: 'File as text',
    says: 'A file as data text, sent so or as its base64 content alone.',
    options: { sends, mediaType, most, empty },
    make: file,
  },
  steps: {
    title: 'Steps of one’s own',
    says: 'What is shown goes through the steps in order, and back through them.',
    options: { steps: stepsSchema, empty },
    make: steps,
  },
  code: {
    title: 'Code of one’s own',
    says: 'TypeScript with the functions parse and show, and serialise and revive where what is held is no JSON.',
    options: { source, code, empty },
    make: codeMaker({}),
  },
  same: { title: 'As it is', says: 'Any JSON value, unchanged.', options: { empty }, make: asIs },
  json: { title: 'JSON text', says: 'A value typed as JSON.', options: { empty }, make: json },
};

/**
 * The codec that a description means. One of code is looked up among `codes` by the option `code`.
 * @throws {TypeError} where no codec of that kind is known.
 */
export function makeCodec(description: CodecDescription, codes: Readonly<Record<string, CodecCode>> = {}): Codec {
  return codecBy({ ...makers, code: codeMaker(codes) }, description);
}
const makers = Object.fromEntries(Object.entries(builtIn).map(([kind, { make }]) => [kind, make]));
