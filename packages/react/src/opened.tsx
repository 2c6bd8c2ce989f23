import { startOf, type PlanNode, type Pointer } from '@poietra/core';
import type { ReactNode } from 'react';
import { useFollowed } from './follow.js';
import { useScope } from './scope.js';

export interface OpenedProps {
  readonly node: PlanNode;
  readonly at: Pointer;
  readonly children: ReactNode;
}

/** A group that lies deep, or whose schema stands around it already, is opened by a person: there would be no end of it. */
export function Opened({ node, at, children }: OpenedProps): ReactNode {
  const { form } = useScope();
  const isThere = useFollowed(() => form.valueAt(at) !== undefined, [form, at]);
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
