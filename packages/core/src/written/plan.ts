/** A plan that was written out, as the tree that is drawn: each part is made when it is first read. */
import { kitField, withNull, type PlanNode, type PlanRules, type PlanTree } from '../plan/index.js';
import { bestBranch, type Choice, type Condition, type Facts } from '../schema/index.js';
import type { WrittenCondition, WrittenForm, WrittenPart } from './nodes.js';

const noFacts: Facts = {
  examples: [],
  readOnly: false,
  writeOnly: false,
  deprecated: false,
  limits: {},
  patterns: [],
  uniqueItems: false,
  hints: {},
};

/** `choices` are those of the schema that was written beside it. */
export function writtenPlan(
  written: Pick<WrittenForm, 'parts' | 'ownNames'>,
  choices: ReadonlyMap<string, Choice>,
  rules: PlanRules = {},
): PlanTree {
  const { parts } = written;
  const made = new Map<number, PlanNode>();

  const condition = (one: WrittenCondition): Condition => {
    const { up = 0 } = one;
    if ('if' in one) return { up, about: { kind: 'if', asks: one.if, holds: one.holds } };
    if ('present' in one) return { up, about: { kind: 'present', name: one.present } };
    return { up, about: { kind: 'branch', choice: choiceOf(one.choice), index: one.index } };
  };
  const choiceOf = (id: string): Choice => {
    const choice = choices.get(id);
    return choice ?? missing(`choice ${id}`);
  };

  const node = (number: number): PlanNode => {
    const known = made.get(number);
    if (known) return known;
    const one = revived(parts[number] ?? missing(`part ${number}`));
    made.set(number, one);
    return one;
  };
  const revived = (part: WrittenPart): PlanNode => {
    const base = {
      name: part.name ?? '',
      label: part.label,
      ...(part.hint === undefined ? {} : { hint: part.hint }),
      hints: part.hints ?? {},
      given: {},
      when: part.when?.map((conditions) => conditions.map(condition)) ?? [[]],
      schemaAt: '',
      facts: part.facts ? { ...noFacts, ...part.facts } : noFacts,
      required: part.required ?? false,
    };
    switch (part.kind) {
      case 'field': {
        const { field, isNull, choices: among, fixed } = part;
        const use = part.use ?? kitField(field ?? '', rules) ?? missing(`field “${field ?? ''}” among its rules`);
        const codec = isNull ? withNull(use.codec) : use.codec;
        return { ...base, kind: 'field', use, codec, ...(among && { choices: among }), ...(fixed && { fixed }) };
      }
      case 'list':
        return {
          ...base,
          kind: 'list',
          least: part.least ?? 0,
          most: part.most ?? Infinity,
          get item() {
            return node(part.item);
          },
        };
      case 'chooser': {
        const { key, pick = (value: unknown) => bestBranch(choiceOf(key), value) } = part;
        const options = part.options.map((option) => ({
          label: option.label,
          get node() {
            return node(option.part);
          },
        }));
        return { ...base, kind: 'chooser', key, pick, options, ...depth(part) };
      }
      case 'group':
        return {
          ...base,
          kind: 'group',
          tuple: part.tuple ?? false,
          ...depth(part),
          get children() {
            return part.children.map(node);
          },
          ...(part.more && written.ownNames ? { more: written.ownNames(part, parts, revived) } : {}),
        };
    }
  };
  return { root: node(0) };
}

/** The file was changed by hand, or what it speaks of is no longer there. */
function missing(what: string): never {
  throw new Error(`The form that was written out has no ${what}.`);
}

const depth = ({ again, onDemand }: { again?: true; onDemand?: true }) => ({
  again: again ?? false,
  onDemand: onDemand ?? false,
});
