import type { AdapterDescription } from './description.js';
import { choices, common, plainAdapters } from './native.js';

/** Adapters for boxes that are drawn with several of HTML's elements, by name. */
export const boxAdapters: Readonly<Record<string, AdapterDescription>> = {
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
  combobox: {
    ...common,
    input: 'native#combobox',
    value: { property: 'value' },
    change: { report: 'onChange', path: '/0' },
    readOnly: { property: 'readOnly' },
    placeholder: { property: 'placeholder' },
    choices,
  },
  file: {
    ...common,
    input: 'native#file',
    value: { property: 'value' },
    change: { report: 'onChange', path: '/0' },
  },
};

/** Adapters for all that HTML itself gives. */
export const nativeAdapters: Readonly<Record<string, AdapterDescription>> = { ...plainAdapters, ...boxAdapters };
