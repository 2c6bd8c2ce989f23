import { isObject, joinPointer, ownMember, parsePointer, type Pointer } from '../json/index.js';
import {
  applied,
  appliedBelow,
  factsOf,
  namedMembers,
  requiring,
  type Applied,
  type CompiledSchema,
  type Condition,
  type Facts,
} from '../schema/index.js';
import type { CodecDescription } from '../codec/index.js';
import { chooseField, type FieldUse, type PlanRules } from './rules.js';

/** How a place is to be presented: the keyword `x-poietra`, or the same object beside the schema. */
export interface Hints {
  readonly label?: string;
  readonly hint?: string;
  readonly placeholder?: string;
  /** The kit's name of a field. */
  readonly field?: string;
  /** Members in the order in which they are to stand; those not named follow. */
  readonly order?: readonly string[];
  readonly layout?: 'stack' | 'row' | 'grid';
  /** How many of a grid's twelve columns it takes. */
  readonly span?: number;
  readonly prefix?: string;
  readonly suffix?: string;
  readonly lines?: number;
  readonly hidden?: boolean;
  readonly skin?: string;
  readonly [own: string]: unknown;
}

/** Hints for a schema that must not be touched, by JSON Pointer into it. */
export type HintsBeside = Readonly<Record<string, Hints>>;

interface PlanBase {
  /** The member's name; empty for the whole, `*` for the item of a list. */
  readonly name: string;
  readonly label: string;
  readonly hint?: string;
  readonly hints: Hints;
  /** It is there where one of these sets of conditions holds; an empty set always does. */
  readonly when: readonly (readonly Condition[])[];
  /** Where its schema stands, for those who edit it. */
  readonly schemaAt: string;
  readonly facts: Facts;
  /** Whether the place is always required; some are so only under a condition. */
  readonly required: boolean;
}
export interface PlanField extends PlanBase {
  readonly kind: 'field';
  readonly use: FieldUse;
  readonly codec: CodecDescription;
  /** The values to choose from, with their words. */
  readonly choices?: readonly { readonly value: unknown; readonly text: string }[];
}
export interface PlanGroup extends PlanBase {
  readonly kind: 'group';
  /** Made when first read: a schema may contain itself. */
  readonly children: readonly PlanNode[];
}
export interface PlanList extends PlanBase {
  readonly kind: 'list';
  readonly item: PlanNode;
  readonly least: number;
  readonly most: number;
}
export type PlanNode = PlanField | PlanGroup | PlanList;

export interface Plan {
  readonly root: PlanNode;
  readonly compiled: CompiledSchema;
}

/** What is drawn for a schema: which fields, in which order, with which words. Values play no part in it. */
export function makePlan(compiled: CompiledSchema, beside: HintsBeside = {}, rules: PlanRules = {}): Plan {
  return { compiled, root: node('', applied(compiled.root), true, beside, rules) };
}

