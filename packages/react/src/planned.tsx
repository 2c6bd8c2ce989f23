/** One part of a plan: whether it is there, and which of the drawings it gets. */
import type { Form, PlanNode, Pointer } from '@poietra/core';
import { memo, useMemo, type ReactNode } from 'react';
import { DrawingContext, drawingFor, useDrawing, type Drawing } from './drawing.js';
import { useFollowed } from './follow.js';
import { PartsContext } from './part.js';
import { PlannedField } from './planned-field.js';
import { PlannedGroup } from './planned-group.js';
import { useScope } from './scope.js';

export interface PlannedProps {
  readonly node: PlanNode;
  readonly at: Pointer;
  /** What stands around says its label already. */
  readonly bare?: boolean | undefined;
}

/** Whether a part of a plan is drawn: its conditions hold, and no hint hides it. */
export function isThere(form: Form, { when, hints }: PlanNode, at: Pointer): boolean {
  if (hints.hidden === true || !when.some((conditions) => form.holds(at, conditions))) return false;
  if (typeof hints.condition !== 'string') return true;
  const said = form.ask(at, hints.condition);
  return 'value' in said && said.value === true;
}

/** Remembered: what stands around many of them, like a list that gets an entry, draws none of them anew. */
export const Planned = memo(function Planned({ node, at, bare = false }: PlannedProps): ReactNode {
  const { form } = useScope();
  const drawing = useDrawing();
  const isDrawn = useFollowed(() => isThere(form, node, at), [form, node, at]);
  if (!isDrawn) return null;
  const part = partOf(drawing, { node, at, bare });
  const { skin } = node.hints;
  // A field takes its skin itself; of all else it is that of what stands inside, too.
  return skin === undefined || node.kind === 'field' ? part : <InSkin name={skin}>{part}</InSkin>;
});

function InSkin({ name, children }: { readonly name: string; readonly children: ReactNode }): ReactNode {
  const drawing = useDrawing();
  const inside = useMemo(() => ({ ...drawing, skin: drawing.skins[name] ?? drawing.skin }), [drawing, name]);
  return (
    <DrawingContext.Provider value={inside}>
      <PartsContext.Provider value={inside.skin.parts}>{children}</PartsContext.Provider>
    </DrawingContext.Provider>
  );
}

function partOf({ drawings }: Drawing, { node, at, bare = false }: PlannedProps): ReactNode {
  switch (node.kind) {
    case 'field': {
      if (node.fixed && bare) return null;
      const Drawn = node.hints.remote ? drawingFor(drawings, 'Remote') : PlannedField;
      return <Drawn node={node} at={at} bare={bare} />;
    }
    case 'list': {
      const List = drawingFor(drawings, 'List');
      return <List node={node} at={at} />;
    }
    case 'group':
      return <PlannedGroup node={node} at={at} bare={bare} />;
    case 'chooser': {
      const Chooser = drawingFor(drawings, 'Chooser');
      return <Chooser node={node} at={at} bare={bare} />;
    }
  }
}
