/** One part of a plan: whether it is there, and which of the drawings it gets. */
import type { Hints, PlanField, PlanNode, Pointer } from '@poietra/core';
import { useMemo, type ReactNode } from 'react';
import { useDrawing } from './drawing.js';
import { Field } from './field.js';
import { useFollowed } from './follow.js';
import { PlannedChooser } from './planned-chooser.js';
import { PlannedGroup } from './planned-group.js';
import { PlannedList } from './planned-list.js';
import { useRemoteChoices } from './remote.js';
import { useScope } from './scope.js';

export interface PlannedProps {
  readonly node: PlanNode;
  readonly at: Pointer;
  /** What stands around says its label already. */
  readonly bare?: boolean | undefined;
}

export function Planned({ node, at, bare = false }: PlannedProps): ReactNode {
  const { form } = useScope();
  const isThere = useFollowed(() => {
    if (!node.when.some((conditions) => form.holds(at, conditions))) return false;
    const { condition } = node.hints;
    if (typeof condition !== 'string') return true;
    const said = form.ask(at, condition);
    return 'value' in said && said.value === true;
  }, [form, node, at]);
  if (!isThere || node.hints.hidden === true) return null;
  switch (node.kind) {
    case 'field':
      return node.fixed && bare ? null : <PlannedField node={node} at={at} bare={bare} />;
    case 'list':
      return <PlannedList node={node} at={at} />;
    case 'group':
      return <PlannedGroup node={node} at={at} bare={bare} />;
    case 'chooser':
      return <PlannedChooser node={node} at={at} bare={bare} />;
  }
}

const text = (value: unknown): string | undefined => (typeof value === 'string' ? value : undefined);

function PlannedField({
  node,
  at,
  bare,
}: {
  readonly node: PlanField;
  readonly at: Pointer;
  readonly bare: boolean;
}): ReactNode {
  const { inputs, skins, skin, ownHints } = useDrawing();
  const { hints, facts, use } = node;
  const example = facts.examples[0];
  const own = useMemo(() => ownOf(hints, ownHints), [hints, ownHints]);
  const remote = useRemoteChoices(hints.remote, at);
  const extra = useMemo(
    () => ({
      ...own.properties,
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
  const hint = [node.hint, facts.deprecated ? 'No longer used.' : undefined, ...own.words].filter(Boolean).join(' ');
  return (
    <div className="poietra-own" {...own.marks}>
      <Field
        at={at}
        label={node.label}
        quiet={bare}
        hint={hint === '' ? undefined : hint}
        choices={remote?.choices ?? node.choices}
        placeholder={hints.placeholder ?? (example === undefined ? undefined : String(example))}
        prefix={text(hints.prefix)}
        suffix={text(hints.suffix)}
        inline={node.codec.kind === 'boolean' && use.adapter === 'native:checkbox'}
        input={inputs[use.adapter] ?? inputs['native:text']}
        skin={hints.skin === undefined ? skin : (skins[hints.skin] ?? skin)}
        extra={extra}
      />
    </div>
  );
}

/** What the hints of one's own come to for a field. */
function ownOf(
  hints: Hints,
  known: ReturnType<typeof useDrawing>['ownHints'],
): { properties: Record<string, unknown>; words: string[]; marks: Record<string, string> } {
  const found = {
    properties: {} as Record<string, unknown>,
    words: [] as string[],
    marks: {} as Record<string, string>,
  };
  for (const [name, own] of Object.entries(known)) {
    const value = hints[name];
    if (value === undefined) continue;
    if (own.does === 'property') found.properties[own.property] = value;
    else if (own.does === 'words') found.words.push(own.words.replaceAll('{value}', String(value)));
    else found.marks[`data-${name.toLowerCase()}`] = String(value);
  }
  return found;
}
