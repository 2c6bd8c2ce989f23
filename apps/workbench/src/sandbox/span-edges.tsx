import { planAt, type Form, type Plan, type PlanNode } from '@poietra/core';
import { useLayoutEffect, useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';
import { tell } from './tell.js';

interface Edge {
  readonly at: string;
  readonly left: number;
  readonly top: number;
  readonly height: number;
  readonly span: number;
}
const columns = 12;
/** Between two cells, in pixels, as the style sheet has it. */
const gap = 16;
type Width = 'narrow' | 'medium' | 'wide';
/** As the style sheet has it: which span counts depends on the group's own width. */
const widthOf = (pixels: number): Width => (pixels < 420 ? 'narrow' : pixels < 640 ? 'medium' : 'wide');
const cellOf = (sheet: Element, at: string): HTMLElement | null =>
  sheet.querySelector(`[data-at="${CSS.escape(at)}"]`)?.closest<HTMLElement>('.poietra-cell') ?? null;

/** In grids, while the sheet is edited: the right edge of each cell, to be dragged or moved by the arrow keys. */
export function SpanEdges({ form, plan }: { readonly form: Form; readonly plan: Plan }): ReactNode {
  const anchor = useRef<HTMLDivElement>(null);
  const [edges, setEdges] = useState<readonly Edge[]>([]);
  const sheetOf = (): HTMLElement | undefined =>
    anchor.current?.closest('.copy')?.querySelector<HTMLElement>('form') ?? undefined;
  useLayoutEffect(() => {
    const sheet = sheetOf();
    if (!sheet) return undefined;
    const measure = (): void => {
      const next = edgesIn(sheet);
      setEdges((before) => (JSON.stringify(before) === JSON.stringify(next) ? before : next));
    };
    const observer = new ResizeObserver(measure);
    observer.observe(sheet);
    const changes = new MutationObserver(measure);
    changes.observe(sheet, { childList: true, subtree: true, attributes: true, attributeFilter: ['style'] });
    measure();
    return () => {
      observer.disconnect();
      changes.disconnect();
    };
  }, [form, plan]);
  const put = (at: string, node: PlanNode, span: number): void => {
    const sheet = sheetOf();
    const grid = sheet && cellOf(sheet, at)?.parentElement;
    if (!grid) return;
    const width = widthOf(grid.clientWidth);
    tell({ kind: 'edit', schemaAt: node.schemaAt, label: node.label.slice(0, 200), edit: { do: 'span', span, width } });
  };
  return (
    <div ref={anchor}>
      {edges.map((edge) => {
        const node = planAt(plan.root, edge.at, (where, chooser) => form.chosen(where, chooser));
        return (
          node && (
            <SpanEdge
              key={edge.at}
              edge={edge}
              label={node.label}
              cell={() => {
                const sheet = sheetOf();
                return sheet ? cellOf(sheet, edge.at) : null;
              }}
              onSpan={(span) => put(edge.at, node, span)}
            />
          )
        );
      })}
    </div>
  );
}

function edgesIn(sheet: HTMLElement): Edge[] {
  const base = sheet.getBoundingClientRect();
  return [...sheet.querySelectorAll<HTMLElement>('.poietra-members[data-layout="grid"] > .poietra-cell')].flatMap(
    (cell): Edge[] => {
      const at = cell.querySelector<HTMLElement>('[data-at]')?.dataset['at'];
      if (at === undefined || !cell.checkVisibility()) return [];
      const { right, top, height } = cell.getBoundingClientRect();
      const span = Number(/span (\d+)/.exec(getComputedStyle(cell).gridColumn)?.[1] ?? columns);
      return [
        {
          at,
          left: Math.round(right - base.left) + gap / 2,
          top: Math.round(top - base.top),
          height: Math.round(height),
          span,
        },
      ];
    },
  );
}

function SpanEdge({
  edge: { left, top, height, span },
  label,
  cell,
  onSpan,
}: {
  readonly edge: Edge;
  readonly label: string;
  cell(): HTMLElement | null;
  onSpan(span: number): void;
}): ReactNode {
  /** Where the drag began, and where it is. */
  const dragged = useRef<{ readonly from: number; to: number }>(undefined);
  const within = (wanted: number): number => Math.min(columns, Math.max(1, wanted));
  const drag = (event: PointerEvent): void => {
    const own = cell();
    const grid = own?.parentElement;
    if (dragged.current === undefined || !own || !grid) return;
    const column = grid.clientWidth / columns;
    dragged.current.to = within(Math.round((event.clientX - own.getBoundingClientRect().left) / column));
    // Seen at once; what is written follows when the edge is let go.
    for (const name of ['--narrow', '--medium', '--wide']) own.style.setProperty(name, String(dragged.current.to));
  };
  const press = (event: KeyboardEvent): void => {
    const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
    if (by === 0) return;
    event.preventDefault();
    const next = within(span + by);
    if (next !== span) onSpan(next);
  };
  return (
    <div
      className="span-edge"
      style={{ left, top, height }}
      role="separator"
      tabIndex={0}
      aria-orientation="vertical"
      aria-label={`Right edge of ${label}`}
      aria-valuemin={1}
      aria-valuemax={columns}
      aria-valuenow={span}
      aria-valuetext={`${span} of ${columns} columns`}
      onKeyDown={press}
      onPointerDown={(event) => {
        event.preventDefault();
        event.currentTarget.setPointerCapture(event.pointerId);
        dragged.current = { from: span, to: span };
      }}
      onPointerMove={drag}
      onPointerUp={() => {
        const { from, to } = dragged.current ?? { from: span, to: span };
        dragged.current = undefined;
        if (to !== from) onSpan(to);
      }}
    />
  );
}
