import type { Form, FormEdit, Plan, PlanNode } from '@poietra/core';
import { useFollowed } from '@poietra/react';
import { useState, type KeyboardEvent, type ReactNode } from 'react';
import { AddMember, MoveInto } from './edit-more.js';
import type { FormToOpen } from './messages.js';
import { MoreHints } from './more-hints.js';
import { choiceWord, kindWords, saidOf, type Said } from './said.js';
import { tell } from './tell.js';
import { Word } from './word.js';

interface Props {
  readonly node: PlanNode;
  readonly plan: Plan;
  readonly at: string;
  readonly form: Form;
  readonly open: FormToOpen;
  /** Whether one is at its place. */
  readonly isNear: boolean;
  /** Whether all that can be done with the place is shown below the sentence. */
  readonly isUnfolded: boolean;
  readonly style: { readonly top: number } | undefined;
  onFold(): void;
  onDrag(node: PlanNode): void;
  /** Whether something that is dragged may be let go here. */
  takesDrop(): boolean;
  onDrop(node: PlanNode): void;
}

/**
 * The note of a place while the sheet is edited: a sentence, each word of which can be pressed and changed where it
 * stands. Its name is the handle: dragged, it moves the place; pressed, it unfolds what else can be said and done.
 */
export function EditNote(props: Props): ReactNode {
  const { node, plan, at, form, open, isNear, isUnfolded, style, onFold, onDrag, takesDrop, onDrop } = props;
  /** What is being said for the first time. */
  const [begun, setBegun] = useState<string>();
  const change = (edit: FormEdit): void =>
    tell({ kind: 'edit', schemaAt: node.schemaAt, label: node.label.slice(0, 200), edit });
  const isMember = /\/properties\/[^/]+$/.test(node.schemaAt);
  const all = saidOf(node, at);
  const shown = all.filter(
    ({ label, value, isAside = false }) => (value !== '' && (isUnfolded || !isAside)) || label === begun,
  );
  const others = all.filter(({ label, value }) => value === '' && label !== begun);
  const press = (event: KeyboardEvent): void => {
    if (event.key === 'Escape' && isUnfolded) onFold();
    else if (event.altKey && isMember && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
      event.preventDefault();
      change({ do: 'move', by: event.key === 'ArrowUp' ? -1 : 1 });
    }
  };
  const name = at === '' ? 'the whole' : at;
  return (
    <div
      className="edit-note"
      role="group"
      aria-label={`Note of ${name}`}
      data-note={at}
      data-unfolded={isUnfolded || undefined}
      data-near={isNear || undefined}
      style={style}
      onKeyDown={press}
      onDragOver={(event) => {
        if (takesDrop()) event.preventDefault();
      }}
      onDrop={() => onDrop(node)}
    >
      <p>
        <button
          type="button"
          className="edit-handle"
          aria-expanded={isUnfolded}
          aria-label={`More of ${name}`}
          title={isMember ? 'Drag to move; Alt and an arrow key move it, too' : undefined}
          draggable={at !== ''}
          onDragStart={() => onDrag(node)}
          onClick={onFold}
        >
          {name}
        </button>{' '}
        <Word label="Label" value={node.label} onChange={(text) => change({ do: 'label', text })} />, {kindWords(node)}
        {isMember && (
          <>
            ,{' '}
            <button
              type="button"
              className="edit-word"
              aria-pressed={node.required}
              aria-label="Required"
              onClick={() => change({ do: 'required', is: !node.required })}
            >
              {node.required ? 'needed' : 'optional'}
            </button>
          </>
        )}
        {shown.map((one) => (
          <SaidPart
            key={one.label}
            said={one}
            isOpen={one.label === begun}
            form={form}
            at={at}
            onChange={(text) => change(one.edit(text))}
            onClose={() => setBegun(undefined)}
          />
        ))}
        .
      </p>
      {isUnfolded && (
        <div className="edit-unfolded">
          {others.length > 0 && (
            <select aria-label="Say more" value="" onChange={({ target }) => setBegun(target.value)}>
              <option value="">Say more …</option>
              {others.map(({ label }) => (
                <option key={label}>{label}</option>
              ))}
            </select>
          )}
          <Choices node={node} at={at} onChange={change} />
          <MoreHints
            plan={plan}
            node={node}
            own={open.kit.hints}
            documents={open.documents}
            onChange={(hints) => change({ do: 'hints', hints })}
          />
          {isMember && <MoveInto plan={plan} node={node} onChange={change} />}
          {node.kind === 'group' && <AddMember form={form} at={at} node={node} palette={open.palette} onAdd={change} />}
          <div className="edit-actions">
            {isMember && (
              <>
                <button type="button" title="Alt and the up key" onClick={() => change({ do: 'move', by: -1 })}>
                  Move up
                </button>
                <button type="button" title="Alt and the down key" onClick={() => change({ do: 'move', by: 1 })}>
                  Move down
                </button>
                <button type="button" onClick={() => change({ do: 'remove' })}>
                  Remove
                </button>
              </>
            )}
            <button type="button" onClick={() => tell({ kind: 'text', schemaAt: node.schemaAt })}>
              As text
            </button>
            <button type="button" onClick={onFold}>
              Fold
            </button>
          </div>
        </div>
      )}
    </div>
  );
}

