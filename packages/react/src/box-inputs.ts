import { comboBoxes, comboInputs } from './boxes/combo.js';
import { fileBoxes, fileInputs } from './boxes/file.js';
import { groupBoxes, groupInputs } from './boxes/group.js';
import { listBoxes, listInputs } from './boxes/lists.js';
import type { Boxes } from './boxes/box.js';
import type { AdaptedInput } from './given.js';

/** Boxes that are drawn with several of HTML's elements, by the name of their adapter. */
export const boxes: Boxes = { ...groupBoxes, ...listBoxes, ...comboBoxes, ...fileBoxes };

/** Boxes that HTML does not have as one element, adapted like its own. */
export const boxInputs: Readonly<Record<string, AdaptedInput>> = {
  ...groupInputs,
  ...listInputs,
  ...comboInputs,
  ...fileInputs,
};
