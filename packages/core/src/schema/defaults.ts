import { isObject, ownMember, setOwn } from '../json/index.js';
import {
  applied,
  appliedBelow,
  beginsAsNothing,
  factsOf,
  holds,
  namedMembers,
  requiring,
  type Applied,
  type SaidNode,
} from './applied.js';
import type { CompiledSchema } from './compiled.js';

/** What is asked of a schema here. */
interface Fillable {
  readonly root: SaidNode;
  accepts(value: unknown): boolean;
}

/** Levels to which a schema that contains itself is filled. */
const deepest = 32;
/** Members that are looked at in one filling: a schema that contains itself twice doubles them with each level. */
interface Budget {
  left: number;
}
const budget = (): Budget => ({ left: 10_000 });

/**
 * A copy of the value in which absent members have the defaults that the schema gives them, also inside what was
 * there. A default is taken only where it leaves the value no worse: one that the schema itself refuses is passed over.
 */
export function fillDefaults(compiled: Fillable, value: unknown): unknown {
  const root = applied(compiled.root);
  const { default: whole } = factsOf(active(root, [value]).map(({ node }) => node));
  const start = value === undefined ? whole : value;
  const filled = fill(root, [start], 0, budget());
  // Defaults of several places may contradict each other; then fewer of them are better than a value that was sound before.
  if (compiled.accepts(filled) || !compiled.accepts(start)) return filled;
  return fillOneByOne(compiled, start, filled);
}

/** The schemas in force, given the values from the place up to the root. */
function active(at: readonly Applied[], chain: readonly unknown[]): readonly Applied[] {
  return at.filter(({ when }) => when.every((condition) => holds(condition, chain[condition.up])));
}

function fill(at: readonly Applied[], chain: readonly unknown[], depth: number, most: Budget): unknown {
  const [value] = chain;
  if (depth > deepest || most.left <= 0 || typeof value !== 'object' || value === null) return value;
  if (Array.isArray(value))
    return value.map((item: unknown, i) => fill(appliedBelow(at, i), [item, ...chain], depth + 1, most));
  const filled: Record<string, unknown> = {};
  for (const name of Object.keys(value)) setOwn(filled, name, ownMember(value, name));
  for (const name of new Set([...Object.keys(value), ...namedMembers(at)])) {
    if (typeof ownMember(filled, name) !== 'object' && beginsAsNothing(at, name)) continue;
    if (most.left-- <= 0) break;
    // A default may bring a condition into force, so what holds is asked again for each member.
    const below = active(appliedBelow(at, name), [undefined, filled, ...chain.slice(1)]);
    const { default: given } = factsOf(below.map(({ node }) => node));
    const member = ownMember(filled, name) ?? given;
    if (member !== undefined)
      setOwn(filled, name, fill(appliedBelow(at, name), [member, filled, ...chain.slice(1)], depth + 1, most));
  }
  return filled;
}

/** The members of `filled` that can be taken over one after the other with the value staying valid. */
function fillOneByOne(compiled: Fillable, value: unknown, filled: unknown): unknown {
  if (!isObject(value) || !isObject(filled)) return value;
  let best: Record<string, unknown> = value;
  for (const name of Object.keys(filled)) {
    const next: Record<string, unknown> = {};
    for (const own of Object.keys(best)) setOwn(next, own, ownMember(best, own));
    setOwn(next, name, ownMember(filled, name));
    if (compiled.accepts(next)) best = next;
  }
  return best;
}

/**
 * The smallest value that a form can start from: what is required, with defaults, constants, the only choice there is,
 * and otherwise the emptiest value of the kind. Valid where the schema can be satisfied that way.
 */
export function startValue(compiled: CompiledSchema): unknown {
  return fillDefaults(compiled, smallest(applied(compiled.root), 0, budget()));
}

function smallest(at: readonly Applied[], depth: number, most: Budget): unknown {
  const always = active(
    at,
    Array.from({ length: depth + 1 }, () => undefined),
  ).filter(({ when }) => when.every(({ about }) => about.kind === 'branch'));
  const facts = factsOf(always.map(({ node }) => node));
  if (facts.default !== undefined) return facts.default;
  if (facts.allowed?.length === 1 || (facts.allowed && facts.allowed.length > 0 && !facts.kinds))
    return facts.allowed[0];
  if (facts.allowed && facts.allowed.length > 0) return facts.allowed[0];
  const names = namedMembers(always);
  const kind =
    facts.kinds?.[0] ??
    (names.length > 0 || always.some(({ node }) => isObject(node.raw) && 'required' in node.raw)
      ? 'object'
      : undefined);
  const { limits } = facts;
  switch (kind) {
    case 'object': {
      const value: Record<string, unknown> = {};
      if (depth > deepest || most.left-- <= 0) return value;
      for (const name of new Set([...names, ...always.flatMap(({ node }) => requiredNames(node.raw))])) {
        if (requiring(always, name).length === 0) continue;
        const member = smallest(appliedBelow(always, name), depth + 1, most);
        setOwn(value, name, member === undefined ? null : member);
      }
      return value;
    }
    case 'array':
      return depth > deepest || most.left-- <= 0
        ? []
        : Array.from(
            { length: Math.min(limits['minItems'] ?? 0, 100) },
            (_, i) => smallest(appliedBelow(always, i), depth + 1, most) ?? null,
          );
    case 'string':
      return 'x'.repeat(Math.min(limits['minLength'] ?? 0, 1000));
    case 'integer':
    case 'number':
      return smallestNumber(limits, kind === 'integer');
    case 'boolean':
      return false;
    case 'null':
      return null;
    default:
      return undefined;
  }
}

function requiredNames(raw: unknown): string[] {
  const names = ownMember(raw, 'required');
  return Array.isArray(names) ? names.filter((name) => typeof name === 'string') : [];
}

/** The number nearest to 0 within the limits. */
function smallestNumber(limits: Readonly<Record<string, number>>, whole: boolean): number {
  const step = limits['multipleOf'] ?? (whole ? 1 : undefined);
  const low = Math.max(limits['minimum'] ?? -Infinity, limits['exclusiveMinimum'] ?? -Infinity);
  const high = Math.min(limits['maximum'] ?? Infinity, limits['exclusiveMaximum'] ?? Infinity);
  const fits = (value: number): boolean =>
    value >= (limits['minimum'] ?? -Infinity) &&
    value <= (limits['maximum'] ?? Infinity) &&
    value > (limits['exclusiveMinimum'] ?? -Infinity) &&
    value < (limits['exclusiveMaximum'] ?? Infinity);
  if (fits(0)) return 0;
  const isAbove = low >= 0;
  const edge = isAbove ? low : high;
  if (step !== undefined) {
    const first = isAbove ? Math.ceil(low / step) * step : Math.floor(high / step) * step;
    return fits(first) ? first : first + (isAbove ? step : -step);
  }
  if (fits(edge)) return edge;
  return Number.isFinite(low) && Number.isFinite(high) ? (low + high) / 2 : edge + (isAbove ? 1 : -1);
}
