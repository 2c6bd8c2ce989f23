/** Skins as a kit describes them. Drawn in frames, which have no reader of kits. */
import { wrappedIn, type Wrapper } from '../adapter/index.js';

/** What a skin can draw with components of a suite, beside the box around a field. */
export const skinParts = [
  'label',
  'mark',
  'hint',
  'message',
  'group',
  'list',
  'tab',
  'button',
  'submit',
  'summary',
] as const;
export type SkinPart = (typeof skinParts)[number];

/** A component in place of one of HTML's own elements. */
export interface SkinPartDescription {
  /** As inputs are named: `package#Export`. */
  readonly component: string;
  /** What it is given, by HTML's name, and its own name of that: `{ "type": "htmlType" }`. An empty one leaves it out. */
  readonly names?: Readonly<Record<string, string>>;
  /** What it gets besides. */
  readonly properties?: Readonly<Record<string, unknown>>;
}

/** A skin drawn with components of a suite: under which names the box takes what it draws, and what else is the suite's. */
export interface SkinDescription {
  /** The box around a field, as inputs are named: `package#Export`. None draws the field as the plain skin does. */
  readonly component?: string;
  readonly label?: string;
  /** The box draws a `<label>` itself, and takes the input's id under this name; empty where it takes none. */
  readonly labelFor?: string;
  readonly hint?: string;
  readonly error?: string;
  readonly required?: string;
  readonly properties?: Readonly<Record<string, unknown>>;
  /** What it gets in place of these where the field has a problem. */
  readonly invalid?: Readonly<Record<string, unknown>>;
  readonly parts?: Readonly<Partial<Record<SkinPart, SkinPartDescription>>>;
  /** What has to stand around each of them, as with adapters, the outermost first. */
  readonly around?: readonly Wrapper[];
}
/** The components that a skin draws with, and what stands around them. */
export const componentsOfSkin = ({ component, parts = {}, around = [] }: SkinDescription): string[] => [
  ...new Set(
    [component, ...Object.values(parts).map((part) => part.component), ...wrappedIn(around)].filter(
      (one) => one !== undefined,
    ),
  ),
];
