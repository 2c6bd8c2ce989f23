/** Entries of a list: one under the other, as a table, or behind tabs; added, doubled, moved by keys and by hand, taken away and put back. */
import { joinPointer, startOf, type FormList, type PlanList, type PlanNode, type Pointer } from '@poietra/core';
import { useState, type DragEvent, type ReactNode } from 'react';
import { drawingFor, useDrawing } from './drawing.js';
import { useFollowed } from './follow.js';
import { useScope, useWords } from './scope.js';
import { entryWords } from './words/entry-words.js';
import { Section } from './section.js';
import { Button } from './part.js';

interface Gone {
  readonly words: string;
  back(): void;
}

/** Entries of one kind: added, moved, taken away. */
export function PlannedList({ node, at }: { readonly node: PlanList; readonly at: Pointer }): ReactNode {
  const { form } = useScope();
  const { draw, drawings } = useDrawing();
  const list = form.list(at);
  const keys = useFollowed(() => list.keys, [form, at]);
  const layout = node.hints.layout ?? 'stack';
  const [gone, setGone] = useState<Gone>();
  const [dragged, setDragged] = useState<number>();
  const [wanted, setWanted] = useState<{ readonly key: string }>();
  /** The entry that came to stand at a place; behind tabs, it is opened. */
  const open = (index: number): void => {
    const key = list.keys[index];
    if (layout === 'tabs' && key !== undefined) setWanted({ key: String(key) });
  };
  const length = keys.length;
  const item = node.item;
  const words = useWords(entryWords);
  const name = item.label === '' || item.label === '*' ? words.entry : item.label;
  const Tabs = layout === 'tabs' ? drawingFor(drawings, 'Tabs') : undefined;
  const isTable = layout === 'table' && item.kind === 'group';
  const remove = (index: number): void => {
    const back = list.remove(index);
    open(Math.min(index, list.length - 1));
    setGone({
      words: words.tookAway(`${name} ${index + 1}`),
      back: () => {
        back();
        open(Math.min(index, list.length - 1));
      },
    });
  };
  const actions = (index: number): ReactNode => (
    <Actions
      name={`${name} ${index + 1}`}
      isFirst={index === 0}
      isLast={index === length - 1}
      canAdd={length < node.most}
      canRemove={length > node.least}
      onMove={(by) => list.move(index, index + by)}
      onDouble={() => {
        list.duplicate(index);
        open(index + 1);
      }}
      onRemove={() => remove(index)}
      onDrag={(begins) => setDragged(begins ? index : undefined)}
    />
  );
  const drop = (index: number) => ({
    onDragOver: (event: DragEvent) => {
      if (dragged !== undefined) event.preventDefault();
    },
    onDrop: (event: DragEvent) => {
      event.preventDefault();
      if (dragged !== undefined && dragged !== index) list.move(dragged, index);
      setDragged(undefined);
    },
  });
  const place = (index: number): Pointer => joinPointer(at, index);
  return (
    <Section node={node} at={at} className="poietra-list">
      <Problems at={at} />
      {Tabs && length > 0 ? (
        <Tabs
          label={node.label}
          wanted={wanted}
          tabs={keys.map((key, i) => ({
            key: String(key),
            label: `${name.charAt(0).toUpperCase()}${name.slice(1)} ${i + 1}`,
            at: place(i),
            panel: (
              <>
                {draw(item, place(i), { bare: item.kind === 'group' })}
                {actions(i)}
              </>
            ),
          }))}
        />
      ) : isTable ? (
        <Table node={node} keys={keys} place={place} actions={actions} drop={drop} />
      ) : (
        keys.map((key, i) => (
          <div key={key} className="poietra-item" data-dragged={dragged === i || undefined} {...drop(i)}>
            {draw(labelled(item, `${name} ${i + 1}`), place(i))}
            {actions(i)}
          </div>
        ))
      )}
      <div className="poietra-actions">
        {length < node.most ? (
          <Button
            type="button"
            onClick={() => {
              list.add(startOf(item));
              open(list.length - 1);
            }}
          >
            {words.add(name)}
          </Button>
        ) : (
          <span className="poietra-hint">{words.most(node.most)}</span>
        )}
        {gone && (
          <span role="status" className="poietra-hint">
            {gone.words}{' '}
            {length < node.most && (
              <Button
                type="button"
                onClick={() => {
                  gone.back();
                  setGone(undefined);
                }}
              >
                {words.putBack}
              </Button>
            )}
          </span>
        )}
      </div>
    </Section>
  );
}

