import { boxAdapters } from '@poietra/core';
import type { ReactNode } from 'react';
import { adapt } from './adapt.js';
import { Checks, Combo, FileBox, ListBox, OpenList, Radios } from './boxes.js';
import type { AdaptedInput } from './given.js';
import { plainElement, plainInputs } from './plain-inputs.js';

const boxes: Readonly<Record<string, (props: never) => ReactNode>> = {
  radios: Radios,
  checks: Checks,
  listbox: ListBox,
  list: OpenList,
  combobox: Combo,
  file: FileBox,
};

/** What a native adapter stands on: the name of an HTML element, or a box made of several. */
export const nativeElement = (name: string): unknown => boxes[name] ?? plainElement(name);

/** Boxes that HTML does not have as one element, adapted like its own. */
export const boxInputs: Readonly<Record<string, AdaptedInput>> = Object.fromEntries(
  Object.entries(boxAdapters).map(([name, description]) => [
    `native:${name}`,
    adapt(boxes[name], description, description.id ? 'native' : 'component'),
  ]),
);

/** HTML's own inputs, adapted, under the names that plans use: `native:text`, `native:checkbox` … */
export const nativeInputs: Readonly<Record<string, AdaptedInput>> = { ...plainInputs, ...boxInputs };
