import { joinPointer, ownMember } from '../../json/index.js';
import type { Rule, Run } from '../rule.js';
import { Seen } from '../seen.js';
import { bits, type Context, type Family, type Unevaluated } from './context.js';

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
    isLate: true,
    keyword: one.keyword,
    on: one.on,
    accepts: (value, run) => left(value, run).every((key) => one.node.accepts(member(value, key), run)),
    problems: (value, run, site) =>
      left(value, run).flatMap((key) =>
        context.explain(one.node, member(value, key), run, {
          at: joinPointer(site.at, key),
          way: `${site.way}/${one.keyword}`,
        }),
      ),
  };
}

/** Asks all rules and notes what they looked at; `late` ones are asked last, about what nobody else has looked at. */
function markAll(rules: readonly Rule[], late: readonly Unevaluated[], value: unknown, run: Run, seen: Seen): boolean {
  const bit =
    typeof value === 'object' && value !== null
      ? Array.isArray(value)
        ? bits.array
        : bits.object
      : bits.any & ~(bits.array | bits.object);
  const own = late.length > 0 ? new Seen() : seen;
  for (const rule of rules) {
    if (bit !== (bit & (bits.array | bits.object)) ? !applies(rule, value) : (rule.on & bit) === 0) continue;
    if (!(rule.mark ? rule.mark(value, run, own) : rule.accepts(value, run))) return false;
  }
  if (late.length === 0) return true;
  for (const one of late) {
    if (typeof value !== 'object' || value === null || (one.on & bit) === 0) continue;
    for (const key of one.left(value, own))
      if (!one.node.accepts((value as Record<string | number, unknown>)[key], run)) return false;
    one.markAll(own);
  }
  seen.add(own);
  return true;
}

function applies(rule: Rule, value: unknown): boolean {
  switch (typeof value) {
    case 'string':
      return (rule.on & bits.string) !== 0;
    case 'number':
      return (rule.on & bits.number) !== 0;
    case 'boolean':
      return (rule.on & bits.boolean) !== 0;
    default:
      return value === null ? (rule.on & bits.null) !== 0 : rule.on === bits.any;
  }
}

export const family: Family = {
  keywords: {},
  english: {},
  late: { read: late, rule: lateRule, markAll, accepts: (node, value, run) => node.mark(value, run, new Seen()) },
};
