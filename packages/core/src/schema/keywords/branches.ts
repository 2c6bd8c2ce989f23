/** Keywords whose subschemas hold only sometimes. */
import { defaultLimits, equalJson, isObject, joinPointer, ownMember, type Problem } from '../../json/index.js';
import { kindWords, type Messages } from '../messages.js';
import { Seen } from '../seen.js';
import { bits, Run, type Branching, type Site, type SchemaNode } from '../rule.js';
import { branches, type Context, type Family, type Keyword } from './context.js';

/** Which member tells the branches of a choice apart: a required constant or a small enumeration in each of them. */
export function tellingMember(
  nodes: readonly SchemaNode[],
): { name: string; values: readonly (readonly unknown[])[] } | undefined {
  const first = membersWithValues(nodes[0]);
  for (const name of first.keys()) {
    const values = nodes.map((node) => membersWithValues(node).get(name));
    if (values.some((list) => list === undefined)) continue;
    const lists = values as (readonly unknown[])[];
    const texts = lists.flat().map((value) => JSON.stringify(value));
    if (new Set(texts).size === texts.length) return { name, values: lists };
  }
  return undefined;
}

function membersWithValues(node: SchemaNode | undefined, depth = 0): Map<string, readonly unknown[]> {
  const found = new Map<string, readonly unknown[]>();
  if (!node || depth > 8) return found;
  for (const rule of node.rules) {
    if (rule.kind === 'within' && Array.isArray(rule.nodes)) {
      for (const inner of rule.nodes as readonly SchemaNode[])
        for (const [name, values] of membersWithValues(inner, depth + 1)) found.set(name, values);
    }
    if (rule.kind !== 'members' || rule.keyword !== 'properties') continue;
    for (const key of rule.keys({})) {
      const raw = rule.nodesFor(key)[0]?.raw;
      if (!isObject(raw)) continue;
      if (Object.hasOwn(raw, 'const')) found.set(String(key), [raw['const']]);
      else if (Array.isArray(raw['enum']) && raw['enum'].length > 0) found.set(String(key), raw['enum']);
    }
  }
  return found;
}

/** The branch that a value was most likely meant for, and what is wrong with it there. */
function bestBranch(
  context: Context,
  nodes: readonly SchemaNode[],
  value: unknown,
  run: Run,
  site: Site,
): { index: number; problems: Problem[] } | undefined {
  const way = (i: number): Site => ({ at: site.at, way: `${site.way}/${context.keyword}/${i}` });
  const telling = isObject(value) ? tellingMember(nodes) : undefined;
  if (telling) {
    const own = ownMember(value, telling.name);
    const index = telling.values.findIndex((values) => values.includes(own));
    const node = nodes[index];
    if (node) return { index, problems: context.explain(node, value, run, way(index)) };
  }
  let best: { index: number; problems: Problem[]; score: number } | undefined;
  nodes.forEach((node, index) => {
    const problems = context.explain(node, value, run, way(index));
    // A branch for another kind of value is the last that was meant; a wrong constant comes next; then fewer problems are better.
    const score = problems.reduce(
      (sum, { at, keyword }) => sum + (at === site.at && keyword === 'type' ? 10_000 : keyword === 'const' ? 100 : 1),
      0,
    );
    if (!best || score < best.score) best = { index, problems, score };
  });
  return best && best.score < 10_000 ? best : undefined;
}

/** For those who ask outside of a run. */
const freshRun = (): Run => new Run(defaultLimits);

type Choices = Extract<Branching, { readonly kind: 'choice' }>;

/** The kinds that the branches take, where each says so: "has to be a text or a number" helps more than "fits no branch". */
function kindsTaken(nodes: readonly SchemaNode[]): unknown[] | undefined {
  const kinds = nodes.map((node) => (isObject(node.raw) ? node.raw['type'] : undefined));
  return kinds.every((kind) => kind !== undefined) ? [...new Set(kinds.flat())] : undefined;
}

/**
 * Where each branch wants other values at the same place and this is none of them, that is one fault: what is told are
 * the values of all branches.
 */
function noneOfAll(context: Context, nodes: readonly SchemaNode[], value: unknown, site: Site): Problem | undefined {
  const telling = isObject(value) ? tellingMember(nodes) : undefined;
  const seen = telling ? ownMember(value, telling.name) : value;
  if (seen === undefined) return undefined;
  const lists = telling ? telling.values : nodes.map(valuesOf);
  if (lists.length < 2 || lists.some((list) => list === undefined)) return undefined;
  const allowed = (lists as (readonly unknown[])[]).flat();
  if (allowed.some((one) => equalJson(one, seen))) return undefined;
  const at = telling ? joinPointer(site.at, telling.name) : site.at;
  const { schemaAt } = context.problem(context.keyword, {}, site);
  return { ...context.problem('enum', { allowed, seen }, { ...site, at }), schemaAt };
}
/** The values that a schema names, where it does nothing else. */
function valuesOf({ raw }: SchemaNode): readonly unknown[] | undefined {
  if (!isObject(raw)) return undefined;
  const isOnly = Object.keys(raw).every((name) => ['const', 'enum', 'type', 'title', 'description'].includes(name));
  if (!isOnly) return undefined;
  return Object.hasOwn(raw, 'const') ? [raw['const']] : Array.isArray(raw['enum']) ? raw['enum'] : undefined;
}

