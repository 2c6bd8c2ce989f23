/** What is wrong with the addresses of hints: one with a variable that nothing gives a value is never asked. */
import { isObject, nearest } from '../json/index.js';
import type { PlanNode } from './nodes.js';
import { templateVariables } from './remote.js';
import { planAt } from './walk.js';

interface Surroundings {
  readonly root: PlanNode;
  /** The names of the members beside the place. */
  readonly around: readonly string[];
}

export function checkAddresses({ given }: PlanNode, surroundings: Surroundings, tell: (says: string) => void): void {
  const { remote, check } = given;
  if (isObject(remote)) {
    const { from, search, one } = remote;
    const own = typeof search === 'string' ? [search] : [];
    if (typeof from !== 'string') tell('“remote” has no address: its member “from” has to be a URI template.');
    else if (own.some((name) => !templateVariables(from).includes(name)))
      tell(`“remote” searches by “${String(search)}”, but its address has no such variable.`);
    else checkVariables('remote', { ...remote, from }, own, surroundings, tell);
    if (typeof one === 'string' && !templateVariables(one).includes('key'))
      tell('“remote” asks the same for every key: its address “one” has no {key}.');
  }
  if (isObject(check)) {
    const { from } = check;
    if (typeof from !== 'string') tell('“check” has no address: its member “from” has to be a URI template.');
    else if (!templateVariables(from).includes('value'))
      tell('“check” asks the same of every value: its address has no {value}.');
    else checkVariables('check', { ...check, from }, ['value'], surroundings, tell);
  }
}

/** Each variable has to be its own, or have a place: where `variables` says, beside it, or at the root. */
function checkVariables(
  hint: string,
  { from, variables }: { readonly from: string; readonly variables?: unknown },
  own: readonly string[],
  { root, around }: Surroundings,
  tell: (says: string) => void,
): void {
  const placed = isObject(variables) ? variables : {};
  const known = [...new Set([...around, ...namesIn(root)])];
  const used = templateVariables(from);
  for (const [name, at] of Object.entries(placed)) {
    if (!used.includes(name))
      tell(`“${hint}” has a place for “${name}”, which its address does not use${nearest(name, used)}`);
    else if (typeof at !== 'string' || !isPointer(at) || planAt(root, at) === undefined)
      tell(`“${hint}” takes “${name}” from “${String(at)}”, where the form has nothing.`);
  }
  for (const name of used)
    if (!own.includes(name) && !Object.hasOwn(placed, name) && !known.includes(name))
      tell(
        `“${hint}” uses “${name}”, but no member of that name stands beside it or at the root${nearest(name, known)}`,
      );
}

/** The names of the members of a place, be it this option's or that one's. */
export function namesIn(node: PlanNode): readonly string[] {
  if (node.kind === 'group') return node.children.map(({ name }) => name);
  return node.kind === 'chooser' ? node.options.flatMap((option) => namesIn(option.node)) : [];
}

/** Whether a text is a JSON Pointer (RFC 6901, section 3). */
export const isPointer = (at: string): boolean => (at === '' || at.startsWith('/')) && !/~(?![01])/.test(at);
