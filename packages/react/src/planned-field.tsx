/** One field of a plan: its input, and what schema and hints say of it. */
import { useMemo, type ReactNode } from 'react';
import { useDrawing, type PlannedFieldProps } from './drawing.js';
import { useWords } from './scope.js';
import { SkinnedField } from './skinned-field.js';
import { fieldWords } from './words/field-words.js';

const text = (value: unknown): string | undefined => (typeof value === 'string' ? value : undefined);

export function PlannedField({ node, at, bare, remote }: PlannedFieldProps): ReactNode {
  const { inputs, skins, skin, ownHints } = useDrawing();
  const words = useWords(fieldWords);
  const { hints, facts, use } = node;
  const [example] = facts.examples;
  const own = useMemo(() => ownHints?.(hints), [hints, ownHints]);
  const extra = useMemo(
    () => ({
      ...own?.properties,
      ...(typeof hints.lines === 'number' ? { rows: hints.lines } : {}),
      ...(use.adapter === 'native:textarea' && use.codec.kind === 'json' ? { rows: 5, spellCheck: false } : {}),
      ...(use.adapter === 'native:range'
        ? { min: facts.limits['minimum'], max: facts.limits['maximum'], step: facts.limits['multipleOf'] }
        : {}),
      ...(use.adapter === 'native:file' && facts.contentMediaType !== undefined
        ? { accept: facts.contentMediaType }
        : {}),
      ...(use.adapter.startsWith('native:') ? remote?.properties : {}),
    }),
    [own, hints.lines, use, facts, remote?.properties],
  );
  const hint = [node.hint, facts.deprecated ? words.deprecated : undefined, remote?.words, ...(own?.words ?? [])]
    .filter(Boolean)
    .join(' ');
  const field = (
    <SkinnedField
      at={at}
      label={node.label}
      quiet={bare}
      hint={hint || undefined}
      choices={remote?.choices ?? words.inWords(node.choices)}
      placeholder={hints.placeholder ?? (example === undefined ? undefined : String(example))}
      prefix={text(hints.prefix)}
      suffix={text(hints.suffix)}
      inline={node.codec.kind === 'boolean' && use.adapter === 'native:checkbox'}
      input={inputs[use.adapter] ?? inputs['native:text']}
      skin={hints.skin === undefined ? skin : (skins[hints.skin] ?? skin)}
      extra={extra}
    />
  );
  return own?.marks ? (
    <div className="poietra-own" {...own.marks}>
      {field}
    </div>
  ) : (
    field
  );
}
