/** What is to be drawn for a schema and its hints. Stands on the schema; the values are the form's business. */
export { makePlan } from './make-plan.js';
export { askServer, checksOf, type Ask } from './checks.js';
export { openPlan, type OpenPlanOptions } from './open-plan.js';
export { settingsOf } from './settings.js';
export { labelFrom } from './words.js';
export { kindAmong } from './kinds.js';
export { kitField, withNull, type FieldUse, type KitFields } from './kit-field.js';
export type { Planned } from './plan.js';
export type {
  Plan,
  PlanChoices,
  PlanChooser,
  PlanField,
  PlanGroup,
  PlanList,
  PlanNode,
  PlanOption,
  PlanTree,
  PlanTrouble,
} from './nodes.js';
export { eachNode, planFields } from './each.js';
export { knownNodes, planAt, type Chosen } from './walk.js';
export { isSecret, secretsOf, withoutSecretPlaces, withoutSecrets } from './secrets.js';
export { fitted, startOf } from './start.js';
export type { HintCheck, HintRule, Hints, HintsBeside, Remote, Span } from './hints.js';
export { schemaOfSchemas } from './schema-of-schemas.js';
export { hintsSchema, hintsSchemaWith } from './hints-schema.js';
export { chooseField, standardRules, type ChoiceRule, type FieldDescription, type PlanRules } from './rules.js';
export { expressionsOf } from './expressions.js';
export {
  remoteAddress,
  remoteChoice,
  remoteChoices,
  remoteNext,
  remoteItemAddress,
  templateVariables,
  variableOf,
  type RemoteChoice,
} from './remote.js';
export { codecsOf, prepareCodecs } from './codecs.js';
export { codecsMadeBy, type CodecsByPlace } from './codecs-by-place.js';
export {
  methodFor,
  sendTo,
  type Fetch,
  type Purpose,
  type SendDescription,
  type SendingWords,
  type SendOptions,
} from './send.js';
export { asShownName } from './as-shown.js';
export { readSubmission } from './submission.js';
