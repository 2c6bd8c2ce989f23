import type { Expressions } from '../expression/index.js';
import { openPrepared, type FormOptions, type FormParts } from '../form/index.js';
import { warnDeveloper } from '../json/index.js';
import { prepareCodecs, settingsOf, type Ask, type makePlan, type PlanNode } from '../plan/index.js';
import { planWith, type Readers } from '../plan/plan.js';
import type { EngineAsked } from '../schema/asked.js';
import { compileWith } from '../schema/compiled.js';
import type { CompileOptions } from '../schema/index.js';
import type { Family } from '../schema/keywords/context.js';
import { engineFrom } from '../schema/load-engine.js';
import type { FormSource, PreparedPlan } from './source.js';

/** What was fetched for a source. */
export interface Fetched {
  readonly options: CompileOptions;
  readonly engine: EngineAsked;
  /** Where it has any. */
  readonly expressions: Expressions | undefined;
  /** Whether hints have anything looked after; looking for it takes its time in a schema of thousands of parts. */
  readonly isAsked: boolean;
  /** In development. */
  readonly checked: typeof makePlan | undefined;
}

/** What not every plan and form needs: see `plan-from-parts.ts`. */
export interface Parts {
  readonly keywords?: readonly Family[];
  readonly form?: FormParts;
  readonly readers?: Readers;
  /** What hints have looked after: expressions, and servers that are asked. */
  looksAfter?(root: PlanNode, ask: Ask | undefined): Pick<FormOptions, 'computed' | 'conditions' | 'rules' | 'checks'>;
}

/** Compiles and plans a source with what was fetched for it. */
export async function planFrom(
  { schema, hints, rules, codes, ask }: FormSource,
  { options, engine, expressions, checked }: Fetched,
  { keywords, form, readers = {}, looksAfter }: Parts = {},
): Promise<PreparedPlan> {
  const compiled = compileWith(await engineFrom(engine, keywords), schema, options);
  const plan = checked ? checked(compiled, hints, rules) : planWith(readers, compiled, hints, rules);
  for (const { schemaAt, says } of plan.troubles) warnDeveloper(`${schemaAt}: ${says}`);
  return {
    compiled,
    plan,
    async opener() {
      const asked = {
        codecs: await prepareCodecs(plan.root, codes),
        settingsAt: settingsOf(plan),
        ...looksAfter?.(plan.root, ask),
        ...(expressions && { expressions }),
      };
      return (own) => openPrepared(compiled, { ...asked, ...own }, form);
    },
  };
}
