import { LimitReached, type Limits, type Pointer, type Problem } from '../json/index.js';
import type { Resource } from './registry.js';
import type { Seen } from './seen.js';

/** Kinds of value as bits, so that a rule can say in one number which it looks at. */
export const bits = { null: 1, boolean: 2, number: 4, string: 8, array: 16, object: 32, any: 63 } as const;

export function bitOf(value: unknown): number {
  switch (typeof value) {
    case 'string':
      return bits.string;
    case 'number':
      return bits.number;
    case 'boolean':
      return bits.boolean;
    case 'object':
      return value === null ? bits.null : Array.isArray(value) ? bits.array : bits.object;
    default:
      return 0;
  }
}

/** Said of references that lead too far, and of a stack that ran out meanwhile: which comes first is chance. */
export const tooDeep = 'The value is nested too deep to be checked, or the schema refers to itself without end.';

/** Which branch of a choice somebody has chosen at a place. */
export type ChosenBranch = (at: Pointer, choice: { readonly id: string }) => number | undefined;

/** What one run through a schema carries along. */
export class Run {
  #references = 0;
  /** The resources entered on the way here, outermost first: the dynamic scope. */
  readonly scope: Resource[] = [];
  constructor(
    readonly limits: Limits,
    /** The branch that a person has chosen at a place, where that is known: its problems are then the ones to tell. */
    readonly chosen?: ChosenBranch,
  ) {}

  /** Called on the way into a reference; only references can go round in circles, so only they are counted. */
  enter(): void {
    if (++this.#references > this.limits.references) {
      throw new LimitReached(tooDeep);
    }
  }
  leave(): void {
    this.#references--;
  }
  /** Asks with another resource entered: it is in the dynamic scope for what is asked, and for nothing beside it. */
  within<T>(resource: Resource, ask: () => T): T {
    this.scope.push(resource);
    const answer = ask();
    this.scope.pop();
    return answer;
  }
}

/** Where a check stands: in the value, and on which way through the schema (`/properties/a/$ref/minLength`). */
export interface Site {
  readonly at: Pointer;
  readonly way: string;
}

interface RuleBase {
  readonly keyword: string;
  /** Which kinds of value it looks at; it accepts all others. */
  readonly on: number;
  accepts(value: unknown, run: Run): boolean;
  /** Like `accepts`, and notes what was evaluated. Absent where the keyword evaluates nothing. */
  mark?(value: unknown, run: Run, seen: Seen): boolean;
}

/** Looks at the value itself. */
export interface Assertion extends RuleBase {
  readonly kind: 'assertion';
  params(value: unknown): Record<string, unknown>;
}
/** Asks other schemas about the same value; all of them have to accept. */
export interface Within extends RuleBase {
  readonly kind: 'within';
  /** Those of a dynamic reference depend on the way that led to it; without a run they are where it leads by itself. */
  readonly nodes: readonly SchemaNode[] | ((run?: Run) => readonly SchemaNode[]);
  readonly isReference: boolean;
  /** The resource that is entered on the way in, and left on the way out. */
  readonly enters?: Resource;
}
/** Asks other schemas about members or items, each on its own. */
export interface Members extends RuleBase {
  readonly kind: 'members';
  /** Every schema that it could ask. */
  readonly inner: readonly SchemaNode[];
  keys(value: object): readonly (string | number)[];
  nodesFor(key: string | number): readonly SchemaNode[];
  /** The word for the schema of one member, as it continues the way: `properties/a`, `items`. */
  step(key: string | number, index: number): string;
}
/** Names that have to be there, each on its own. */
export interface Presence extends RuleBase {
  readonly kind: 'presence';
  readonly names: readonly string[];
  readonly nameSet: ReadonlySet<string>;
}
/** The schemas inside a rule that hold only sometimes, for those who read the schema rather than ask it. */
export type Branching =
  | {
      readonly kind: 'if';
      readonly test: SchemaNode;
      /** Its verdict, for those outside of a run. */
      asks(value: unknown): boolean;
      readonly yes: SchemaNode | undefined;
      readonly no: SchemaNode | undefined;
    }
  | {
      readonly kind: 'choice';
      /** Document and place of the keyword. */
      readonly id: string;
      readonly nodes: readonly SchemaNode[];
      best(value: unknown): number | undefined;
    }
  | { readonly kind: 'present'; readonly entries: readonly (readonly [string, SchemaNode])[] };

/** Can only be answered for the value as a whole. */
export interface Whole extends RuleBase {
  readonly kind: 'whole';
  /** It speaks of members that no other rule has accepted: one that another rule has told something of is told once. */
  readonly isLate?: true;
  readonly branching?: Branching;
  problems(value: unknown, run: Run, site: Site): Problem[];
}
/** What a keyword asks of a value, ready to be asked. */
export type Rule = Assertion | Within | Members | Presence | Whole;

/**
 * A schema that is nothing but a kind with limits, or a set of plain values. Most members are of this sort, and asking
 * them in place of calling them is what makes objects fast.
 */
export interface Leaf {
  readonly kind: 'text' | 'number' | 'whole' | 'flag' | 'choice';
  readonly code: number;
  readonly least: number;
  readonly most: number;
  /** No limits at all. */
  readonly isFree: boolean;
  readonly allowed: ReadonlySet<unknown>;
}

/** One subschema, made ready. */
export interface SchemaNode {
  readonly raw: unknown;
  readonly resource: Resource;
  /** Its place in its document. */
  readonly at: Pointer;
  /** Set while compiling; fixed afterwards. */
  rules: readonly Rule[];
  leaf: Leaf | undefined;
  accepts(value: unknown, run: Run): boolean;
  mark(value: unknown, run: Run, seen: Seen): boolean;
}

/**
 * The one way into the nodes of a rule. References are counted, so that a circle ends in a clear error; a resource that
 * is entered is left again, so that its siblings do not find it in their dynamic scope.
 */
export function eachWithin(rule: Within, run: Run, visit: (node: SchemaNode, index: number) => void): void {
  const nodes = typeof rule.nodes === 'function' ? rule.nodes(run) : rule.nodes;
  if (rule.enters) {
    run.within(rule.enters, () => nodes.forEach(visit));
    return;
  }
  if (rule.isReference) run.enter();
  nodes.forEach(visit);
  if (rule.isReference) run.leave();
}
