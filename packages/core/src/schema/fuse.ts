/** The rules of one schema, put together into one function that only gives the verdict. */
import { ownMember } from '../json/index.js';
import { acceptsLeaf, leafOf } from './leaf.js';
import { bits, type Assertion, type Members, type Presence, type Rule, type Run, type SchemaNode } from './rule.js';

type Accepts = (value: unknown, run: Run) => boolean;
const yes: Accepts = () => true;
/** Those that refuse everything but objects by themselves, so that nobody has to look first. */
const objectsOnly = new WeakSet<Accepts>();

export function fuse(rules: readonly Rule[]): Accepts {
  const [first] = rules;
  if (!first) return yes;
  const leaf = leafOf(rules);
  if (leaf) return (value) => acceptsLeaf(leaf, value);
  if (rules.length === 1 && first.on === bits.any) return (value, run) => first.accepts(value, run);
  const type = rules.find((rule): rule is Assertion => rule.keyword === 'type' && rule.kind === 'assertion');
  const rest = rules.filter((rule) => rule !== type);
  const about = (bit: number): Rule[] => rest.filter((rule) => (rule.on & bit) !== 0);
  const takes = (bit: number, sample: unknown): Accepts | undefined =>
    type && !type.accepts(sample, undefined as never) ? undefined : chain(about(bit));
  const onText = takes(bits.string, '');
  const onObject = takes(bits.object, {});
  const onList = takes(bits.array, []);
  const onFlag = takes(bits.boolean, true);
  const onNull = takes(bits.null, null);
  const whole = type !== undefined && !type.accepts(0.5, undefined as never);
  const onNumber = takes(bits.number, 0);

  const taken = [onText, onObject, onList, onFlag, onNull, onNumber].filter(Boolean).length;
  if (taken === 1) {
    if (onText) return (value, run) => typeof value === 'string' && onText(value, run);
    if (onFlag) return (value, run) => typeof value === 'boolean' && onFlag(value, run);
    if (onObject) {
      if (objectsOnly.has(onObject)) return onObject;
      return (value, run) =>
        typeof value === 'object' && value !== null && !Array.isArray(value) && onObject(value, run);
    }
    if (onList) return (value, run) => Array.isArray(value) && onList(value, run);
    if (onNumber)
      return (value, run) => typeof value === 'number' && (!whole || Number.isInteger(value)) && onNumber(value, run);
  }
  return (value, run) => {
    switch (typeof value) {
      case 'string':
        return onText !== undefined && onText(value, run);
      case 'number':
        return onNumber !== undefined && (!whole || Number.isInteger(value)) && onNumber(value, run);
      case 'boolean':
        return onFlag !== undefined && onFlag(value, run);
      case 'object':
        if (value === null) return onNull !== undefined && onNull(value, run);
        return Array.isArray(value)
          ? onList !== undefined && onList(value, run)
          : onObject !== undefined && onObject(value, run);
      default:
        return type === undefined;
    }
  };
}

function chain(rules: readonly Rule[]): Accepts {
  const members = rules.find((rule): rule is Members => rule.keyword === 'properties' && rule.kind === 'members');
  const required = rules.find((rule): rule is Presence => rule.kind === 'presence');
  if (!members) return inTurn(rules);
  const closed = rules.find(
    (rule) =>
      rule.keyword === 'additionalProperties' &&
      rule.kind === 'members' &&
      rule.nodesFor('\0').every(({ raw }) => raw === false),
  );
  const hasPatterns = rules.some((rule) => rule.keyword === 'patternProperties');
  const isClosed = closed !== undefined && !hasPatterns;
  const rest = rules.filter((rule) => rule !== members && rule !== required && !(isClosed && rule === closed));
  const own = object(members, required, isClosed);
  if (rest.length === 0) return own;
  const others = inTurn(rest);
  return (value, run) => own(value, run) && others(value, run);
}

function inTurn(rules: readonly Rule[]): Accepts {
  const [first, second] = rules;
  if (!first) return yes;
  if (!second) return direct(first);
  if (rules.length === 2) {
    const [one, two] = [direct(first), direct(second)];
    return (value, run) => one(value, run) && two(value, run);
  }
  const all = rules.map(direct);
  return (value, run) => {
    for (const accepts of all) if (!accepts(value, run)) return false;
    return true;
  };
}

/** An assertion stands by itself; other rules are asked as methods. */
function direct(rule: Rule): Accepts {
  return rule.kind === 'assertion' ? rule.accepts : (value, run) => rule.accepts(value, run);
}

/** `properties`, `required` and a closed `additionalProperties` in one pass over the known names. */
function object(members: Members, required: Presence | undefined, closed: boolean): Accepts {
  const known = (members.keys({}) as readonly string[]).map((name, index) => ({
    name,
    index,
    node: members.nodesFor(name)[0] as SchemaNode,
    needed: required?.nameSet.has(name) ?? false,
  }));
  const byName = new Map(known.map((one) => [one.name, one]));
  const needed = known.filter((one) => one.needed).length;
  const others = (required?.names ?? []).filter((name) => !byName.has(name));
  const alsoNeeded = others.length > 0 ? others : undefined;
  const accepts: Accepts = (value, run) => {
    if (typeof value !== 'object' || value === null || Array.isArray(value)) return false;
    const holder = value as Record<string, unknown>;
    let expected = 0;
    let missing = needed;
    // Members mostly come in the order in which the schema names them; then no name has to be looked up.
    for (const name in holder) {
      let one = known[expected];
      if (one === undefined || one.name !== name) {
        one = byName.get(name);
        if (one === undefined) {
          if (closed && holder[name] !== undefined) return false;
          continue;
        }
      }
      const member = holder[name];
      expected = one.index + 1;
      if (member === undefined) continue;
      if (one.needed) missing--;
      const { leaf } = one.node;
      if (leaf ? !acceptsLeaf(leaf, member) : !one.node.accepts(member, run)) return false;
    }
    if (missing > 0) return false;
    // A loop, since a closure here would have to be made for each object.
    if (alsoNeeded) for (const name of alsoNeeded) if (ownMember(holder, name) === undefined) return false;
    return true;
  };
  objectsOnly.add(accepts);
  return accepts;
}
