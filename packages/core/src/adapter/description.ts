import type { Pointer } from '../json/index.js';
import type { Gesture } from './gesture.js';

/** How the focus is put on what a person sees as the input. */
export type Focus =
  /** The element that takes the id, or the one the ref gives. */
  | { readonly by: 'element' }
  /** A method of the handle that the ref gives. */
  | { readonly by: 'handle'; readonly method: string }
  /** The first element inside that a selector finds. */
  | { readonly by: 'inner'; readonly selector: string };

/** How a plain-DOM widget tells of changes. */
export const widgetReports = ['options', 'on', 'methods', 'events'] as const;
export type WidgetReports = (typeof widgetReports)[number];

/** What a plain-DOM widget may be made on. */
export const widgetElements = ['div', 'input', 'textarea', 'select', 'canvas'] as const;

/** How a plain-DOM widget is made, changed and taken away. */
export interface WidgetUse {
  /** `new` for a class, `call` for a function; the element comes first, the options second. */
  readonly start: 'new' | 'call';
  /** The option that takes the element; absent: it comes first, before the options. */
  readonly place?: string;
  /** No option takes a value: the first one is told as later ones are. */
  readonly startsEmpty?: boolean;
  /** The method of what was made that is called once, without which nothing is drawn (`init`). */
  readonly begin?: string;
  /** A way from the element or what was made to the living thing (`noUiSlider` leaves it on the element). */
  readonly handle?: string;
  /** The method, or the property, that takes a later value; the element's own property where what was made has none. */
  readonly update: string;
  readonly destroy?: string;
  /** What it puts on the page while it is made, beside its element, is still there afterwards: the adapter takes it away. */
  readonly leavesTraces?: boolean;
  /**
   * Whether reports are options (`onChange`, or `events.change` within another), events that a method subscribes to,
   * methods of what was made that take the listener alone (or properties that hold it), or DOM events of the element.
   */
  readonly reports: WidgetReports;
  /** The method that subscribes to an event; absent: `on`. */
  readonly on?: string;
  /** The element that it is made on. */
  readonly element: (typeof widgetElements)[number];
}

/** Where the values to choose from go, and in which words. */
export type ChoicesUse =
  | ListUse
  /** Child elements of this tag, with the value in a property, and the text in another or inside. */
  | { readonly tag: string; readonly value: string; readonly text?: string }
  /** Child components, as inputs are named (`package#export`), with value and text in properties; `children` is one. */
  | { readonly component: string; readonly value: string; readonly text: string };

/** A property that takes a list; each item has its value and its text under these names. */
export interface ListUse {
  readonly property: string;
  readonly value: string;
  readonly text: string;
  /**
   * The input's value is the item itself, or a list of items; the field shows and hears what stands under `value`. Absent:
   * it is that. With `words` an item is the words alone, and has no names in it.
   */
  readonly takes?: 'item' | 'words';
  /** The property takes what this makes (`package#export`) of an object that has the list under `under`. Absent: the list. */
  readonly made?: { readonly by: string; readonly under: string };
  /** The component that stands inside once for each item, and its property that takes it. */
  readonly each?: { readonly component: string; readonly property: string };
}

/** HTML's own box, named like a component: around an input it bears marks that a style sheet reads, `class` or `data-…`. */
export const plainBox = '#div';

/** A component that has to stand around the input: a provider of settings, a theme. */
export interface Wrapper {
  /** As inputs are named: `package#export`; or {@link plainBox}. */
  readonly component: string;
  readonly properties?: Readonly<Record<string, unknown>>;
  /** Properties that take what a package exports, a theme or a class: under the property's name, `package#export`. */
  readonly imports?: Readonly<Record<string, string>>;
}

/** What has to be at hand for components around: they themselves, and what their properties import. */
export function wrappedIn(wrappers: readonly Wrapper[]): string[] {
  return wrappers.flatMap(({ component, imports = {} }) => [
    ...(component === plainBox ? [] : [component]),
    ...Object.values(imports),
  ]);
}

/**
 * What stands inside the input, where it is put together of parts: words, or another component of its package with what
 * stands inside that in turn. The component that the description's choices name stands once for each of them.
 */
