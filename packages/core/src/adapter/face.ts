import type { WidgetUse, Wrapper } from './description.js';
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
  readonly args?: readonly { readonly name: string; readonly type: string }[];
  /** For a choice of texts: the texts. */
  readonly choices?: readonly string[];
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
  readonly tag?: string;
  readonly says?: string;
  readonly properties: readonly DeclaredProperty[];
  readonly events: readonly DeclaredEvent[];
  readonly methods: readonly string[];
  /** For an element: the parts inside that it lets sheets reach (`::part()`), with what they are. */
  readonly parts?: readonly { readonly name: string; readonly says?: string }[];
  /** Style sheets that its package ships, as module paths. */
  readonly css: readonly string[];
  /** The element that stands inside it for each value to choose from; `module` registers it, and is empty for one of HTML's own. */
  readonly item?: { readonly tag: string; readonly module: string };
  /** For a component: the one that stands inside it for each value to choose from, as `package#Export`, and what takes its words. */
  readonly choiceItem?: { readonly component: string; readonly text: string };
  /** Components of its package that it may have to stand in, the likeliest first. */
  readonly around?: readonly Wrapper[];
  /** For a widget: how it is made and told of later values. */
  readonly widget?: WidgetUse;
}

/** One statement about an input, with what it rests on. */
export interface Finding {
  readonly about:
    | 'value'
    | 'change'
    | 'leave'
    | 'focus'
    | 'invalid'
    | 'disabled'
    | 'readOnly'
    | 'required'
    | 'id'
    | 'describedBy'
    | 'constants'
    | 'choices'
    | 'around'
    | 'codec';
  readonly says: string;
  readonly evidence: string;
  readonly from: 'declared' | 'observed';
  /** 0 to 1. */
  readonly certainty: number;
}