const labels = new WeakMap<PlanNode, Map<string, PlanNode>>();
/** The plan of an entry under a label with its number; kept, since a new plan would be drawn anew. */
function labelled(node: PlanNode, label: string): PlanNode {
  const known = labels.get(node) ?? new Map<string, PlanNode>();
  labels.set(node, known);
  let made = known.get(label);
  if (!made) {
    made = Object.defineProperty(Object.create(node, {}) as PlanNode, 'label', { value: label });
    known.set(label, made);
  }
  return made;
}

/** What is wrong with the list as a whole. */
function Problems({ at }: { readonly at: Pointer }): ReactNode {
  const { form } = useScope();
  const told = useFollowed(() => form.field(at).shownProblems, [form, at]);
  return (
    <div className="poietra-error" aria-live="polite">
      {told.map(({ keyword, message }) => (
        <p key={keyword}>{message}</p>
      ))}
    </div>
  );
}

function Table({
  node: { item, label },
  keys,
  place,
  actions,
  drop,
}: {
  readonly node: PlanList;
  readonly keys: FormList['keys'];
  place(index: number): Pointer;
  actions(index: number): ReactNode;
  drop(index: number): object;
}): ReactNode {
  const { draw } = useDrawing();
  const words = useWords(entryWords);
  const columns = item.kind === 'group' ? item.children : [];
  return (
    <div className="poietra-scroll">
      <table className="poietra-table">
        <caption className="poietra-quiet">{label}</caption>
        <thead>
          <tr>
            {columns.map((column) => (
              <th key={column.name} scope="col">
                {column.label}
                {column.required && <span className="poietra-required"> {words.required}</span>}
              </th>
            ))}
            <td />
          </tr>
        </thead>
        <tbody>
          {keys.map((key, i) => (
            <tr key={key} {...drop(i)}>
              {columns.map((column) => (
                <td key={column.name}>{draw(column, joinPointer(place(i), column.name), { bare: true })}</td>
              ))}
              <td>{actions(i)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

interface ActionsProps {
  readonly name: string;
  readonly isFirst: boolean;
  readonly isLast: boolean;
  readonly canAdd: boolean;
  readonly canRemove: boolean;
  onMove(by: number): void;
  onDouble(): void;
  onRemove(): void;
  /** Whether a drag begins or ends; one that is given up ends, too. */
  onDrag(begins: boolean): void;
}

function Actions({
  name,
  isFirst,
  isLast,
  canAdd,
  canRemove,
  onMove,
  onDouble,
  onRemove,
  onDrag,
}: ActionsProps): ReactNode {
  const words = useWords(entryWords);
  return (
    <div className="poietra-actions" role="group" aria-label={words.actions(name)}>
      <span
        className="poietra-grip"
        draggable
        onDragStart={() => onDrag(true)}
        onDragEnd={() => onDrag(false)}
        aria-hidden="true"
        title={words.drag}
      >
        ⠿
      </span>
      {!isFirst && (
        <Button type="button" aria-label={words.up(name)} onClick={() => onMove(-1)}>
          ↑
        </Button>
      )}
      {!isLast && (
        <Button type="button" aria-label={words.down(name)} onClick={() => onMove(1)}>
          ↓
        </Button>
      )}
      {canAdd && (
        <Button type="button" aria-label={words.doubleOf(name)} onClick={onDouble}>
          {words.double}
        </Button>
      )}
      {canRemove && (
        <Button type="button" aria-label={words.takeAwayOf(name)} onClick={onRemove}>
          {words.takeAway}
        </Button>
      )}
    </div>
  );
}
