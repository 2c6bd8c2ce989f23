import {
  codecBy,
  loadMakers,
  makeCodec,
  type Codec,
  type CodecCode,
  type CodecDescription,
  type Makers,
} from '../codec/index.js';
import type { PlanNode } from './nodes.js';
import { knownNodes, planAt, type Chosen } from './walk.js';

/** The codec of each place, for `openForm`. */
export type CodecsByPlace = (at: string, facts?: unknown, chosen?: Chosen, language?: string) => Codec | undefined;

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

/** Like `codecsOf`, of makers that are at hand. */
export function codecsMadeBy(root: PlanNode, makers: Makers): CodecsByPlace {
  return byPlace(root, (description) => codecBy(makers, description));
}

function byPlace(root: PlanNode, make: (description: CodecDescription) => Codec): CodecsByPlace {
  let made = new Map<PlanNode, Codec>();
  let spoken: string | undefined;
  return (at, _facts, chosen, language) => {
    const node = planAt(root, at, chosen);
    if (node?.kind !== 'field') return undefined;
    if (language !== spoken) made = new Map();
    spoken = language;
    let codec = made.get(node);
    if (!codec) {
      // HTML’s own text boxes show numbers in the way of the form’s language; other inputs may want a number’s own text.
      const isText = /^native:(number|text)$/.test(node.use.adapter);
      codec = make(isText && language ? { ...node.codec, options: { language, ...node.codec.options } } : node.codec);
      made.set(node, codec);
    }
    return codec;
  };
}
