import {
  loadExpressions,
  loadFormParts,
  openPrepared,
  planAt,
  prepareCodecs,
  prepareExpressions,
  preparePlan,
  prepareSchema,
  warnDeveloper,
  type CodecCode,
  type CompiledSchema,
  type CompileOptions,
  type Form,
  type FormOptions,
  type HintsBeside,
  type Plan,
  type PlanRules,
} from '@poietra/core';
import type { Drawings } from './drawing.js';
import { loadDrawings } from './load-drawings.js';

export interface FormSource {
  readonly schema: unknown;
  readonly hints?: HintsBeside;
  readonly rules?: PlanRules;
  /** The modules of codecs that are code. */
  readonly codes?: Readonly<Record<string, CodecCode>>;
  readonly compile?: CompileOptions;
}

/** All that a form needs to be opened and drawn, and nothing else. */
export interface PreparedForm {
  readonly compiled: CompiledSchema;
  readonly plan: Plan;
  readonly drawings: Drawings;
  open<T = unknown>(options?: Omit<FormOptions, 'schema' | 'compiled' | 'compile'>): Form<T>;
}

/**
 * Fetches what a schema with its hints asks for: keywords, codecs, drawings, the language of expressions. `DrawnForm`
 * then draws it. Where a page has to have everything at hand, `openForm` and `PlannedForm` do the same at once.
 * @throws {SchemaError} where the schema is wrong or a reference leads nowhere.
 */
export async function prepareForm({ schema, hints = {}, rules, codes, compile }: FormSource): Promise<PreparedForm> {
  const compiled = await prepareSchema(schema, { assertFormats: true, ...compile });
  const plan = await preparePlan(compiled, schema, hints, rules);
  for (const { schemaAt, says } of plan.troubles) warnDeveloper(`${schemaAt}: ${says}`);
  const asks = /"(condition|computed)":/.test(JSON.stringify([schema, hints]));
  const [codecs, drawings, expressed, parts] = await Promise.all([
    prepareCodecs(plan.root, codes),
    loadDrawings(plan),
    asks ? prepareAsked(plan) : undefined,
    loadFormParts(schema, hints),
  ]);
  return {
    compiled,
    plan,
    drawings,
    open: (options) =>
      openPrepared(
        compiled,
        { codecs, messagesAt: (at) => planAt(plan.root, at)?.hints.messages, ...expressed, ...options },
        parts,
      ),
  };
}

async function prepareAsked(plan: Plan): Promise<Partial<FormOptions>> {
  const [expressions, placed] = await Promise.all([loadExpressions(), prepareExpressions(plan)]);
  return { expressions, ...placed };
}