/** More than a person would read through are changed as text. */
const mostChoices = 40;

/** The words of the values that may be chosen; a list that is folded away has nowhere else to show them. */
function Choices({
  node,
  at,
  onChange,
}: {
  readonly node: PlanNode;
  readonly at: string;
  onChange(edit: FormEdit): void;
}): ReactNode {
  if (node.kind !== 'field' || !node.choices || node.facts.allowed?.every((one) => typeof one === 'boolean'))
    return null;
  return (
    <p>
      Choices:{' '}
      {node.choices.slice(0, mostChoices).map((choice, i) => {
        const { name, value, edit } = choiceWord(choice, at);
        return (
          <span key={i}>
            {i > 0 && ', '}
            <Word label={name} value={value} onChange={(text) => onChange(edit(text))} />
          </span>
        );
      })}
      {node.choices.length > mostChoices && ` and ${node.choices.length - mostChoices} more, as text`}
    </p>
  );
}

function SaidPart({
  said: { label, value, before, after, offers, choices, isExpression = false },
  isOpen,
  form,
  at,
  onChange,
  onClose,
}: {
  readonly said: Said;
  readonly isOpen: boolean;
  readonly form: Form;
  readonly at: string;
  onChange(text: string): void;
  onClose(): void;
}): ReactNode {
  const names = useFollowed(() => {
    const held = isExpression ? form.valueAt('') : undefined;
    return typeof held === 'object' && held !== null ? Object.keys(held).join('\n') : '';
  }, [form, isExpression]);
  const own = isExpression && names !== '' ? names.split('\n').map((name) => `form.${name}`) : offers;
  return (
    <>
      , {before}{' '}
      <Word
        // What is begun anew opens anew.
        key={String(isOpen)}
        label={label}
        value={value}
        offers={own}
        choices={choices}
        isOpen={isOpen}
        onChange={onChange}
        onClose={onClose}
      />
      {after !== undefined && ` ${after}`}
      {isExpression && value !== '' && <Verdict form={form} at={at} text={value} />}
    </>
  );
}

/** What an expression says at present. */
function Verdict({ form, at, text }: { readonly form: Form; readonly at: string; readonly text: string }): ReactNode {
  const verdict = useFollowed(() => {
    const said = form.ask(at, text);
    if ('trouble' in said) return said.trouble;
    if ('missing' in said) return `not yet: ${said.missing}`;
    return said.value === true
      ? 'holds now'
      : said.value === false
        ? 'does not hold now'
        : `gives ${JSON.stringify(said.value)} now`;
  }, [form, at, text]);
  return <output className="edit-verdict"> ({verdict})</output>;
}
