import type { AdapterDescription } from './description.js';

/** What all native inputs have in common: they are HTML, so nothing has to be found out. */
export const common = {
  leave: { report: 'onBlur' },
  focus: { by: 'element' },
  invalid: { property: 'aria-invalid', value: true },
  disabled: { property: 'disabled' },
  required: { property: 'aria-required' },
  id: { property: 'id' },
  name: { property: 'name' },
  describedBy: { property: 'aria-describedby' },
} as const;

const typed = (type: string): AdapterDescription => ({
  ...common,
  input: `native#${type}`,
  value: { property: 'value', empty: '' },
  change: { report: 'onChange', path: '/0/target/value' },
  readOnly: { property: 'readOnly' },
  placeholder: { property: 'placeholder' },
  constants: { type },
});
/** HTML's `readonly` and `placeholder` mean nothing to a colour and a range: a person could change them all the same. */
const pointed = (type: string): AdapterDescription => {
  const { readOnly: _readOnly, placeholder: _placeholder, ...rest } = typed(type);
  return rest;
};

export const choices = { property: 'choices', value: 'value', text: 'text' } as const;

/** Adapters for the inputs that HTML has as one element, by name. Numbers are typed into a text box: a number box hides what cannot be parsed. */
export const plainAdapters: Readonly<Record<string, AdapterDescription>> = {
  text: typed('text'),
  email: typed('email'),
  password: typed('password'),
  search: typed('search'),
  tel: typed('tel'),
  url: typed('url'),
  date: typed('date'),
  time: typed('time'),
  'datetime-local': typed('datetime-local'),
  color: pointed('color'),
  number: {
    ...typed('text'),
    input: 'native#number',
    constants: { type: 'text', inputMode: 'decimal', autoComplete: 'off' },
  },
  range: pointed('range'),
  textarea: { ...typed('text'), input: 'native#textarea', constants: {} },
  checkbox: {
    ...common,
    input: 'native#checkbox',
    value: { property: 'checked', empty: false },
    change: { report: 'onChange', path: '/0/target/checked' },
    constants: { type: 'checkbox' },
  },
  select: {
    ...common,
    input: 'native#select',
    value: { property: 'value', empty: '' },
    change: { report: 'onChange', path: '/0' },
    choices,
  },
};
