import type { CompiledSchema } from '../schema/index.js';
import { isDevelopment } from '../json/index.js';
import type { HintsBeside } from './hints.js';
import type { expressionsOf } from './expressions.js';
import type { Plan } from './nodes.js';
import { planWith } from './plan.js';
import type { PlanRules } from './rules.js';

/** Like `makePlan`, and fetches what reads choices where the schema has any. Hints are checked in development only. */
export async function preparePlan(
  compiled: CompiledSchema,
  schema: unknown,
  beside: HintsBeside = {},
  rules: PlanRules = {},
): Promise<Plan> {
  if (isDevelopment()) return (await import('./make-plan.js')).makePlan(compiled, beside, rules);
  const hasChoices = /"(oneOf|anyOf)"|"type":\[/.test(JSON.stringify(schema));
  return planWith(hasChoices ? (await import('./choosers.js')).readChoices : undefined, compiled, beside, rules);
}

/** The expressions of a plan, read where it has any. */
export async function prepareExpressions({ root }: Plan): Promise<ReturnType<typeof expressionsOf>> {
  return (await import('./expressions.js')).expressionsOf(root);
}
