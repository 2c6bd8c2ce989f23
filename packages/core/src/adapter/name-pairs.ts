/**
 * A value and its report that share a name of their own: `mark` and `onMark`, `rating` and `onRatingChange`. Where the
 * type of an argument is that of the property, the two belong together, whatever the name means.
 */
import type { Pointer } from '../json/index.js';
import type { DeclaredArgument, DeclaredProperty, FoundInput } from './face.js';

/** What shares a name with its report and is no value: what is open, shown, moved or looked for, and in which order. */
const noValues = new RegExp(
  `^(${`
  default is has show hide open(?:ed)? close[dr]? visible expand(?:ed|able)? collaps(?:e|ed|ible) hover(?:ed)? highlight(?:ed)?
  focus(?:ed)? active current(?!(?:Date|Time|Value|Colou?r)$) pages? sort(?:ed|ing)? order filters? search query input zoom view layout size width
  height scroll load(?:ed|ing)? mount(?:ed)? ready modes? theme steps? tabs? index offset position drag(?:ged|ging)?
  event key id(?!(?:Selected|Checked|Chosen)$) name as visibility target drop columns? rows? select(?:ion)?Mode enter exit leave appear animat(?:e|ed|ion) transition error ok cancel
`
    .trim()
    .split(/\s+/)
    .join('|')})(?![a-z])`,
);

/** What is called when a value changes, under whatever prefix. */
export const changeNames = /^(on[-A-Z]?|handle)?(value)?-?(change|select|input|update|set|pick)(d|ed)?$/i;

/** What says by its name that it is what was chosen. */
const saysValue =
  /^values?$|^(value|id)(Of)?(Selected|Checked|Chosen)$|^current(Date|Time|Value|Colou?r)$|^(selected|chosen)(Values?|Items?|Options?|Keys?|Ids?|Dates?|Times?)$/;

/** What a value is called that is taken at the start only; much else has a default. */
const startNames = /^initial(?!Indeterminate)[A-Z]|^default(Values?|Checked|Selected\w*|Date|Time|Colou?r|Files?)$/;

/** Tags of elements that offer a list to choose from. */
export const choiceTags = /select|combo-?box|listbox|dropdown/;

/** Lists of what may be chosen. */
export const choiceLists = /^(options|items|choices|data|dataSource|treeData|menuItems)$/;

/** A value, and the report that tells of it. */
export interface NamePair {
  readonly value: DeclaredProperty;
  readonly report: DeclaredProperty;
  /** Where in the report's arguments the value is. */
  readonly path: Pointer;
}

/**
 * The first value with a report that names it, among the properties that a package declares itself: the report is called
 * after it, its argument is, or the object that it gives has a member of its name.
 */
