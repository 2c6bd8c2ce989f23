/** Which property of an input takes its value, and which of its reports tells of it, by what it declares. */
import type { Pointer } from '../json/index.js';
import { calledAs, type DeclaredArgument, type DeclaredProperty, type FoundInput } from './face.js';
import { families } from './families.js';
import {
  alike,
  changeNames,
  choiceLists,
  choiceTags,
  heldIn,
  isAmong,
  namedByEvent,
  namePairIn,
} from './name-pairs.js';

/** Names that stand for a value, the likeliest first. They are words of general use, not of any one package. */
export const valueNames = [
  'checked',
  'isChecked',
  'value',
  'selected',
  'date',
  'time',
  'color',
  'files',
  'pressed',
  'isPressed',
  'toggled',
  'isToggled',
  'isOn',
  'selectedKey',
  'isSelected',
  'start',
  'defaultDate',
  'html',
];

/** Whether a report gives a colour by the name or the type of what it is called with. */
export const isColour = ({ name, type }: DeclaredArgument): boolean =>
  /^(new)?colou?r/i.test(name) || /^\w*Colou?r(Result|Value|State)?$/.test(type);

/** A value and its report, with what speaks for it. */
export interface Pair {
  readonly value: DeclaredProperty;
  readonly report: string;
  /** Where in the report's arguments the value is: `/0/target/value`. */
  readonly path: Pointer;
  readonly because: string;
  readonly certainty: number;
}

/** The likeliest pair; `undefined` where the declarations speak for none. */
export function pairOf(input: FoundInput): Pair | undefined {
  // Where something starts is a value, but beside where it stops it is a bound.
  const isBound = input.properties.some(({ name }) => name === 'stop' || name === 'end');
  const named = valueNames.flatMap((name) =>
    isBound && name === 'start' ? [] : (input.properties.find((property) => property.name === name) ?? []),
  );
  const reports = input.properties.filter(({ args, deprecated }) => args !== undefined && !deprecated);
  const fits = (value: DeclaredProperty): boolean =>
    reports.some(
      (one) => (changeNames.test(one.name) || tellsOf(value.name).test(one.name)) && placeIn(one, value).isSure,
    );
  // A colour that no report gives is only a look.
  const givesColour =
    reports.some(({ name, args }) => changeNames.test(name) && args?.some(isColour)) ||
    input.events.some(({ name }) => /(^|-)colou?r-?chang(e|ed)$/i.test(name)) ||
    // What is told of a later colour by a method of that name is made for it.
    /^set_?colou?r$/i.test(input.widget?.update ?? '');
  const own = named.filter((one) => !one.inherited && (one.name !== 'color' || fits(one) || givesColour));
  // HTML's own attributes say both, and mean one: what is ticked or switched has a state.
  const called = calledAs(input);
  // Several chips are a list.
  const isTicked = /check|switch|toggle(?!.*group)|chip(?!s|.*(set|group))|radio(?!.*group)/i.test(called);
  const inherited = named.find(({ name }) => name === (isTicked ? 'checked' : 'value'));
  const isFlag = ({ type }: DeclaredProperty): boolean => /^(false \| true|boolean)\b/.test(type);
  const flag = isTicked ? own.find(isFlag) : undefined;
  // A text that it stands for is its own; whether it is ticked HTML says.
  const state =
    isTicked && !flag && !input.properties.some(({ name, inherited }) => choiceLists.test(name) && !inherited)
      ? named.find((one) => one.inherited && one.name === 'checked' && isFlag(one))
      : undefined;
  // One radio by itself is on or off, and its value is what it stands for.
  const alone = /radio(?:button)?$/i.test(called)
    ? (flag ?? named.find((one) => one.name === 'checked' && isFlag(one)))
    : undefined;
  const value =
    alone ?? own.find(fits) ?? state ?? flag ?? own[0] ?? inherited ?? named.find(({ name }) => name !== 'color');
  // Names of its own that belong together say more than a value that every element of HTML has.
  const shared =
    own.length === 0 && families[input.family].tells === 'by callbacks' ? namePairIn(input.properties) : undefined;
  if (shared && !input.widget)
    return {
      value: shared.value,
      report: shared.report.name,
      path: shared.path,
      because: `${shared.report.name} is called after “${shared.value.name}” or gives it by its name, and of the same type, ${shared.value.type}.`,
      certainty: 0.6,
    };
  const isToldItself = input.events.some(({ name }) => changeNames.test(bareEvent(name, input)));
  const toldAlone = hearsEvents(input) && (own.length === 0 || !isToldItself) ? namedByEvent(input) : undefined;
  if (toldAlone)
    return {
      ...toldAlone,
      path: `/0/target/${toldAlone.value.name}`,
      because: `The event ${toldAlone.report} is called after “${toldAlone.value.name}”, which the element then carries.`,
      certainty: 0.6,
    };
  if (!value) return undefined;
  if (hearsEvents(input)) return byEvent(input, value);
  if (input.widget && input.widget.reports !== 'options') return byWidget(input, input.widget.reports, value);
  return byCallback(reports, value);
}

