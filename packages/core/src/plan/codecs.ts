import { loadMakers, makeCodec, type CodecCode } from '../codec/index.js';
import { byPlace, codecsMadeBy, type CodecsByPlace } from './codecs-by-place.js';
import type { PlanNode } from './nodes.js';
import { knownNodes } from './walk.js';

/** The codecs that a plan chose: looked up by place, list items by the item's plan. `codes` holds the modules of codecs that are code. */
export function codecsOf(root: PlanNode, codes: Readonly<Record<string, CodecCode>> = {}): CodecsByPlace {
  return byPlace(root, (description) => makeCodec(description, codes));
}

/** Like `codecsOf`, and fetches the makers that the plan asks for instead of having them all at hand. */
export async function prepareCodecs(
  root: PlanNode,
  codes: Readonly<Record<string, CodecCode>> = {},
): Promise<CodecsByPlace> {
  const nodes = knownNodes(root);
  const kinds = nodes && new Set(nodes.flatMap((node) => (node.kind === 'field' ? [node.codec.kind] : [])));
  return codecsMadeBy(root, await loadMakers(kinds, codes));
}
