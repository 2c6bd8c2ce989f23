/** Keywords that few schemas have: fetched together. */
import type { Family } from './context.js';
import { family as dynamic } from './dynamic.js';
import { family as unevaluated } from './unevaluated.js';

export const families: readonly Family[] = [dynamic, unevaluated];
