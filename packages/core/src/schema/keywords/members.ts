/** Keywords that look at the members of an object, each on its own. */
import { isObject, joinPointer, ownMember } from '../../json/index.js';
import type { Messages } from '../messages.js';
import type { Members, SchemaNode } from '../rule.js';
import { bits, mapOf, none, type Context, type Family, type Keyword } from './context.js';

const properties: Keyword = (context) => {
  const names = mapOf(context);
  if (!names || names.length === 0) return undefined;
  const nodes = names.map((name) => context.child(name));
  const byName = new Map(names.map((name, i) => [name, [nodes[i] as SchemaNode]]));
  const rule: Members = {
    kind: 'members',
    keyword: 'properties',
    on: bits.object,
    accepts(value, run) {
      for (let i = 0; i < names.length; i++) {
        const member = ownMember(value, names[i] as string);
        if (member !== undefined && !(nodes[i] as SchemaNode).accepts(member, run)) return false;
      }
      return true;
    },
    mark(value, run, seen) {
      for (const name of names) if (ownMember(value, name) !== undefined) seen.members.add(name);
      return this.accepts(value, run);
    },
    inner: nodes,
    keys: () => names,
    nodesFor: (key) => byName.get(String(key)) ?? none,
    step: (key) => joinPointer('/properties', key),
  };
  return rule;
};

/** Whether a name is taken by `properties` or `patternProperties` beside this keyword. */
function namedBeside(context: Context): (key: string) => boolean {
  const known = new Set(isObject(context.raw['properties']) ? Object.keys(context.raw['properties']) : []);
  const besides = context.raw['patternProperties'];
  const patterns = isObject(besides)
    ? Object.keys(besides).flatMap((source) => context.patternOf?.(context, source) ?? [])
    : [];
  return patterns.length === 0
    ? (key) => known.has(key)
    : (key) => known.has(key) || patterns.some((pattern) => pattern.test(key));
}

const additionalProperties: Keyword = (context) => {
  const isNamed = namedBeside(context);
  const node = context.child();
  const nodes = [node];
  return {
    kind: 'members',
    keyword: 'additionalProperties',
    on: bits.object,
    accepts(value, run) {
      const holder = value as Record<string, unknown>;
      for (const key of Object.keys(holder)) {
        if (!isNamed(key) && holder[key] !== undefined && !node.accepts(holder[key], run)) return false;
      }
      return true;
    },
    mark(value, run, seen) {
      seen.allMembers = true;
      return this.accepts(value, run);
    },
    inner: nodes,
    keys: (value) =>
      Object.keys(value)
        .filter((key) => !isNamed(key))
        .sort(),
    nodesFor: (key) => (isNamed(String(key)) ? none : nodes),
    step: () => '/additionalProperties',
  };
};

const required: Keyword = (context) => {
  if (!Array.isArray(context.value) || context.value.some((name) => typeof name !== 'string')) {
    context.complain('has to be a list of names');
    return undefined;
  }
  const names = context.value as string[];
  return {
    kind: 'presence',
    keyword: 'required',
    on: bits.object,
    names,
    nameSet: new Set(names),
    accepts: (value) => names.every((name) => ownMember(value, name) !== undefined),
  };
};

const english: Messages = {
  required: ({ missing }) => `“${String(missing)}” is missing.`,
  false: 'Is not allowed here.',
};

export const family: Family = { keywords: { properties, additionalProperties, required }, english };
