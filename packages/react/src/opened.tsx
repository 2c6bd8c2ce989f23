import { startOf, type PlanNode, type Pointer } from '@poietra/core';
import type { ReactNode } from 'react';
import { useFollowed } from './follow.js';
import { useScope, useWords } from './scope.js';
import { entryWords } from './words/entry-words.js';
import { Button } from './part.js';

export interface OpenedProps {
  readonly node: PlanNode;
  readonly at: Pointer;
  readonly children: ReactNode;
}

/** A group that lies deep, or whose schema stands around it already, is opened by a person: there would be no end of it. */
export function Opened({ node, at, children }: OpenedProps): ReactNode {
  const { form } = useScope();
  const words = useWords(entryWords);
  const isThere = useFollowed(() => form.valueAt(at) !== undefined, [form, at]);
  return isThere ? (
    <>
      {children}
      <Button type="button" className="poietra-button" onClick={() => form.put(at, undefined)}>
        {words.takeAwayOf(node.label)}
      </Button>
    </>
  ) : (
    <Button type="button" className="poietra-button" data-at={at} onClick={() => form.put(at, startOf(node))}>
      {words.open(node.label)}
    </Button>
  );
}
