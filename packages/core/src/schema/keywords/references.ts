/** `$ref` and `allOf`: other schemas that speak about the same value, whatever it is. */
import { bits, type Rule, type SchemaNode } from '../rule.js';
import { branches, reference, type Family, type Keyword } from './context.js';

const allOf: Keyword = (context) => {
  const nodes = branches(context);
  return nodes && within('allOf', nodes, false);
};

/** Asks other schemas about the same value, and keeps what they evaluated. */
function within(keyword: string, nodes: readonly SchemaNode[], isReference: boolean): Rule {
  return {
    kind: 'within',
    keyword,
    on: bits.any,
    nodes,
    isReference,
    accepts(value, run) {
      for (const node of nodes) if (!node.accepts(value, run)) return false;
      return true;
    },
    mark: (value, run, seen) => nodes.every((node) => node.mark(value, run, seen)),
  };
}

const ref: Keyword = (context) => {
  if (typeof context.value !== 'string') {
    context.complain('has to be a URI reference');
    return undefined;
  }
  const node = context.target(context.value);
  return node && reference('$ref', [node], () => node);
};

export const family: Family = { keywords: { $ref: ref, allOf }, english: {} };
