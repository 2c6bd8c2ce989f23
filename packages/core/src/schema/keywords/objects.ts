/** Keywords that look at an object as a whole: how many members, under which names, and which of them ask for others. */
import { joinPointer, ownMember } from '../../json/index.js';
import { plural, type Messages } from '../messages.js';
import { shortly } from '../shortly.js';
import { bounded } from './bounds.js';
import { bits, mapOf, type Context, type Family, type Keyword } from './context.js';

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
    problems: (value, run, site) =>
      Object.keys(value as object)
        .filter((key) => !node.accepts(key, run))
        .map((key) =>
          context.problem(
            'propertyNames',
            { name: key, reasons: context.explain(node, key, run, { at: '', way: '' }).map(({ message }) => message) },
            site,
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
    problems: (value, _run, site) => absent(value).map((params) => context.problem('dependentRequired', params, site)),
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
    problems: (value, run, site) =>
      nodes
        .filter(([name]) => ownMember(value, name) !== undefined)
        .flatMap(([name, node]) =>
          context.explain(node, value, run, {
            at: site.at,
            way: joinPointer(`${site.way}/${context.keyword}`, name),
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
    problems: (member, run, site) => [...lists.problems(member, run, site), ...schemas.problems(member, run, site)],
  };
};

const english: Messages = {
  maxProperties: ({ limit, seen }) =>
    `Has to have at most ${plural(limit, 'member', 'members')}, but has ${String(seen)}.`,
  minProperties: ({ limit, seen }) =>
    `Has to have at least ${plural(limit, 'member', 'members')}, but has ${String(seen)}.`,
  propertyNames: ({ name, reasons }) =>
    `The name ${shortly(name)} is not allowed here${Array.isArray(reasons) && reasons[0] ? `: ${String(reasons[0])}` : '.'}`,
  dependentRequired: ({ because, name }) =>
    `“${String(name)}” is missing; it is needed because “${String(because)}” is given.`,
};

export const family: Family = {
  keywords: {
    maxProperties,
    minProperties,
    propertyNames,
    dependentRequired,
    dependentSchemas,
    dependencies,
  },
  english,
};
