import { isObject, joinPointer, ownMember } from '../../json/index.js';
import type { Members, SchemaNode } from '../rule.js';
import { bits, bounded, type Context, type Keyword } from './context.js';
import { patternOf } from './values.js';

const none: readonly SchemaNode[] = [];

function mapOf(context: Context): string[] | undefined {
  if (isObject(context.value)) return Object.keys(context.value);
  context.complain('has to be an object');
  return undefined;
}

export const properties: Keyword = (context) => {
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
      for (const name of names) {
        const member = ownMember(value, name);
        if (member === undefined) continue;
        if (!(byName.get(name)?.[0] as SchemaNode).accepts(member, run)) return false;
        seen.members.add(name);
      }
      return true;
    },
    keys: () => names,
    nodesFor: (key) => byName.get(String(key)) ?? none,
    step: (key) => joinPointer('/properties', key),
  };
  return rule;
};

export const patternProperties: Keyword = (context) => {
  const sources = mapOf(context);
  if (!sources || sources.length === 0) return undefined;
  const patterns = sources.flatMap((source) => {
    const compiled = patternOf(context, source);
    return compiled ? [{ compiled, node: context.child(source), source }] : [];
  });
  const nodesFor = (key: string | number): SchemaNode[] =>
    patterns.filter(({ compiled }) => compiled.test(String(key))).map(({ node }) => node);
  const steps = (key: string | number): string[] =>
    patterns
      .filter(({ compiled }) => compiled.test(String(key)))
      .map(({ source }) => joinPointer('/patternProperties', source));
  return {
    kind: 'members',
    keyword: 'patternProperties',
    on: bits.object,
    accepts: (value, run) =>
      Object.keys(value as object).every((key) =>
        nodesFor(key).every((node) => node.accepts(ownMember(value, key), run)),
      ),
    mark(value, run, seen) {
      for (const key of Object.keys(value as object)) {
        const nodes = nodesFor(key);
        if (!nodes.every((node) => node.accepts(ownMember(value, key), run))) return false;
        if (nodes.length > 0) seen.members.add(key);
      }
      return true;
    },
    keys: (value) => Object.keys(value).sort(),
    nodesFor,
    step: (key, index) => steps(key)[index] ?? '/patternProperties',
  };
};

/** Whether a name is taken by `properties` or `patternProperties` beside this keyword. */
export function namedBeside(context: Context): (key: string) => boolean {
  const known = new Set(isObject(context.raw['properties']) ? Object.keys(context.raw['properties']) : []);
  const besides = context.raw['patternProperties'];
  const patterns = isObject(besides) ? Object.keys(besides).flatMap((source) => patternOf(context, source) ?? []) : [];
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

const members = (value: object): number => Object.keys(value).length;
const maxProperties = bounded(bits.object, members, 'most');
const minProperties = bounded(bits.object, members, 'least');

const propertyNames: Keyword = (context) => {
  const node = context.child();
  return {
    kind: 'whole',
    keyword: 'propertyNames',
    on: bits.object,
    accepts: (value, run) => Object.keys(value as object).every((key) => node.accepts(key, run)),
    problems: (value, run, place) =>
      Object.keys(value as object)
        .filter((key) => !node.accepts(key, run))
        .map((key) =>
          context.problem(
            'propertyNames',
            { name: key, reasons: context.explain(node, key, run, { at: '', way: '' }).map(({ message }) => message) },
            place,
          ),
        ),
  };
};

function missing(context: Context, names: Readonly<Record<string, readonly string[]>>): Keyword {
  const entries = Object.entries(names);
  const absent = (value: unknown): { because: string; name: string }[] =>
    entries.flatMap(([because, wanted]) =>
      ownMember(value, because) === undefined
        ? []
        : wanted.filter((name) => ownMember(value, name) === undefined).map((name) => ({ because, name })),
    );
  return () => ({
    kind: 'whole',
    keyword: context.keyword,
    on: bits.object,
    accepts: (value) => absent(value).length === 0,
    problems: (value, _run, place) =>
      absent(value).map((params) => context.problem('dependentRequired', params, place)),
  });
}

const dependentRequired: Keyword = (context) => {
  if (!mapOf(context)) return undefined;
  return missing(context, context.value as Record<string, string[]>)(context);
};

function conditional(context: Context, names: readonly string[]): Keyword {
  const nodes = names.map((name) => [name, context.child(name)] as const);
  return () => ({
    kind: 'whole',
    keyword: context.keyword,
    on: bits.object,
    branching: { kind: 'present', entries: nodes },
    accepts: (value, run) =>
      nodes.every(([name, node]) => ownMember(value, name) === undefined || node.accepts(value, run)),
    mark: (value, run, seen) =>
      nodes.every(([name, node]) => ownMember(value, name) === undefined || node.mark(value, run, seen)),
    problems: (value, run, place) =>
      nodes
        .filter(([name]) => ownMember(value, name) !== undefined)
        .flatMap(([name, node]) =>
          context.explain(node, value, run, {
            at: place.at,
            way: joinPointer(`${place.way}/${context.keyword}`, name),
          }),
        ),
  });
}

const dependentSchemas: Keyword = (context) => {
  const names = mapOf(context);
  return names ? conditional(context, names)(context) : undefined;
};

/** Up to draft 7 one keyword for both; later drafts keep the name for old schemas, where it goes on meaning the same. */
const dependencies: Keyword = (context) => {
  const names = mapOf(context);
  if (!names) return undefined;
  const value = context.value as Record<string, unknown>;
  const lists = missing(
    context,
    Object.fromEntries(
      names.filter((name) => Array.isArray(value[name])).map((name) => [name, value[name] as string[]]),
    ),
  )(context);
  const schemas = conditional(
    context,
    names.filter((name) => !Array.isArray(value[name])),
  )(context);
  if (lists?.kind !== 'whole' || schemas?.kind !== 'whole') return undefined;
  return {
    kind: 'whole',
    keyword: 'dependencies',
    on: bits.object,
    ...(schemas.branching ? { branching: schemas.branching } : {}),
    accepts: (member, run) => lists.accepts(member, run) && schemas.accepts(member, run),
    mark: (member, run, seen) => lists.accepts(member, run) && (schemas.mark?.(member, run, seen) ?? true),
    problems: (member, run, place) => [...lists.problems(member, run, place), ...schemas.problems(member, run, place)],
  };
};

export const objectKeywords: Readonly<Record<string, Keyword>> = {
  properties,
  patternProperties,
  additionalProperties,
  required,
  maxProperties,
  minProperties,
  propertyNames,
  dependentRequired,
  dependentSchemas,
  dependencies,
};
