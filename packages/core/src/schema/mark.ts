import type { Unevaluated } from './keywords/unevaluated.js';
import { bits, Seen, type Rule, type Run } from './rule.js';

/** Asks all rules and notes what they looked at; `late` ones are asked last, about what nobody else has looked at. */
export function markAll(
  rules: readonly Rule[],
  late: readonly Unevaluated[],
  value: unknown,
  run: Run,
  seen: Seen,
): boolean {
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
