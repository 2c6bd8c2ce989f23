/** What new entries, new members and freshly chosen options begin with. */
import { isObject, ownMember, setOwn } from '../json/index.js';
import { emptyOf } from '../form/index.js';
import { isOfKind } from './kinds.js';
import type { PlanNode } from './nodes.js';

/** What of a value a plan can draw, with its fixed values filled in; depth ends what contains itself. */
export function fitted(plan: PlanNode, value: unknown, depth = 0): unknown {
  if (depth > 6) return value;
  switch (plan.kind) {
    case 'field':
      if (plan.fixed) return plan.fixed.value;
      return plan.facts.kinds === undefined || plan.facts.kinds.some((kind) => isOfKind(value, kind))
        ? value
        : undefined;
    case 'list':
      return Array.isArray(value) ? value : [];
    case 'chooser': {
      const chosen = plan.options[plan.pick(value)];
      return chosen && !plan.again ? fitted(chosen.node, value, depth) : value;
    }
    case 'group': {
      if (plan.tuple) return Array.isArray(value) ? value : [];
      const next: Record<string, unknown> = {};
      const given = isObject(value) ? value : {};
      for (const child of plan.children) {
        const before = ownMember(given, child.name);
        const isFixed = child.kind === 'field' && child.fixed !== undefined && child.required;
        const after = isFixed || before !== undefined ? fitted(child, before, depth + 1) : undefined;
        if (after !== undefined) setOwn(next, child.name, after);
      }
      if (plan.more)
        for (const name of Object.keys(given))
          if (!Object.hasOwn(next, name) && plan.more(name)) setOwn(next, name, ownMember(given, name));
      return next;
    }
  }
}

/** What a new entry of a list or a new member starts from: defaults, fixed values, and otherwise the emptiest value. */
export function startOf(plan: PlanNode): unknown {
  const { default: given } = plan.facts;
  if (given !== undefined) return given;
  if (plan.kind === 'chooser') {
    const [first] = plan.options;
    // An option that is chosen by pressing "Add" begins with the first of its values: nothing is no choice.
    const [only] = first?.node.kind === 'field' ? (first.node.choices ?? []) : [];
    return only ? only.value : first && (fitted(first.node, undefined) ?? startOf(first.node));
  }
  if (plan.kind !== 'field') return fitted(plan, plan.kind === 'list' || plan.tuple ? [] : {});
  if (plan.fixed) return plan.fixed.value;
  const { kinds = [], allowed = plan.choices?.map(({ value }) => value) } = plan.facts;
  return emptyOf({ kinds: kinds.length > 0 ? kinds : ['null'], ...(allowed ? { allowed } : {}) });
}
