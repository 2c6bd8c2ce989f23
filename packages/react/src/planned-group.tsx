/** Members of an object and positions of a tuple: one under the other, side by side, in a grid, behind tabs; folded where hints say so. */
import { joinPointer, type PlanGroup, type PlanNode, type Pointer, type Span } from '@poietra/core';
import { memo, useMemo, type CSSProperties, type ReactNode } from 'react';
import { drawingFor, useDrawing } from './drawing.js';
import { useFollowed } from './follow.js';
import { useScope } from './scope.js';
import { Section } from './section.js';
import { useTurns } from './turns.js';

interface Props {
  readonly node: PlanGroup;
  readonly at: Pointer;
  readonly bare: boolean;
}

export function PlannedGroup({ node, at, bare }: Props): ReactNode {
  const { draw, drawings } = useDrawing();
  const { form } = useScope();
  const layout = node.hints.layout ?? 'stack';
  const Tabs = layout === 'tabs' ? drawingFor(drawings, 'Tabs') : undefined;
  const drawn = useTurns(Tabs ? 0 : node.children.length);
  const parts = useMemo(() => inParts(node.children), [node]);
  // In a row or a grid a block would begin a line of its own.
  const isLong = layout === 'stack' && parts.length > 3;
  const body = Tabs ? (
    <Tabs
      label={node.label}
      tabs={node.children.map((child) => ({
        key: child.name,
        label: child.label,
        at: joinPointer(at, child.name),
        panel: draw(child, joinPointer(at, child.name), { bare: child.kind === 'group' }),
      }))}
    />
  ) : (
    <div className="poietra-within">
      <div className="poietra-members" data-layout={layout}>
        {parts.map((nodes, i) => {
          const shown = drawn - i * sizeOf(parts);
          return (
            shown > 0 && (
              <Cells
                key={i}
                nodes={shown < nodes.length ? nodes.slice(0, shown) : nodes}
                at={at}
                isBare={bare}
                isBlock={isLong}
              />
            )
          );
        })}
      </div>
    </div>
  );
  const More = node.more ? drawingFor(drawings, 'More') : undefined;
  const more = More && <More node={node} at={at} />;
  // Entries of lists and members of maps are there already, and have their own way to be taken away.
  const isThere = useFollowed(() => !node.onDemand || form.valueAt(at) !== undefined, [form, node, at]);
  const isHeld = bare && isThere;
  if (at === '' || (isHeld && !node.hints.fold))
    return (
      <>
        {body}
        {more}
      </>
    );
  const section = (
    <Section node={node} at={at}>
      {body}
      {more}
    </Section>
  );
  if (isHeld || !node.onDemand) return section;
  const Opened = drawingFor(drawings, 'Opened');
  return (
    <Opened node={node} at={at}>
      {section}
    </Opened>
  );
}

/**
 * When one of its children changes, the framework looks at all the others beside it. Many fields are therefore kept in
 * parts: a key press then looks at the parts, and at the fields of one of them. What is drawn in turns makes only the
 * part anew that grows. Under one another, the parts are blocks of the page as well, so that the browser does the same:
 * the skin lets those that are off the screen rest (`content-visibility`).
 */
function inParts(nodes: readonly PlanNode[]): (readonly PlanNode[])[] {
  const size = nodes.length <= 12 ? 12 : Math.ceil(Math.sqrt(nodes.length));
  return Array.from({ length: Math.ceil(nodes.length / size) }, (_, i) => nodes.slice(i * size, (i + 1) * size));
}
/** How many are in a part, but for the last. */
const sizeOf = ([first = []]: readonly (readonly PlanNode[])[]): number => first.length;

interface CellsProps {
  readonly nodes: readonly PlanNode[];
  /** Where the group is. */
  readonly at: Pointer;
  readonly isBare: boolean;
  readonly isBlock: boolean;
}
const Cells = memo(function Cells({ nodes, at, isBare, isBlock }: CellsProps): ReactNode {
  const { draw } = useDrawing();
  const cells = nodes.map((child) => (
    <div key={child.name} className="poietra-cell" style={spanOf(child)}>
      {draw(child, joinPointer(at, child.name), { bare: isDiscriminator(child, isBare) })}
    </div>
  ));
  if (!isBlock) return cells;
  return (
    <div className="poietra-block" style={{ ['--cells' as string]: nodes.length }}>
      {cells}
    </div>
  );
});

/** Inside a choice, a fixed value says only which choice it is. */
function isDiscriminator(child: PlanNode, bare: boolean): boolean {
  return bare && child.kind === 'field' && child.fixed !== undefined;
}

function spanOf({ hints: { span } }: PlanNode): CSSProperties | undefined {
  if (span === undefined) return undefined;
  const { narrow = 12, medium, wide }: Exclude<Span, number> = typeof span === 'number' ? { wide: span } : span;
  return {
    ['--narrow' as string]: narrow,
    ['--medium' as string]: medium ?? wide ?? 12,
    ['--wide' as string]: wide ?? medium ?? 12,
  };
}
