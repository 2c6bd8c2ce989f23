/** What a `oneOf` or `anyOf` means for a form: a chooser, a list of values with titles, "may be nothing", or nothing to draw. */
import { isObject } from '../json/index.js';
import { applied, type Applied, type Choice, type Condition, type SaidNode } from '../schema/index.js';

export type Meaning =
  | { readonly kind: 'chooser' }
  /** Each branch is one plain value: an enumeration with words. */
  | { readonly kind: 'values'; readonly choices: readonly { readonly value: unknown; readonly text?: string }[] }
  /** One branch, or null. */
  | { readonly kind: 'nullable'; readonly index: number }
  /** Its branches only ask; they say nothing that could be drawn. */
  | { readonly kind: 'silent' };

const asking = new Set([
  'required',
  'not',
  'minProperties',
  'maxProperties',
  'minItems',
  'maxItems',
  'dependentRequired',
  '$comment',
]);

const rawOf = (node: SaidNode): readonly unknown[] => applied(node).map((one) => one.node.raw);

function isSilent(node: SaidNode): boolean {
  return rawOf(node).every((raw) => !isObject(raw) || Object.keys(raw).every((keyword) => asking.has(keyword)));
}
function isNull(node: SaidNode): boolean {
  return rawOf(node).some((raw) => isObject(raw) && (raw['type'] === 'null' || raw['const'] === null));
}
function plainValue({ raw }: SaidNode): { value: unknown; text?: string } | undefined {
  if (!isObject(raw)) return undefined;
  const list: unknown = raw['enum'];
  const isOne = Object.hasOwn(raw, 'const') || (Array.isArray(list) && list.length === 1);
  if (!isOne) return undefined;
  const value: unknown = Object.hasOwn(raw, 'const') ? raw['const'] : (list as unknown[])[0];
  if (typeof value === 'object' && value !== null) return undefined;
  return typeof raw['title'] === 'string' ? { value, text: raw['title'] } : { value };
}

export function meaningOf({ nodes }: Choice): Meaning {
  if (nodes.every(isSilent)) return { kind: 'silent' };
  const values = nodes.map(plainValue);
  if (values.every((one) => one !== undefined)) return { kind: 'values', choices: values };
  const nulls = nodes.filter(isNull);
  if (nodes.length === 2 && nulls.length === 1)
    return { kind: 'nullable', index: nodes.findIndex((one) => !isNull(one)) };
  return { kind: 'chooser' };
}

/** The choices that are open at a place itself, outermost first, with the conditions under which they are. */
export function choicesAt(at: readonly Applied[]): { readonly choice: Choice; readonly when: readonly Condition[] }[] {
  const found = new Map<Choice, readonly Condition[]>();
  for (const { when } of at) {
    const index = when.findIndex(({ up, about }) => up === 0 && about.kind === 'branch');
    const about = when[index]?.about;
    if (about?.kind === 'branch' && !found.has(about.choice)) found.set(about.choice, when.slice(0, index));
  }
  return [...found].map(([choice, when]) => ({ choice, when }));
}

const isOf = (condition: Condition, choice: Choice): boolean =>
  condition.up === 0 && condition.about.kind === 'branch' && condition.about.choice === choice;

/** What speaks about a place when one branch is chosen: the condition is met, and the other branches are silent. */
export function withBranch(at: readonly Applied[], choice: Choice, index: number): Applied[] {
  return at.flatMap(({ node, when }) => {
    const own = when.find((condition) => isOf(condition, choice));
    if (!own) return [{ node, when }];
    return own.about.kind === 'branch' && own.about.index === index
      ? [{ node, when: when.filter((condition) => condition !== own) }]
      : [];
  });
}

/** What speaks about a place whichever branch is chosen. */
export function withoutChoice(at: readonly Applied[], choice: Choice): Applied[] {
  return at.filter(({ when }) => !when.some((condition) => isOf(condition, choice)));
}
