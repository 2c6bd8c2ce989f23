import { makeCodec, type Codec } from '../codec/index.js';
import { planAt, type PlanNode } from './plan.js';

/** The codecs that a plan chose, for `openForm`: looked up by place, list items by the item's plan. */
export function codecsOf(root: PlanNode): (at: string) => Codec | undefined {
  const made = new Map<PlanNode, Codec>();
  return (at) => {
    const node = planAt(root, at);
    if (node?.kind !== 'field') return undefined;
    let codec = made.get(node);
    if (!codec) {
      codec = makeCodec(node.codec);
      made.set(node, codec);
    }
    return codec;
  };
}