/** Where nothing speaks for a pair: the likeliest names, for a person to say which they are. */
export function guessedPair(input: FoundInput): Pair | undefined {
  const { properties, events } = input;
  const values = properties.filter(({ args }) => !args);
  const value = valueNames.flatMap((name) => values.find((one) => one.name === name) ?? [])[0] ?? values[0];
  if (!value) return undefined;
  const calls = properties.filter(({ name, args }) => args && /^on[A-Z]/.test(name) && !/Capture$/.test(name));
  const byEvents = hearsEvents(input);
  const report = byEvents
    ? (events.find(({ name }) => changeNames.test(bareEvent(name, input))) ?? events[0])?.name
    : (
        calls.find(({ name, inherited }) => !inherited && changeNames.test(name)) ??
        calls.find(({ inherited }) => !inherited)
      )?.name;
  return {
    value,
    report: report ?? (byEvents ? 'change' : 'onChange'),
    path: byEvents ? `/0/target/${value.name}` : '/0',
    because: 'Nothing that it declares says so; it is a guess.',
    certainty: 0.1,
  };
}

/** Whether what it tells are events of an element, and no callbacks among its properties. */
export function hearsEvents({ family }: FoundInput): boolean {
  return families[family].tells === 'by events';
}

/** What a callback is called that tells of this value alone: `onCheckedChange`, `onSelectionChange`, `onCheck`. */
const tellsOf = (value: string): RegExp => {
  const own = value.replace(/^is/, '');
  return new RegExp(
    `^on(${own}${/^selected/.test(value) ? '|selection' : ''})Changed?$|^(set|update|handle)${own}(Change)?$${/^checked$/i.test(own) ? '|^onCheck(ed)?$' : /^toggled$/i.test(own) ? '|^onToggled?$' : ''}`,
    'i',
  );
};

/** Without the prefix that all events of a package, or of one element, bear: `ionChange`, `sl-change`, `xyRangeChange` of `xy-range`. */
function bareEvent(name: string, { tag = '' }: FoundInput): string {
  const own = tag.replaceAll('-', '');
  const words = tag.split('-');
  const beginnings = words.map((_, i) => words.slice(0, i + 1).join('')).slice(1);
  // An event of the element's very name, or of how that begins, tells of what the element is for: `xyDate` of `xy-date-picker`.
  if (beginnings.includes(name.toLowerCase())) return 'change';
  if (own !== '' && name.toLowerCase().startsWith(own)) return name.slice(own.length);
  // So does one of its name in words, or of the end of it: `xy-box-changed` of `xy-box` and `xy-wide-box`.
  const [, thing = '', done = ''] = /^(?:[a-z]+-)?([a-z-]+)-([a-z]+)$/.exec(name) ?? [];
  if (thing !== '' && tag.endsWith(`-${thing}`) && changeNames.test(done)) return done;
  // What begins the tags of a maker begins its events: `xychange` of `xy-range`.
  const [maker = ''] = tag.split('-');
  const isOfMaker = maker !== '' && name.startsWith(maker) && changeNames.test(name.slice(maker.length));
  return isOfMaker ? name.slice(maker.length) : name.replace(/^[a-z]+-/, '').replace(/^[a-z]+(?=[A-Z])/, '');
}

