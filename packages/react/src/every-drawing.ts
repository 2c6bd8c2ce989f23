import type { Drawings } from './drawing.js';
import { mending } from './mending.js';
import { moreDrawings } from './more-drawings.js';
import { compact, plain } from './skin.js';

/** All that any plan may ask for. */
export const everyDrawing: Drawings = { ...moreDrawings, mending, skins: { plain, compact } };
