/** What follows from what an input was seen to do. Rules over recorded reports: no DOM here. */
import { joinPointer, type Pointer } from '../json/index.js';
import { valueIn } from './drive.js';
import type { FoundInput } from './face.js';
import { families } from './families.js';

/** A report as it came: the callback's or event's name, and its arguments. */
export interface Heard {
  readonly name: string;
  readonly args: readonly unknown[];
  /** Of a widget: what the methods and properties that may have its value gave when it came. */
  readonly answers?: Readonly<Record<string, unknown>>;
}

/** One way to read a value out of a report. */
export interface Reading {
  readonly report: string;
  readonly path: Pointer;
  readonly value: unknown;
  /** The value was asked for: `change.asks`. */
  readonly asks?: string;
  /** It told of being pressed only: `change.tells`. */
  readonly tells?: 'press';
}

/** Where values sit in the objects that inputs report, the likeliest first. */
const insides = [
  ['target', 'checked'],
  ['target', 'value'],
  ['detail', 'value'],
  ['detail', 'checked'],
  ['detail'],
  ['value'],
  ['checked'],
  ['floatValue'],
  ['date'],
  ['color'],
  ['files'],
] as const;

const tellingNames =
  /chang|select|input|update|accept|complete|set|pick|drop(?!-?down)|stroke|^rate|click(date|day|item|option)/i;
/** Changes of something else than the value: what is open, which month is shown, what is searched for. */
const besides =
  /inputchange|pickervalue|open|visible|panel|search|menu|popup|active|hover|month|year|view|scroll|sort|page|focus|blur|key|calendar|before|start/i;

/** All ways to read a value out of what was heard, the likeliest first; `property` is the one that takes the value. Whether it is yes or no may not be known. */
export function readingsOf(
  heard: readonly Heard[],
  property: string,
  isFlag: boolean | undefined,
  declared?: { readonly report: string; readonly type: string; readonly path?: Pointer },
): Reading[] {
  const isPlain = declared !== undefined && /^(string|number)$/.test(withoutNothing(declared.type));
  const called = /^selected(Key|Id|Value)$/.exec(property)?.[1]?.toLowerCase();
  const readings: (Reading & { readonly rank: number; readonly turn: number })[] = [];
  for (const [turn, { name, args, answers = {} }] of heard.entries()) {
    if (name !== declared?.report && (!tellingNames.test(name) || besides.test(name))) continue;
    const nameRank = /^(on)?([a-z]+-)?(value)?-?chang(e|ed)$/i.test(name) ? 0 : 5;
    Object.entries(answers).forEach(([asks, value], i) => {
      if (isValue(value) && !(isPlain && isHolder(value)))
        readings.push({ report: name, path: '/0', value, asks, rank: 6 + i / 100 + nameRank, turn });
    });
    const add = (path: Pointer, value: unknown, rank: number): void => {
      // An object given back to what takes a text may look right by chance.
      if (isPlain && isHolder(value)) return;
      if (isValue(value) && (isFlag === undefined || (typeof value === 'boolean') === isFlag))
        readings.push({ report: name, path, value, rank: rank + nameRank, turn });
    };
    if (name === declared?.report && declared.path !== undefined) add(declared.path, valueIn(args, declared.path), 0);
    args.slice(0, 4).forEach((arg, index) => {
      const at = joinPointer('', index);
      if (isHolder(arg)) {
        const target = member(arg, 'target');
        if (target !== undefined) add(`${at}/target/${property}`, member(target, property), 0);
        for (const names of [[property], ['detail', property]])
          add(
            names.reduce<string>(joinPointer, at),
            names.reduce<unknown>((held, key) => member(held, key), arg),
            1,
          );
        // What holds the key of a choice (`selectedKey`) may be told of the whole choice.
        if (called !== undefined && !isEvent(arg)) add(joinPointer(at, called), member(arg, called), 1);
        insides.forEach((names, i) => {
          // Every event of the pointer and the keys has a number there, which counts presses (UI Events, `detail`).
          if (names[0] === 'detail' && 'view' in arg) return;
          const inner = names.reduce<unknown>((held, key) => member(held, key), arg);
          add(names.reduce<string>(joinPointer, at), inner, 2 + i);
        });
      }
      // Where it carries the value under the property's own name, or files under theirs, the whole is meant less often.
      const within = isEvent(arg) ? [] : membersWith(arg, property);
      within.forEach((key) =>
        add([key, property].reduce<string>(joinPointer, at), member(member(arg, key), property), 9),
      );
      const isAround =
        within.length > 0 || (isHolder(arg) && [property, 'files'].some((one) => member(arg, one) !== undefined));
      if (!isEvent(arg)) add(at, arg, (isAround ? 10 : 1) + index * 4);
      // Of one choice among several, told as a list of those that are chosen.
      if (Array.isArray(arg)) add(`${at}/0/value`, member(arg[0], 'value'), 12 + index * 4);
    });
  }
  const seen = new Set<string>();
  const stale = staleAmong(readings);
  return readings
    .map((one) => (stale.has(wordsOf(one)) ? { ...one, rank: one.rank + 8 } : one))
    .sort((a, b) => a.rank - b.rank)
    .filter((one) => !seen.has(wordsOf(one)) && seen.add(wordsOf(one)))
    .map(({ rank: _rank, turn: _turn, ...reading }) => reading);
}

