/** The rules of one schema, put together into one function that only gives the verdict. */
import { ownMember } from '../json/index.js';
import { bits, type Assertion, type Members, type Presence, type Rule, type Run, type SchemaNode } from './rule.js';

type Accepts = (value: unknown, run: Run) => boolean;
const yes: Accepts = () => true;

export function fuse(rules: readonly Rule[]): Accepts {
  const [first] = rules;
  if (!first) return yes;
  if (rules.length === 1 && first.on === bits.any) return (value, run) => first.accepts(value, run);
  const type = rules.find((rule): rule is Assertion => rule.keyword === 'type' && rule.kind === 'assertion');
  const rest = rules.filter((rule) => rule !== type);
  const takes = (bit: number, sample: unknown): Accepts | undefined =>
    type && !type.accepts(sample, undefined as never) ? undefined : chain(rest.filter((rule) => (rule.on & bit) !== 0));
  const onText = takes(bits.string, '');
  const onObject = takes(bits.object, {});
  const onList = takes(bits.array, []);
  const onFlag = takes(bits.boolean, true);
  const onNull = takes(bits.null, null);
  const whole = type !== undefined && !type.accepts(0.5, undefined as never);
  const onNumber = takes(bits.number, 0);

  const taken = [onText, onObject, onList, onFlag, onNull, onNumber].filter(Boolean).length;
  if (taken === 1) {
    if (onText)
      return onText === yes
        ? (value) => typeof value === 'string'
        : (value, run) => typeof value === 'string' && onText(value, run);
    if (onFlag) return (value, run) => typeof value === 'boolean' && onFlag(value, run);
    if (onObject)
      return (value, run) =>
        typeof value === 'object' && value !== null && !Array.isArray(value) && onObject(value, run);
    if (onList) return (value, run) => Array.isArray(value) && onList(value, run);
    if (onNumber) {
      return whole
        ? (value, run) => Number.isInteger(value) && onNumber(value, run)
        : (value, run) => typeof value === 'number' && onNumber(value, run);
    }
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
  if (!second) return (value, run) => first.accepts(value, run);
  if (rules.length === 2) return (value, run) => first.accepts(value, run) && second.accepts(value, run);
  return (value, run) => {
    for (const rule of rules) if (!rule.accepts(value, run)) return false;
    return true;
  };
}

/** `properties`, `required` and a closed `additionalProperties` in one pass over the known names. */
function object(members: Members, required: Presence | undefined, closed: boolean): Accepts {
  const names = members.keys({}) as readonly string[];
  const nodes = names.map((name) => members.nodesFor(name)[0] as SchemaNode);
  const needed = names.map((name) => required?.nameSet.has(name) ?? false);
  const alsoNeeded = (required?.names ?? []).filter((name) => !names.includes(name));
  // `constructor` and its like are found on every object, so for them the slower question is asked.
  const inherited = names.map((name) => name in Object.prototype);
  return (value, run) => {
    const holder = value as Record<string, unknown>;
    let present = 0;
    for (let i = 0; i < names.length; i++) {
      const member = inherited[i] ? ownMember(holder, names[i] as string) : holder[names[i] as string];
      if (member === undefined) {
        if (needed[i]) return false;
      } else {
        present++;
        if (!(nodes[i] as SchemaNode).accepts(member, run)) return false;
      }
    }
    for (const name of alsoNeeded) if (ownMember(holder, name) === undefined) return false;
    if (closed) {
      for (const name in holder) if (holder[name] !== undefined) present--;
      return present >= 0;
    }
    return true;
  };
}
