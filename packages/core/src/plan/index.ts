/** What is to be drawn for a schema and its hints. Stands on the schema; the values are the form's business. */
export {
  labelFrom,
  makePlan,
  planAt,
  planFields,
  type Hints,
  type HintsBeside,
  type Plan,
  type PlanField,
  type PlanGroup,
  type PlanList,
  type PlanNode,
} from './plan.js';
export {
  chooseField,
  standardRules,
  type ChoiceRule,
  type FieldDescription,
  type FieldUse,
  type PlanRules,
} from './rules.js';
export { codecsOf } from './codecs.js';
