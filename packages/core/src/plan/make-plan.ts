import type { CompiledSchema } from '../schema/index.js';
import { readBox } from './boxes.js';
import { checkHints } from './check-hints.js';
import { readChoices } from './choosers.js';
import type { HintsBeside } from './hints.js';
import type { Plan } from './nodes.js';
import { planWith, type Readers } from './plan.js';
import type { PlanRules } from './rules.js';

/** What is drawn for a schema with its hints, everything at hand (`note` takes down what each part was made of): which fields, in which order, with which words. Values play no part in it. */
export function makePlan(
  compiled: CompiledSchema,
  beside: HintsBeside = {},
  rules: PlanRules = {},
  note?: Readers['note'],
): Plan {
  const readers = { choices: readChoices, boxes: readBox, ...(note ? { note } : {}) };
  const plan = planWith(readers, compiled, beside, rules);
  let troubles: Plan['troubles'] | undefined;
  return {
    ...plan,
    get troubles() {
      return (troubles ??= checkHints(plan, beside, rules));
    },
  };
}
