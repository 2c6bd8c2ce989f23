/** What the languages are made with: plural rules and numbers come from the platform. */
import type { Refusal } from '../codec/index.js';
import { isObject, plainly } from '../json/index.js';
import type { DrawnWords, SaidChoices } from './drawn.js';
import type { RefusalWords } from './words.js';

/** What the words of a language are made with. */
export interface Language {
  readonly number: (value: unknown) => string;
  /** `count` with the form of the word that belongs to it; most languages tell `one` from all others. */
  readonly plural: (count: unknown, forms: { readonly one: string; readonly other: string }) => string;
  readonly size: (bytes: number) => string;
  readonly list: (values: readonly string[]) => string;
  /** Says `true`, `false` and `null` among choices, as a plan has them where nobody gave them words. */
  readonly inWords: (yes: string, no: string, nothing: string) => DrawnWords['inWords'];
}

/** The numbers, plural forms and lists of a language, from the platform (ECMA-402). */
export function language(lang: string): Language {
  const numbers = new Intl.NumberFormat(lang, { maximumFractionDigits: 20 });
  const short = new Intl.NumberFormat(lang, { maximumFractionDigits: 1 });
  const rules = new Intl.PluralRules(lang);
  const lists = new Intl.ListFormat(lang, { type: 'disjunction' });
  const number = (value: unknown): string => (typeof value === 'number' ? numbers.format(value) : String(value));
  return {
    number,
    plural: (count, forms) => `${number(count)} ${rules.select(Number(count)) === 'one' ? forms.one : forms.other}`,
    size: (bytes) =>
      bytes < 1000
        ? `${short.format(Math.round(bytes))} B`
        : bytes < 1e6
          ? `${short.format(Math.round(bytes / 1000))} kB`
          : `${short.format(bytes / 1e6)} MB`,
    list: (values) => lists.format(values),
    inWords: (yes, no, nothing) =>
      saidBy(
        new Map<unknown, string>([
          [true, yes],
          [false, no],
          [null, nothing],
        ]),
      ),
  };
}

/** An input that is given the same choices has not to draw them anew. */
function saidBy(words: ReadonlyMap<unknown, string>): DrawnWords['inWords'] {
  const said = new WeakMap<object, SaidChoices>();
  return (choices) => {
    if (!choices) return choices;
    const known = said.get(choices);
    if (known) return known;
    const own = choices.map(({ value, text }) => ({
      value,
      text: text === plainly[String(value)] ? (words.get(value) ?? text) : text,
    }));
    said.set(choices, own);
    return own;
  };
}

/** What a refusal says in these words; one that they do not know, like that of a codec of one's own, as it is. */
export function refusalText(
  words: RefusalWords,
  { reason, refusal }: { readonly reason?: unknown; readonly refusal?: unknown },
): string {
  if (!isRefusal(refusal) || !Object.hasOwn(words, refusal.name)) return String(reason);
  // A codec names its refusal together with what it speaks of: `refused` sees to that.
  return (words[refusal.name as keyof RefusalWords] as (about: unknown) => string)(refusal.about);
}
const isRefusal = (value: unknown): value is Refusal => isObject(value) && typeof value['name'] === 'string';