export function namePairIn(properties: readonly DeclaredProperty[]): NamePair | undefined {
  const reports = properties.filter(({ args, inherited, deprecated }) => args && !inherited && !deprecated);
  const values = properties.filter(
    (one) =>
      !one.args && !one.inherited && !one.deprecated && !noValues.test(one.name) && !isOfUnknown(one, properties),
  );
  // Where something says that it is what was chosen, a list of choices that is told the same way is none.
  const isSaid = values.some(({ name }) => saysValue.test(name));
  for (const value of isSaid ? values.filter(({ name }) => !choiceLists.test(name)) : values) {
    const called = reportsOf(value.name);
    for (const report of reports) {
      const args = report.args ?? [];
      const isCalled = called.test(report.name);
      const isChange = changeNames.test(report.name);
      const isAbout = /^on.*(Change|Select|Update)/.test(report.name) && shareWord(value.name, report.name);
      const isTold =
        /^on.*(Chang|Select|Updat|Check|Pick)(e|ed)?$/.test(report.name) &&
        args.some(({ name }) => isSameName(name, value.name));
      if (!isCalled && !isChange && !isAbout && !isTold) continue;
      const index = args.findIndex(
        ({ name, type }) =>
          (alike(type, value.type) &&
            (isCalled ||
              ((isChange || isTold) && isSameName(name, value.name)) ||
              // Files come from the platform, and whoever takes and gives them takes the same.
              (isChange && (saysValue.test(value.name) || /\bFile\b/.test(type))))) ||
          // Of what may be given in several kinds, one is told under its name.
          ((isChange || isTold) && name === value.name && isAmong(type, value.type)) ||
          // What may be anything is told under the value’s own name; trying it shows where it is.
          (isCalled && isPlain(value.type) && /^(any|unknown)$/.test(type)) ||
          // What is chosen may be of any type; that it is told under its very name says enough, or what is said to be chosen.
          (isChange && /^selected[A-Z]/.test(name) && name === value.name) ||
          (isAbout && chosenIn(value.name) === name),
      );
      // An element drawn by a component carries what its event is called after.
      const isEvent =
        saysValue.test(value.name) &&
        /Chang(e|ed)$/.test(report.name) &&
        isCalled &&
        /Event\b/.test(args[0]?.type ?? '');
      // Of another type than what is given, and still the value: it says so, and so does what is told.
      const isMapped =
        saysValue.test(value.name) && report.name === 'onChange' && /^(value|date|time)$/.test(args[0]?.name ?? '');
      const held =
        heldIn(args, value) ?? (isAbout && saysValue.test(value.name) ? chosenAmong(args, value) : undefined);
      const path =
        index >= 0 ? `/${index}` : (held?.path ?? (isMapped ? '/0' : isEvent ? `/0/target/${value.name}` : undefined));
      if (path !== undefined) return { value, report, path };
    }
  }
  // A value that can only be said to begin with, where a change gives one of its type.
  const first = properties.find(
    (one) =>
      !one.args && !one.inherited && !one.deprecated && startNames.test(one.name) && !isOfUnknown(one, properties),
  );
  const report =
    first && reports.find(({ name, args }) => changeNames.test(name) && isAmong(args?.[0]?.type ?? '', first.type));
  return first && report && { value: first, report, path: '/0' };
}

/** Texts, numbers and flags, and lists of them. */
const isPlain = (type: string): boolean => /^(string|number|boolean|false \| true)(\[\])?$/.test(bare(type));

/**
 * An element's property with an event that is called after it: `rating` and `rating-changed`, `checked` and
 * `xy-toggle-checked`. Elements that are made of
 * observed properties tell so of many that no person changes.
 */
export function namedByEvent({
  events,
  properties,
}: Pick<FoundInput, 'events' | 'properties'>):
  { readonly value: DeclaredProperty; readonly report: string } | undefined {
  for (const value of properties) {
    // Of a few words that are named one is how it works, and not what is entered.
    if (noValues.test(value.name) || toldOnly.test(value.name) || (value.choices?.length ?? 0) > 0) continue;
    // In words or as it is written, with what begins all of a package or without.
    const word = value.name.replace(/[A-Z]/g, '-?$&');
    const called = new RegExp(`^(?:(?:[a-z]+-)?${word}-?chang(e|ed)|[a-z]*-?toggle-?${word})$`, 'i');
    const event = events.find(({ name }) => called.test(name));
    if (event) return { value, report: event.name };
  }
  return undefined;
}
const toldOnly =
  /^(invalid|valid|validity|error|errorMessage|dirty|touched|disabled|readonly|required|labels?|items|options|data|language|locale)$/i;

/** Whether two names are one, in whatever number: `value` and `values`. */
function isSameName(a: string, b: string): boolean {
  const singular = (name: string): string => name.toLowerCase().replace(/s$/, '');
  return singular(a) === singular(b);
}

