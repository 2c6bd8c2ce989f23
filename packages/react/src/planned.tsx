/** One part of a plan: whether it is there, and which of the drawings it gets. */
import type { PlanNode, Pointer } from '@poietra/core';
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

export function Planned({ node, at, bare = false }: PlannedProps): ReactNode {
  const { form } = useScope();
  const { drawings } = useDrawing();
  const isThere = useFollowed(() => {
    if (!node.when.some((conditions) => form.holds(at, conditions))) return false;
    const { condition } = node.hints;
    if (typeof condition !== 'string') return true;
    const said = form.ask(at, condition);
    return 'value' in said && said.value === true;
  }, [form, node, at]);
  if (!isThere || node.hints.hidden === true) return null;
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
