import { jsonText, type Problem } from '../json/index.js';

type Params = Readonly<Record<string, unknown>>;
/** What to say for a keyword: a text with `{limit}` and the like in it, or a function of the parameters. */
export type Message = string | ((params: Params) => string);
export type Messages = Readonly<Record<string, Message>>;

const kindNames: Readonly<Record<string, string>> = {
  null: 'nothing (null)',
  boolean: 'yes or no',
  integer: 'a whole number',
  number: 'a number',
  string: 'a text',
  array: 'a list',
  object: 'a group of members',
};
const formatNames: Readonly<Record<string, string>> = {
  'date-time': 'a date and time with zone, like 2026-11-23T08:15:00+01:00',
  date: 'a date, like 2026-11-23',
  time: 'a time with zone, like 08:15:00+01:00',
  duration: 'a duration, like P3DT12H',
  email: 'an e-mail address',
  'idn-email': 'an e-mail address',
  hostname: 'a host name',
  'idn-hostname': 'a host name',
  ipv4: 'an IPv4 address, like 192.0.2.1',
  ipv6: 'an IPv6 address, like 2001:db8::1',
  uri: 'a full web address, with https://',
  'uri-reference': 'a web address',
  iri: 'a full web address, with https://',
  'iri-reference': 'a web address',
  uuid: 'a UUID, like 2eb8aa08-aa98-11ea-b4aa-73b441d16380',
  'uri-template': 'a URI template, like /crossings{?from,to}',
  'json-pointer': 'a JSON Pointer, like /consignor/name',
  'relative-json-pointer': 'a relative JSON Pointer, like 1/name',
  regex: 'a regular expression',
};

