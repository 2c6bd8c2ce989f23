import { knownNodes, type Plan, type PlanNode } from '@poietra/core';
import type { Drawings } from './drawing.js';
import { plainInputs } from './plain-inputs.js';
import { compact, plain } from './skin.js';

/** Whether a part of a plan is drawn with more than what is at hand. */
function asksMore(node: PlanNode): boolean {
  if (node.kind === 'group') return node.again || node.onDemand || node.hints.layout === 'tabs';
  if (node.kind !== 'field' || node.hints.remote) return true;
  return node.use.adapter.startsWith('native:') && !Object.hasOwn(plainInputs, node.use.adapter);
}

/** Fetches what a plan is drawn with. Where what a person may open cannot be foreseen, that is more than it may need. */
export async function loadDrawings({ root }: Plan): Promise<Drawings> {
  const nodes = knownNodes(root);
  const isPlain = nodes && root.hints.layout !== 'steps' && !nodes.some(asksMore);
  const more = isPlain ? undefined : await import('./more-drawings.js');
  return {
    inputs: {},
    ...more?.moreDrawings,
    skins: { plain, compact },
  };
}
