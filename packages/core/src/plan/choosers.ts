/** Places at which a person chooses between several forms: branches of the schema, or kinds of value. */
import { isObject, type Kind } from '../json/index.js';
import { applied, bestBranch, factsOf, type Facts } from '../schema/index.js';
import { choicesAt, meaningOf, withBranch, withoutChoice } from './choices.js';
import { kindAmong } from './kinds.js';
import type { PlanNode, PlanOption } from './nodes.js';
import { bodiesOf, isDeep, type ChoiceReader, type Planned } from './plan.js';
import { choiceText, labelFrom } from './words.js';

/** What a `oneOf` or `anyOf` at the place makes of it; `undefined` where there is none. */
function branches(
  { name, at, required, around, settled }: Planned,
  node: Parameters<ChoiceReader>[1],
): PlanNode | undefined {
  for (const { choice } of choicesAt(at)) {
    const same = { name, required, around, settled };
    const meaning = meaningOf(choice);
    if (meaning.kind === 'silent') return node.plan({ ...same, at: withoutChoice(at, choice) });
    if (meaning.kind === 'nullable')
      return node.plan({ ...same, at: withBranch(at, choice, meaning.index), settled: { ...settled, nullable: true } });
    if (meaning.kind === 'values') {
      const choices = meaning.choices.map(({ value, text }) => ({ value, text: text ?? choiceText(value, {}) }));
      return node.plan({ ...same, at: withoutChoice(at, choice), settled: { ...settled, choices } });
    }
    const base = node.base({ ...same, at: withoutChoice(at, choice) }, at);
    const own = bodiesOf(at);
    const again = own.some((one) => around.trail.has(one));
    // The options stand where the chooser stands; they are not inside it.
    const inner = { ...around, trail: new Set([...around.trail].filter((one) => !own.includes(one))) };
    const options = choice.nodes.map((branch, index) => {
      const said = factsOf(applied(branch).map((one) => one.node));
      return option(said.title ?? optionLabel(branch, index), () =>
        node.plan({
          ...same,
          at: withBranch(at, choice, index),
          around: inner,
          settled: { ...settled, label: base.label },
        }),
      );
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
  return undefined;
}

/** A place whose value may be of several kinds that no one input takes. */
function kinds(place: Planned, node: Parameters<ChoiceReader>[1]): PlanNode | undefined {
  const base = node.base(place, place.at);
  const several = severalKinds(base.facts);
  if (!several) return undefined;
  const options = several.map((kind) =>
    option(kindLabels[kind], () => node.plan({ ...place, settled: { ...place.settled, kind, label: base.label } })),
  );
  const pick = (value: unknown): number => kindAmong(several, value);
  const key = `${base.schemaAt}#kinds`;
  return { ...base, kind: 'chooser', key, kinds: several, again: false, onDemand: false, options, pick };
}

export const readChoices: ChoiceReader = (place, node, isField) =>
  branches(place, node) ?? (isField() ? undefined : kinds(place, node));

/** An option's part of the plan is made when it is first read. */
function option(label: string, make: () => PlanNode): PlanOption {
  let made: PlanNode | undefined;
  return {
    label,
    get node() {
      return (made ??= make());
    },
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
