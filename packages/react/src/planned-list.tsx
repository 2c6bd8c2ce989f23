/** Entries of a list: one under the other, as a table, or behind tabs; added, doubled, moved by keys and by hand, taken away and put back. */
import { joinPointer, startOf, type PlanList, type Pointer } from '@poietra/core';
import { useMemo, useRef, useState, type ReactNode } from 'react';
import { drawingFor, useDrawing } from './drawing.js';
import { Actions, Entry, Row, Table, type Acts, type EntryProps } from './entries.js';
import { useFollowed } from './follow.js';
import { useScope, useWords } from './scope.js';
import { entryWords } from './words/entry-words.js';
import { Section } from './section.js';
import { Button } from './part.js';
import { useTurns } from './turns.js';

interface Gone {
  readonly words: string;
  back(): void;
}

/** Entries of one kind: added, moved, taken away. */
export function PlannedList({ node, at }: { readonly node: PlanList; readonly at: Pointer }): ReactNode {
  const { form } = useScope();
  const { draw, drawings } = useDrawing();
  const list = useMemo(() => form.list(at), [form, at]);
  const keys = useFollowed(() => list.keys, [form, at]);
  const layout = node.hints.layout ?? 'stack';
  const [gone, setGone] = useState<Gone>();
  const [dragged, setDragged] = useState<number>();
  const [wanted, setWanted] = useState<{ readonly key: string }>();
  const length = keys.length;
  const item = node.item;
  const words = useWords(entryWords);
  const name = item.label === '' || item.label === '*' ? words.entry : item.label;
  const Tabs = layout === 'tabs' ? drawingFor(drawings, 'Tabs') : undefined;
  const isTable = layout === 'table' && item.kind === 'group';
  const drawn = useTurns(Tabs ? 0 : length, isTable ? item.children.length : 1);
  const lifted = useRef<number>(undefined);
  // The same for all entries and as long as they are of one kind, so that none is drawn anew for another.
  const acts = useMemo((): Acts => {
    /** The entry that came to stand at a place; behind tabs, it is opened. */
    const open = (index: number): void => {
      const key = list.keys[index];
      if (layout === 'tabs' && key !== undefined) setWanted({ key: String(key) });
    };
    const lift = (index: number | undefined): void => {
      lifted.current = index;
      setDragged(index);
    };
    return {
      open,
      lift,
      move: (index, by) => list.move(index, index + by),
      double(index) {
        list.duplicate(index);
        open(index + 1);
      },
      remove(index) {
        const back = list.remove(index);
        open(Math.min(index, list.length - 1));
        setGone({
          words: words.tookAway(`${name} ${index + 1}`),
          back() {
            back();
            open(Math.min(index, list.length - 1));
          },
        });
      },
      over(event) {
        if (lifted.current !== undefined) event.preventDefault();
      },
      drop(event, index) {
        event.preventDefault();
        const from = lifted.current;
        if (from !== undefined && from !== index) list.move(from, index);
        lift(undefined);
      },
    };
  }, [list, layout, name, words]);
  const entry = (index: number): Omit<EntryProps, 'at' | 'item'> => ({
    index,
    name: `${name} ${index + 1}`,
    isLast: index === length - 1,
    canAdd: length < node.most,
    canRemove: length > node.least,
    isDragged: dragged === index,
    acts,
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
                <Actions {...entry(i)} />
              </>
            ),
          }))}
        />
      ) : isTable ? (
        <Table node={node}>
          {keys.slice(0, drawn).map((key, i) => (
            <Row key={key} item={item} at={place(i)} {...entry(i)} />
          ))}
        </Table>
      ) : (
        keys.slice(0, drawn).map((key, i) => <Entry key={key} item={item} at={place(i)} {...entry(i)} />)
      )}
      <div className="poietra-actions">
        {length < node.most ? (
          <Button
            type="button"
            onClick={() => {
              list.add(startOf(item));
              acts.open(list.length - 1);
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
