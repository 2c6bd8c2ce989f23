/** The state of a form: fields, lists, conditions, sending. Stands on the schema; knows no drawing and no input. */
export { codecKind, openForm, type Form, type FormField, type FormOptions, type FormStatus, type Outcome, type Snapshot, type Submitted, type TellWhen } from './form.js';
export type { FormList } from './list.js';
export { readProblemDetails, type ProblemDetails } from './problem-details.js';
export { pointerOf, type Steps, type Where } from './path.js';
