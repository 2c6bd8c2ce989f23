import { joinPointer, ownMember } from '../../json/index.js';
import { Seen, type Rule, type Run, type SchemaNode } from '../rule.js';
import { bits, type Context, type Family } from './context.js';

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

function late(context: Context): Unevaluated {
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

/** The rule that says what is wrong, given those that are asked before it. */
function lateRule(context: Context, others: readonly Rule[], one: Unevaluated): Rule {
  const left = (value: unknown, run: Run): (string | number)[] => {
    const seen = new Seen();
    for (const rule of others) {
      const own = new Seen();
      rule.mark?.(value, run, own);
      seen.add(own);
    }
    return one.left(value as object, seen);
  };
  const member = (value: unknown, key: string | number): unknown => (value as Record<string | number, unknown>)[key];
  return {
    kind: 'whole',
    keyword: one.keyword,
    on: one.on,
    accepts: (value, run) => left(value, run).every((key) => one.node.accepts(member(value, key), run)),
    problems: (value, run, place) =>
      left(value, run).flatMap((key) =>
        context.explain(one.node, member(value, key), run, {
          at: joinPointer(place.at, key),
          way: `${place.way}/${one.keyword}`,
        }),
      ),
  };
}

/** Asked last, about what nobody else has looked at. */
export interface Late {
  read(context: Context): Unevaluated;
  rule(context: Context, others: readonly Rule[], one: Unevaluated): Rule;
}
export const unevaluated: Family = { keywords: {}, english: {}, late: { read: late, rule: lateRule } };
