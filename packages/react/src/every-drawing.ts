import type { Drawings } from './drawing.js';
import { moreDrawings } from './more-drawings.js';
import { compact, plain } from './skin.js';

/** All that any plan may ask for. */
export const everyDrawing: Drawings = { ...moreDrawings, skins: { plain, compact } };