/** Which told the same again, though nothing had changed: of where somebody is in it, as well as of what stands there. */
function staleAmong(readings: readonly (Reading & { readonly turn: number })[]): ReadonlySet<string> {
  const last = new Map<string, { readonly turn: number; readonly value: unknown }>();
  const stale = new Set<string>();
  for (const one of readings) {
    const words = wordsOf(one);
    const before = last.get(words);
    // The same place may be come to in several ways.
    if (before && before.turn !== one.turn && isAsBefore(before.value, one.value)) stale.add(words);
    last.set(words, one);
  }
  return stale;
}

const isAsBefore = (before: unknown, now: unknown): boolean =>
  Array.isArray(before) && Array.isArray(now)
    ? before.length === now.length && before.every((one, i) => Object.is(one, now[i]))
    : Object.is(before, now);

/** What was told may be the whole that was made, which keeps its value among other things: the members that do. */
function membersWith(told: unknown, property: string): string[] {
  if (!isHolder(told)) return [];
  return Object.keys(told)
    .slice(0, mostInside)
    .filter((key) => {
      const inner = member(told, key);
      return isHolder(inner) && Object.hasOwn(inner, property);
    });
}
const mostInside = 200;
const wordsOf = ({ report, path, asks }: Reading): string => [report, path, asks].join(' ');

/** What a widget's methods and properties are called that have its value, the likeliest first. */
const asking = [
  /^get(Current|Selected)?(Value|Date|Time|Colou?r|Number|Rating|Range|Tag|Choice|Selection)s?$/,
  /^(value|val|values|selected|rawValue|date|color)$/,
  /^get(Semantic)?(HTML|Html|Markdown|Code|Contents?|Text|Data)$/,
  /^get\w*(Value|Date|Time|Colou?r|Selected|Tags|String)s?$/,
];

/** What is to be asked of what was made: the way back of what takes a value first, then by names. */
function asksOf(made: unknown, update: string | undefined): string[] {
  if (!isHolder(made)) return [];
  const names = new Set<string>();
  for (let one: unknown = made; isHolder(one) && one !== Object.prototype; one = Object.getPrototypeOf(one) as unknown)
    for (const name of Object.getOwnPropertyNames(one)) names.add(name);
  const back = update?.replace(/^(set|update)(?=[A-Z])/, 'get');
  const ranked = asking.flatMap((like) => [...names].filter((name) => like.test(name)));
  return [...new Set([...(back && names.has(back) ? [back] : []), ...ranked])].slice(0, 8);
}

/** What a widget answers where it is asked; what fails says nothing. */
export function answersOf(made: unknown, update: string | undefined): Record<string, unknown> {
  return Object.fromEntries(
    asksOf(made, update).flatMap((name) => {
      try {
        const found = (made as Record<string, unknown>)[name];
        const answer: unknown = typeof found === 'function' ? found.call(made) : found;
        return [[name, answer] as const];
      } catch {
        return [];
      }
    }),
  );
}

