import {
  loadFormParts,
  openPrepared,
  planAt,
  prepareAsked,
  prepareCodecs,
  preparePlan,
  prepareSchema,
  warnDeveloper,
  type Ask,
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

/** What a form is prepared from: its schema, hints beside it, the kit's fields and codecs. */
export interface FormSource {
  readonly schema: unknown;
  readonly hints?: HintsBeside;
  readonly rules?: PlanRules;
  /** The modules of codecs that are code. */
  readonly codes?: Readonly<Record<string, CodecCode>>;
  readonly compile?: CompileOptions;
  /** Asks servers for what hints have checked, in place of the platform's `fetch`. */
  readonly ask?: Ask;
}

/** All that a form needs to be opened and drawn, and nothing else. */
export interface PreparedForm {
  readonly compiled: CompiledSchema;
  readonly plan: Plan;
  readonly drawings: Drawings;
  open<T = unknown>(options?: Omit<FormOptions, 'schema' | 'compiled' | 'compile' | 'codecs'>): Form<T>;
}

/**
 * Fetches what a schema with its hints asks for: keywords, codecs, drawings, the language of expressions. `DrawnForm`
 * then draws it. Where a page has to have everything at hand, `openForm` and `PlannedForm` do the same at once.
 * @throws {SchemaError} where the schema is wrong or a reference leads nowhere.
 */
export async function prepareForm({
  schema,
  hints = {},
  rules,
  codes,
  compile,
  ask,
}: FormSource): Promise<PreparedForm> {
  const compiled = await prepareSchema(schema, { assertFormats: true, ...compile });
  const text = JSON.stringify([compiled.documents, hints, rules?.fields]);
  const plan = await preparePlan(compiled, text, hints, rules);
  for (const { schemaAt, says } of plan.troubles) warnDeveloper(`${schemaAt}: ${says}`);
  const [codecs, drawings, asked, parts] = await Promise.all([
    prepareCodecs(plan.root, codes),
    loadDrawings(plan),
    prepareAsked(plan, text, ask),
    loadFormParts(text),
  ]);
  return {
    compiled,
    plan,
    drawings,
    open: (options) =>
      openPrepared(
        compiled,
        {
          codecs,
          settingsAt: (at) => planAt(plan.root, at)?.hints,
          ...asked,
          ...options,
        },
        parts,
      ),
  };
}