export type Inside =
  | {
      /** As inputs are named: `package#export`. */
      readonly component: string;
      readonly properties?: Readonly<Record<string, unknown>>;
      /** The property by which it goes into what is around it, the input or a part. Absent: it stands inside. */
      readonly at?: string;
      /**
       * What is around calls a function for it: what the function is given goes in under this property; with `true` its
       * members are the part's own properties.
       */
      readonly given?: string | true;
      readonly inside?: readonly Inside[];
    }
  | {
      /** Words as they are, or in their place those of the choice in which they stand, or of all that is chosen. */
      readonly words: string;
      readonly of?: 'choice' | 'chosen';
      /** They stand only while the input is on, or the choice in which they stand is chosen, or only while not. They are silent then. */
      readonly when?: 'chosen' | 'not chosen';
      /** They are only drawn: no screen reader hears them. */
      readonly silent?: true;
    };

/** Words for what is on, or chosen, and others for what is not. */
export const markedBy = (on: string, off: string): readonly Inside[] => [
  { words: on, when: 'chosen' },
  { words: off, when: 'not chosen' },
];

/** The components among what stands inside. */
export function componentsIn(inside: readonly Inside[]): string[] {
  return inside.flatMap((one) => ('component' in one ? [one.component, ...componentsIn(one.inside ?? [])] : []));
}

/**
 * How a value that is an object of a library comes of a text, and is told as one again. Where the input takes a list or
 * an object of such values, each of its items or members is made.
 */
export interface MadeUse {
  /** What makes it, of the text alone: `package#export`, or a member of an export as `package#Export.member`. */
  readonly by: string;
  /** That is a class, and makes it by `new`. Absent: it is called. */
  readonly start?: 'new';
  /** The value's own method that tells it as text; absent: `toString`. */
  readonly read?: string;
  /** What that method is given: a pattern, a format. Absent: nothing. */
  readonly given?: readonly unknown[];
}

/** The component that stands once for each of the choices. */
export function componentOfChoice(choices: ChoicesUse | undefined): string | undefined {
  if (!choices || 'tag' in choices) return undefined;
  return 'component' in choices ? choices.component : choices.each?.component;
}

/** What has to be at hand for choices: what stands for one, and what makes the list of them. */
export function componentsOfChoices(choices: ChoicesUse): string[] {
  const maker = 'property' in choices ? choices.made?.by : undefined;
  return [componentOfChoice(choices), maker].filter((id) => id !== undefined);
}

/** In the words of `value.kind`. */
export const valueKinds = ['text', 'filled text', 'number', 'boolean', 'list', 'set', 'object'] as const;
/**
 * A kind of value that an input may insist on; a `set` is given a list's items, each once (ECMAScript, “Set Objects”), and
 * where only a `filled text` is borne, an empty one is no value.
 */
export type ValueKind = (typeof valueKinds)[number];

/** What an input needs that does not follow its property. */
export const laterValues = ['anew', 'files'] as const;

/** One of several inputs that act as one value. */
export interface PartUse {
  /** Its member in what is shown and reported. */
  readonly name: string;
  readonly label: string;
  readonly use: AdapterDescription;
}

/**
 * How one input speaks, as data: the workbench edits it, the stand runs it, the hand-over writes it as source.
 * Names of properties and reports are the input's own.
 */
