/** All hints of a place that the panel has no line of its own for: a form of their own schema. */
import { hintsSchemaWith, isObject, lookUp, ownMember, type Plan, type PlanNode } from '@poietra/core';
import { useMemo, useState, type ReactNode } from 'react';
import { SettingsForm } from '../parts/settings-form.js';
import type { FormToOpen } from './messages.js';

type OwnHints = FormToOpen['kit']['hints'];
type Given = Readonly<Record<string, unknown>>;

/** Those of the panel's own lines, and in which order the others stand: what is looked for most comes first. */
const elsewhere = ['label', 'hint', 'condition', 'computed', 'layout'];
const first = ['rules', 'check', 'tells', 'normal', 'messages', 'words', 'remote', 'input', 'field'];

interface Props {
  readonly plan: Plan;
  readonly node: PlanNode;
  readonly own: OwnHints;
  /** The documents that the form's schema refers to. */
  readonly documents: FormToOpen['documents'];
  onChange(hints: Given): void;
}

export function MoreHints({ plan, node, own, documents, onChange }: Props): ReactNode {
  const [isOpen, setIsOpen] = useState(false);
  const written = writtenHints(plan, node, documents);
  const schema = useMemo(() => schemaFor(own), [own]);
  const beside = Object.keys(node.given).filter((name) => ownMember(written, name) !== node.given[name]);
  // What this form does not show stays as it is, misspelt or not.
  const kept = Object.fromEntries(Object.entries(written).filter(([name]) => !Object.hasOwn(schema.properties, name)));
  return (
    <details className="edit-more" onToggle={({ currentTarget }) => setIsOpen(currentTarget.open)}>
      <summary>More: rules, checks, words …</summary>
      {beside.length > 0 && (
        <p>Beside the schema, under Hints, stand {beside.join(', ')}. They go before what is said here.</p>
      )}
      {isOpen && (
        <SettingsForm
          schema={schema}
          value={written}
          onChange={(hints) => onChange({ ...kept, ...(isObject(hints) ? hints : {}) })}
        />
      )}
    </details>
  );
}

/** The hints that stand in the schema itself, in the document that it is part of: a plan merges those of several. */
function writtenHints({ compiled }: Plan, { schemaAt }: PlanNode, documents: Props['documents']): Given {
  const [document, at] = schemaAt.startsWith('urn:')
    ? [documents[schemaAt.slice(0, schemaAt.indexOf('#'))], schemaAt.slice(schemaAt.indexOf('#') + 1)]
    : [compiled.root.resource.root, schemaAt];
  const found: unknown = lookUp(document, `${at}/x-poietra`);
  return isObject(found) ? found : {};
}

function schemaFor(own: OwnHints): { readonly properties: Given } {
  const { properties, ...rest } = hintsSchemaWith(own) as { properties: Given };
  const names = Object.keys(properties).filter((name) => !elsewhere.includes(name));
  const inOrder = [...first, ...names.filter((name) => !first.includes(name))];
  return { ...rest, properties: Object.fromEntries(inOrder.map((name) => [name, properties[name]])) };
}
