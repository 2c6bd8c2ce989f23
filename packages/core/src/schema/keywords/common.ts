/** Keywords that many schemas have, but not every one: fetched together. */
import { family as arrays } from './arrays.js';
import { family as branches } from './branches.js';
import type { Family } from './context.js';
import { family as enumerations } from './enumerations.js';
import { family as numbers } from './numbers.js';
import { family as objects } from './objects.js';

export const families: readonly Family[] = [enumerations, numbers, objects, arrays, branches];