export interface AdapterDescription {
  /** The kit's name for the input. */
  readonly input: string;
  readonly title?: string;
  readonly value: {
    readonly property: string;
    /** A property that takes the first value, too: the month at which a calendar opens. */
    readonly start?: string;
    /** What the input takes for "no value", as `codec/written` writes it. Absent: the property is left out. */
    readonly empty?: unknown;
    /** It bears values of this kind only; any other is taken for "no value". */
    readonly kind?: ValueKind;
    /** It takes objects of a library; what the field shows is text, and so is what it reports. */
    readonly made?: MadeUse;
    /**
     * `anew`: it knows its value from the beginning only, so with a later one it is made anew, and loses the focus. `files`:
     * its value are files, which HTML's own box takes from no property, so they are put into the box for them that it
     * draws (HTML, `HTMLInputElement.files`), the first ones, too. Absent: it follows its property.
     */
    readonly later?: (typeof laterValues)[number];
  };
  readonly change: {
    /** The callback or event that tells of a change. */
    readonly report: string;
    /** Where the value sits in the list of its arguments. */
    readonly path: Pointer;
    /**
     * Of a widget: the report tells only that something changed, and this method of what was made, or this property, has
     * the value; `path` leads into a list of that alone.
     */
    readonly asks?: string;
    /** It tells only that it was pressed, and what it stands for at most: the value, yes or no, turns over. Absent: the value is told. */
    readonly tells?: 'press';
    /** It keeps what it reported although it is given the old value: when a change is refused, or taken back later, it has to be made anew. */
    readonly refused?: 'anew';
  };
  /** The report of leaving; absent: the focus going out of the input's box counts. */
  readonly leave?: { readonly report: string };
  readonly focus: Focus;
  /** How "invalid" is told: a property with this value; absent: `aria-invalid` on the box. */
  readonly invalid?: { readonly property: string; readonly value?: unknown };
  readonly disabled?: { readonly property: string };
  readonly readOnly?: { readonly property: string };
  readonly required?: { readonly property: string };
  /** Where the id of the real element goes; absent: the box stands for the input, as a named group. */
  readonly id?: { readonly property: string };
  /**
   * What it makes ids of for the elements inside, or the name by which its radios are one group; it gets one that no other
   * field has (`ownIdsOf`).
   */
  readonly ownIds?: { readonly property: string };
  readonly name?: { readonly property: string };
  readonly describedBy?: { readonly property: string };
  /** What takes the id of the label. */
  readonly labelledBy?: { readonly property: string };
  readonly placeholder?: { readonly property: string };
  /** What takes the words of the label, where the input draws them itself: the form then draws none. */
  readonly label?: { readonly property: string };
  /** What takes the words of the hint, likewise. */
  readonly hint?: { readonly property: string };
  /** What takes the words of what is to be mended, likewise. It may be that of the hint, which then follows. */
  readonly message?: { readonly property: string };
  readonly constants?: Readonly<Record<string, unknown>>;
  /**
   * The one element inside that a person works with, by selector; open shadow trees are looked into. It gets name,
   * description, invalid and required, where no property carries them. Absent: the box is a group.
   */
  readonly real?: { readonly selector: string };
  readonly choices?: ChoicesUse;
  /**
   * What a server draws of it. Absent: itself. With `nothing` its box is empty until it stands in a browser: for inputs
   * that need a window, or draw otherwise there.
   */
  readonly onServer?: 'nothing';
  readonly inside?: readonly Inside[];
  /** Outermost first. */
  readonly wrappers?: readonly Wrapper[];
  /** What a person does to change the value, for the checks. */
  readonly gesture?: Gesture;
  /** Two values that it can show, for the checks, as `codec/written` writes them. */
  readonly samples?: readonly [unknown, unknown];
  readonly widget?: WidgetUse;
  /** Several inputs as one value: what is shown has a member for each part. */
  readonly parts?: readonly PartUse[];
}

/**
 * What has to be at hand beside an adapter's input: components around and inside it and for its choices, and what makes
 * its values.
 */
export function componentsBeside({
  value,
  wrappers = [],
  inside = [],
  choices,
  parts = [],
}: AdapterDescription): string[] {
  return [
    ...new Set([
      ...(value.made ? [value.made.by] : []),
      ...wrappedIn(wrappers),
      ...componentsIn(inside),
      ...(choices ? componentsOfChoices(choices) : []),
      ...parts.flatMap(({ use }) => componentsBeside(use)),
    ]),
  ];
}

/** What a field tells its input, in the words of the form. */
export interface InputState {
  readonly shown: unknown;
  readonly invalid: boolean;
  readonly disabled: boolean;
  readonly readOnly: boolean;
  readonly required: boolean;
  readonly id: string;
  readonly name: string;
  readonly labelledBy: string | undefined;
  readonly describedBy: string | undefined;
  readonly placeholder?: string | undefined;
  /** The words of the label, with the mark of what is required, and of what describes the field, for elements that ids cannot reach. */
  readonly label?: string | undefined;
  readonly description?: string | undefined;
  /** The words of the hint, and of what is to be mended, for inputs that draw them themselves. */
  readonly hint?: string | undefined;
  readonly message?: string | undefined;
  /** What is sent, as text: a hidden input carries it under the name where the input does not; `null` where nothing is sent. */
  readonly sent?: string | null | undefined;
}
