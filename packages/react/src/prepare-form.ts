import { preparePlan, type CompiledSchema, type FormSource, type OpenPrepared, type Plan } from '@poietra/core';
import type { Drawings } from './drawing.js';
import { loadDrawings } from './load-drawings.js';

/** All that a form needs to be opened and drawn, and nothing else. */
export interface PreparedForm {
  readonly compiled: CompiledSchema;
  readonly plan: Plan;
  readonly drawings: Drawings;
  readonly open: OpenPrepared;
}

/**
 * Fetches what a schema with its hints asks for: keywords, codecs, drawings, the language of expressions. `DrawnForm`
 * then draws it. Where a page has to have everything at hand, `openForm` and `PlannedForm` do the same at once.
 * @throws {SchemaError} where the schema is wrong or a reference leads nowhere.
 */
export async function prepareForm(source: FormSource): Promise<PreparedForm> {
  const { compiled, plan, opener } = await preparePlan(source);
  const [open, drawings] = await Promise.all([opener(), loadDrawings(plan)]);
  return { compiled, plan, drawings, open };
}
