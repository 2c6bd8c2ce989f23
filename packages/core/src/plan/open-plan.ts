import type { CodecCode } from '../codec/index.js';
import { asksExpressions, asksServers, openForm, type Form, type FormOptions } from '../form/index.js';
import { checksOf, type Ask } from './checks.js';
import { codecsOf } from './codecs.js';
import { expressionsOf } from './expressions.js';
import type { Plan } from './nodes.js';
import { settingsOf } from './settings.js';

/** What a form is opened with beside what its plan says. */
export interface OpenPlanOptions extends Omit<FormOptions, 'schema' | 'compiled' | 'compile' | 'settingsAt'> {
  /** The modules of codecs that are code. */
  readonly codes?: Readonly<Record<string, CodecCode>>;
  /** Asks servers for what hints have checked, in place of the platform's `fetch`. */
  readonly ask?: Ask;
}

/**
 * Opens a form on its plan, with everything at hand and every hint honoured. Conditions, computed values and rules need
 * `expressions` (`await loadExpressions()`). `prepareForm` of the React binding does the same and fetches what is needed.
 */
export function openPlan<T = unknown>(plan: Plan, { codes, ask, ...options }: OpenPlanOptions = {}): Form<T> {
  const { compiled, root, beside } = plan;
  const text = JSON.stringify([compiled.documents, beside]);
  return openForm<T>({
    schema: undefined,
    compiled,
    codecs: codecsOf(root, codes),
    settingsAt: settingsOf(plan),
    // Looked for only where there are any: in a schema of thousands of parts that takes its time.
    ...(options.expressions || asksExpressions(text) ? expressionsOf(root) : {}),
    ...(asksServers(text) ? { checks: checksOf(root, ask) } : {}),
    ...options,
  });
}
