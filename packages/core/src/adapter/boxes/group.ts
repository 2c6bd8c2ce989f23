import type { AdapterDescription } from '../description.js';
import { choices } from '../native.js';

/** Radio buttons and check marks as one value. */
export const groupAdapters: Readonly<Record<string, AdapterDescription>> = {
  radios: {
    input: 'native#radios',
    name: { property: 'name' },
    value: { property: 'value' },
    change: { report: 'onChange', path: '/0' },
    focus: { by: 'element' },
    disabled: { property: 'disabled' },
    real: { selector: '[role=radiogroup]' },
    choices,
  },
  checks: {
    input: 'native#checks',
    name: { property: 'name' },
    value: { property: 'value', kind: 'list' },
    change: { report: 'onChange', path: '/0' },
    focus: { by: 'element' },
    disabled: { property: 'disabled' },
    choices,
  },
};
