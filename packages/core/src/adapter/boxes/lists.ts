import type { AdapterDescription } from '../description.js';
import { choices, common } from '../native.js';

/** Lists of choices that stand open. */
export const listAdapters: Readonly<Record<string, AdapterDescription>> = {
  listbox: {
    ...common,
    input: 'native#listbox',
    value: { property: 'value', kind: 'list' },
    change: { report: 'onChange', path: '/0' },
    choices,
  },
  list: {
    ...common,
    input: 'native#list',
    value: { property: 'value' },
    change: { report: 'onChange', path: '/0' },
    choices,
  },
};
