import type { Pointer } from '../json/index.js';
import {
  componentsIn,
  wrappedIn,
  type ChoicesUse,
  type ListUse,
  type Inside,
  type MadeUse,
  type WidgetUse,
  type Wrapper,
} from './description.js';
import type { Family } from './families.js';

/** One property that an input declares. */
export interface DeclaredProperty {
  readonly name: string;
  /** Its type as the declaration writes it, shortened where it is long. */
  readonly type: string;
  readonly says?: string;
  readonly required?: boolean;
  /** It comes with the framework's types for HTML elements, and says less than what the package declares itself. */
  readonly inherited?: true;
  /** Its maker advises against it. */
  readonly deprecated?: true;
  /** For a list of objects: the names of their members. */
  readonly members?: readonly string[];
  /** For a required property: a value of its type, as plain as it can be. */
  readonly sample?: unknown;
  /** For a callback: its arguments. */
  readonly args?: readonly DeclaredArgument[];
  /** For a callback: it is asked for something, and has to answer. */
  readonly asked?: true;
  /** For a choice of texts: the texts. */
  readonly choices?: readonly string[];
}
/** One argument of a callback. */
export interface DeclaredArgument {
  readonly name: string;
  readonly type: string;
  /** What may be the value inside of it: the way to each member (`/detail/value`, RFC 6901), and its type. */
  readonly holds?: readonly { readonly path: Pointer; readonly type: string }[];
}
/** An event or callback that an input declares. */
export interface DeclaredEvent {
  readonly name: string;
  readonly type?: string;
  readonly says?: string;
}

/** An input as found in a project folder, with what it declares. */
export interface FoundInput {
  /** `package#export`, or `native#text`. */
  readonly id: string;
  readonly family: Family;
  readonly package: string;
  readonly version: string;
  /** What to import, or the tag of an element. */
  readonly export: string;
  readonly module: string;
  /** For an element: the export of its module that is called once, to register it; absent where importing it does. */
  readonly registers?: string;
  readonly tag?: string;
  readonly says?: string;
  readonly properties: readonly DeclaredProperty[];
  readonly events: readonly DeclaredEvent[];
  readonly methods: readonly string[];
  /** The ARIA properties for ids of a label and of descriptions that it declares itself. */
  readonly links?: readonly string[];
  /** For an element: the parts inside that it lets sheets reach (`::part()`), with what they are. */
  readonly parts?: readonly { readonly name: string; readonly says?: string }[];
  /** Style sheets that its package ships, as module paths. */
  readonly css: readonly string[];
  /** The element that stands inside it for each value to choose from; `module` registers it, and is empty for one of HTML's own. */
  readonly item?: ElementInside;
  /** For a component: the one that stands inside it for each value to choose from. */
  readonly choiceItem?: ChoiceComponent;
  /** Its property for the words of a choice, beside what is drawn of it where that is more than words. */
  readonly choiceWords?: string;
  /** For a component that takes no plain list of choices: what makes the one that it takes. */
  readonly list?: ListMade;
  /** Components of its package that it may have to stand in, the likeliest first. */
  readonly around?: readonly Wrapper[];
  /** Ways to put it together of parts of its package, the likeliest first. */
  readonly inside?: readonly PutTogether[];
  /** For a component that takes objects of a library: how they may be made. */
  readonly made?: ObjectValue;
  /** For a widget: how it is made and told of later values. */
  readonly widget?: WidgetUse;
}

/** An element that stands inside another, with the module that registers it. */
export type ElementInside = {
  readonly tag: string;
  /** Its property for the words, where they do not stand inside. */
  readonly text?: string;
} & Pick<FoundInput, 'module' | 'registers'>;

/** A property that takes choices, and what makes of a list what it takes. */
export type ListMade = Pick<ListUse, 'property'> & { readonly made: NonNullable<ListUse['made']> };

type ChoiceComponent = Extract<ChoicesUse, { readonly component: string }>;
/** One way to put an input together: what stands inside it, and which part of that stands for a choice. */
export interface PutTogether {
  readonly inside: readonly Inside[];
  readonly choices?: ChoicesUse;
  /** What it is given itself where it stands so: a size, where its package gives none. */
  readonly constants?: Readonly<Record<string, unknown>>;
}

/** A property that takes objects of a library, and the ways in which they may be made, the likeliest first. */
export interface ObjectValue {
  readonly property: string;
  readonly uses: readonly MadeUse[];
  /** It may take one alone. */
  readonly alone?: true;
  /** It takes an object with these members, each such a value: a first and a last day. */
  readonly members?: readonly string[];
  /** It may take a list of them: the number of its items, where that is fixed, or one. */
  readonly listed?: number;
}

/** What has to be at hand where an input is tried, beside what the adapter needs that it is tried with. */
export function componentsToTry(input: FoundInput): string[] {
  return [...new Set([...partsToTry(input), ...(input.made?.uses ?? []).map(({ by }) => by)])];
}

/** The components among that: what may stand around and inside the input. */
export function partsToTry({ around = [], inside = [], choiceItem, list }: FoundInput): string[] {
  return [
    ...new Set([
      ...wrappedIn(around),
      ...inside.flatMap((one) => componentsIn(one.inside)),
      ...(choiceItem ? [choiceItem.component] : []),
      ...(list ? [list.made.by] : []),
    ]),
  ];
}

/** One statement about an input, with what it rests on. */
export interface Finding {
  readonly about:
    | 'value'
    | 'widget'
    | 'made'
    | 'change'
    | 'leave'
    | 'focus'
    | 'invalid'
    | 'disabled'
    | 'readOnly'
    | 'required'
    | 'id'
    | 'ownIds'
    | 'label'
    | 'describedBy'
    | 'message'
    | 'onServer'
    | 'constants'
    | 'choices'
    | 'around'
    | 'inside'
    | 'codec';
  readonly says: string;
  readonly evidence: string;
  readonly from: 'declared' | 'observed';
  /** 0 to 1. */
  readonly certainty: number;
}

/** What an input is called: its export; what is the default of a module has no name but the module's, `kit-of-ours/field/box.js` is `box`. */
export function calledAs({ export: exported, module, package: pkg }: FoundInput): string {
  const [first, ...members] = exported.split('.');
  if (first !== 'default') return exported;
  const below = module.startsWith(`${pkg}/`) ? module.slice(pkg.length + 1).replace(/(\/index)?(\.[cm]?js)?$/, '') : '';
  return [below.slice(below.lastIndexOf('/') + 1) || pkg, ...members].join('.');
}
