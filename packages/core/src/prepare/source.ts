import type { CodecCode } from '../codec/index.js';
import type { Form, FormOptions } from '../form/index.js';
import type { Ask, HintsBeside, Plan, PlanRules } from '../plan/index.js';
import type { CompiledSchema, CompileOptions } from '../schema/index.js';

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

/** Opens a form, any number of times. */
export type OpenPrepared = <T = unknown>(
  options?: Omit<FormOptions, 'schema' | 'compiled' | 'compile' | 'codecs'>,
) => Form<T>;

/** A plan, and what is still to be fetched before a form of it can be opened. */
export interface PreparedPlan {
  readonly compiled: CompiledSchema;
  readonly plan: Plan;
  /** Fetches the codecs that the plan asks for, and gives what opens forms. */
  opener(): Promise<OpenPrepared>;
}
