/** Ways through a plan: to one place, or to all of them. */
import { joinPointer, parsePointer, type Pointer } from '../json/index.js';
import type { PlanChooser, PlanGroup, PlanNode } from './nodes.js';

/** Which option of a chooser at a place is in force. */
export type Chosen = (at: Pointer, chooser: PlanChooser) => number;

/** The part of a plan that draws a place; list items share one. Without `chosen`, the first option that has the place counts. */
export function planAt(root: PlanNode, at: Pointer, chosen?: Chosen): PlanNode | undefined {
  return below(root, parsePointer(at), '', chosen);
}

function below(
  plan: PlanNode,
  tokens: readonly string[],
  at: Pointer,
  chosen: Chosen | undefined,
): PlanNode | undefined {
  if (plan.kind === 'chooser') {
    if (tokens.length === 0 && !chosen) return plan;
    if (chosen) {
      const option = plan.options[chosen(at, plan)];
      return option && below(option.node, tokens, at, chosen);
    }
    for (const option of plan.options) {
      const found = below(option.node, tokens, at, chosen);
      if (found) return found;
    }
    return undefined;
  }
  const [name, ...rest] = tokens;
  if (name === undefined) return plan;
  const next =
    plan.kind === 'group'
      ? (membersOf(plan).get(name) ?? plan.more?.(name))
      : plan.kind === 'list'
        ? plan.item
        : undefined;
  return next && below(next, rest, joinPointer(at, name), chosen);
}

/** By their names, kept: every field of a group asks for its own part of the plan. */
function membersOf(group: PlanGroup): ReadonlyMap<string, PlanNode> {
  let known = members.get(group);
  if (!known) members.set(group, (known = new Map(group.children.map((child) => [child.name, child]))));
  return known;
}
const members = new WeakMap<PlanGroup, ReadonlyMap<string, PlanNode>>();

/** More parts than this are not looked through in advance. */
export const mostKnown = 2000;

/**
 * Every part of a plan that a person can come to, or `undefined` where that cannot be told in advance: behind groups
 * that are opened on demand, among members with names of one's own, in a plan of thousands of parts.
 */
export function knownNodes(root: PlanNode): PlanNode[] | undefined {
  const found: PlanNode[] = [];
  const isKnown = (node: PlanNode): boolean => {
    found.push(node);
    if (found.length > mostKnown) return false;
    if (node.kind === 'field') return true;
    if (node.kind === 'list') return isKnown(node.item);
    // What contains itself has been looked at where it was first met.
    if (node.again) return true;
    if (node.onDemand) return false;
    return node.kind === 'chooser'
      ? node.options.every((option) => isKnown(option.node))
      : node.more === undefined && node.children.every(isKnown);
  };
  return isKnown(root) ? found : undefined;
}
