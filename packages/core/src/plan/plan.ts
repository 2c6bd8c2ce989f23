import { isObject, ownMember, type Kind } from '../json/index.js';
import {
  appliedBelow,
  applied,
  factsOf,
  hasMembersBesides,
  namedMembers,
  requiring,
  tupleLength,
  type Applied,
  type CompiledSchema,
  type Facts,
} from '../schema/index.js';
import type { CodecDescription } from '../codec/index.js';
import type { Hints, HintsBeside } from './hints.js';
import type { Plan, PlanBase, PlanChoices, PlanField, PlanGroup, PlanList, PlanNode } from './nodes.js';
import { withNull, type FieldUse } from './kit-field.js';
import { readHints } from './read-hints.js';
import { chooseField, type BoxReader, type PlanRules } from './rules.js';
import { choiceText, labelFrom } from './words.js';

export interface Around {
  readonly beside: HintsBeside;
  readonly rules: PlanRules;
  readonly readers: Readers;
  /** Where the schemas stand that say what is inside the groups around. */
  readonly trail: ReadonlySet<string>;
  /** How many groups stand around. */
  readonly depth: number;
}
/** What was settled about a place before it is planned. */
interface Settled {
  readonly kind?: Kind;
  readonly nullable?: boolean;
  readonly choices?: PlanChoices;
  readonly label?: string;
}
/** A place that is to be planned: what speaks about it, and what stands around. */
export interface Planned {
  readonly name: string;
  readonly at: readonly Applied[];
  readonly required: boolean;
  readonly around: Around;
  readonly settled: Settled;
}
/** Reads what a person chooses between at a place; fetched where a schema has choices. `isField`: one input takes it all. */
export type ChoiceReader = (
  place: Planned,
  node: { plan(place: Planned): PlanNode; base(place: Planned, all: readonly Applied[]): PlanBase },
  isField: () => boolean,
) => PlanNode | undefined;

/** What not every plan needs. */
export interface Readers {
  readonly choices?: ChoiceReader | undefined;
  readonly boxes?: BoxReader | undefined;
  /** Takes down what each part was made of, for those who write plans out. */
  note?(node: PlanNode, place: Planned): void;
}

/** Groups as deep as this are opened on demand: a schema of thousands of parts has no end without containing itself. */
export const isDeep = (depth: number, required: boolean): boolean => depth >= (required ? 6 : 3);

/** What is drawn for a schema: which fields, in which order, with which words. Values play no part in it. */
export function planWith(
  readers: Readers,
  compiled: CompiledSchema,
  beside: HintsBeside = {},
  rules: PlanRules = {},
): Plan {
  const around = { beside, rules, readers, trail: new Set<string>(), depth: 0 };
  const root = plan({ name: '', at: applied(compiled.root), required: true, around, settled: {} });
  return { compiled, root, beside, troubles: [] };
}

function plan(place: Planned): PlanNode {
  const node = nodeOf(place);
  place.around.readers.note?.(node, place);
  return node;
}

function nodeOf(place: Planned): PlanNode {
  const { at, around } = place;
  const base = baseOf(place, at);
  const { facts, hints } = base;
  const item = itemOf(place, facts);
  const use = chooseField(facts, hints, around.rules, item?.facts, around.readers.boxes);
  const chosen = around.readers.choices?.(place, { plan, base: baseOf }, () => use !== undefined);
  if (chosen) return chosen;
  return (
    (use ? undefined : (listAt(place, base) ?? groupAt(place, base))) ??
    fieldAt(place, base, use ?? { adapter: 'native:textarea', codec: { kind: 'json' } }, item)
  );
}

function fieldAt({ settled }: Planned, base: PlanBase, use: FieldUse, item: Item | undefined): PlanField {
  const { facts, hints } = base;
  const choices =
    settled.choices ??
    (facts.allowed ? undefined : item?.choices) ??
    (facts.allowed ?? item?.facts.allowed)?.map((value) => ({ value, text: choiceText(value, hints) }));
  const [only] = facts.allowed ?? [];
  return {
    ...base,
    kind: 'field',
    use,
    codec: withEmpty(use.codec, facts),
    ...(choices ? { choices } : {}),
    ...(facts.allowed?.length === 1 &&
    typeof only !== 'boolean' &&
    (facts.kinds === undefined || facts.kinds.length === 1)
      ? { fixed: { value: only } }
      : {}),
  };
}

function listAt({ at, around }: Planned, base: PlanBase): PlanList | undefined {
  const { facts } = base;
  if (tupleLength(at) > 0 || !isList(facts, at)) return undefined;
  let item: PlanNode | undefined;
  return {
    ...base,
    kind: 'list',
    least: facts.limits['minItems'] ?? 0,
    most: facts.limits['maxItems'] ?? Infinity,
    get item() {
      const below = appliedBelow(at, Number.MAX_SAFE_INTEGER);
      return (item ??= plan({ name: '*', at: below, required: false, around, settled: {} }));
    },
  };
}

