import { jsonText, type Problem } from '../json/index.js';

type Params = Readonly<Record<string, unknown>>;
/** What to say for a keyword: a text with `{limit}` and the like in it, or a function of the parameters. */
export type Message = string | ((params: Params) => string);
/** What to say for each keyword. */
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
/** `a, b or c`. */
export function listWords(words: readonly string[], joiner = 'or'): string {
  return words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} ${joiner} ${words.at(-1) ?? ''}`;
}
/** The kinds of JSON in plain words. */
export const kindWords = (kinds: unknown): string =>
  listWords((Array.isArray(kinds) ? kinds : [kinds]).map((kind) => kindNames[String(kind)] ?? String(kind)));
export const plural = (count: unknown, one: string, many: string): string =>
  `${String(count)} ${count === 1 ? one : many}`;

/** The text for a keyword, with the parameters in place. */
export function textFor(messages: Messages, keyword: string, params: Params): string {
  const message = Object.hasOwn(messages, keyword) ? messages[keyword] : undefined;
  if (message === undefined) return `Does not fit “${keyword}”.`;
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
    ? { ...problem, message: textFor(messages, problem.keyword, problem.params) }
    : problem;
}
