import type { PlacedExpression, PlacedRule } from '../form/index.js';
import type { PlanNode } from './nodes.js';
import { eachNode } from './each.js';

/** The expressions of a plan, for `openForm`: computed values, conditions and rules, with their places. */
export function expressionsOf(root: PlanNode): {
  readonly computed: readonly PlacedExpression[];
  readonly conditions: readonly PlacedExpression[];
  readonly rules: readonly PlacedRule[];
} {
  const computed = new Map<string, PlacedExpression>();
  const conditions = new Map<string, PlacedExpression>();
  const rules = new Map<string, readonly PlacedRule[]>();
  eachNode(root, '', 12, ({ hints }, at) => {
    if (typeof hints.computed === 'string') computed.set(at, { at, text: hints.computed });
    if (typeof hints.condition === 'string') conditions.set(at, { at, text: hints.condition });
    if (hints.rules)
      rules.set(
        at,
        hints.rules.map((rule) => ({ at, ...rule })),
      );
  });
  return { computed: [...computed.values()], conditions: [...conditions.values()], rules: [...rules.values()].flat() };
}
