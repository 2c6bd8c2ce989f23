import type { CompiledSchema } from '../schema/index.js';
import type { PlacedCheck } from '../form/index.js';
import { isDevelopment } from '../json/index.js';
import type { Ask } from './checks.js';
import type { HintsBeside } from './hints.js';
import type { expressionsOf } from './expressions.js';
import type { Plan } from './nodes.js';
import { planWith } from './plan.js';
import type { PlanRules } from './rules.js';

/** Like `makePlan`, and fetches what reads choices and boxes where the schema has any. Hints are checked in development only. */
export async function preparePlan(
  compiled: CompiledSchema,
  beside: HintsBeside = {},
  rules: PlanRules = {},
): Promise<Plan> {
  if (isDevelopment()) return (await import('./make-plan.js')).makePlan(compiled, beside, rules);
  const text = JSON.stringify([compiled.documents, beside]);
  const [choices, boxes] = await Promise.all([
    /"(oneOf|anyOf)"|"type":\[/.test(text) ? import('./choosers.js') : undefined,
    text.includes('"input":') ? import('./boxes.js') : undefined,
  ]);
  return planWith({ choices: choices?.readChoices, boxes: boxes?.readBox }, compiled, beside, rules);
}

/** The expressions of a plan, read where it has any. */
export async function prepareExpressions({ root }: Plan): Promise<ReturnType<typeof expressionsOf>> {
  return (await import('./expressions.js')).expressionsOf(root);
}
/** What hints have checked by a server. */
export async function prepareChecks({ root }: Plan, ask?: Ask): Promise<readonly PlacedCheck[]> {
  return (await import('./checks.js')).checksOf(root, ask);
}
