/** Kinds that many forms need, but not every one: fetched together, since each file is a request. */
import { compoundKinds } from './compound.js';
import { dateKinds } from './dates.js';
import { makersOf } from './kind.js';
import { numberKinds } from './numbers.js';
import { stepKinds } from './steps.js';
import { textKinds } from './texts.js';

export { codeMakers } from './code.js';
export const makers = makersOf({ ...textKinds, ...numberKinds, ...dateKinds, ...compoundKinds, ...stepKinds });
