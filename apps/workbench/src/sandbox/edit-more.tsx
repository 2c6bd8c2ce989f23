/** What is done with a place beside what its note says: moved, put into another group, taken away, given a member more. */
import { eachNode, type Form, type FormEdit, type Plan, type PlanNode } from '@poietra/core';
import { useState, type ReactNode } from 'react';
import type { FormToOpen } from './messages.js';

/** Into which groups a member can go: those of the same document that do not lie in it. */
export function MoveInto({
  plan,
  node,
  onChange,
}: {
  readonly plan: Plan;
  readonly node: PlanNode;
  onChange(edit: FormEdit): void;
}): ReactNode {
  const owner = node.schemaAt.replace(/\/properties\/[^/]+$/, '');
  /** Empty for the form's own schema. */
  const documentOf = (schemaAt: string): string => schemaAt.slice(0, Math.max(0, schemaAt.indexOf('#')));
  const groups = new Map<string, string>();
  eachNode(plan.root, '', 6, (one, at) => {
    const isFree =
      one.schemaAt !== owner && one.schemaAt !== node.schemaAt && !one.schemaAt.startsWith(`${node.schemaAt}/`);
    if (one.kind === 'group' && !one.tuple && isFree && documentOf(one.schemaAt) === documentOf(node.schemaAt))
      groups.set(one.schemaAt, at === '' ? 'the whole' : one.label);
  });
  if (groups.size === 0) return null;
  return (
    <label>
      Move into
      <select value="" onChange={({ target }) => onChange({ do: 'into', group: target.value.slice(1) })}>
        <option value="">stays where it is</option>
        {[...groups].map(([schemaAt, label]) => (
          // The schema of the whole stands at the empty pointer.
          <option key={schemaAt} value={`@${schemaAt}`}>
            {label}
          </option>
        ))}
      </select>
    </label>
  );
}

const plainKinds: Readonly<Record<string, unknown>> = {
  'a text': { type: 'string' },
  'a number': { type: 'number' },
  'a whole number': { type: 'integer' },
  'yes or no': { type: 'boolean' },
  'a date': { type: 'string', format: 'date' },
  'a list of texts': { type: 'array', items: { type: 'string' } },
  'a group': { type: 'object', properties: {} },
};

/** A member more: of a plain kind, one of the kit's fields or groups, or one that the data has already. */
export function AddMember({
  form,
  at,
  node,
  palette,
  onAdd,
}: {
  readonly form: Form;
  readonly at: string;
  readonly node: Extract<PlanNode, { kind: 'group' }>;
  readonly palette: FormToOpen['palette'];
  onAdd(edit: FormEdit): void;
}): ReactNode {
  const [name, setName] = useState('');
  const [kind, setKind] = useState('a text');
  const known = new Set(node.children.map((child) => child.name));
  const value = form.valueAt(at);
  const loose = typeof value === 'object' && value !== null ? Object.keys(value).filter((one) => !known.has(one)) : [];
  const kinds: Record<string, unknown> = {
    ...plainKinds,
    ...Object.fromEntries((palette?.fields ?? []).map((one) => [`the field ${one}`, { 'x-poietra': { field: one } }])),
    ...Object.fromEntries(
      (palette?.groups ?? []).map((one) => [`the group ${one}`, { $ref: `urn:poietra:group:${one}` }]),
    ),
  };
  return (
    <fieldset>
      <legend>Add a member</legend>
      <input
        aria-label="Name of the new member"
        list="loose-members"
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <datalist id="loose-members">
        {loose.map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>
      <select aria-label="What the new member is" value={kind} onChange={(event) => setKind(event.target.value)}>
        {Object.keys(kinds).map((one) => (
          <option key={one}>{one}</option>
        ))}
      </select>
      <button
        type="button"
        onClick={() => {
          onAdd({ do: 'add', name: name.trim(), schema: kinds[kind] });
          setName('');
        }}
      >
        Add
      </button>
      {loose.length > 0 && <span>The data has {loose.join(', ')} already.</span>}
    </fieldset>
  );
}