export function listWords(words: readonly string[], joiner = 'or'): string {
  return words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} ${joiner} ${words.at(-1) ?? ''}`;
}
const kindWords = (kinds: unknown): string =>
  listWords((Array.isArray(kinds) ? kinds : [kinds]).map((kind) => kindNames[String(kind)] ?? String(kind)));
const plural = (count: unknown, one: string, many: string): string => `${String(count)} ${count === 1 ? one : many}`;
const shortly = (value: unknown): string => {
  const text = typeof value === 'string' ? `“${value}”` : (jsonText(value) ?? 'nothing');
  return text.length > 60 ? `${text.slice(0, 59)}…` : text;
};
const choices = (allowed: unknown): string => {
  const list = Array.isArray(allowed) ? allowed : [allowed];
  return list.length > 8
    ? `one of ${list.length} values (${list.slice(0, 5).map(shortly).join(', ')} …)`
    : listWords(list.map(shortly));
};

/** Patterns that people write again and again, in words. What is not listed gets the pattern beside an honest sentence. */
const knownPatterns: readonly (readonly [RegExp, (match: RegExpExecArray) => string])[] = [
  [/^\^\[A-Z\]\{(\d+)\}\$$/, (m) => `${m[1] ?? ''} capital letters A to Z`],
  [/^\^\[a-z\]\{(\d+)\}\$$/, (m) => `${m[1] ?? ''} small letters a to z`],
  [/^\^(?:\[0-9\]|\\d)\{(\d+)\}\$$/, (m) => `${m[1] ?? ''} digits`],
  [/^\^(?:\[0-9\]|\\d)[+*]\$$/, () => 'digits only'],
  [/^\^\[a-z0-9-\]\+\$$/, () => 'small letters, digits and hyphens only'],
  [/^\\S$|^\^.*\\S.*\$$/, () => 'something other than spaces'],
];
function patternWords(source: string): string {
  for (const [shape, words] of knownPatterns) {
    const match = shape.exec(source);
    if (match) return `Needs ${words(match)}.`;
  }
  return `Does not have the expected form (pattern ${source}).`;
}

export const english: Messages = {
  type: ({ expected, seen }) => `Has to be ${kindWords(expected)}, but is ${kindWords(seen ?? 'missing')}.`,
  enum: ({ allowed }) => `Has to be ${choices(allowed)}.`,
  const: ({ allowed }) => `Has to be ${shortly(allowed)}.`,
  required: ({ missing }) => `“${String(missing)}” is missing.`,
  multipleOf: ({ limit }) => (limit === 1 ? 'Has to be a whole number.' : `Has to be a multiple of ${String(limit)}.`),
  maximum: 'Has to be {limit} or less.',
  minimum: 'Has to be {limit} or more.',
  exclusiveMaximum: 'Has to be less than {limit}.',
  exclusiveMinimum: 'Has to be more than {limit}.',
  maxLength: ({ limit, seen }) =>
    `Has to be at most ${plural(limit, 'character', 'characters')} long, but has ${String(seen)}.`,
  minLength: ({ limit, seen }) =>
    seen === 0
      ? 'Must not be empty.'
      : `Has to be at least ${plural(limit, 'character', 'characters')} long, but has ${String(seen)}.`,
  pattern: ({ pattern }) => patternWords(String(pattern)),
  format: ({ format }) => `Has to be ${formatNames[String(format)] ?? `of the format “${String(format)}”`}.`,
  contentEncoding: 'Is not {contentEncoding} text.',
  contentMediaType: 'Is not {contentMediaType}.',
  maxItems: ({ limit, seen }) => `Has to have at most ${plural(limit, 'entry', 'entries')}, but has ${String(seen)}.`,
  minItems: ({ limit, seen }) => `Has to have at least ${plural(limit, 'entry', 'entries')}, but has ${String(seen)}.`,
  uniqueItems: ({ items }) =>
    Array.isArray(items)
      ? `Entries ${Number(items[0]) + 1} and ${Number(items[1]) + 1} are the same.`
      : 'Has the same entry twice.',
  contains: 'Has no entry of the kind that is needed.',
  minContains: 'Has to have at least {limit} entries of the kind that is needed, but has {seen}.',
  maxContains: 'Has to have at most {limit} entries of that kind, but has more.',
  maxProperties: ({ limit, seen }) =>
    `Has to have at most ${plural(limit, 'member', 'members')}, but has ${String(seen)}.`,
  minProperties: ({ limit, seen }) =>
    `Has to have at least ${plural(limit, 'member', 'members')}, but has ${String(seen)}.`,
  propertyNames: ({ name, reasons }) =>
    `The name ${shortly(name)} is not allowed here${Array.isArray(reasons) && reasons[0] ? `: ${String(reasons[0])}` : '.'}`,
  dependentRequired: ({ because, name }) =>
    `“${String(name)}” is missing; it is needed because “${String(because)}” is given.`,
  anyOf: ({ expected }) =>
    expected ? `Has to be ${kindWords(expected)}.` : 'Fits none of the forms that are allowed here.',
  oneOf: ({ fitting, expected }) =>
    Array.isArray(fitting)
      ? `Fits ${fitting.length} of the forms that are allowed here, but has to fit exactly one.`
      : expected
        ? `Has to be ${kindWords(expected)}.`
        : 'Fits none of the forms that are allowed here.',
  not: 'Has a form that is not allowed here.',
  false: 'Is not allowed here.',
  limit: '{reason}',
};

/** The text for a keyword: the caller's message, else the English one, with the parameters in place. */
export function messageFor(messages: Messages, keyword: string, params: Params): string {
  const message =
    (Object.hasOwn(messages, keyword) ? messages[keyword] : undefined) ??
    english[keyword] ??
    `Does not fit “${keyword}”.`;
  if (typeof message === 'function') return message(params);
  return message.replace(/\{(\w+)\}/g, (whole, name: string) => {
    if (!Object.hasOwn(params, name)) return whole;
    const value = params[name];
    return typeof value === 'string' ? value : (jsonText(value) ?? '');
  });
}

/** The same problem in other words: for another language, or a form that has its own wording. */
export function reword(problem: Problem, messages: Messages): Problem {
  return Object.hasOwn(messages, problem.keyword)
    ? { ...problem, message: messageFor(messages, problem.keyword, problem.params) }
    : problem;
}
