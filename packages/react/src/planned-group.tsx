/** Members of an object and positions of a tuple: one under the other, side by side, in a grid, behind tabs; folded where hints say so. */
import { joinPointer, startOf, type PlanGroup, type PlanNode, type Pointer, type Span } from '@poietra/core';
import { Fragment, type CSSProperties, type ReactNode } from 'react';
import { useDrawing } from './drawing.js';
import { useFollowed } from './follow.js';
import { MoreMembers } from './planned-map.js';
import { useScope } from './scope.js';
import { Section } from './section.js';
import { Tabs } from './tabs.js';

interface Props {
  readonly node: PlanGroup;
  readonly at: Pointer;
  readonly bare: boolean;
}

export function PlannedGroup({ node, at, bare }: Props): ReactNode {
  const { draw } = useDrawing();
  const { form } = useScope();
  const layout = node.hints.layout ?? 'stack';
  const body =
    layout === 'tabs' ? (
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
          {inParts(
            node.children.map((child) => (
              <div key={child.name} className="poietra-cell" style={spanOf(child)}>
                {draw(child, joinPointer(at, child.name), { bare: isDiscriminator(child, bare) })}
              </div>
            )),
          )}
        </div>
      </div>
    );
  const more = node.more && <MoreMembers node={node} at={at} />;
  // Entries of lists and members of maps are there already, and have their own way to be taken away.
  const isThere = useFollowed(() => form.valueAt(at) !== undefined, [form, at]);
  const isHeld = bare && (!node.onDemand || isThere);
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
  if (isHeld) return section;
  return (
    <Opened node={node} at={at}>
      {section}
    </Opened>
  );
}

/**
 * When one of its children changes, the framework looks at all the others beside it. Many fields are therefore kept in
 * parts, which leave no trace in the page: a key press then looks at the parts, and at the fields of one of them.
 */
function inParts(cells: readonly ReactNode[]): ReactNode {
  if (cells.length <= 12) return cells;
  const partSize = Math.ceil(Math.sqrt(cells.length));
  return Array.from({ length: Math.ceil(cells.length / partSize) }, (_, i) => (
    <Fragment key={i}>{cells.slice(i * partSize, (i + 1) * partSize)}</Fragment>
  ));
}

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

/** What its schema stands around of already is opened by a person, or there would be no end of it. */
export function Opened({
  node,
  at,
  children,
}: {
  readonly node: PlanNode & { readonly onDemand: boolean };
  readonly at: Pointer;
  readonly children: ReactNode;
}): ReactNode {
  const { form } = useScope();
  const isThere = useFollowed(() => form.valueAt(at) !== undefined, [form, at]);
  if (!node.onDemand) return children;
  return isThere ? (
    <>
      {children}
      <button type="button" className="poietra-button" onClick={() => form.put(at, undefined)}>
        Take away {node.label.toLowerCase()}
      </button>
    </>
  ) : (
    <button type="button" className="poietra-button" data-at={at} onClick={() => form.put(at, startOf(node))}>
      Add {node.label.toLowerCase()}
    </button>
  );
}
