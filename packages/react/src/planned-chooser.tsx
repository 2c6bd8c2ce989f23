/** Several forms that one place may have: a person says which, and only that one is drawn. */
import { fitted, type PlanChooser, type Pointer } from '@poietra/core';
import { useId, type ReactNode } from 'react';
import { useDrawing } from './drawing.js';
import { useFollowed } from './follow.js';
import { useScope, useWords } from './scope.js';
import { entryWords } from './words/entry-words.js';
import { Opened } from './opened.js';

interface Props {
  readonly node: PlanChooser;
  readonly at: Pointer;
  readonly bare: boolean;
}

/** Several shapes that a place may have: the choice, and the one that is chosen. */
export function PlannedChooser({ node, at, bare }: Props): ReactNode {
  const { form } = useScope();
  const { draw } = useDrawing();
  const words = useWords(entryWords);
  const id = useId();
  const chosen = useFollowed(() => form.chosen(at, node), [form, at, node]);
  const option = node.options[chosen];
  const choose = (index: number): void => {
    const next = node.options[index];
    if (next) form.choose(at, node, index, fitted(next.node, form.valueAt(at)));
  };
  const body = (
    <>
      <div className="poietra-chooser">
        <label htmlFor={id}>{words.oneOf}</label>
        <select id={id} value={chosen} onChange={(event) => choose(Number(event.target.value))}>
          {node.options.map(({ label }, i) => (
            <option key={i} value={i}>
              {label}
            </option>
          ))}
        </select>
      </div>
      {option && <div key={chosen}>{draw(option.node, at, { bare: option.node.kind !== 'list' })}</div>}
    </>
  );
  if (at === '' || bare) return body;
  const group = (
    <fieldset className="poietra-group" data-at={at}>
      <legend>{node.label}</legend>
      {node.hint !== undefined && <p className="poietra-hint">{node.hint}</p>}
      {body}
    </fieldset>
  );
  return node.onDemand ? (
    <Opened node={node} at={at}>
      {group}
    </Opened>
  ) : (
    group
  );
}
