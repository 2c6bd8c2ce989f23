/** Keywords that look into texts, with the matcher of patterns and the formats that they bring along: fetched together. */
import type { Family } from './context.js';
import { family as format } from './format.js';
import { family as patterns } from './patterns.js';

export const families: readonly Family[] = [patterns, format];
