import { makeCodec, type Codec, type CodecCode } from '../codec/index.js';
import type { PlanNode } from './nodes.js';
import { planAt, type Chosen } from './walk.js';

/** The codecs that a plan chose, for `openForm`: looked up by place, list items by the item's plan. `codes` holds the modules of codecs that are code. */
export function codecsOf(
  root: PlanNode,
  codes: Readonly<Record<string, CodecCode>> = {},
): (at: string, facts?: unknown, chosen?: Chosen) => Codec | undefined {
  const made = new Map<PlanNode, Codec>();
  return (at, _facts, chosen) => {
    const node = planAt(root, at, chosen);
    if (node?.kind !== 'field') return undefined;
    let codec = made.get(node);
    if (!codec) {
      codec = makeCodec(node.codec, codes);
      made.set(node, codec);
    }
    return codec;
  };
}
