/** Keywords that look into texts, with the matcher of patterns and the formats that they bring along: fetched together. */
import { standardFormats } from '../formats.js';
import { family as content } from './content.js';
import type { Family } from './context.js';
import { formatFamily } from './format.js';
import { family as patterns } from './patterns.js';

export const families: readonly Family[] = [patterns, formatFamily(standardFormats), content];