/** Reports that a person was at something that is on or off, which say nothing of either. */
export function pressesIn(heard: readonly Heard[]): Reading[] {
  const names = new Set(heard.map(({ name }) => name).filter((name) => tellingNames.test(name) && !besides.test(name)));
  return [...names].map((report) => ({ report, path: '/0', value: true, tells: 'press' }));
}

function member(holder: unknown, name: string): unknown {
  try {
    return typeof holder === 'object' && holder !== null ? (holder as Record<string, unknown>)[name] : undefined;
  } catch {
    return undefined;
  }
}
const isHolder = (value: unknown): value is object =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
function isEvent(value: unknown): boolean {
  return isHolder(value) && typeof member(value, 'type') === 'string' && 'target' in value;
}
/** What a box for files says in place of a path: its value in the mode “filename” (HTML Standard, 4.10.5.1). */
const isPlaceholder = (value: unknown): boolean => typeof value === 'string' && value.startsWith('C:\\fakepath\\');
/** Something that can be held: no event, no element, no function. */
function isValue(value: unknown): boolean {
  if (value === undefined || typeof value === 'function' || typeof value === 'symbol') return false;
  if (isPlaceholder(value)) return false;
  if (!isHolder(value)) return true;
  if (typeof member(value, 'then') === 'function') return false;
  return !isEvent(value) && typeof member(value, 'nodeType') !== 'number';
}

/** What an input may take for “no value”, in the order in which it is tried. */
export function emptiesFor(sample: unknown, declared: string): readonly unknown[] {
  if (typeof sample === 'boolean') return [false];
  // Where it has so many boxes, it may want something for each.
  if (Array.isArray(sample))
    return [
      [],
      undefined,
      null,
      ...(sample.length > 1 && typeof sample[0] === 'string' ? [sample.map(() => '')] : []),
      // Two handles are moved freely where they stand at both ends.
      ...(sample.length === 2 && sample.every(isNumber) ? [[0, 100]] : []),
      ...(sample.length > 0 && sample.every(isNumber) ? [sample.map(() => 0)] : []),
    ];
  if (typeof sample === 'string' && !/null/.test(declared)) return ['', undefined, null];
  // What slides along a line always stands somewhere on it.
  return [undefined, null, '', ...(isNumber(sample) ? [0] : []), ...(isHolder(sample) ? noughtsOf(sample) : [])];
}
const isNumber = (value: unknown): value is number => typeof value === 'number';

/** What is held as several numbers, as a colour is, stands on them, too; what cannot be seen through stays so. */
function noughtsOf(sample: object): object[] {
  const members = Object.entries(sample);
  if (members.length === 0 || !members.every(([, value]) => isNumber(value))) return [];
  return [Object.fromEntries(members.map(([name]) => [name, /^a(lpha)?$/.test(name) ? 1 : 0]))];
}

const withoutNothing = (type: string): string => type.replace(/\s*\|\s*(undefined|null)\b/g, '').trim();

