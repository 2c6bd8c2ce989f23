import type { AdapterDescription } from '../description.js';
import { common } from '../native.js';

/** A file as a value. */
export const fileAdapters: Readonly<Record<string, AdapterDescription>> = {
  file: {
    ...common,
    input: 'native#file',
    value: { property: 'value' },
    change: { report: 'onChange', path: '/0' },
  },
};
