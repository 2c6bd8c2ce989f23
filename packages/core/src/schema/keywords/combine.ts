import { isObject, joinPointer, ownMember, type Problem } from '../../json/index.js';
import { bits, Seen, type Branching, type Place, type Rule, type Run, type SchemaNode } from '../rule.js';
import type { Context, Keyword } from './context.js';

function branches(context: Context): SchemaNode[] | undefined {
  if (Array.isArray(context.value) && context.value.length > 0) return context.value.map((_, i) => context.child(i));
  context.complain('has to be a list of schemas with at least one in it');
  return undefined;
}

const allOf: Keyword = (context) => {
  const nodes = branches(context);
  return nodes && within('allOf', nodes, false);
};

/** Asks other schemas about the same value, and keeps what they evaluated. */
function within(keyword: string, nodes: readonly SchemaNode[], isReference: boolean): Rule {
  return {
    kind: 'within',
    keyword,
    on: bits.any,
    nodes,
    isReference,
    accepts(value, run) {
      for (const node of nodes) if (!node.accepts(value, run)) return false;
      return true;
    },
    mark: (value, run, seen) => nodes.every((node) => node.mark(value, run, seen)),
  };
}

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
export function bestBranch(
  context: Context,
  nodes: readonly SchemaNode[],
  value: unknown,
  run: Run,
  place: Place,
): { index: number; problems: Problem[] } | undefined {
  const way = (i: number): Place => ({ at: place.at, way: `${place.way}/${context.keyword}/${i}` });
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
      (sum, { at, keyword }) => sum + (at === place.at && keyword === 'type' ? 10_000 : keyword === 'const' ? 100 : 1),
      0,
    );
    if (!best || score < best.score) best = { index, problems, score };
  });
  return best && best.score < 10_000 ? best : undefined;
}

/** The kinds that the branches take, where each says so: "has to be a text or a number" helps more than "fits no branch". */
function kindsTaken(nodes: readonly SchemaNode[]): unknown[] | undefined {
  const kinds = nodes.map((node) => (isObject(node.raw) ? node.raw['type'] : undefined));
  return kinds.every((kind) => kind !== undefined) ? [...new Set(kinds.flat())] : undefined;
}

function noBranch(context: Context, nodes: readonly SchemaNode[], value: unknown, run: Run, place: Place): Problem[] {
  const best = bestBranch(context, nodes, value, run, place);
  if (best) return best.problems;
  const expected = kindsTaken(nodes);
  return [context.problem(context.keyword, expected ? { expected } : {}, place)];
}

/** The branch that a value chooses: the first that fits, else the one it was most likely meant for. */
function choice(context: Context, nodes: readonly SchemaNode[]): Branching {
  return {
    kind: 'choice',
    nodes,
    best(value, run) {
      const fits = nodes.findIndex((node) => node.accepts(value, run));
      return fits >= 0 ? fits : bestBranch(context, nodes, value, run, { at: '', way: '' })?.index;
    },
  };
}

const anyOf: Keyword = (context) => {
  const nodes = branches(context);
  if (!nodes) return undefined;
  return {
    kind: 'whole',
    keyword: 'anyOf',
    on: bits.any,
    branching: choice(context, nodes),
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
    problems(value, run, place) {
      return this.accepts(value, run) ? [] : noBranch(context, nodes, value, run, place);
    },
  };
};

const oneOf: Keyword = (context) => {
  const nodes = branches(context);
  if (!nodes) return undefined;
  const fitting = (value: unknown, run: Run): number[] =>
    nodes.flatMap((node, i) => (node.accepts(value, run) ? [i] : []));
  return {
    kind: 'whole',
    keyword: 'oneOf',
    on: bits.any,
    branching: choice(context, nodes),
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
    problems(value, run, place) {
      const fit = fitting(value, run);
      if (fit.length === 1) return [];
      return fit.length > 1
        ? [context.problem('oneOf', { fitting: fit }, place)]
        : noBranch(context, nodes, value, run, place);
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
    problems: (value, run, place) => (node.accepts(value, run) ? [context.problem('not', {}, place)] : []),
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
    branching: { kind: 'if', test, yes, no },
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
    problems(value, run, place) {
      const holds = test.accepts(value, run);
      const next = holds ? yes : no;
      return next
        ? context.explain(next, value, run, { at: place.at, way: `${place.way}/${holds ? 'then' : 'else'}` })
        : [];
    },
  };
};

const ref: Keyword = (context) => {
  if (typeof context.value !== 'string') {
    context.complain('has to be a URI reference');
    return undefined;
  }
  const node = context.target(context.value);
  return node && reference('$ref', [node], () => node);
};

/** A reference counts its depth, since only references can lead round in a circle. */
function reference(keyword: string, fixed: readonly SchemaNode[] | undefined, find: (run: Run) => SchemaNode): Rule {
  return {
    kind: 'within',
    keyword,
    on: bits.any,
    nodes: fixed ?? ((run) => [find(run)]),
    isReference: true,
    accepts(value, run) {
      run.enter();
      const fits = find(run).accepts(value, run);
      run.leave();
      return fits;
    },
    mark(value, run, seen) {
      run.enter();
      const fits = find(run).mark(value, run, seen);
      run.leave();
      return fits;
    },
  };
}

/** JSON Schema Core 2020-12, section 8.2.3.2: the outermost resource of the dynamic scope with that anchor wins. */
const dynamicRef: Keyword = (context) => {
  if (typeof context.value !== 'string') return undefined;
  const start = context.target(context.value);
  if (!start) return undefined;
  const anchor = context.value.slice(context.value.indexOf('#') + 1);
  const isDynamic = isObject(start.raw) && start.raw['$dynamicAnchor'] === anchor;
  if (!isDynamic) return reference('$dynamicRef', [start], () => start);
  return reference('$dynamicRef', undefined, (run) => {
    for (const resource of run.scope) {
      const node = context.dynamicNode(resource, anchor);
      if (node) return node;
    }
    return start;
  });
};

/** JSON Schema Core 2019-09, section 8.2.4.2. */
const recursiveRef: Keyword = (context) => {
  const start = context.target('#');
  if (!start) return undefined;
  if (!start.resource.recursive) return reference('$recursiveRef', [start], () => start);
  return reference('$recursiveRef', undefined, (run) => {
    const outermost = run.scope.find((resource) => resource.recursive);
    return outermost ? context.nodeAt({ raw: outermost.root, resource: outermost, at: outermost.at }) : start;
  });
};

export const combineKeywords: Readonly<Record<string, Keyword>> = {
  $ref: ref,
  $dynamicRef: dynamicRef,
  $recursiveRef: recursiveRef,
  allOf,
  anyOf,
  oneOf,
  not,
  if: condition,
};
