/** Makers that many forms need, but not every one: fetched together. */
import { makers as compound } from './compound.js';
import { makers as dates } from './dates.js';
import type { Makers } from './maker.js';
import { makers as numbers } from './numbers.js';
import { makers as texts } from './texts.js';

export const makers: Makers = { ...texts, ...numbers, ...dates, ...compound };
