/** What a plan is made of: the parts of the tree that is drawn. */
import type { CodecDescription } from '../codec/index.js';
import type { Kind } from '../json/index.js';
import type { CompiledSchema, Condition, Facts } from '../schema/index.js';
import type { Hints, HintsBeside } from './hints.js';
import type { FieldUse } from './kit-field.js';

export interface PlanBase {
  /** The member's name; empty for the whole, `*` for the item of a list. */
  readonly name: string;
  readonly label: string;
  readonly hint?: string;
  readonly hints: Hints;
  /** The hints as they were given, sound or not; those of the kit's field are not among them. */
  readonly given: Readonly<Record<string, unknown>>;
  /** It is there where one of these sets of conditions holds; an empty set always does. */
  readonly when: readonly (readonly Condition[])[];
  /** Where its schema stands, for those who edit it. */
  readonly schemaAt: string;
  readonly facts: Facts;
  /** Whether the place is always required; some are so only under a condition. */
  readonly required: boolean;
}
/** Values to choose from, with their texts. */
export type PlanChoices = readonly { readonly value: unknown; readonly text: string }[];
/** One input: which adapter, which codec, what to choose from. */
export interface PlanField extends PlanBase {
  readonly kind: 'field';
  readonly use: FieldUse;
  readonly codec: CodecDescription;
  /** The values to choose from, with their words. */
  readonly choices?: PlanChoices;
  /** There is only one value that it may have. */
  readonly fixed?: { readonly value: unknown };
}
/** Members side by side: of an object, of a tuple, or under names of one's own (`more`). */
export interface PlanGroup extends PlanBase {
  readonly kind: 'group';
  /** Made when first read: a schema may contain itself. Positions of a tuple are members by number. */
  readonly children: readonly PlanNode[];
  readonly tuple: boolean;
  /** Its schema stands around it already: there is no end to what is in it. */
  readonly again: boolean;
  /** Such a one, and one that lies deep, is opened when a person asks for it. */
  readonly onDemand: boolean;
  /** Members with names of one's own (`additionalProperties`, `patternProperties`): the plan for a name, if it may be. */
  readonly more?: (name: string) => PlanNode | undefined;
}
/** Entries of one kind, as many as `least` and `most` allow. */
export interface PlanList extends PlanBase {
  readonly kind: 'list';
  readonly item: PlanNode;
  readonly least: number;
  readonly most: number;
}
/** Something that a person chooses between: branches of the schema, or kinds of value. */
export interface PlanChooser extends PlanBase {
  readonly kind: 'chooser';
  /** What the form remembers the choice by. */
  readonly key: string;
  /** The kinds of value that it chooses between; absent where it is between branches of the schema. */
  readonly kinds?: readonly Kind[];
  /** The option that a value speaks for. */
  pick(value: unknown): number;
  readonly options: readonly PlanOption[];
  /** As for groups. */
  readonly again: boolean;
  readonly onDemand: boolean;
}
/** One of several shapes that a place may have. */
export interface PlanOption {
  readonly label: string;
  /** Made when first read. */
  readonly node: PlanNode;
}
/** One part of a plan. */
export type PlanNode = PlanField | PlanGroup | PlanList | PlanChooser;

/** Something wrong with the hints of a schema, told to those who write them. */
export interface PlanTrouble {
  /** Where the schema stands that the hints speak of; a pointer into it. */
  readonly schemaAt: string;
  readonly says: string;
}

/** The tree of fields, groups, lists and choosers that is drawn, however it came. */
export interface PlanTree {
  readonly root: PlanNode;
}
/** What is to be drawn for a schema. Values play no part in it. */
export interface Plan extends PlanTree {
  /** What is wrong with the hints: names and values that are not known, places that are not there. */
  readonly troubles: readonly PlanTrouble[];
  readonly compiled: CompiledSchema;
  /** The hints that were given beside the schema. */
  readonly beside: HintsBeside;
}
