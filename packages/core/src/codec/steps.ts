/** Codecs of one's own, put together from steps. Data only: no code is made from it. */
import { isJson, isObject } from '../json/index.js';
import type { Codec, Parsed } from './codec.js';
import { date } from './dates.js';
import type { CodecKinds } from './kind.js';
import { held, refused, isNothing, said, unlike, type Maker } from './maker.js';
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
    typeof value === 'string' ? held(change(value)) : unlike('text', 'A text was', value, 'step');
const same = (value: unknown): unknown => value;
const textOf = (given: Given, name: string): string => (typeof given[name] === 'string' ? given[name] : '');

const fromCodec = (codec: Codec): Step => ({
  forth: (value) => codec.parse(value),
  back: (value) => codec.show(value),
});

/** A sort of step: what it is called, the JSON Schemas of what is said of it, and how it is made. */
interface StepSort {
  readonly title: string;
  readonly given: Readonly<Record<string, object>>;
  /** Without these it makes no sense. */
  readonly needs?: readonly string[];
  make(given: Given): Step;
}

const text = (title: string): object => ({ type: 'string', title });
const listAddress = 'urn:poietra:codec:steps';

/** Every sort of step. Another one is one more entry. */
const sorts: Readonly<Record<string, StepSort>> = {
  trim: { title: 'Spaces at the ends go', given: {}, make: () => ({ forth: onText((one) => one.trim()), back: same }) },
  upper: { title: 'Capitals', given: {}, make: () => ({ forth: onText((one) => one.toUpperCase()), back: same }) },
  lower: { title: 'Small letters', given: {}, make: () => ({ forth: onText((one) => one.toLowerCase()), back: same }) },
  replace: {
    title: 'One text in place of another',
    given: { what: text('Of'), with: text('By') },
    needs: ['what'],
    make: (given) => ({
      forth: onText((one) => one.replaceAll(textOf(given, 'what'), textOf(given, 'with'))),
      back: same,
    }),
  },
  before: {
    title: 'A text that only the input has at its beginning',
    given: { text: text('The text') },
    needs: ['text'],
    make: (given) => ({
      forth: onText((one) => (one.startsWith(textOf(given, 'text')) ? one.slice(textOf(given, 'text').length) : one)),
      back: (value) => (typeof value === 'string' ? `${textOf(given, 'text')}${value}` : value),
    }),
  },
  split: {
    title: 'A text becomes a list',
    given: { at: text('Cut at') },
    needs: ['at'],
    make: (given) => ({
      forth: (value) =>
        typeof value === 'string'
          ? held(value.split(textOf(given, 'at')))
          : unlike('text', 'A text was', value, 'step'),
      back: (value) => (Array.isArray(value) ? value.join(textOf(given, 'at')) : value),
    }),
  },
  join: {
    title: 'A list becomes a text',
    given: { with: text('Joined by') },
    needs: ['with'],
    make: (given) => ({
      forth: (value) =>
        Array.isArray(value) ? held(value.join(textOf(given, 'with'))) : unlike('list', 'A list was', value, 'step'),
      back: (value) => (typeof value === 'string' ? value.split(textOf(given, 'with')) : value),
    }),
  },
  'look up': {
    title: 'By a table',
    given: { table: { type: 'object', title: 'What the input gives, and what it means', additionalProperties: true } },
    needs: ['table'],
    make: (given) => {
      const table = isObject(given['table']) ? Object.entries(given['table']) : [];
      return {
        forth: (value) => {
          const found = table.find(([name]) => name === value);
          return found
            ? held(found[1])
            : refused(
                `“${String(value)}” is not in the table: ${table.map(([name]) => name).join(', ')}.`,
                'notListed',
                { typed: String(value), known: table.map(([name]) => name) },
              );
        },
        back: (value) => table.find(([, held_]) => held_ === value)?.[0] ?? value,
      };
    },
  },
  map: {
    title: 'Steps for each item of a list',
    given: { steps: { $ref: listAddress } },
    needs: ['steps'],
    make: (given) => {
      const inner = stepsOf(given['steps']);
      return {
        forth: (value) => {
          if (!Array.isArray(value)) return unlike('list', 'A list was', value, 'step');
          const results = value.map((item) => inner.forth(item));
          const bad = results.findIndex((item) => !item.ok);
          const first = results[bad];
          if (first && !first.ok)
            return refused(`Item ${bad + 1}: ${first.reason}`, 'item', { number: bad + 1, inner: first });
          return held(results.map((item) => (item.ok ? item.held : undefined)));
        },
        back: (value) => (Array.isArray(value) ? value.map(inner.back) : value),
      };
    },
  },
  number: {
    title: 'A text becomes a number',
    given: { locale: text('Written in the way of') },
    make: (given) => fromCodec(number(given)),
  },
  date: {
    title: 'A text becomes a calendar date',
    given: {},
    make: (given) => fromCodec(date({ shows: 'text', ...given })),
  },
};
const stepNames: readonly string[] = Object.keys(sorts);

/** The JSON Schema of a list of steps; a step for each item of a list holds such a list. */
export const stepsSchema: Readonly<Record<string, unknown>> = {
  $id: listAddress,
  type: 'array',
  title: 'Steps',
  items: {
    title: 'Step',
    oneOf: Object.entries(sorts).map(([name, { title, given, needs = [] }]) => ({
      title,
      type: 'object',
      required: ['do', ...needs],
      properties: { do: { const: name }, ...given },
    })),
  },
};

/**
 * Steps in order; backwards for the way back.
 * @throws {TypeError} where one is not known; it says which.
 */
function stepsOf(given: unknown): Step {
  const list = Array.isArray(given) ? (given as unknown[]) : [];
  const steps = list.map((one, i) => {
    const name = isObject(one) ? textOf(one, 'do') : '';
    const sort = Object.hasOwn(sorts, name) ? sorts[name] : undefined;
    if (!sort || !isObject(one))
      throw new TypeError(`Step ${i + 1} is not known: “${name}”. Known are: ${stepNames.join(', ')}.`);
    return sort.make(one);
  });
  return {
    forth: (value) => {
      let at: Parsed<unknown> = held(value);
      for (const [i, step] of steps.entries()) {
        if (!at.ok) return at;
        at = step.forth(at.held);
        if (!at.ok)
          return steps.length > 1 ? refused(`Step ${i + 1}: ${at.reason}`, 'step', { number: i + 1, inner: at }) : at;
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
      return endsInDate
        ? made
        : refused(`The steps leave ${said(made.held)}, which has no form in JSON.`, 'notJson', { seen: made.held });
    },
    show: (kept) => (kept === undefined || kept === null ? '' : all.back(kept)),
    serialise: (kept) => (kept instanceof Date ? day.serialise(kept) : isJson(kept) ? kept : undefined),
    revive: (sent) => (endsInDate ? day.revive(sent) : held(sent)),
  };
};

export const stepKinds = {
  steps: {
    title: 'Steps of one’s own',
    says: 'What is shown goes through the steps in order, and back through them.',
    options: { steps: stepsSchema },
    make: steps,
  },
} as const satisfies CodecKinds;
