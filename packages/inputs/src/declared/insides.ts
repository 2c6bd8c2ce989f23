/**
 * Ways to put a component together of the parts that its package has for it, by names of general use and by what their
 * properties take. Which of them is right, if any, shows when it is tried.
 */
import type { FoundInput, Inside, PutTogether } from '@poietra/core';
import ts from 'typescript';
import { choiceComponent, typeAt } from './choice-items.js';
import type { Components } from './components.js';
import type { Declarations } from './declarations.js';
import { exportsOf } from './exports.js';

/** What parts are called, by what they do. */
const called = {
  field: ['Input'],
  press: ['Trigger', 'Button'],
  value: ['Value', 'ValueText'],
  portal: ['Portal'],
  place: ['Positioner'],
  popup: ['Popover', 'Popup', 'Content', 'Options', 'Overlay', 'Dropdown'],
  list: ['Viewport', 'List', 'ListBox', 'Listbox'],
  item: ['Item', 'Option', 'ListBoxItem'],
  itemText: ['ItemText', 'OptionText'],
  itemMark: ['ItemControl'],
  itemHidden: ['ItemHiddenInput'],
  control: ['Control'],
  track: ['Track'],
  range: ['Range', 'Fill', 'Indicator'],
  thumb: ['Thumb', 'Handle'],
  mark: ['Indicator', 'Thumb', 'Button', 'Control'],
  hidden: ['HiddenInput', 'BubbleInput'],
} as const;
/** Parts that a package has for several of its components, under no name of theirs. */
const shared = new Set(['Input', 'Button', 'Group', 'Popover', 'ListBox', 'ListBoxItem', 'Option']);
const mostWays = 6;
/** Names of what has a list that opens, and of what is typed into. */
const isOfChoices = /select|combo|auto|drop|listbox/i;
const isTypedInto = /field|input|combo|auto|search|number|text/i;

/** Marks for what is on and what is not, in signs that every font has. */
const markedBy = (on: string, off: string): readonly Inside[] => [
  { words: on, when: 'chosen' },
  { words: off, when: 'not chosen' },
];
const [boxMarks, roundMarks] = [markedBy('■', '□'), markedBy('●', '○')];

/** The likeliest first; none where nothing of the kind is exported, or where the component takes nothing inside. */
export function insidesOf(
  read: Declarations,
  components: Components,
  module: ts.Symbol,
  input: FoundInput,
): PutTogether[] {
  if (input.family !== 'component') return [];
  const type = typeAt(read, module, input.export);
  if (!type || !components.propsOf(type, 'children')) return [];
  const parts = new Parts(read, components, module, input);
  const isFlag = input.properties.some(({ name }) => /^(checked|pressed|isSelected)$/.test(name));
  const ways = [
    ...popups(parts),
    ...items(parts),
    ...drawnBy(parts),
    ...sliders(parts),
    ...fields(parts),
    ...(isFlag ? marks(parts) : []),
  ];
  const told = new Set<string>();
  return ways.filter((way) => !told.has(JSON.stringify(way)) && told.add(JSON.stringify(way))).slice(0, mostWays);
}

/** Each part in the one before it; what is missing is left out. */
const nest = (outer: readonly (string | undefined)[], inner: readonly Inside[]): readonly Inside[] =>
  outer.reduceRight<readonly Inside[]>(
    (inside, component) =>
      component === undefined ? inside : [{ component, ...(inside.length > 0 ? { inside } : {}) }],
    inner,
  );
const alone = (component: string | undefined): Inside[] => (component === undefined ? [] : [{ component }]);