function byEvent(input: FoundInput, value: DeclaredProperty): Pair | undefined {
  // One that is called after another of its properties, `expandedChanged`, is about that.
  const others = new Set(input.properties.flatMap(({ name }) => (name === value.name ? [] : [name.toLowerCase()])));
  const isOfOther = (name: string): boolean => others.has(name.toLowerCase().replace(/-?changed?$/, ''));
  // Called after the value: `check` and `checked` of what is checked.
  const stem = value.name.toLowerCase().replace(/ed$/, '');
  // A box to tick or a switch is changed by nothing else than a press; a row that is chosen is pressed for other reasons, too.
  const isSwitched =
    /^(false \| true|boolean)\b/.test(value.type) && /check-?box|switch|radio(?!.*group)/.test(input.tag ?? '');
  const tells = (name: string): boolean =>
    changeNames.test(name) ||
    (isSwitched && /^(click|press|toggle)(e?d)?$/i.test(name)) ||
    [stem, `${stem}ed`].includes(name.toLowerCase()) ||
    /^(select|pick|change)(ed)?-?(value|date|time|colou?r|option|item)s?$/i.test(name);
  const own = input.events.filter(({ name }) => (tells(bareEvent(name, input)) || tells(name)) && !isOfOther(name));
  // Of a state beside the value, `touched-changed`, it tells nothing that is held.
  const telling = own.filter(({ name }) => !/touch|dirty|pristine|focus|open|valid|prefilled/i.test(name));
  // What is typed to find a choice is none yet.
  const likely = choiceTags.test(input.tag ?? '') ? [/chang|select(ed)?$/i, /input/i] : [/chang|input/i];
  const event =
    likely.map((like) => telling.find(({ name }) => like.test(name))).find((one) => one !== undefined) ??
    telling[0] ??
    own[0];
  if (!event && input.events.length === 0 && entered.test(input.tag ?? '') && isOfForms(input))
    return {
      value,
      report: 'change',
      path: `/0/target/${value.name}`,
      because: 'It declares no event; boxes of forms tell of a change as HTML’s own do.',
      certainty: 0.4,
    };
  return (
    event && {
      value,
      report: event.name,
      path: `/0/target/${value.name}`,
      because: `It declares the event ${event.name}; the element then carries the value as ${value.name}.`,
      certainty: 0.8,
    }
  );
}

/** Tags of what is entered in one box. */
const entered = /(date|time|colou?r|number|phone|text|search|file)-?(picker|input|field|box|area)?$/;
const isOfForms = ({ properties }: FoundInput): boolean =>
  properties.some(({ name }) => name === 'name') && properties.some(({ name }) => name === 'value');

function byWidget(input: FoundInput, reports: 'on' | 'methods' | 'events', value: DeclaredProperty): Pair {
  if (reports === 'events')
    return {
      value,
      report: 'change',
      path: '/0/target/value',
      because: 'It is made on an input, which tells of changes itself.',
      certainty: 0.5,
    };
  if (reports === 'methods') {
    const report = input.methods.find((name) => changeNames.test(name)) ?? 'onChange';
    return { value, report, path: '/0', because: `What it makes has a method ${report}.`, certainty: 0.6 };
  }
  const named = input.events.find(({ name }) => changeNames.test(name))?.name;
  return {
    value,
    report: named ?? 'change',
    path: '/0',
    because: named
      ? `What it makes has a method “on”, which takes “${named}”.`
      : 'What it makes has a method “on”; “change” is the event of general use.',
    certainty: named ? 0.7 : 0.5,
  };
}

/** A report's place for the value; `isSure` where its declaration says that it is this value. */
interface Place {
  readonly path: Pointer;
  readonly because: string;
  readonly certainty: number;
  readonly isSure: boolean;
}

