import { attendChecks } from './checks.js';
import type { Attended, Attendant } from './ground.js';
import { attendRules } from './form-rules.js';
import type { FormOptions } from './types.js';

/** Who looks after values beside the schema. */
export function attend(
  form: Attended,
  { rules = [], checks = [] }: Pick<FormOptions, 'rules' | 'checks'>,
): readonly Attendant[] {
  return [attendRules(form, rules), attendChecks(form, checks)];
}
