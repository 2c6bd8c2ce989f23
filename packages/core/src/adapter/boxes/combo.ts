import type { AdapterDescription } from '../description.js';
import { choices, common } from '../native.js';

/** A text box with choices. */
export const comboAdapters: Readonly<Record<string, AdapterDescription>> = {
  combobox: {
    ...common,
    input: 'native#combobox',
    value: { property: 'value' },
    change: { report: 'onChange', path: '/0' },
    readOnly: { property: 'readOnly' },
    placeholder: { property: 'placeholder' },
    choices,
  },
};
