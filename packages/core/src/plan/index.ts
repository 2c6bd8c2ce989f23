/** What is to be drawn for a schema and its hints. Stands on the schema; the values are the form's business. */
export {
  labelFrom,
  makePlan,
  planAt,
  planFields,
  type Plan,
  eachNode,
  type Chosen,
  type PlanChoices,
  type PlanChooser,
  type PlanField,
  type PlanGroup,
  type PlanList,
  type PlanNode,
  type PlanOption,
} from './plan.js';
export type { Hints, HintsBeside, Remote, Span } from './hints.js';
export { schemaOfSchemas } from './schema-of-schemas.js';
export { hintsSchema, hintsSchemaWith } from './hints-schema.js';
export {
  chooseField,
  standardRules,
  type ChoiceRule,
  type FieldDescription,
  type FieldUse,
  type PlanRules,
} from './rules.js';
export { expressionsOf } from './expressions.js';
export {
  remoteAddress,
  remoteChoice,
  remoteChoices,
  remoteItemAddress,
  templateVariables,
  type RemoteChoice,
} from './remote.js';
export { startOf } from './plan.js';
export { codecsOf } from './codecs.js';
export { asShownName, readSubmission } from './submission.js';
