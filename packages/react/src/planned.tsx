/** One part of a plan: whether it is there, and which of the drawings it gets. */
import type { Form, PlanNode, Pointer } from '@poietra/core';
import type { ReactNode } from 'react';
import { drawingFor, useDrawing } from './drawing.js';
import { useFollowed } from './follow.js';
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

export function Planned({ node, at, bare = false }: PlannedProps): ReactNode {
  const { form } = useScope();
  const { drawings } = useDrawing();
  const isDrawn = useFollowed(() => isThere(form, node, at), [form, node, at]);
  if (!isDrawn) return null;
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
