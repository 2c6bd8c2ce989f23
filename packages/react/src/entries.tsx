/** Entries of a list, one under the other or as rows. Each is remembered: what happens to one draws no other anew. */
import { joinPointer, type PlanList, type PlanNode, type Pointer } from '@poietra/core';
import { memo, type DragEvent, type ReactNode } from 'react';
import { useDrawing } from './drawing.js';
import { useWords } from './scope.js';
import { entryWords } from './words/entry-words.js';
import { Button } from './part.js';

/** Entries as rows, under the labels of their members. */
export function Table({
  node: { item, label },
  children,
}: {
  readonly node: PlanList;
  readonly children: ReactNode;
}): ReactNode {
  const words = useWords(entryWords);
  return (
    <div className="poietra-scroll">
      <table className="poietra-table">
        <caption className="poietra-quiet">{label}</caption>
        <thead>
          <tr>
            {columnsOf(item).map((column) => (
              <th key={column.name} scope="col">
                {column.label}
                {column.required && <span className="poietra-required"> {words.required}</span>}
              </th>
            ))}
            <td />
          </tr>
        </thead>
        <tbody>{children}</tbody>
      </table>
    </div>
  );
}
const columnsOf = (item: PlanNode): readonly PlanNode[] => (item.kind === 'group' ? item.children : []);

/** What can be done with entries, each by its number. */
export interface Acts {
  open(index: number): void;
  /** Whether a drag begins, or ends with `undefined`; one that is given up ends, too. */
  lift(index: number | undefined): void;
  move(index: number, by: number): void;
  double(index: number): void;
  remove(index: number): void;
  over(event: DragEvent): void;
  drop(event: DragEvent, index: number): void;
}
export interface EntryProps {
  readonly item: PlanNode;
  readonly at: Pointer;
  readonly index: number;
  /** With its number, as a person reads it. */
  readonly name: string;
  readonly isLast: boolean;
  readonly canAdd: boolean;
  readonly canRemove: boolean;
  readonly isDragged: boolean;
  readonly acts: Acts;
}

/** An entry with what can be done with it. */
export const Entry = memo(function Entry({ item, at, ...entry }: EntryProps): ReactNode {
  const { draw } = useDrawing();
  const { index, name, isDragged, acts } = entry;
  return (
    <div
      className="poietra-item"
      data-dragged={isDragged || undefined}
      onDragOver={acts.over}
      onDrop={(event) => acts.drop(event, index)}
    >
      {draw(labelled(item, name), at)}
      <Actions {...entry} />
    </div>
  );
});

/** The same as a row: a cell for each member. */
export const Row = memo(function Row({ item, at, ...entry }: EntryProps): ReactNode {
  const { draw } = useDrawing();
  const { index, acts } = entry;
  return (
    <tr onDragOver={acts.over} onDrop={(event) => acts.drop(event, index)}>
      {columnsOf(item).map((column) => (
        <td key={column.name}>{draw(column, joinPointer(at, column.name), { bare: true })}</td>
      ))}
      <td>
        <Actions {...entry} />
      </td>
    </tr>
  );
});

export function Actions({ index, name, isLast, canAdd, canRemove, acts }: Omit<EntryProps, 'item' | 'at'>): ReactNode {
  const words = useWords(entryWords);
  return (
    <div className="poietra-actions" role="group" aria-label={words.actions(name)}>
      <span
        className="poietra-grip"
        draggable
        onDragStart={() => acts.lift(index)}
        onDragEnd={() => acts.lift(undefined)}
        aria-hidden="true"
        title={words.drag}
      >
        ⠿
      </span>
      {index > 0 && (
        <Button type="button" aria-label={words.up(name)} onClick={() => acts.move(index, -1)}>
          ↑
        </Button>
      )}
      {!isLast && (
        <Button type="button" aria-label={words.down(name)} onClick={() => acts.move(index, 1)}>
          ↓
        </Button>
      )}
      {canAdd && (
        <Button type="button" aria-label={words.doubleOf(name)} onClick={() => acts.double(index)}>
          {words.double}
        </Button>
      )}
      {canRemove && (
        <Button type="button" aria-label={words.takeAwayOf(name)} onClick={() => acts.remove(index)}>
          {words.takeAway}
        </Button>
      )}
    </div>
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
