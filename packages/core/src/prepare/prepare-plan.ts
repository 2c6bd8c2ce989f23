import { loadExpressions } from '../expression/load.js';
import { asksExpressions, asksParts, asksServers } from '../form/asked.js';
import { askedBy, fetchAsked } from '../schema/asked.js';
import type { CompileOptions } from '../schema/index.js';
import type { makePlan } from '../plan/index.js';
import type { FormSource, PreparedPlan } from './source.js';

declare const process: { readonly env: { readonly NODE_ENV?: string } };

/**
 * Makes a plan, and fetches for it what schema and hints ask for in place of having everything at hand: what reads schemas,
 * their keywords, what a form looks after, the language of expressions. All of it is asked for at once, since it is found
 * in the text alone; nothing of it stands behind this file. Hints are checked in development only.
 * @throws {SchemaError} where the schema is wrong or a reference leads nowhere.
 */
export async function preparePlan(source: FormSource): Promise<PreparedPlan> {
  const { schema, hints, rules } = source;
  const options: CompileOptions = { assertFormats: true, ...source.compile };
  const text = textOf([schema, options.documents]) + JSON.stringify([hints, rules?.fields]);
  const asked = askedBy(schema, options);
  const isExpressed = asksExpressions(text);
  const isAsked = isExpressed || asksServers(text);
  const [{ planFrom }, engine, expressions, checked] = await Promise.all([
    isAsked || asked.isCommon || asked.isAboutSchemas || asksParts(text)
      ? import('./plan-from-parts.js')
      : import('./plan-from.js'),
    fetchAsked(asked),
    isExpressed ? loadExpressions() : undefined,
    checkedPlan().catch(() => undefined),
  ]);
  return planFrom(source, { options, engine, expressions, isAsked, checked });
}

/**
 * What checks hints as well, in development. It is asked in these words, and outside of any `try`, so that a bundler for
 * production leaves it out. Without Node and without a bundler nobody has said whose build it is, and asking fails.
 */
async function checkedPlan(): Promise<typeof makePlan | undefined> {
  return process.env.NODE_ENV === 'production' ? undefined : (await import('../plan/make-plan.js')).makePlan;
}

/** What contains itself is no JSON; that is said of a schema when it is compiled. */
function textOf(value: unknown): string {
  try {
    return JSON.stringify(value);
  } catch {
    return '';
  }
}
