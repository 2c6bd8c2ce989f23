/** Parts of one input among what a module exports, known by names of general use. */
import type { ChoicesUse, FoundInput } from '@poietra/core';
import ts from 'typescript';
import { choiceComponent, typeAt } from './choice-items.js';
import type { Components } from './components.js';
import type { Declarations } from './declarations.js';
import { exportsOf } from './exports.js';

/** What parts are called, by what they do. */
const called = {
  field: ['Input', 'Field'],
  sign: ['Slot', 'Cell', 'Char'],
  preview: ['Preview'],
  area: ['Area'],
  press: ['Trigger', 'Button'],
  value: ['Value', 'ValueText'],
  portal: ['Portal'],
  place: ['Positioner'],
  popup: ['Popover', 'Popup', 'Content', 'Options', 'Overlay', 'Dropdown'],
  list: ['Viewport', 'List', 'ListBox', 'Listbox'],
  item: ['Item', 'Option', 'ListBoxItem'],
  itemText: ['ItemText', 'OptionText'],
  itemMark: ['ItemControl'],
  itemIndicator: ['ItemIndicator'],
  itemHidden: ['ItemHiddenInput'],
  /** Draw all that the value consists of, by themselves. */
  items: ['Items'],
  segments: ['Segments'],
  segmentGroup: ['SegmentGroup'],
  content: ['Content'],
  control: ['Control'],
  group: ['Group'],
  track: ['Track'],
  range: ['Range', 'Fill', 'FilledTrack', 'Indicator'],
  thumb: ['Thumb', 'Handle'],
  mark: ['Indicator', 'Thumb', 'Button', 'Control'],
  hidden: ['HiddenInput', 'BubbleInput'],
} as const;
/** Names of what has a list that opens. */
export const isOfChoices = /select|combo|auto|drop|listbox/i;
/** Parts that a package has for several of its components, under no name of theirs. */
const shared = new Set(['Input', 'Button', 'Popover', 'ListBox', 'ListBoxItem', 'Option']);

/** What may be drawn of all that a function is given, the likeliest first. */
const drawable = [/^Text(Field|Input)$/, /^([A-Z]\w*)?(Field|Input)$/, /^Button$/];

