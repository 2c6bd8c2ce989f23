import type { Pointer } from '../json/index.js';
import type { PlanNode } from './nodes.js';
import { eachNode } from './each.js';

interface Placed {
  readonly at: Pointer;
  readonly text: string;
}

/** The expressions of a plan, for `openForm`: computed values and conditions, with their places. */
export function expressionsOf(root: PlanNode): {
  readonly computed: readonly Placed[];
  readonly conditions: readonly Placed[];
} {
  const computed = new Map<string, Placed>();
  const conditions = new Map<string, Placed>();
  eachNode(root, '', 12, ({ hints }, at) => {
    if (typeof hints.computed === 'string') computed.set(at, { at, text: hints.computed });
    if (typeof hints.condition === 'string') conditions.set(at, { at, text: hints.condition });
  });
  return { computed: [...computed.values()], conditions: [...conditions.values()] };
}
