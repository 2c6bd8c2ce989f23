/** A kit whose parts are called as the language, the library and HTML call theirs, and whose texts would break out of source. */
import type { Kit } from '@poietra/core';

export const weight = {
  type: 'object',
  required: ['class'],
  properties: { class: { type: 'string', minLength: 2 }, weight: { type: 'number' } },
};
export const ownWords = (demo: Kit): Kit => ({
  ...demo,
  name: "Own */ words'",
  inputs: {},
  adapters: {},
  groups: {},
  skins: {},
  fields: {},
  codecs: {
    date: { kind: 'date', cases: [{ shown: '2026-11-23', sent: '2026-11-23' }] },
    maker: {
      kind: 'money',
      options: { digits: 2, empty: 'null' },
      cases: [
        { shown: '12.50', sent: 1250 },
        { shown: '', sent: null },
      ],
    },
    code: {
      kind: 'code',
      options: {
        source:
          'export const parse = (shown: unknown) => String(shown).toUpperCase();\nexport const show = (held: unknown) => String(held);\n',
      },
      cases: [{ shown: 'a', sent: 'A' }],
    },
    class: { kind: 'steps', options: { steps: [{ do: 'trim' }] } },
  },
  forms: {
    form: { title: 'Form', schema: weight },
    Form: { title: "It's a “form”", schema: true },
    empty: { title: '', schema: {} },
  },
});
