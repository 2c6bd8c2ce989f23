import { boxAdapters } from '@poietra/core';
import type { ReactNode } from 'react';
import { adaptGroup } from './adapt-group.js';
import { adaptNative } from './adapt-native.js';
import { Checks, Combo, FileBox, ListBox, OpenList, Radios } from './boxes.js';
import type { AdaptedInput } from './given.js';

/** Boxes that are drawn with several of HTML's elements, by the name of their adapter. */
export const boxes: Readonly<Record<string, (props: never) => ReactNode>> = {
  radios: Radios,
  checks: Checks,
  listbox: ListBox,
  list: OpenList,
  combobox: Combo,
  file: FileBox,
};

/** Boxes that HTML does not have as one element, adapted like its own. */
export const boxInputs: Readonly<Record<string, AdaptedInput>> = Object.fromEntries(
  Object.entries(boxAdapters).map(([name, description]) => [
    `native:${name}`,
    (description.id ? adaptNative : adaptGroup)(boxes[name], description),
  ]),
);
