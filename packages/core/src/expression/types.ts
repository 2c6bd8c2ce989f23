import type { Pointer } from '../json/index.js';

/** What an expression can look at. */
export interface Scope {
  /** The whole value of the form. */
  readonly form: unknown;
  /** The object or list around the place that the expression is written at. */
  readonly here: unknown;
  /** The value of the place itself. */
  readonly value: unknown;
}

/** What came of asking: a value, nothing yet since something is missing, or what is wrong with the expression. */
export type Expressed = { readonly value: unknown } | { readonly missing: string } | { readonly trouble: string };

/** An expression that has been read. */
export interface Expression {
  readonly text: string;
  /** Where it looks, by the name of the scope: `["form", "/cargo"]`, `["here", "/weight"]`. */
  readonly references: readonly (readonly ['form' | 'here' | 'value', Pointer])[];
  ask(scope: Scope): Expressed;
}

/** The language of expressions: reads texts, and says what they mean of values. */
export interface Expressions {
  /** The expression of a text; one that cannot be read says so whenever it is asked. */
  read(text: string): Expression;
}
