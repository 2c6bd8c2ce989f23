import { nativeAdapters, type FoundInput } from '@poietra/core';

const words: Readonly<Record<string, string>> = {
  text: 'A box for one line of text.',
  number: 'A box for a number, typed as text so that nothing typed is lost.',
  checkbox: 'A check mark.',
  textarea: 'A box for several lines of text.',
  select: 'A list to choose one value from.',
  date: 'The browser’s own date box.',
  range: 'The browser’s own slider.',
  color: 'The browser’s own colour box.',
  radios: 'Radio buttons, one of several values.',
  checks: 'Check marks, any number of several values.',
  listbox: 'A list that scrolls, any number of several values.',
  combobox: 'A text box that offers values while one types.',
  file: 'A file, given as data text.',
};

/** HTML's own inputs: always there, the same in every project. */
export function nativeFound(): FoundInput[] {
  return Object.entries(nativeAdapters).map(([name, adapter]) => ({
    id: `native#${name}`,
    family: 'native',
    package: 'HTML',
    version: '',
    export: name,
    module: '',
    tag: name === 'textarea' || name === 'select' ? name : 'input',
    says: words[name] ?? `The browser’s own ${name} box.`,
    properties: [
      { name: adapter.value.property, type: name === 'checkbox' ? 'boolean' : 'string' },
      { name: 'onChange', type: '(event: ChangeEvent) => void', args: [{ name: 'event', type: 'ChangeEvent' }] },
      { name: 'onBlur', type: '(event: FocusEvent) => void', args: [{ name: 'event', type: 'FocusEvent' }] },
      ...['disabled', 'readOnly', 'required'].map((flag) => ({ name: flag, type: 'boolean' })),
      ...['id', 'name', 'placeholder'].map((text) => ({ name: text, type: 'string' })),
    ],
    events: [],
    methods: ['focus'],
    css: [],
  }));
}
