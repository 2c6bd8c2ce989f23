import { startOf, type PlanNode, type Pointer } from '@poietra/core';
import { useId, type ReactNode } from 'react';
import { useFollowed } from './follow.js';
import { useScope } from './scope.js';

interface Props {
  readonly node: PlanNode;
  readonly at: Pointer;
  readonly className?: string;
  readonly children: ReactNode;
}

/** A group or a list with its legend, or as a section that can be folded. */
export function Section({ node, at, className = '', children }: Props): ReactNode {
  const id = useId();
  const hint = node.hint !== undefined && <p className="poietra-hint">{node.hint}</p>;
  if (node.hints.fold)
    return (
      <details className="poietra-fold" open={node.hints.fold === 'open'}>
        <summary id={id}>{node.label}</summary>
        <div role="group" aria-labelledby={id} className={className} data-at={at}>
          {hint}
          {children}
        </div>
      </details>
    );
  return (
    <fieldset className={`poietra-group ${className}`.trim()} data-at={at}>
      <legend>{node.label}</legend>
      {hint}
      {children}
    </fieldset>
  );
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
  const isThere = useFollowed(() => !node.onDemand || form.valueAt(at) !== undefined, [form, node, at]);
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