function groupAt({ at, required, around }: Planned, base: PlanBase): PlanGroup | undefined {
  const length = isList(base.facts, at) ? tupleLength(at) : 0;
  const names = namedMembers(at);
  // An object without named members yet takes any: it is a group that is being made, or one of names of one's own.
  const isMap = length === 0 && (hasMembersBesides(at) || (names.length === 0 && saysMembers(at)));
  if (length === 0 && names.length === 0 && !isMap) return undefined;
  const own = bodiesOf(at);
  const again = own.some((one) => around.trail.has(one));
  const inner = { ...around, trail: new Set([...around.trail, ...own]), depth: around.depth + 1 };
  let children: PlanNode[] | undefined;
  const others = new Map<string, PlanNode | undefined>();
  const below = (name: string, key: string | number): PlanNode => {
    const isRequired = requiring(at, name).some(({ when }) => when.length === 0);
    return plan({ name, at: appliedBelow(at, key), required: isRequired, around: inner, settled: {} });
  };
  return {
    ...base,
    kind: 'group',
    tuple: length > 0,
    again,
    onDemand: again || isDeep(around.depth, required),
    get children() {
      return (children ??=
        length > 0
          ? Array.from({ length }, (_, i) => below(String(i), i))
          : inOrder(names, base.hints.order).map((member) => below(member, member)));
    },
    ...(isMap
      ? {
          more: (member: string) => {
            if (names.includes(member)) return undefined;
            if (!others.has(member))
              others.set(
                member,
                appliedBelow(at, member).some((one) => one.node.raw === false) ? undefined : below(member, member),
              );
            return others.get(member);
          },
        }
      : {}),
  };
}

function saysMembers(at: readonly Applied[]): boolean {
  return at.some(({ node: { raw } }) => isObject(raw) && isObject(raw['properties']));
}

const bodied = ['properties', 'patternProperties', 'additionalProperties', 'prefixItems', 'oneOf', 'anyOf'];
/** Where the schemas stand that say what is inside a place; by these it is seen that one stands around itself. */
export function bodiesOf(at: readonly Applied[]): string[] {
  return at.flatMap(({ node: { raw, resource, at: where } }) =>
    isObject(raw) && bodied.some((keyword) => Object.hasOwn(raw, keyword)) ? [`${resource.document}#${where}`] : [],
  );
}

/** Words, hints and facts of a place. What always holds speaks first; a place that exists only under conditions is described by all that may hold. */
function baseOf(
  { name, at, required, around: { beside, rules }, settled }: Planned,
  all: readonly Applied[],
): PlanBase {
  const always = at.filter(({ when }) => when.length === 0);
  const nodes = [...always, ...at.filter(({ when }) => when.length > 0)].map((one) => one.node);
  const said = factsOf(always.length > 0 ? always.map((one) => one.node) : nodes);
  const facts: Facts = {
    ...said,
    ...(settled.kind ? { kinds: [settled.kind] } : {}),
    ...(settled.nullable ? { kinds: [...(said.kinds ?? []), 'null'] } : {}),
    ...(settled.choices ? { allowed: settled.choices.map(({ value }) => value) } : {}),
  };
  const found = nodes
    .map(({ resource, at: where }) => (resource.document === '' ? ownMember(beside, where) : undefined))
    .find(isObject);
  const given = { ...facts.hints, ...found };
  const own = readHints(given);
  // A field of the kit brings words of its own; the form's schema and hints have the last one.
  const {
    label,
    hint: fieldHint,
    placeholder,
    prefix,
    suffix,
    normal,
  } = (own.field === undefined ? undefined : rules.fields?.[own.field]) ?? {};
  const hints: Hints = { ...withoutGaps({ placeholder, prefix, suffix, normal }), ...own };
  const outer = nodes[0] ?? all[0]?.node;
  const hint = hints.hint ?? facts.description ?? fieldHint;
  return {
    name,
    hints,
    given,
    facts,
    required,
    label: hints.label ?? facts.title ?? label ?? settled.label ?? labelFrom(name),
    ...(hint === undefined ? {} : { hint }),
    when: all.some(({ when }) => when.length === 0) ? [[]] : all.map((one) => one.when),
    schemaAt: outer ? (outer.resource.document === '' ? outer.at : `${outer.resource.document}#${outer.at}`) : '',
  };
}

/** What is said of a list's items, where they are plain values, and what these are called by the schema itself. */
interface Item {
  readonly facts: Facts;
  readonly choices?: PlanChoices;
}
function itemOf({ at, around }: Planned, facts: Facts): Item | undefined {
  if (!facts.kinds?.includes('array')) return undefined;
  const below = appliedBelow(at, Number.MAX_SAFE_INTEGER);
  const own = factsOf(below.map((one) => one.node));
  // What several branches say of an item holds of one of them at a time.
  if (!below.some(({ when }) => when.some(({ about }) => about.kind === 'branch'))) return { facts: own };
  const { note: _, ...readers } = around.readers;
  const item = plan({ name: '*', at: below, required: false, around: { ...around, readers }, settled: {} });
  const { allowed: _allowed, ...others } = own;
  if (item.kind !== 'field' || !item.choices) return { facts: others };
  return { facts: { ...others, allowed: item.choices.map(({ value }) => value) }, choices: item.choices };
}

function withoutGaps(members: Readonly<Record<string, string | undefined>>): Hints {
  return Object.fromEntries(Object.entries(members).filter(([, value]) => value !== undefined));
}

/** Where the schema takes null, or asks for no text of at least one character, an emptied input can say so. */
function withEmpty(codec: CodecDescription, facts: Facts): CodecDescription {
  if (codec.options?.['empty'] !== undefined || !facts.kinds?.includes('null')) return codec;
  return withNull(codec);
}

function isList(facts: Facts, at: readonly Applied[]): boolean {
  if (facts.kinds) return facts.kinds.includes('array') && !facts.kinds.includes('object');
  return at.some(({ node: { raw } }) => isObject(raw) && ('items' in raw || 'prefixItems' in raw));
}

function inOrder(names: readonly string[], order: readonly string[] = []): string[] {
  return [...order.filter((name) => names.includes(name)), ...names.filter((name) => !order.includes(name))];
}
