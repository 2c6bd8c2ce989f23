/** Hints: how a place is to be presented, beyond what its schema says. */

/** How many of a grid's twelve columns a place takes, by the width of the form. */
export type Span = number | { readonly narrow?: number; readonly medium?: number; readonly wide?: number };

/** Values to choose from that a server gives. */
export interface Remote {
  /** A URI template (RFC 6570) of their address; its variables are members beside the place, or at the form's root. */
  readonly from: string;
  /** Where the list stands in the answer; by default the answer is the list. */
  readonly list?: string;
  /** Where key and text stand in each item; by default the item itself is both. */
  readonly key?: string;
  readonly text?: string;
  /** What was typed counts as a value, too, though no choice has it. */
  readonly free?: boolean;
  /** The variable that takes what is typed; without it, what was fetched is searched. */
  readonly search?: string;
  /** Where the values of variables stand, as JSON Pointers into the form's value. */
  readonly variables?: Readonly<Record<string, string>>;
  /** A URI template with `{key}`: gives the item of a stored key, so that its text can be shown. */
  readonly one?: string;
  /** Where an answer that is one part of several says the address of the next, as seen from its own (RFC 3986, section 5). */
  readonly next?: string;
}

/** What has to hold beside the schema, and what is told where it does not. */
export interface HintRule {
  /** An expression that gives true or false. */
  readonly holds: string;
  readonly message: string;
  /** Where it is told: JSON Pointers below the place. Without them, at the place itself. */
  readonly tells?: readonly string[];
}

/** A value that a server is asked about. */
export interface HintCheck {
  /** A URI template (RFC 6570); `value` is the value, other variables are members beside the place, or at the form's root. */
  readonly from: string;
  /** Where the answer says true or false; by default it is that itself. */
  readonly good?: string;
  /** Where the answer has words for a value that is not good. */
  readonly reason?: string;
  /** What is told where the answer has no words. */
  readonly message?: string;
  /** Where no answer can be had: the value is let pass, or holds sending up. */
  readonly failing?: 'pass' | 'hold';
  /** Where the values of variables stand, as JSON Pointers into the form's value. */
  readonly variables?: Readonly<Record<string, string>>;
}

/** How a place is to be presented: the keyword `x-poietra`, or the same object beside the schema. */
export interface Hints {
  readonly label?: string;
  readonly hint?: string;
  readonly placeholder?: string;
  /** The kit's name of a field. */
  readonly field?: string;
  /** One of HTML's own inputs or boxes, by name: `radios`, `range`, `password` … */
  readonly input?: string;
  /** Members in the order in which they are to stand; those not named follow. */
  readonly order?: readonly string[];
  /** Of members: one under the other, side by side, in a grid, behind tabs, one page after the other. Of entries: one under the other, a table, tabs. */
  readonly layout?: 'stack' | 'row' | 'grid' | 'tabs' | 'table' | 'steps';
  readonly span?: Span;
  /** A section that can be folded, and how it stands at first. */
  readonly fold?: 'open' | 'closed';
  readonly prefix?: string;
  readonly suffix?: string;
  readonly lines?: number;
  readonly hidden?: boolean;
  readonly skin?: string;
  /** Words for values to choose from. */
  readonly words?: Readonly<Record<string, string>>;
  /** An expression; the place is there where it holds. */
  readonly condition?: string;
  /** An expression that gives the value. */
  readonly computed?: string;
  readonly remote?: Remote;
  readonly rules?: readonly HintRule[];
  readonly check?: HintCheck;
  /** Keywords in the order in which their problems are told. */
  readonly tells?: readonly string[];
  /** When a text is shown in its normal form: when the input is left, or already while it is typed. */
  readonly normal?: 'leaving' | 'typing';
  /** What to say instead, by keyword. */
  readonly messages?: Readonly<Record<string, string>>;
  readonly [own: string]: unknown;
}

/** Hints for a schema that must not be touched, by JSON Pointer into it. */
export type HintsBeside = Readonly<Record<string, Hints>>;