/** A list of a package's own objects can only be filled where there are some to choose from; files come from the platform. */
function isOfUnknown({ members, type }: DeclaredProperty, properties: readonly DeclaredProperty[]): boolean {
  const isOfObjects = members !== undefined || /\b[A-Z]\w*(<[^[\]]*>)?\[\]/.test(type);
  return (
    isOfObjects &&
    // What can be drawn may be a text; files come from the platform.
    !/\bReactNode\b/.test(type) &&
    !/\bFile\b/.test(type) &&
    !properties.some(({ name }) => !/^data(Source)?$/.test(name) && choiceLists.test(name))
  );
}

/** Words of two names that are one, in whatever number: `acceptedFiles`, `onFileChange`. */
function shareWord(value: string, report: string): boolean {
  const words = (name: string): string[] =>
    (name.match(/[A-Z]?[a-z]+/g) ?? []).map((word) => word.toLowerCase().replace(/(ed|ion|s)$/, ''));
  const named = new Set(words(report).filter((word) => word.length > 2 && !/^(chang|updat)/.test(word)));
  return words(value).some((word) => named.has(word));
}

/** Where an object among the arguments has a member of the value's name and type. */
export function heldIn(
  args: readonly DeclaredArgument[],
  value: DeclaredProperty,
): { readonly path: Pointer; readonly type: string } | undefined {
  // What is chosen is told as the whole choice: `selectedKey` is its `key`.
  const chosen = chosenIn(value.name);
  for (const [index, { holds = [] }] of args.entries()) {
    const held = holds.find(
      ({ path, type }) =>
        (path.endsWith(`/${value.name}`) && (alike(type, value.type) || bare(type) === bare(value.type))) ||
        (chosen !== undefined && path.endsWith(`/${chosen}`) && isAmong(type, value.type)),
    );
    if (held) return { path: `/${index}${held.path}`, type: held.type };
  }
  return undefined;
}

/** Where an object among the arguments says in other words what is chosen: `selectedItems` of `selectedOptions`. */
function chosenAmong(
  args: readonly DeclaredArgument[],
  value: DeclaredProperty,
): { readonly path: Pointer } | undefined {
  for (const [index, { holds = [] }] of args.entries()) {
    const held = holds.find(({ path, type }) => /^\/selected[A-Z]\w*$/.test(path) && alike(type, value.type));
    if (held) return { path: `/${index}${held.path}` };
  }
  return undefined;
}

/** What is said to be chosen: `keys`, of `selectedKeys`. */
const chosenIn = (name: string): string | undefined =>
  /^selected([A-Z]\w*)$/.exec(name)?.[1]?.replace(/^./, (letter) => letter.toLowerCase());

/** The names that a report of a value of this name may have. */
function reportsOf(name: string): RegExp {
  const word = name.replace(/[^\w]/g, '');
  // What is called by what one does: `rating` and `onRate`.
  const own = /[a-z]{3}ing$/.test(word) ? `(?:${word}|${word.slice(0, -3)}e?)` : word;
  return new RegExp(
    `^(on|set|handle|change|update)?${own}(s?Chang(e|ed)|Set|Update|Updated|Select|Selected)?$|^on(Change|Set|Update|Select)${own}$`,
    'i',
  );
}

const bare = (type: string): string =>
  type
    .replace(/\s*\|\s*(undefined|null)\b/g, '')
    .replace(/\b(undefined|null)\s*\|\s*/g, '')
    .replace(/\breadonly\s+/g, '')
    .replace(/^NonNullable<(\w+)>$/, '$1')
    .trim();
/** Whether all that a type may be, the other may be, too. */
export function isAmong(type: string, all: string): boolean {
  const kinds = (text: string): string[] => bare(text).split(/\s*\|\s*/);
  const others = new Set(kinds(all));
  return !/^(any|unknown)$/.test(bare(type)) && kinds(type).every((one) => others.has(one));
}
/** Whether two types are the same but for nothing being among them; what may be anything speaks for nothing. */
export function alike(a: string, b: string): boolean {
  return bare(a) === bare(b) && !/^(any|unknown)$/.test(bare(a));
}
