/** Ways through the whole of a plan. */
import { joinPointer, type Pointer } from '../json/index.js';
import type { PlanField, PlanNode } from './nodes.js';

/** All fields of a plan with their places, items of lists under `*`; for hand-over, contents and search. What contains itself ends. */
export function planFields(plan: PlanNode, at = '', depth = 12): { at: string; field: PlanField }[] {
  const found: { at: string; field: PlanField }[] = [];
  eachNode(plan, at, depth, (one, where) => {
    if (one.kind === 'field') found.push({ at: where, field: one });
  });
  return found;
}

/** Every node of a plan, those around first. */
export function eachNode(
  plan: PlanNode,
  at: Pointer,
  depth: number,
  visit: (plan: PlanNode, at: Pointer) => void,
): void {
  visit(plan, at);
  if (depth === 0) return;
  if (plan.kind === 'list') eachNode(plan.item, joinPointer(at, '*'), depth - 1, visit);
  else if (plan.kind === 'group' && !plan.again)
    for (const child of plan.children) eachNode(child, joinPointer(at, child.name), depth - 1, visit);
  else if (plan.kind === 'chooser' && !plan.again)
    for (const { node: inner } of plan.options) eachNode(inner, at, depth - 1, visit);
}