/** What an argument is called that gives what was before, and what is now. */
const saysBefore = /^(old|prev|previous|last)(?![a-z])/;
const saysNew = /^(new|next)(Value|Val)$/;

function placeIn({ name, args = [] }: DeclaredProperty, value: DeclaredProperty): Place {
  // Of what may be given in several kinds, one is told, under its name.
  const named = args.findIndex((one) => one.name === value.name && isAmong(one.type, value.type));
  const index = named >= 0 ? named : args.findIndex((one) => alike(one.type, value.type) && !saysBefore.test(one.name));
  const type = args[Math.max(0, index)]?.type ?? 'unknown';
  const place = (path: Pointer, because: string, certainty: number, isSure = false): Place => ({
    path,
    because: `${name} ${because}`,
    certainty,
    isSure,
  });
  if (index >= 0 && !/Event\b/.test(type))
    return place(`/${index}`, `gives the value as argument ${index + 1}: its type is ${type}.`, 0.9, true);
  const held = heldIn(args, value);
  if (held) return place(held.path, `gives an object that has ${value.name}: ${held.type}.`, 0.85, true);
  // A colour is often told in several notations at once; forms hold texts.
  const colour = args.findIndex(isColour);
  const notation = args[colour]?.holds?.find((one) => one.type === 'string');
  if (notation && /\bstring\b/.test(value.type))
    return place(
      `/${colour}${notation.path}`,
      `gives a colour in several notations; ${notation.path.slice(1)} is a text.`,
      0.75,
    );
  // Of a value that may be anything, the argument that is called so.
  const called = args.findIndex((one, at) => at > 0 && (one.name === value.name || saysNew.test(one.name)));
  if (called > 0) return place(`/${called}`, `gives an argument that is called ${args[called]?.name ?? ''}.`, 0.7);
  // No event of the platform has it itself: what is called an event may be an object of the package's own.
  const itself = args.findIndex(({ holds = [] }) => holds.some(({ path }) => path === `/${value.name}`));
  if (itself >= 0) return place(`/${itself}/${value.name}`, `gives an object that has ${value.name}.`, 0.8);
  // An element's text has no name but this among what an event's target tells.
  if (/Event\b/.test(type))
    return place(
      `/${Math.max(0, index)}/target/${value.name === 'html' ? 'value' : value.name}`,
      `gives an event: its type is ${type}.`,
      0.85,
    );
  return place('/0', `gives the value as argument 1: its type is ${type}.`, 0.6);
}

/** The callback that speaks most plainly of the value; what the package declares itself before what HTML has for every element. */
function byCallback(reports: readonly DeclaredProperty[], value: DeclaredProperty): Pair | undefined {
  const ranked = reports.flatMap((report) => {
    const { name, inherited } = report;
    const isOfValue = tellsOf(value.name).test(name);
    const place = placeIn(report, value);
    // One that is called after what it tells, `onSelectDate`, is meant where its type says so, and nothing else is.
    // So is one that has to be listened to, whatever it is that it says has changed.
    const isCalledSo =
      /^on((Select|Change|Pick)[A-Z]|[A-Z]\w*(Select|Pick)(ed)?$)/.test(name) ||
      (report.required === true && /^on[A-Z]\w*Changed?$/.test(name));
    const isByType = !inherited && place.isSure && isCalledSo;
    if (!isOfValue && !isByType && !changeNames.test(name.replace(/^\w+\.(after)?/, ''))) return [];
    const isChange = isOfValue || /chang/i.test(name);
    const rank =
      (inherited ? 0 : place.isSure && !isByType ? 8 : isChange ? 5 : 2) + (name === 'onChange' ? 3 : isChange ? 2 : 0);
    return [{ report, place, rank }];
  });
  const [best] = ranked.sort((a, b) => b.rank - a.rank);
  return (
    best && {
      value,
      report: best.report.name,
      path: best.place.path,
      because: best.place.because,
      certainty: best.place.certainty,
    }
  );
}
