import { plainMakers, type CodecCode } from '../codec/index.js';
import { OpenForm } from '../form/form.js';
import type { Form } from '../form/index.js';
import {
  codecsMadeBy,
  settingsOf,
  type Ask,
  type OpenPlanOptions,
  type PlanRules,
  type PlanTree,
} from '../plan/index.js';
import { copyOf } from '../json/index.js';
import { awaitSchema } from './await-schema.js';
import type { WrittenForm } from './nodes.js';
import { writtenPlan } from './plan.js';
import { WrittenSchema } from './schema.js';

/** What a form is opened with beside what was written out. */
export type OpenWrittenOptions = Omit<OpenPlanOptions, 'codes' | 'ask' | 'codecs'>;

/** What a written form does not hold itself. */
export interface WrittenBeside {
  /** The kit's fields and codecs, which it speaks of by name. */
  readonly rules?: PlanRules;
  /** The modules of codecs that are code. */
  readonly codes?: Readonly<Record<string, CodecCode>>;
  /** Asks servers for what hints have checked, in place of the platform's `fetch`. */
  readonly ask?: Ask;
}

/** A form that was written out, made ready: what is drawn, and how it is opened. */
export interface ReadyForm {
  readonly plan: PlanTree;
  open<T = unknown>(options?: OpenWrittenOptions): Form<T>;
}

/**
 * Makes a form ready that was written out. It can be opened and drawn at once; what is wrong with its value is told once
 * the rest of its schema has come, and nothing is sent before.
 */
export function readWritten(written: WrittenForm, { rules, codes, ask }: WrittenBeside = {}): ReadyForm {
  const schema = new WrittenSchema(written);
  const plan = writtenPlan(written, schema.choices, rules);
  const { start, asks, checksOf, ground, fillDefaults, codeMakers } = written;
  const makers = { ...plainMakers, ...written.makers, ...codeMakers?.(codes ?? {}) };
  // A new record mostly begins with nothing, and what the defaults make of that is known.
  const fill = (begin: object): unknown =>
    start !== undefined && Object.keys(begin).length === 0 ? copyOf(start) : (fillDefaults?.(schema, begin) ?? begin);
  return {
    plan,
    open: <T>(options: OpenWrittenOptions = {}) => {
      const form = new OpenForm(
        {
          codecs: codecsMadeBy(plan.root, makers),
          settingsAt: settingsOf(plan),
          checks: checksOf?.(plan.root, ask) ?? [],
          ...asks,
          ...options,
        },
        {
          schema,
          awaits: (own, arrived) => awaitSchema(schema, own, arrived),
          codec: () => plainMakers.same({}),
          fill: (begin) => fill(begin ?? {}),
          ...ground,
        },
      );
      // What it sends is of this type, since its schema accepted it; the form itself knows no types.
      return form as Form<T>;
    },
  };
}