/** Whether a type is that of what is on or off, perhaps with a word for between; what may be a text or a number as well is none. */
export function isFlagType(type: string): boolean {
  const kinds = withoutNothing(type).split(/\s*\|\s*/);
  return (
    kinds.some((one) => /^(boolean|true|false)$/.test(one)) &&
    kinds.every((one) => /^(boolean|true|false|["'].*["'])$/.test(one))
  );
}

/** Whether a type says nothing of its values but a name: a parameter, or a type that is declared elsewhere. */
export function isOpenName(type: string): boolean {
  const name = withoutNothing(type);
  return /^\w+(<.*>)?$/.test(name) && !/^(string|number|boolean|Date|any|unknown)$/.test(name);
}

/** Pairs of values that an input of this declared type may be able to show; what is shown in fact is seen on the stand. */
export function samplesFor(
  declared: string,
  now: Date,
  choices: readonly unknown[] = [],
): (readonly [unknown, unknown])[] {
  const type = withoutNothing(declared);
  const day = (date: number, hours = 0, minutes = 0): Date =>
    new Date(now.getFullYear(), now.getMonth(), date, hours, minutes);
  const dayText = (date: number): string =>
    `${now.getFullYear()}-${String(now.getMonth() + 1).padStart(2, '0')}-${String(date).padStart(2, '0')}`;
  const pairs: (readonly [unknown, unknown])[] = [];
  const [first, second] = choices;
  const isFlag = isFlagType(type);
  if (type === '' || isFlag) pairs.push([true, false]);
  if (/^$|\bDate\b/.test(type)) pairs.push([day(10), day(20)], [day(10, 9, 15), day(20, 12, 30)]);
  if (/\bDate\b.*[\]>]|\bDate\w*Range|\bRange\w*Date/.test(type))
    pairs.push([
      [day(10), day(12)],
      [day(20), day(22)],
    ]);
  if (first !== undefined && second !== undefined) pairs.push([first, second]);
  const isText = /\bstring\b|\bany\b|\bunknown\b|^[A-Z]\w*$/.test(type) || type === '';
  if (/^$|\bnumber\b/.test(type)) pairs.push([30, 60], [2, 4]);
  if (isText)
    pairs.push(
      ['Aldervik', 'Torsund'],
      ['30', '60'],
      ['#336699', '#aa5500'],
      [dayText(10), dayText(20)],
      ['09:15', '12:30'],
      [`${dayText(10)}T09:15`, `${dayText(20)}T12:30`],
      ['hsl(210, 50%, 40%)', 'hsl(30, 90%, 35%)'],
      ['rgb(51, 102, 153)', 'rgb(170, 85, 0)'],
    );
  // What is only a name may be one of yes and no, too.
  if (isOpenName(type) || (/\bboolean\b/.test(type) && !isFlag)) pairs.push([true, false]);
  if (/\bh: number|Hs[lv]a?Color|\bhsl|\bhsv|\bRgb|\br: number/i.test(type))
    pairs.push([
      { h: 210, s: 50, l: 40, v: 60, a: 1, r: 51, g: 102, b: 153 },
      { h: 30, s: 90, l: 35, v: 66, a: 1, r: 170, g: 85, b: 0 },
    ]);
  if (/\[\]|^(readonly )?\[(number|string), (number|string)\]|Array<|\bSet<|\bSelection\b|\bIterable</.test(type)) {
    if (first !== undefined && second !== undefined) pairs.push([[first], [second]]);
    if (/string/.test(type))
      pairs.push(
        [['Aldervik'], ['Brennholm']],
        [
          ['1', '2', '3', '4'],
          ['5', '6', '7', '8'],
        ],
      );
    if (/number/.test(type))
      pairs.push(
        [[30], [60]],
        [
          [20, 40],
          [30, 70],
        ],
      );
  }
  return pairs;
}

/** Where somebody listens to it, a press does something else than to choose. */
const insteadOfChoosing = 'onAction';

/**
 * Every callback or event of an input that is worth listening to. Handlers of the capturing phase hear what others tell,
 * and are none of its own; one that is asked for something (whether a change may be, what to draw) would have to answer.
 */
export function reportsOf({ family, events, methods, properties, widget }: FoundInput): string[] {
  if (families[family].tells === 'by events')
    return [...new Set([...events.map(({ name }) => name), 'input', 'change'])];
  const declared = properties
    .filter(
      ({ args, name, deprecated, asked }) =>
        args &&
        !deprecated &&
        !asked &&
        /^on[A-Z]|\.|Callback$/.test(name) &&
        !/^on.+Capture$/.test(name) &&
        name !== insteadOfChoosing,
    )
    .map(({ name }) => name);
  if (!widget || widget.reports === 'options') return declared;
  if (widget.reports === 'methods') return methods.filter((name) => /^on[A-Z]/.test(name));
  const usual = widget.reports === 'on' ? ['change', 'update', 'accept'] : ['input', 'change'];
  return [...new Set([...declared, ...events.map(({ name }) => name), ...usual])];
}
