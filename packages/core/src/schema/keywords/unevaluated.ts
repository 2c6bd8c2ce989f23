import { ownMember } from '../../json/index.js';
import type { Seen, SchemaNode } from '../rule.js';
import { bits, type Context } from './context.js';

/**
 * `unevaluatedProperties` and `unevaluatedItems` need to know what every other keyword of their schema has looked at.
 * They are therefore asked last, with what the others have marked.
 */
export interface Unevaluated {
  readonly keyword: 'unevaluatedProperties' | 'unevaluatedItems';
  readonly on: number;
  readonly node: SchemaNode;
  /** Members or items that nobody has looked at. */
  left(value: object, seen: Seen): (string | number)[];
  markAll(seen: Seen): void;
}

export function unevaluated(context: Context): Unevaluated {
  const node = context.child();
  if (context.keyword === 'unevaluatedProperties') {
    return {
      keyword: 'unevaluatedProperties',
      on: bits.object,
      node,
      left: (value, seen) =>
        seen.allMembers
          ? []
          : Object.keys(value).filter((key) => !seen.members.has(key) && ownMember(value, key) !== undefined),
      markAll: (seen) => void (seen.allMembers = true),
    };
  }
  return {
    keyword: 'unevaluatedItems',
    on: bits.array,
    node,
    left: (value, seen) =>
      seen.allItems
        ? []
        : (value as unknown[]).map((_, i) => i).filter((i) => i >= seen.itemsBefore && !seen.items.has(i)),
    markAll: (seen) => void (seen.allItems = true),
  };
}
