/** Kinds that many forms need, but not every one: fetched together. */
import { compoundKinds } from './compound.js';
import { dateKinds } from './dates.js';
import { makersOf } from './kind.js';
import { numberKinds } from './numbers.js';
import { textKinds } from './texts.js';

export const makers = makersOf({ ...textKinds, ...numberKinds, ...dateKinds, ...compoundKinds });
