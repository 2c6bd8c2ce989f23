/**
 * What many forms need, but not every one, with what every form needs: one file, since each is a request and what two of
 * them share is a file more.
 */
import { formParts } from '../form/parts.js';
import { readBox } from '../plan/boxes.js';
import { readChoices } from '../plan/choosers.js';
import { checksOf, expressionsOf } from '../plan/index.js';
import { families } from '../schema/keywords/common.js';
import { planFrom as planWithout, type Fetched, type Parts } from './plan-from.js';
import type { FormSource, PreparedPlan } from './source.js';

const parts: Parts = { keywords: families, form: formParts, readers: { choices: readChoices, boxes: readBox } };

/** As that of `plan-from.ts`, of all parts. */
export function planFrom(source: FormSource, fetched: Fetched): Promise<PreparedPlan> {
  if (!fetched.isAsked) return planWithout(source, fetched, parts);
  return planWithout(source, fetched, {
    ...parts,
    looksAfter: (root, ask) => ({ ...expressionsOf(root), checks: checksOf(root, ask) }),
  });
}
