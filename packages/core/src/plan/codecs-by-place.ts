import { codecBy, type Codec, type CodecDescription, type Makers } from '../codec/index.js';
import type { PlanNode } from './nodes.js';
import { planAt, type Chosen } from './walk.js';

/** The codec of each place, for `openForm`. */
export type CodecsByPlace = (at: string, facts?: unknown, chosen?: Chosen, language?: string) => Codec | undefined;

/** Like `codecsOf`, of makers that are at hand. */
export function codecsMadeBy(root: PlanNode, makers: Makers): CodecsByPlace {
  return byPlace(root, (description) => codecBy(makers, description));
}

/** The codecs that a plan chose, each made once for the language that is spoken. */
export function byPlace(root: PlanNode, make: (description: CodecDescription) => Codec): CodecsByPlace {
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