function noBranch(context: Context, choice: Choices, value: unknown, run: Run, site: Site): Problem[] {
  const { nodes } = choice;
  const index = run.chosen?.(site.at, choice);
  const chosen = index === undefined ? undefined : nodes[index];
  if (index !== undefined && chosen)
    return context.explain(chosen, value, run, { at: site.at, way: `${site.way}/${context.keyword}/${index}` });
  const none = noneOfAll(context, nodes, value, site);
  if (none) return [none];
  const best = bestBranch(context, nodes, value, run, site);
  if (best) return best.problems;
  const expected = kindsTaken(nodes);
  return [context.problem(context.keyword, expected ? { expected } : {}, site)];
}

/** The branch that a value chooses: the first that fits, else the one it was most likely meant for. */
function choice(context: Context, nodes: readonly SchemaNode[]): Choices {
  return {
    kind: 'choice',
    id: `${context.spot.resource.document}#${joinPointer(context.spot.at, context.keyword)}`,
    nodes,
    best(value) {
      const run = freshRun();
      const fits = nodes.findIndex((node) => node.accepts(value, run));
      return fits >= 0 ? fits : bestBranch(context, nodes, value, run, { at: '', way: '' })?.index;
    },
  };
}

const anyOf: Keyword = (context) => {
  const nodes = branches(context);
  if (!nodes) return undefined;
  const branching = choice(context, nodes);
  return {
    kind: 'whole',
    keyword: 'anyOf',
    on: bits.any,
    branching,
    accepts: (value, run) => nodes.some((node) => node.accepts(value, run)),
    mark(value, run, seen) {
      let fits = false;
      for (const node of nodes) {
        const own = new Seen();
        if (!node.mark(value, run, own)) continue;
        seen.add(own);
        fits = true;
      }
      return fits;
    },
    problems(value, run, site) {
      return this.accepts(value, run) ? [] : noBranch(context, branching, value, run, site);
    },
  };
};

const oneOf: Keyword = (context) => {
  const nodes = branches(context);
  if (!nodes) return undefined;
  const branching = choice(context, nodes);
  const fitting = (value: unknown, run: Run): number[] =>
    nodes.flatMap((node, i) => (node.accepts(value, run) ? [i] : []));
  return {
    kind: 'whole',
    keyword: 'oneOf',
    on: bits.any,
    branching,
    accepts(value, run) {
      let found = false;
      for (const node of nodes) {
        if (!node.accepts(value, run)) continue;
        if (found) return false;
        found = true;
      }
      return found;
    },
    mark(value, run, seen) {
      const fit = fitting(value, run);
      return fit.length === 1 && (nodes[fit[0] as number] as SchemaNode).mark(value, run, seen);
    },
    problems(value, run, site) {
      const fit = fitting(value, run);
      if (fit.length === 1) return [];
      return fit.length > 1
        ? [context.problem('oneOf', { fitting: fit }, site)]
        : noBranch(context, branching, value, run, site);
    },
  };
};

const not: Keyword = (context) => {
  const node = context.child();
  return {
    kind: 'whole',
    keyword: 'not',
    on: bits.any,
    accepts: (value, run) => !node.accepts(value, run),
    problems: (value, run, site) => (node.accepts(value, run) ? [context.problem('not', {}, site)] : []),
  };
};

const condition: Keyword = (context) => {
  const branch = (name: 'then' | 'else'): SchemaNode | undefined =>
    Object.hasOwn(context.raw, name) && context.dialect.keywords.has(name)
      ? context.nodeAt({
          raw: context.raw[name],
          resource: context.spot.resource,
          at: joinPointer(context.spot.at, name),
        })
      : undefined;
  const [test, yes, no] = [context.child(), branch('then'), branch('else')];
  return {
    kind: 'whole',
    keyword: 'if',
    on: bits.any,
    branching: { kind: 'if', test, asks: (value) => test.accepts(value, freshRun()), yes, no },
    accepts(value, run) {
      const next = test.accepts(value, run) ? yes : no;
      return next === undefined || next.accepts(value, run);
    },
    mark(value, run, seen) {
      const own = new Seen();
      const holds = test.mark(value, run, own);
      if (holds) seen.add(own);
      const next = holds ? yes : no;
      return next === undefined || next.mark(value, run, seen);
    },
    problems(value, run, site) {
      const holds = test.accepts(value, run);
      const next = holds ? yes : no;
      return next
        ? context.explain(next, value, run, { at: site.at, way: `${site.way}/${holds ? 'then' : 'else'}` })
        : [];
    },
  };
};

const english: Messages = {
  anyOf: ({ expected }) =>
    expected ? `Has to be ${kindWords(expected)}.` : 'Fits none of the forms that are allowed here.',
  oneOf: ({ fitting, expected }) =>
    Array.isArray(fitting)
      ? `Fits ${fitting.length} of the forms that are allowed here, but has to fit exactly one.`
      : expected
        ? `Has to be ${kindWords(expected)}.`
        : 'Fits none of the forms that are allowed here.',
  not: 'Has a form that is not allowed here.',
};

export const family: Family = { keywords: { anyOf, oneOf, not, if: condition }, english };