/** A field or a button, and a list of the choices that opens from it. */
function popups(parts: Parts): PutTogether[] {
  const popup = parts.own('popup') ?? (isOfChoices.test(parts.stem) ? parts.get('popup') : undefined);
  const item = popup === undefined ? undefined : parts.item();
  if (!item) return [];
  const [itemText, list] = [parts.get('itemText'), parts.get('list')];
  const words: Inside = { words: '', of: 'choice' };
  const one: Inside = { component: item.component, inside: nest([itemText], [words]) };
  const opened = nest([parts.own('portal'), parts.own('place'), popup, list], [one]);
  const press = parts.get('press');
  const isTyped = parts.own('field') !== undefined || isTypedInto.test(parts.stem);
  const field = isTyped ? parts.get('field') : undefined;
  const put = (beside: readonly Inside[]): PutTogether => ({ inside: [...beside, ...opened], choices: item });
  if (field !== undefined) {
    const pressed: Inside[] = press === undefined ? [] : [{ component: press, inside: [{ words: '▼', silent: true }] }];
    return [put([{ component: field }, ...pressed]), put(nest([parts.own('control')], [{ component: field }]))];
  }
  if (press === undefined) return [];
  const chosen: Inside = { words: 'None', of: 'chosen' };
  const value = parts.own('value');
  const ways = [...(value === undefined ? [] : [nest([press], [{ component: value }])]), nest([press], [chosen])];
  return ways.map(put);
}

/** All choices in view, each put together itself. */
function items(parts: Parts): PutTogether[] {
  const item = parts.own('popup') === undefined ? parts.item() : undefined;
  const [words, mark, hidden] = [parts.own('itemText'), parts.own('itemMark'), parts.own('itemHidden')];
  if (!item || (words ?? mark ?? hidden) === undefined) return [];
  const inside: Inside[] = [
    ...(mark === undefined ? [] : nest([mark], roundMarks)),
    ...nest([words], [{ words: '', of: 'choice' }]),
    ...alone(hidden),
  ];
  return [{ inside: nest([parts.own('control')], [{ component: item.component, inside }]), choices: item }];
}

/** What is drawn by a function of what the part around gives: the segments of a date, the days of a month. */
function drawnBy(parts: Parts): PutTogether[] {
  return parts.byFunction().map(({ outer, component, given }) => ({
    inside: [{ component: outer, inside: [{ component, given }] }],
  }));
}

/** What a package without a look leaves out: where the handle goes, and that it goes along something. */
const lineStyle = {
  display: 'block',
  position: 'relative',
  width: '12rem',
  height: '1.5rem',
  background: 'linear-gradient(currentColor, currentColor) center / 100% 1px no-repeat',
};

function sliders(parts: Parts): PutTogether[] {
  const [track, thumb] = [parts.own('track'), parts.own('thumb')];
  if (thumb === undefined || (track === undefined && !/slider|area|wheel/i.test(parts.stem))) return [];
  const control = parts.own('control');
  const line = (inside: readonly Inside[]): readonly Inside[] =>
    track === undefined
      ? inside
      : [{ component: track, properties: { style: lineStyle }, ...(inside.length > 0 ? { inside } : {}) }];
  const handle: Inside = { component: thumb, inside: [{ words: '●', silent: true }] };
  const range = alone(parts.own('range'));
  return [{ inside: nest([control], line([...range, handle])) }, { inside: nest([control], [...line(range), handle]) }];
}

function fields(parts: Parts): PutTogether[] {
  const field = parts.own('field') ?? (isTypedInto.test(parts.stem) ? parts.get('field') : undefined);
  if (field === undefined) return [];
  return [{ inside: nest([parts.own('control')], [{ component: field }]) }, { inside: [{ component: field }] }];
}

function marks(parts: Parts): PutTogether[] {
  const hidden = alone(parts.own('hidden'));
  const [mark, control] = [parts.own('mark'), parts.own('control')];
  return [
    ...(mark === undefined
      ? []
      : [{ inside: [...nest([mark === control ? undefined : control, mark], boxMarks), ...hidden] }]),
    ...(control === undefined ? [] : [{ inside: [...nest([control], boxMarks), ...hidden] }]),
    { inside: boxMarks },
  ];
}

/** What a module exports that may be a part of one input, by what it does. */
class Parts {
  readonly stem: string;
  /** `package`, as names of its exports begin. */
  readonly #package: string;
  readonly #exported: ReadonlySet<string>;
  readonly #members: ReadonlySet<string>;

