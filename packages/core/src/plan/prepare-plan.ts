import type { CompiledSchema } from '../schema/index.js';
import { loadExpressions } from '../expression/index.js';
import { asksExpressions, asksServers, type FormOptions } from '../form/index.js';
import type { Ask } from './checks.js';
import type { makePlan } from './make-plan.js';
import type { HintsBeside } from './hints.js';
import type { Plan } from './nodes.js';
import { planWith } from './plan.js';
import type { PlanRules } from './rules.js';

declare const process: { readonly env: { readonly NODE_ENV?: string } };

/** Like `makePlan`, and fetches what reads choices and boxes where `text`, the schema with its documents and hints, has any. Hints are checked in development only. */
export async function preparePlan(
  compiled: CompiledSchema,
  text: string,
  beside: HintsBeside = {},
  rules: PlanRules = {},
): Promise<Plan> {
  let checked: typeof makePlan | undefined;
  try {
    // Said here, and in these words, so that a bundler for production leaves out what development alone needs.
    if (process.env.NODE_ENV !== 'production') checked = (await import('./make-plan.js')).makePlan;
  } catch {
    // Without Node and without a bundler nobody has said so.
  }
  if (checked) return checked(compiled, beside, rules);
  const more = /"(oneOf|anyOf)"|"type":\[|"input":/.test(text) ? await import('./more.js') : undefined;
  return planWith({ choices: more?.readChoices, boxes: more?.readBox }, compiled, beside, rules);
}

/** What hints ask beside the schema, with its places: expressions, and servers about values. `text` is that of `preparePlan`. */
export async function prepareAsked(
  { root }: Plan,
  text: string,
  ask?: Ask,
): Promise<Pick<FormOptions, 'expressions' | 'computed' | 'conditions' | 'rules' | 'checks'>> {
  const isExpressed = asksExpressions(text);
  if (!isExpressed && !asksServers(text)) return {};
  const [{ checksOf, expressionsOf }, expressions] = await Promise.all([
    import('./more.js'),
    isExpressed ? loadExpressions() : undefined,
  ]);
  return { ...expressionsOf(root), checks: checksOf(root, ask), ...(expressions && { expressions }) };
}
