import { eachNode, editableRules, type Form, type FormEdit, type Plan, type PlanNode } from '@poietra/core';
import { useFollowed } from '@poietra/react';
import { useEffect, useId, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { MoreHints } from './more-hints.js';
import type { FormToOpen } from './messages.js';
import { tell } from './tell.js';

interface Props {
  readonly node: PlanNode;
  readonly plan: Plan;
  readonly at: string;
  readonly form: Form;
  readonly palette: FormToOpen['palette'];
  readonly ownHints: FormToOpen['kit']['hints'];
  readonly documents: FormToOpen['documents'];
  readonly style: { readonly top: number };
  onClose(): void;
}

/** What a place is, edited beside it: words, rules, order, width, condition. Each change goes to the schema at once. */
export function EditPanel({ node, plan, at, form, palette, ownHints, documents, style, onClose }: Props): ReactNode {
  const change = (edit: FormEdit): void =>
    tell({ kind: 'edit', schemaAt: node.schemaAt, label: node.label.slice(0, 200), edit });
  const panel = useRef<HTMLDivElement>(null);
  useEffect(() => panel.current?.querySelector('input')?.focus(), []);
  const kind = node.facts.kinds?.find((one) => one !== 'null') ?? '';
  const isMember = /\/properties\/[^/]+$/.test(node.schemaAt);
  const press = (event: KeyboardEvent): void => {
    if (event.key === 'Escape') onClose();
    else if (event.altKey && isMember && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      event.preventDefault();
      change({ do: 'move', by: event.key === 'ArrowUp' ? -1 : 1 });
    }
  };
  return (
    <div
      ref={panel}
      className="edit-panel"
      role="dialog"
      aria-label={`Edit ${node.label}`}
      style={style}
      onKeyDown={press}
    >
      <Line words="Label" value={node.label} onChange={(text) => change({ do: 'label', text })} />
      <Line words="Hint" value={node.hint ?? ''} onChange={(text) => change({ do: 'hint', text })} />
      {isMember && (
        <label className="edit-check">
          <input
            type="checkbox"
            checked={node.required}
            onChange={({ target }) => change({ do: 'required', is: target.checked })}
          />
          Required
        </label>
      )}
      {(editableRules[kind] ?? []).map((keyword) => (
        <Line
          key={keyword}
          half={keyword !== 'pattern' && keyword !== 'format'}
          words={keyword}
          value={ruleText(node, keyword)}
          onChange={(text) => change({ do: 'rule', keyword, value: ruleValue(keyword, text) })}
        />
      ))}
      <Expressed
        form={form}
        at={at}
        does="condition"
        text={node.hints.condition ?? ''}
        onChange={(text) => change({ do: 'condition', text })}
      />
      {node.kind === 'field' && (
        <Expressed
          form={form}
          at={at}
          does="computed"
          text={node.hints.computed ?? ''}
          onChange={(text) => change({ do: 'computed', text })}
        />
      )}
      <Line
        words="Columns of twelve"
        value={typeof node.hints.span === 'number' ? String(node.hints.span) : ''}
        onChange={(text) => {
          const span = Number(text);
          change({ do: 'span', span: Number.isInteger(span) && span >= 1 && span <= 12 ? span : undefined });
        }}
      />
      {(node.kind === 'group' || node.kind === 'list') && (
        <label>
          Layout
          <select
            value={node.hints.layout ?? ''}
            onChange={({ target }) => change({ do: 'layout', layout: target.value === '' ? undefined : target.value })}
          >
            {layoutsOf(node, at).map((one) => (
              <option key={one}>{one}</option>
            ))}
          </select>
        </label>
      )}
      <MoreHints
        plan={plan}
        node={node}
        own={ownHints}
        documents={documents}
        onChange={(hints) => change({ do: 'hints', hints })}
      />
      {isMember && <MoveInto plan={plan} node={node} onChange={change} />}
      {node.kind === 'group' && <AddMember form={form} at={at} node={node} palette={palette} onAdd={change} />}
      <div className="edit-actions">
        {isMember && (
          <>
            <button type="button" title="Alt and the up key" onClick={() => change({ do: 'move', by: -1 })}>
              Move up
            </button>
            <button type="button" title="Alt and the down key" onClick={() => change({ do: 'move', by: 1 })}>
              Move down
            </button>
            <button
              type="button"
              onClick={() => {
                change({ do: 'remove' });
                onClose();
              }}
            >
              Remove
            </button>
          </>
        )}
        <button type="button" onClick={onClose}>
          Close
        </button>
      </div>
    </div>
  );
}

/** Pages are for the whole form only. */
function layoutsOf({ kind }: PlanNode, at: string): readonly string[] {
  if (kind === 'list') return ['', 'stack', 'table', 'tabs'];
  return ['', 'stack', 'row', 'grid', 'tabs', ...(at === '' ? ['steps'] : [])];
}

/** Into which groups a member can go: those of the same document that do not lie in it. */
function MoveInto({
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

function ruleText({ facts }: PlanNode, keyword: string): string {
  if (keyword === 'pattern') return facts.patterns[0] ?? '';
  if (keyword === 'format') return facts.format ?? '';
  const limit = facts.limits[keyword];
  return limit === undefined ? '' : String(limit);
}
function ruleValue(keyword: string, text: string): string | number | undefined {
  if (text.trim() === '') return undefined;
  if (keyword === 'pattern' || keyword === 'format') return text;
  const value = Number(text);
  return Number.isFinite(value) ? value : undefined;
}

/** A text that is taken with Enter or on leaving it; what was typed so far is not overwritten from outside. */
function Line({
  words,
  value,
  list,
  half = false,
  onChange,
}: {
  readonly words: string;
  readonly value: string;
  readonly list?: string | undefined;
  /** Two of them stand side by side. */
  readonly half?: boolean;
  onChange(text: string): void;
}): ReactNode {
  const [text, setText] = useState<string>();
  const take = (): void => {
    if (text !== undefined && text !== value) onChange(text);
    setText(undefined);
  };
  return (
    <label className={half ? 'edit-half' : undefined}>
      {words}
      <input
        value={text ?? value}
        list={list}
        onChange={(event) => setText(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => {
          if (event.key === 'Enter') take();
        }}
      />
    </label>
  );
}

/** An expression with what it says at present. */
function Expressed({
  form,
  at,
  does,
  text,
  onChange,
}: {
  readonly form: Form;
  readonly at: string;
  readonly does: 'condition' | 'computed';
  readonly text: string;
  onChange(text: string): void;
}): ReactNode {
  const id = useId();
  const verdict = useFollowed(() => {
    if (text === '') return '';
    const said = form.ask(at, text);
    if ('trouble' in said) return said.trouble;
    if ('missing' in said) return `not yet: ${said.missing}`;
    return said.value === true
      ? 'holds now'
      : said.value === false
        ? 'does not hold now'
        : `gives ${JSON.stringify(said.value)} now`;
  }, [form, at, text]);
  const names = useFollowed(() => {
    const value = form.valueAt('');
    return typeof value === 'object' && value !== null ? Object.keys(value).join('\n') : '';
  }, [form]);
  return (
    <>
      <Line
        words={does === 'condition' ? 'There only where' : 'Computed as'}
        value={text}
        list={id}
        onChange={onChange}
      />
      <datalist id={id}>
        {names.split('\n').map((name) => (
          <option key={name} value={`form.${name}`} />
        ))}
      </datalist>
      {verdict !== '' && <output className="edit-verdict">{verdict}</output>}
    </>
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
function AddMember({
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