function node(
  name: string,
  at: readonly Applied[],
  required: boolean,
  beside: HintsBeside,
  rules: PlanRules,
): PlanNode {
  // What always holds speaks first; a place that exists only under conditions is described by all that may hold.
  const always = at.filter(({ when }) => when.length === 0);
  const nodes = [...always, ...at.filter(({ when }) => when.length > 0)].map((one) => one.node);
  const facts = factsOf(always.length > 0 ? always.map((one) => one.node) : nodes);
  const found = nodes
    .map(({ resource, at: where }) => (resource.document === '' ? ownMember(beside, where) : undefined))
    .find(isObject);
  const said = { ...facts.hints, ...found } as Hints;
  // A field of the kit brings words of its own; the form's schema and hints have the last one.
  const {
    label,
    hint: fieldHint,
    placeholder,
    prefix,
    suffix,
  } = (said.field === undefined ? undefined : rules.fields?.[said.field]) ?? {};
  const hints: Hints = { ...withoutGaps({ placeholder, prefix, suffix }), ...said };
  const outer = nodes[0];
  const hint = hints.hint ?? facts.description ?? fieldHint;
  const base: PlanBase = {
    name,
    hints,
    facts,
    required,
    label: hints.label ?? facts.title ?? label ?? labelFrom(name),
    ...(hint === undefined ? {} : { hint }),
    when: always.length > 0 ? [[]] : at.map((one) => one.when),
    schemaAt: outer ? (outer.resource.document === '' ? outer.at : `${outer.resource.document}#${outer.at}`) : '',
  };
  const chosen = chooseField(facts, hints, rules);
  if (!chosen && isList(facts, nodes)) {
    let item: PlanNode | undefined;
    return {
      ...base,
      kind: 'list',
      least: facts.limits['minItems'] ?? 0,
      most: facts.limits['maxItems'] ?? Infinity,
      get item() {
        return (item ??= node('*', appliedBelow(at, Number.MAX_SAFE_INTEGER), false, beside, rules));
      },
    };
  }
  if (!chosen && namedMembers(at).length > 0) {
    let children: PlanNode[] | undefined;
    return {
      ...base,
      kind: 'group',
      get children() {
        return (children ??= inOrder(namedMembers(at), hints.order).map((member) => {
          const below = appliedBelow(at, member);
          return node(
            member,
            below,
            requiring(at, member).some(({ when }) => when.length === 0),
            beside,
            rules,
          );
        }));
      },
    };
  }
  const use = chosen ?? { adapter: 'native:textarea', codec: { kind: 'json' } };
  return {
    ...base,
    kind: 'field',
    use,
    codec: withEmpty(use.codec, facts),
    ...(facts.allowed ? { choices: facts.allowed.map((value) => ({ value, text: choiceText(value, hints) })) } : {}),
  };
}

function withoutGaps(members: Readonly<Record<string, string | undefined>>): Hints {
  return Object.fromEntries(Object.entries(members).filter(([, value]) => value !== undefined));
}

/** Where the schema takes null, or asks for no text of at least one character, an emptied input can say so. */
function withEmpty(codec: CodecDescription, facts: Facts): CodecDescription {
  if (codec.options?.['empty'] !== undefined || !facts.kinds?.includes('null')) return codec;
  return { ...codec, options: { ...codec.options, empty: 'null' } };
}

function isList(facts: Facts, nodes: readonly { readonly raw: unknown }[]): boolean {
  if (facts.kinds) return facts.kinds.includes('array') && !facts.kinds.includes('object');
  return nodes.some(({ raw }) => isObject(raw) && ('items' in raw || 'prefixItems' in raw));
}

function inOrder(names: readonly string[], order: readonly string[] = []): string[] {
  return [...order.filter((name) => names.includes(name)), ...names.filter((name) => !order.includes(name))];
}

function choiceText(value: unknown, hints: Hints): string {
  const words = isObject(hints['words']) ? ownMember(hints['words'], String(value)) : undefined;
  return typeof words === 'string'
    ? words
    : typeof value === 'string'
      ? value
      : value === null
        ? 'nothing'
        : JSON.stringify(value);
}

/** `collectionDate` and `collection_date` both become “Collection date”. */
export function labelFrom(name: string): string {
  const words = name
    .replace(/([a-z\d])([A-Z])/g, '$1 $2')
    .replace(/[_-]+/g, ' ')
    .trim()
    .toLowerCase();
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** The part of a plan that draws a place; list items share one. */
export function planAt(root: PlanNode, at: Pointer): PlanNode | undefined {
  let node: PlanNode | undefined = root;
  for (const name of parsePointer(at)) {
    node =
      node?.kind === 'group'
        ? node.children.find((child) => child.name === name)
        : node?.kind === 'list'
          ? node.item
          : undefined;
  }
  return node;
}

/** All fields of a plan that are not in lists, with their places; for hand-over, contents and search. Recursion ends at `depth`. */
export function planFields(plan: PlanNode, at = '', depth = 12): { at: string; field: PlanField }[] {
  if (plan.kind === 'field') return [{ at, field: plan }];
  if (plan.kind === 'list' || depth === 0) return [];
  return plan.children.flatMap((child) => planFields(child, joinPointer(at, child.name), depth - 1));
}
