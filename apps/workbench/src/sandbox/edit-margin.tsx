import { planAt, type Form, type Plan, type PlanNode } from '@poietra/core';
import { useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import { EditPanel } from './edit-panel.js';
import type { FormToOpen } from './messages.js';
import { SpanEdges } from './span-edges.js';
import { tell } from './tell.js';

interface Spot {
  readonly at: string;
  readonly top: number;
}

/** The left margin while the sheet is edited: at each place a handle that opens what it is, and that can be dragged. */
export function EditMargin({
  form,
  plan,
  open: { palette, kit, documents },
}: {
  readonly form: Form;
  readonly plan: Plan;
  readonly open: FormToOpen;
}): ReactNode {
  const anchor = useRef<HTMLDivElement>(null);
  const [spots, setSpots] = useState<readonly Spot[]>([]);
  const [opened, setOpened] = useState<string>();
  const [dragged, setDragged] = useState<PlanNode>();
  useLayoutEffect(() => {
    const sheet = anchor.current?.parentElement?.querySelector('form');
    if (!sheet) return undefined;
    const measure = (): void => {
      const base = sheet.getBoundingClientRect().top;
      const places = [...sheet.querySelectorAll<HTMLElement>('[data-at]')].filter((one) => one.checkVisibility());
      let free = 6;
      const next = [
        { at: '', top: -20 },
        ...places.map((place) => {
          const top = Math.max(free, Math.round(place.getBoundingClientRect().top - base));
          free = top + 26;
          return { at: place.dataset['at'] ?? '', top };
        }),
      ];
      setSpots((before) => (JSON.stringify(before) === JSON.stringify(next) ? before : next));
    };
    const observer = new ResizeObserver(measure);
    observer.observe(sheet);
    const changes = new MutationObserver(measure);
    changes.observe(sheet, { childList: true, subtree: true });
    measure();
    return () => {
      observer.disconnect();
      changes.disconnect();
    };
  }, [form, plan]);
  const nodeAt = (at: string): PlanNode | undefined =>
    planAt(plan.root, at, (where, chooser) => form.chosen(where, chooser));
  const openNode = opened === undefined ? undefined : nodeAt(opened);
  const ownerOf = (node: PlanNode): string => node.schemaAt.replace(/\/properties\/[^/]+$/, '');
  return (
    <div ref={anchor} className="edit-margin">
      <SpanEdges form={form} plan={plan} />
      {spots.map(({ at, top }) => {
        const node = nodeAt(at);
        return (
          node && (
            <button
              key={at}
              type="button"
              style={{ top }}
              aria-expanded={opened === at}
              draggable={at !== ''}
              onDragStart={() => setDragged(node)}
              onDragOver={(event) => {
                if (dragged) event.preventDefault();
              }}
              onDrop={() => {
                if (dragged && dragged !== node)
                  tell({
                    kind: 'edit',
                    schemaAt: dragged.schemaAt,
                    label: dragged.label.slice(0, 200),
                    // On a member of another group: into that group.
                    edit:
                      ownerOf(dragged) === ownerOf(node)
                        ? { do: 'place', before: node.name }
                        : { do: 'into', group: ownerOf(node) },
                  });
                setDragged(undefined);
              }}
              onClick={() => setOpened(opened === at ? undefined : at)}
            >
              Edit {at === '' ? 'the whole' : at}
            </button>
          )
        );
      })}
      {opened !== undefined && openNode && (
        <EditPanel
          key={opened}
          node={openNode}
          plan={plan}
          at={opened}
          form={form}
          palette={palette}
          ownHints={kit.hints}
          documents={documents}
          style={{ top: (spots.find(({ at }) => at === opened)?.top ?? 0) + 26 }}
          onClose={() => setOpened(undefined)}
        />
      )}
    </div>
  );
}