  constructor(
    private readonly read: Declarations,
    private readonly components: Components,
    private readonly module: ts.Symbol,
    private readonly input: FoundInput,
  ) {
    const [outer = '', inner] = input.export.split('.');
    this.stem = outer;
    this.#package = read.pkg.module ?? read.pkg.name;
    this.#exported = new Set(exportsOf(read.checker, module).map(({ name }) => name));
    const type = typeAt(read, module, outer);
    const isSpace = inner === undefined || inner === 'Root';
    this.#members = new Set(
      type && isSpace
        ? read.checker.getPropertiesOfType(type).flatMap(({ name }) => (/^[A-Z]/.test(name) ? [name] : []))
        : [],
    );
  }

  /** A part under a name of the input's own: `Slider.Thumb`, `SliderThumb`; beside a `Root`, `Thumb`. */
  own(what: keyof typeof called): string | undefined {
    const stems = new Set([this.stem, this.stem.replace(/(Root|Group|Field|Picker)$/, '')]);
    for (const name of called[what]) {
      if (this.#members.has(name)) return this.#id(`${this.stem}.${name}`);
      for (const stem of stems)
        if ((stem !== '' || this.stem === 'Root') && this.#isOther(`${stem}${name}`)) return this.#id(`${stem}${name}`);
    }
    return undefined;
  }

  /** Its own, or one that its package shares out. */
  get(what: keyof typeof called): string | undefined {
    const name = this.own(what) ?? called[what].find((one) => shared.has(one) && this.#isOther(one));
    return name === undefined || name.includes('#') ? name : this.#id(name);
  }

  /** What stands for a choice, with the property that takes its value. */
  item(): FoundInput['choiceItem'] {
    const id =
      this.own('item') ??
      (this.own('popup') === undefined ? this.get('item') : undefined) ??
      this.input.choiceItem?.component;
    return id === undefined
      ? undefined
      : choiceComponent(this.read, this.components, this.module, id.slice(id.indexOf('#') + 1));
  }

  /** Parts that call a function for what stands inside them, each with a part that has to be given the same. */
  byFunction(): { readonly outer: string; readonly component: string; readonly given: string }[] {
    const [first = ''] = this.stem.match(/^[A-Z][a-z]+/) ?? [];
    const all = [...this.#exported].filter((name) => name !== this.stem && /^[A-Z]/.test(name));
    const likely = all.filter((name) => name.startsWith(first) || /Input$/.test(name));
    if (!/Date|Time|Calendar/.test(this.stem)) return [];
    return likely.flatMap((outer) => {
      const taken = this.#functionOf(outer);
      if (!taken) return [];
      const start = /^[A-Z][a-z]+/.exec(outer)?.[0] ?? '';
      return all
        .filter((name) => name !== outer && name.startsWith(start))
        .flatMap((name) => {
          const given = this.#takes(name, taken);
          return given === undefined ? [] : [{ outer: this.#id(outer), component: this.#id(name), given }];
        })
        .slice(0, 1);
    });
  }

  /** What the function takes that a part calls for what stands inside. */
  #functionOf(name: string): ts.Type | undefined {
    const { checker, where } = this.read;
    const type = typeAt(this.read, this.module, name);
    const props = type && this.components.propsOf(type, 'children');
    const children = props && checker.getPropertyOfType(props, 'children');
    if (!children) return undefined;
    const taken = checker.getNonNullableType(checker.getTypeOfSymbolAtLocation(children, where));
    const [argument] = (taken.isUnion() ? taken.types : [taken])
      .flatMap((one) => [...one.getCallSignatures()])
      .flatMap((signature) => signature.parameters.slice(0, 1));
    return argument && checker.getTypeOfSymbolAtLocation(argument, where);
  }

  /** The property that has to be given and takes just this. */
  #takes(name: string, wanted: ts.Type): string | undefined {
    const { checker, where } = this.read;
    const type = typeAt(this.read, this.module, name);
    const props = type && this.components.propsOf(type);
    if (!props || !(wanted.flags & ts.TypeFlags.Object)) return undefined;
    return checker
      .getPropertiesOfType(props)
      .find((one) => !(one.flags & ts.SymbolFlags.Optional) && checker.getTypeOfSymbolAtLocation(one, where) === wanted)
      ?.name;
  }

  readonly #isOther = (name: string): boolean => name !== this.input.export && this.#exported.has(name);
  readonly #id = (name: string): string => `${this.#package}#${name}`;
}
