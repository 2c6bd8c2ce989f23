import { isObject, ownMember, type Kind } from '../json/index.js';
import {
  applied,
  appliedBelow,
  bestBranch,
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
import { choicesAt, meaningOf, withBranch, withoutChoice } from './choices.js';
import type { Hints, HintsBeside } from './hints.js';
import type { Plan, PlanBase, PlanChoices, PlanNode, PlanOption } from './nodes.js';
import { chooseField, type PlanRules } from './rules.js';
import { fitted, isOfKind } from './start.js';

interface Around {
  readonly beside: HintsBeside;
  readonly rules: PlanRules;
  /** Where the schemas stand that say what is inside the groups around. */
  readonly trail: ReadonlySet<string>;
  /** How many groups stand around. */
  readonly depth: number;
}
/** Groups as deep as this are opened on demand: a schema of thousands of parts has no end without containing itself. */
const isDeep = (depth: number, required: boolean): boolean => depth >= (required ? 6 : 3);

/** What is drawn for a schema: which fields, in which order, with which words. Values play no part in it. */
export function makePlan(compiled: CompiledSchema, beside: HintsBeside = {}, rules: PlanRules = {}): Plan {
  const around = { beside, rules, trail: new Set<string>(), depth: 0 };
  return { compiled, root: node('', applied(compiled.root), true, around) };
}

/** What was settled about a place before it is planned. */
interface Settled {
  readonly kind?: Kind;
  readonly nullable?: boolean;
  readonly choices?: PlanChoices;
  readonly label?: string;
}

function node(
  name: string,
  at: readonly Applied[],
  required: boolean,
  around: Around,
  settled: Settled = {},
): PlanNode {
  for (const { choice } of choicesAt(at)) {
    const meaning = meaningOf(choice);
    if (meaning.kind === 'silent') return node(name, withoutChoice(at, choice), required, around, settled);
    if (meaning.kind === 'nullable')
      return node(name, withBranch(at, choice, meaning.index), required, around, { ...settled, nullable: true });
    if (meaning.kind === 'values') {
      const choices = meaning.choices.map(({ value, text }) => ({ value, text: text ?? choiceText(value, {}) }));
      return node(name, withoutChoice(at, choice), required, around, { ...settled, choices });
    }
    const base = baseOf(name, withoutChoice(at, choice), at, required, around, settled);
    const own = bodiesOf(at);
    const again = own.some((one) => around.trail.has(one));
    // The options stand where the chooser stands; they are not inside it.
    const inner = { ...around, trail: new Set([...around.trail].filter((one) => !own.includes(one))) };
    const options = choice.nodes.map((branch, index) => {
      let made: PlanNode | undefined;
      const said = factsOf(applied(branch).map((one) => one.node));
      return option(said.title ?? optionLabel(branch, index), () => {
        const chosen = withBranch(at, choice, index);
        return (made ??= node(name, chosen, required, inner, { ...settled, label: base.label }));
      });
    });
    return {
      ...base,
      kind: 'chooser',
      key: choice.id,
      again,
      onDemand: again || isDeep(around.depth, required),
      options,
      pick: (value) => bestBranch(choice, value),
    };
  }
  const base = baseOf(name, at, at, required, around, settled);
  const { facts, hints } = base;
  const chosen = chooseField(facts, hints, around.rules, itemFacts(at, facts));
  const kinds = severalKinds(facts);
  if (!chosen && kinds) {
    const key = `${base.schemaAt}#kinds`;
    const options = kinds.map((kind) => {
      let made: PlanNode | undefined;
      return option(
        kindLabels[kind],
        () => (made ??= node(name, at, required, around, { ...settled, kind, label: base.label })),
      );
    });
    const pick = (value: unknown): number =>
      Math.max(
        0,
        kinds.findIndex((kind) => isOfKind(value, kind)),
      );
    return { ...base, kind: 'chooser', key, again: false, onDemand: false, options, pick };
  }
  const nodes = at.map((one) => one.node);
  const length = chosen || !isList(facts, nodes) ? 0 : tupleLength(at);
  if (!chosen && length === 0 && isList(facts, nodes)) {
    let item: PlanNode | undefined;
    return {
      ...base,
      kind: 'list',
      least: facts.limits['minItems'] ?? 0,
      most: facts.limits['maxItems'] ?? Infinity,
      get item() {
        return (item ??= node('*', appliedBelow(at, Number.MAX_SAFE_INTEGER), false, around));
      },
    };
  }
  const names = chosen ? [] : namedMembers(at);
  // An object without named members yet takes any: it is a group that is being made, or one of names of one's own.
  const isMap = !chosen && length === 0 && (hasMembersBesides(at) || (names.length === 0 && saysMembers(at)));
  if (!chosen && (length > 0 || names.length > 0 || isMap)) {
    const own = bodiesOf(at);
    const again = own.some((one) => around.trail.has(one));
    const inner = { ...around, trail: new Set([...around.trail, ...own]), depth: around.depth + 1 };
    let children: PlanNode[] | undefined;
    const others = new Map<string, PlanNode | undefined>();
    const below = (member: string, key: string | number): PlanNode =>
      node(
        member,
        appliedBelow(at, key),
        requiring(at, member).some(({ when }) => when.length === 0),
        inner,
      );
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
            : inOrder(names, hints.order).map((member) => below(member, member)));
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
  const use = chosen ?? { adapter: 'native:textarea', codec: { kind: 'json' } };
  const choices =
    settled.choices ??
    (facts.allowed ?? itemFacts(at, facts)?.allowed)?.map((value) => ({ value, text: choiceText(value, hints) }));
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

function saysMembers(at: readonly Applied[]): boolean {
  return at.some(({ node: { raw } }) => isObject(raw) && isObject(raw['properties']));
}

const bodied = ['properties', 'patternProperties', 'additionalProperties', 'prefixItems', 'oneOf', 'anyOf'];
/** Where the schemas stand that say what is inside a place; by these it is seen that one stands around itself. */
function bodiesOf(at: readonly Applied[]): string[] {
  return at.flatMap(({ node: { raw, resource, at: where } }) =>
    isObject(raw) && bodied.some((keyword) => Object.hasOwn(raw, keyword)) ? [`${resource.document}#${where}`] : [],
  );
}

/** Words, hints and facts of a place. What always holds speaks first; a place that exists only under conditions is described by all that may hold. */
function baseOf(
  name: string,
  at: readonly Applied[],
  all: readonly Applied[],
  required: boolean,
  { beside, rules }: Around,
  settled: Settled,
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
  const own = { ...facts.hints, ...found } as Hints;
  // A field of the kit brings words of its own; the form's schema and hints have the last one.
  const {
    label,
    hint: fieldHint,
    placeholder,
    prefix,
    suffix,
  } = (own.field === undefined ? undefined : rules.fields?.[own.field]) ?? {};
  const hints: Hints = { ...withoutGaps({ placeholder, prefix, suffix }), ...own };
  const outer = nodes[0] ?? all[0]?.node;
  const hint = hints.hint ?? facts.description ?? fieldHint;
  return {
    name,
    hints,
    facts,
    required,
    label: hints.label ?? facts.title ?? label ?? settled.label ?? labelFrom(name),
    ...(hint === undefined ? {} : { hint }),
    when: all.some(({ when }) => when.length === 0) ? [[]] : all.map((one) => one.when),
    schemaAt: outer ? (outer.resource.document === '' ? outer.at : `${outer.resource.document}#${outer.at}`) : '',
  };
}

function option(label: string, make: () => PlanNode): PlanOption {
  return {
    label,
    get node() {
      return make();
    },
    start: (value) => fitted(make(), value),
  };
}

const kindLabels: Readonly<Record<Kind, string>> = {
  null: 'Nothing',
  boolean: 'Yes or no',
  integer: 'Whole number',
  number: 'Number',
  string: 'Text',
  array: 'List',
  object: 'Group',
};

/** The kinds between which a person has to choose; null is what an emptied input means. */
function severalKinds({ kinds, allowed }: Facts): readonly Kind[] | undefined {
  const real = kinds?.filter((kind) => kind !== 'null' && !(kind === 'integer' && kinds.includes('number'))) ?? [];
  return real.length > 1 && !allowed ? real : undefined;
}

/** What is said of a list's items, where they are plain values. */
function itemFacts(at: readonly Applied[], facts: Facts): Facts | undefined {
  if (!facts.kinds?.includes('array')) return undefined;
  return factsOf(appliedBelow(at, Number.MAX_SAFE_INTEGER).map((one) => one.node));
}

function optionLabel(branch: { readonly raw: unknown; readonly at: string }, index: number): string {
  const raws = applied(branch as Parameters<typeof applied>[0]).map((one) => one.node.raw);
  for (const raw of raws) {
    const members = isObject(raw) && isObject(raw['properties']) ? Object.values(raw['properties']) : [];
    const tag = members.find((member) => isObject(member) && typeof member['const'] === 'string');
    if (isObject(tag)) return labelFrom(String(tag['const']));
  }
  const reference = isObject(branch.raw) && typeof branch.raw['$ref'] === 'string' ? branch.raw['$ref'] : '';
  const last = reference.split(/[/:#]/).at(-1) ?? '';
  if (last !== '') return labelFrom(last);
  const { kinds } = factsOf(applied(branch as Parameters<typeof applied>[0]).map((one) => one.node));
  const [kind] = kinds ?? [];
  return kind ? kindLabels[kind] : `Choice ${index + 1}`;
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
  const words = isObject(hints.words) ? ownMember(hints.words, String(value)) : undefined;
  return typeof words === 'string'
    ? words
    : typeof value === 'string'
      ? value
      : value === null
        ? 'nothing'
        : typeof value === 'boolean'
          ? value
            ? 'yes'
            : 'no'
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
