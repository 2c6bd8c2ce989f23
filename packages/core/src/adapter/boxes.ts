import { comboAdapters } from './boxes/combo.js';
import { fileAdapters } from './boxes/file.js';
import { groupAdapters } from './boxes/group.js';
import { listAdapters } from './boxes/lists.js';
import type { AdapterDescription } from './description.js';
import { plainAdapters } from './native.js';

/** Adapters for boxes that are drawn with several of HTML's elements, by name: a file for each that forms use apart. */
export const boxAdapters: Readonly<Record<string, AdapterDescription>> = {
  ...groupAdapters,
  ...listAdapters,
  ...comboAdapters,
  ...fileAdapters,
};

/** Adapters for all that HTML itself gives. */
export const nativeAdapters: Readonly<Record<string, AdapterDescription>> = { ...plainAdapters, ...boxAdapters };
