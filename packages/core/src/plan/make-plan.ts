import type { CompiledSchema } from '../schema/index.js';
import { readBox } from './boxes.js';
import { checkHints } from './check-hints.js';
import { readChoices } from './choosers.js';
import type { HintsBeside } from './hints.js';
import type { Plan } from './nodes.js';
import { planWith } from './plan.js';
import type { PlanRules } from './rules.js';

/** What is drawn for a schema with its hints: which fields, in which order, with which words. Values play no part in it. */
export function makePlan(compiled: CompiledSchema, beside: HintsBeside = {}, rules: PlanRules = {}): Plan {
  const plan = planWith({ choices: readChoices, boxes: readBox }, compiled, beside, rules);
  let troubles: Plan['troubles'] | undefined;
  return {
    ...plan,
    get troubles() {
      return (troubles ??= checkHints(plan, beside, rules));
    },
  };
}
