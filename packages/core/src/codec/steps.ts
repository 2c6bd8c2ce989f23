/** Codecs of one's own, put together from steps. Data only: no code is made from it. */
import { isJson, isObject } from '../json/index.js';
import { held, refused, type Codec, type Parsed } from './codec.js';
import { date } from './dates.js';
import { isNothing, said, type Maker, type Makers } from './maker.js';
import { number } from './numbers.js';

/** One step: what it does on the way to the held value, and back. */
interface Step {
  forth(value: unknown): Parsed<unknown>;
  back(value: unknown): unknown;
}
type Given = Readonly<Record<string, unknown>>;

const onText =
  (change: (text: string) => string): Step['forth'] =>
  (value) =>
    typeof value === 'string' ? held(change(value)) : refused(`A text was expected, but came ${said(value)}.`);
const same = (value: unknown): unknown => value;
const textOf = (given: Given, name: string): string => (typeof given[name] === 'string' ? given[name] : '');

const fromCodec = (codec: Codec): Step => ({
  forth: (value) => codec.parse(value),
  back: (value) => codec.show(value),
});

const stepMakers: Readonly<Record<string, (given: Given) => Step>> = {
  trim: () => ({ forth: onText((text) => text.trim()), back: same }),
  upper: () => ({ forth: onText((text) => text.toUpperCase()), back: same }),
  lower: () => ({ forth: onText((text) => text.toLowerCase()), back: same }),
  replace: (given) => ({
    forth: onText((text) => text.replaceAll(textOf(given, 'what'), textOf(given, 'with'))),
    back: same,
  }),
  before: (given) => ({
    forth: onText((text) => (text.startsWith(textOf(given, 'text')) ? text.slice(textOf(given, 'text').length) : text)),
    back: (value) => (typeof value === 'string' ? `${textOf(given, 'text')}${value}` : value),
  }),
  split: (given) => ({
    forth: (value) =>
      typeof value === 'string'
        ? held(value.split(textOf(given, 'at')))
        : refused(`A text was expected, but came ${said(value)}.`),
    back: (value) => (Array.isArray(value) ? value.join(textOf(given, 'at')) : value),
  }),
  join: (given) => ({
    forth: (value) =>
      Array.isArray(value)
        ? held(value.join(textOf(given, 'with')))
        : refused(`A list was expected, but came ${said(value)}.`),
    back: (value) => (typeof value === 'string' ? value.split(textOf(given, 'with')) : value),
  }),
  'look up': (given) => {
    const table = isObject(given['table']) ? Object.entries(given['table']) : [];
    return {
      forth: (value) => {
        const found = table.find(([name]) => name === value);
        return found
          ? held(found[1])
          : refused(`“${String(value)}” is not in the table: ${table.map(([name]) => name).join(', ')}.`);
      },
      back: (value) => table.find(([, held_]) => held_ === value)?.[0] ?? value,
    };
  },
  map: (given) => {
    const inner = stepsOf(given['steps']);
    return {
      forth: (value) => {
        if (!Array.isArray(value)) return refused(`A list was expected, but came ${said(value)}.`);
        const results = value.map((item) => inner.forth(item));
        const bad = results.findIndex((item) => !item.ok);
        const first = results[bad];
        if (first && !first.ok) return refused(`Item ${bad + 1}: ${first.reason}`);
        return held(results.map((item) => (item.ok ? item.held : undefined)));
      },
      back: (value) => (Array.isArray(value) ? value.map(inner.back) : value),
    };
  },
  number: (given) => fromCodec(number(given)),
  date: (given) => fromCodec(date({ shows: 'text', ...given })),
};
export const stepNames: readonly string[] = Object.keys(stepMakers);

/**
 * Steps in order; backwards for the way back.
 * @throws {TypeError} where one is not known; it says which.
 */
function stepsOf(given: unknown): Step {
  const list = Array.isArray(given) ? (given as unknown[]) : [];
  const steps = list.map((one, i) => {
    const name = isObject(one) ? textOf(one, 'do') : '';
    const make = Object.hasOwn(stepMakers, name) ? stepMakers[name] : undefined;
    if (!make || !isObject(one))
      throw new TypeError(`Step ${i + 1} is not known: “${name}”. Known are: ${stepNames.join(', ')}.`);
    return make(one);
  });
  return {
    forth: (value) => {
      let at: Parsed<unknown> = held(value);
      for (const [i, step] of steps.entries()) {
        if (!at.ok) return at;
        at = step.forth(at.held);
        if (!at.ok) return refused(`${steps.length > 1 ? `Step ${i + 1}: ` : ''}${at.reason}`);
      }
      return at;
    },
    back: (value) => steps.reduceRight((at, step) => step.back(at), value),
  };
}

/** What the steps make of what is shown is held; calendar dates among it are sent as texts. */
export const steps: Maker = (options) => {
  const all = stepsOf(options['steps']);
  const day = date({});
  // Only steps that make a date make a date of a text again.
  const list = Array.isArray(options['steps']) ? (options['steps'] as unknown[]) : [];
  const last = list.at(-1);
  const endsInDate = isObject(last) && last['do'] === 'date';
  return {
    parse(shown) {
      const made = isNothing(shown) ? held(undefined) : all.forth(shown);
      if (!made.ok || made.held === undefined || isJson(made.held)) return made;
      return endsInDate ? made : refused(`The steps leave ${said(made.held)}, which has no form in JSON.`);
    },
    show: (kept) => (kept === undefined || kept === null ? '' : all.back(kept)),
    serialise: (kept) => (kept instanceof Date ? day.serialise(kept) : isJson(kept) ? kept : undefined),
    revive: (sent) => (endsInDate ? day.revive(sent) : held(sent)),
  };
};

export const makers: Makers = { steps };
