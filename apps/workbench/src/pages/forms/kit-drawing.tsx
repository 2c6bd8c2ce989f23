import { builtIn, nativeAdapters, type ChoiceRule, type HintDescription, type Kit } from '@poietra/core';
import { useMemo, type ReactNode } from 'react';
import { SettingsForm } from '../../parts/settings-form.js';
import { useKit } from '../../store/kit.js';

/** What all forms of a kit share: which field is chosen for what, and the hints of the kit's own. */
export function KitDrawing(): ReactNode {
  const { kit, edit } = useKit();
  const adapters = useMemo(() => adapterNames(kit), [kit]);
  const rules = useMemo(() => rulesSchema(adapters), [adapters]);
  return (
    <div className="grid max-h-[60%] shrink-0 content-start overflow-auto border-t border-hairline px-4 py-2">
      <details>
        <summary className="min-h-6 cursor-pointer py-0.5 font-semibold">
          How fields are chosen {rulesWords(kit.rules?.length ?? 0)}
        </summary>
        <p className="py-1 text-ink-2">
          The first rule that fits a place of a schema says which input and codec it gets. Rules of the kit are asked
          before the built-in ones; a hint at the place itself wins over both.
        </p>
        <SettingsForm
          schema={rules}
          value={{ rules: kit.rules ?? [] }}
          onChange={(value) => {
            const { rules: next = [] } = value as { rules?: readonly ChoiceRule[] };
            edit('Rules of the kit', { '/rules': next.length === 0 ? undefined : next.map(withoutMarks) }, 'rules');
          }}
        />
      </details>
      <details>
        <summary className="min-h-6 cursor-pointer py-0.5 font-semibold">
          Hints of the kit’s own {Object.keys(kit.hints ?? {}).length > 0 && `(${Object.keys(kit.hints ?? {}).length})`}
        </summary>
        <p className="py-1 text-ink-2">
          Each is a word that may stand in “x-poietra”, with the values that it takes and what it does to the drawing of
          a field. It works at once, in every form.
        </p>
        <SettingsForm
          schema={ownHintsSchema}
          value={{ hints: kit.hints ?? {} }}
          onChange={(value) => {
            const { hints: next = {} } = value as { hints?: Readonly<Record<string, HintDescription>> };
            edit('Hints of the kit', { '/hints': Object.keys(next).length === 0 ? undefined : next }, 'hints');
          }}
        />
      </details>
    </div>
  );
}

function rulesWords(count: number): string {
  return count === 0 ? '' : count === 1 ? '(1 rule of the kit)' : `(${count} rules of the kit)`;
}

/** A mark that is not set asks for nothing. */
function withoutMarks(rule: ChoiceRule): unknown {
  return Object.fromEntries(Object.entries(rule).filter(([, value]) => value !== false));
}

function adapterNames({ adapters }: Kit): readonly string[] {
  return [...Object.keys(adapters), ...Object.keys(nativeAdapters).map((name) => `native:${name}`)];
}

const third = { narrow: 6, wide: 4 };
function rulesSchema(adapters: readonly string[]): unknown {
  return {
    type: 'object',
    properties: {
      rules: {
        type: 'array',
        title: 'Rules of the kit',
        items: {
          type: 'object',
          title: 'Rule',
          properties: {
            kind: {
              title: 'Kind of value',
              enum: ['string', 'number', 'integer', 'boolean', 'object', 'array'],
              'x-poietra': { span: third, input: 'select' },
            },
            format: { title: 'Format', type: 'string', examples: ['date'], 'x-poietra': { span: third } },
            choices: {
              title: 'Values to choose from',
              enum: ['few', 'some', 'many'],
              description: 'Up to four, up to fifteen, more.',
              'x-poietra': { span: third, input: 'select' },
            },
            several: { title: 'Any number of them', type: 'boolean', 'x-poietra': { span: third } },
            secret: { title: 'Only written', type: 'boolean', 'x-poietra': { span: third } },
            lines: { title: 'Several lines', type: 'boolean', 'x-poietra': { span: third } },
            use: {
              type: 'object',
              title: 'Then',
              properties: {
                adapter: { title: 'Input', enum: adapters, 'x-poietra': { input: 'combobox', span: 6 } },
                codec: {
                  type: 'object',
                  title: 'Codec',
                  properties: {
                    kind: { title: 'Kind', enum: Object.keys(builtIn), 'x-poietra': { input: 'select' } },
                    options: { title: 'Options', description: 'JSON.' },
                  },
                  required: ['kind'],
                  'x-poietra': { span: 6 },
                },
              },
              required: ['adapter', 'codec'],
              'x-poietra': { layout: 'grid' },
            },
          },
          required: ['use'],
          'x-poietra': { layout: 'grid' },
        },
      },
    },
  };
}

const ownHintsSchema = {
  type: 'object',
  properties: {
    hints: {
      type: 'object',
      title: 'Hints',
      additionalProperties: {
        type: 'object',
        title: 'Hint',
        properties: {
          title: { title: 'Title', type: 'string', 'x-poietra': { span: third } },
          does: {
            title: 'What it does',
            oneOf: [
              { const: 'property', title: 'goes to the input as a property' },
              { const: 'words', title: 'stands behind the hint' },
              { const: 'mark', title: 'marks the field for style sheets' },
            ],
            'x-poietra': { span: third, input: 'select' },
          },
          property: {
            title: 'Property',
            description: 'Where it goes to the input.',
            type: 'string',
            minLength: 1,
            'x-poietra': { span: third },
          },
          words: {
            title: 'Words',
            type: 'string',
            description: '{value} stands for the value.',
            'x-poietra': { span: third },
          },
          schema: { title: 'Schema of its values', description: 'JSON.' },
        },
        required: ['does', 'schema'],
        'x-poietra': { layout: 'grid' },
      },
    },
  },
};
