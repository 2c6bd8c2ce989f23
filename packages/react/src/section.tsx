import type { PlanNode, Pointer } from '@poietra/core';
import { useId, type ReactNode } from 'react';
import { usePart } from './part.js';

interface Props {
  readonly node: PlanNode;
  readonly at: Pointer;
  readonly className?: string;
  readonly children: ReactNode;
}

/** A group or a list with its legend, or as a section that can be folded. */
export function Section({ node, at, className = '', children }: Props): ReactNode {
  const id = useId();
  const [group, list] = [usePart('group'), usePart('list')];
  const Part = (node.kind === 'list' ? list : undefined) ?? group;
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
  if (Part)
    return (
      <div role="group" aria-labelledby={id} className={className} data-at={at}>
        <Part title={<span id={id}>{node.label}</span>}>
          {hint}
          {children}
        </Part>
      </div>
    );
  return (
    <fieldset className={`poietra-group ${className}`.trim()} data-at={at}>
      <legend>{node.label}</legend>
      {hint}
      {children}
    </fieldset>
  );
}