/** What a module exports that may be a part of one input, by what it does. */
export class Parts {
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
    const isSpace = inner === undefined || inner === 'Root';
    this.#members = new Set(isSpace ? this.#membersOf(outer).map((name) => name.slice(outer.length + 1)) : []);
  }

  /** What stands under the name of another export: `Field.Input`. */
  #membersOf(name: string): readonly string[] {
    const type = typeAt(this.read, this.module, name);
    return (type ? this.read.checker.getPropertiesOfType(type) : []).flatMap((member) =>
      /^[A-Z]/.test(member.name) ? [`${name}.${member.name}`] : [],
    );
  }

  /**
   * A part under a name of the input's own: `Slider.Thumb`, `SliderThumb`; beside a `Root`, `Thumb`. What several share
   * bears one of their words: `ColorThumb`, for a `ColorSlider`.
   */
  own(what: keyof typeof called): string | undefined {
    const words = what === 'track' || what === 'thumb' ? (this.stem.match(/[A-Z][a-z]+/g) ?? []) : [];
    // What a group's name has beside the word is the name of one of its items, whose content is no list that opens.
    const ends = what === 'popup' ? /(Root|Field|Picker)$/ : /(Root|Group|Field|Picker)$/;
    const stems = new Set([this.stem, this.stem.replace(ends, ''), ...words]);
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
    const named = this.input.choiceItem?.component;
    const id =
      this.own('item') ??
      // The radios of a radio group are no items of a list that its package has, too.
      (named === this.#id(this.stem.replace(/Group$/, '')) ? named : undefined) ??
      this.#itemOfList() ??
      (this.own('popup') === undefined ? this.get('item') : undefined) ??
      named;
    return id === undefined
      ? undefined
      : choiceComponent(this.read, this.components, this.module, id.slice(id.indexOf('#') + 1));
  }

  /** Of a list that a package shares out, its own item rather than that of a menu. */
  #itemOfList(): string | undefined {
    // What opens a calendar or an area of colour has no choices.
    const hasChoices = isOfChoices.test(this.stem) || this.input.choiceItem !== undefined;
    const list = hasChoices && this.own('popup') !== undefined ? this.get('list') : undefined;
    const name = list?.slice(list.indexOf('#') + 1);
    return name !== undefined && this.#isOther(`${name}Item`) ? this.#id(`${name}Item`) : undefined;
  }

  /** What stands for a choice, and how choices are given then: by it alone, or in a list of which it takes one. */
  choice(): { readonly component: string; readonly choices: ChoicesUse } | undefined {
    const { list } = this.input;
    const component = list && this.own('item');
    const property = component && ['item', 'option'].find((name) => this.takes(component, name));
    if (list && component !== undefined && property !== undefined)
      return { component, choices: { ...list, value: 'value', text: 'label', each: { component, property } } };
    const item = this.item();
    return item && { component: item.component, choices: item };
  }

  /** Of a group of buttons, `Radio` in a `RadioGroup`: what labels one of them, which it takes as a whole by a property. */
  labelling(): { readonly component: string; readonly button: string; readonly at: string } | undefined {
    const [, button] = /^(\w+)Group$/.exec(this.stem) ?? [];
    if (button === undefined || !this.#isOther(button)) return undefined;
    for (const name of [...this.#exported].filter((one) => /^[A-Z]\w*Label$/.test(one))) {
      const component = this.#id(name);
      const at = ['control', 'input'].find((one) => this.takes(component, one));
      if (at !== undefined && this.takes(component, 'label') && this.takes(component, 'value'))
        return { component, button: this.#id(button), at };
    }
    return undefined;
  }

  /** A part under the name of another whole: `CheckboxControl`, beside `CheckboxRoot` or `Checkbox`. */
  beside(whole: string, end: string): string | undefined {
    const other = `${whole.slice(whole.indexOf('#') + 1).replace(/Root$/, '')}${end}`;
    return this.#isOther(other) ? this.#id(other) : undefined;
  }

  /** The parts of a part that is a whole itself: of a `ColorField`, in a `ColorPicker`. */
  whole(id: string): Parts | undefined {
    const name = id.slice(id.indexOf('#') + 1);
    const isWhole = !name.includes('.') && !name.startsWith(this.stem) && /Field$/.test(name);
    return isWhole ? new Parts(this.read, this.components, this.module, { ...this.input, export: name }) : undefined;
  }

  /** Parts that call a function for what stands inside them, each with a part that has to be given the same. */
  byFunction(): { readonly outer: string; readonly component: string; readonly given: string }[] {
    // Reading what all likely parts take is not little.
    if (!/Date|Time|Calendar/.test(this.stem)) return [];
    const words = this.stem.match(/[A-Z][a-z]+/g) ?? [];
    const own = [...this.#members].map((name) => `${this.stem}.${name}`);
    const others = [...this.#exported].filter((name) => name !== this.stem && /^[A-Z]/.test(name));
    const isLike = (name: string): boolean => words.some((word) => name.startsWith(word));
    // What is picked is typed into what a field of its kind is made of.
    const ofFields = others.flatMap((name) => (isLike(name) && /Field$/.test(name) ? this.#membersOf(name) : []));
    const all = [...own, ...ofFields, ...others];
    const likely = all.filter((name) => isLike(name) || /Input$/.test(name));
    return likely
      .sort((a, b) => Number(isLike(b)) - Number(isLike(a)))
      .flatMap((outer) => {
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

  /** Properties that have to be given and are called for an element, each with what takes all that they are given: a box to type into, or a button. */
  renderers(): { readonly at: string; readonly component: string }[] {
    const { checker, where } = this.read;
    const type = typeAt(this.read, this.module, this.input.export);
    const props = type && this.components.propsOf(type);
    if (!props) return [];
    return checker.getPropertiesOfType(props).flatMap((property) => {
      if (property.flags & ts.SymbolFlags.Optional || this.read.fromHtml(property) !== undefined) return [];
      const taken = checker.getNonNullableType(checker.getTypeOfSymbolAtLocation(property, where));
      const [signature] = (taken.isUnion() ? taken.types : [taken]).flatMap((one) => one.getCallSignatures());
      const [argument] = signature?.parameters ?? [];
      if (!signature || !argument) return [];
      if (!/Element|ReactNode|JSX/.test(checker.typeToString(signature.getReturnType()))) return [];
      const given = checker.getTypeOfSymbolAtLocation(argument, where);
      const rank = (name: string): number => drawable.findIndex((like) => like.test(name));
      return [...this.#exported]
        .filter((name) => rank(name) >= 0 && this.#isOther(name))
        .sort((a, b) => rank(a) - rank(b))
        .filter((name) => this.#takesAll(name, given))
        .slice(0, 2)
        .map((name) => ({ at: property.name, component: this.#id(name) }));
    });
  }

  /** Whether it has a property for each that is given; of objects their own members are not compared. */
  #takesAll(name: string, given: ts.Type): boolean {
    const { checker, where } = this.read;
    const type = typeAt(this.read, this.module, name);
    const props = type && this.components.propsOf(type);
    const members = checker.getPropertiesOfType(given);
    if (!props || members.length === 0) return false;
    const typeOf = (one: ts.Symbol): ts.Type =>
      checker.getNonNullableType(checker.getTypeOfSymbolAtLocation(one, where));
    return members.every((member) => {
      const property = checker.getPropertyOfType(checker.getApparentType(props), member.name);
      if (!property) return false;
      const isObject = (typeOf(member).flags & ts.TypeFlags.Object) !== 0;
      return isObject || checker.isTypeAssignableTo(typeOf(member), typeOf(property));
    });
  }

  /** The input itself. */
  get id(): string {
    return this.#id(this.input.export);
  }

  takes(id: string, property: string): boolean {
    const type = typeAt(this.read, this.module, id.slice(id.indexOf('#') + 1));
    return type !== undefined && this.components.propsOf(type, property) !== undefined;
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
