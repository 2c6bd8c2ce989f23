/** The state of a form: fields, lists, conditions, sending. Stands on the schema; knows no drawing and no input. */
export { codecKind, openForm } from './open.js';
export { asksExpressions, asksServers } from './asked.js';
export { openPrepared, type FormParts } from './prepare.js';
export { acceptedWords } from './outcome.js';
export type { FormList } from './list.js';
export { emptyOf } from './list.js';
export type { FormExpressions } from './computed.js';
export type { FormSchema } from './form-schema.js';
export type { Attendant, Ground } from './ground.js';
export type { Trouble } from './trouble.js';
export { pointerOf, type Steps, type Where } from './path.js';
export { readProblemDetails, type ProblemDetails } from './problem-details.js';
export type {
  Chooser,
  PlacedCheck,
  PlacedExpression,
  PlacedRule,
  PlaceSettings,
  Form,
  FormField,
  FormOptions,
  FormStatus,
  LeftOver,
  Outcome,
  Snapshot,
  Submitted,
  TellWhen,
} from './types.js';
