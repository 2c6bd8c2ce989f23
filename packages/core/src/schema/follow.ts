/**
 * Which rules a value breaks, kept as a tree beside the value. Only what is wrong is kept: a part without a state is
 * valid. After a change, only the parts on the way to the changed place are asked again; the rest of the tree stays.
 */
import { isWithin, joinPointer, ownMember, type Problem } from '../json/index.js';
import {
  bitOf,
  eachWithin,
  type Members,
  type Site,
  type Presence,
  type Rule,
  type Run,
  type SchemaNode,
} from './rule.js';

type Part = Problem[] | (State | undefined)[] | Map<string | number, (State | undefined)[] | Problem[]> | undefined;

export interface State {
  readonly parts: Part[];
}

/** How problems are made: schema place and words are the compiler's business. */
export interface Teller {
  problem(node: SchemaNode, keyword: string, params: Record<string, unknown>, site: Site): Problem;
}

export class Follower {
  /** Where problems came or went in the last run. */
  touched = new Set<string>();

  constructor(private readonly teller: Teller) {}

  /** A full run. `undefined` where nothing is wrong. */
  check(node: SchemaNode, value: unknown, run: Run, site: Site): State | undefined {
    return this.#settle(node.rules.map((rule) => this.#part(node, rule, value, run, site)));
  }

  /** The same answer after a change at `path`, asking only what can depend on it. */
  recheck(
    node: SchemaNode,
    value: unknown,
    run: Run,
    site: Site,
    path: readonly string[],
    depth: number,
    before: State | undefined,
  ): State | undefined {
    if (depth === path.length) {
      if (before) this.#touch(before);
      return this.check(node, value, run, site);
    }
    return this.#settle(
      node.rules.map((rule, i) => {
        const old = before?.parts[i];
        const applies = (rule.on & bitOf(value)) !== 0;
        if (rule.kind === 'within' && applies)
          return this.#withinAgain(rule, value, run, site, path, depth, old as (State | undefined)[] | undefined);
        if (rule.kind === 'members' && applies)
          return this.#membersAgain(
            rule,
            value as object,
            run,
            site,
            path,
            depth,
            old as Map<string | number, (State | undefined)[]> | undefined,
          );
        if (rule.kind === 'presence' && applies)
          return this.#presenceAgain(
            node,
            rule,
            value,
            site,
            path[depth] as string,
            old as Map<string, Problem[]> | undefined,
          );
        this.#touchPart(old);
        return this.#part(node, rule, value, run, site);
      }),
    );
  }

  /** All problems of a state, in the fixed order: rules as they stand, members as the rule lists them. */
  list(node: SchemaNode, state: State | undefined, run: Run, into: Problem[] = []): Problem[] {
    if (!state) return into;
    const first = into.length;
    node.rules.forEach((rule, i) => {
      const part = state.parts[i];
      if (!part) return;
      if (rule.kind === 'within')
        eachWithin(rule, run, (inner, j) => this.list(inner, (part as (State | undefined)[])[j], run, into));
      else if (part instanceof Map) {
        // Of thousands of names, asking each one is quicker than sorting those that are missing.
        const keys =
          rule.kind === 'members'
            ? sortLike(rule, [...part.keys()])
            : (rule as Presence).names.filter((name) => part.has(name));
        for (const key of keys) {
          const found = part.get(key) as (State | undefined)[] | Problem[];
          if (rule.kind === 'members')
            rule.nodesFor(key).forEach((inner, j) => this.list(inner, found[j] as State | undefined, run, into));
          else into.push(...(found as Problem[]));
        }
      } else {
        const told = rule.kind === 'whole' && rule.isLate ? into.slice(first) : [];
        into.push(...(part as Problem[]).filter(({ at }) => !told.some((one) => isWithin(one.at, at))));
      }
    });
    return into;
  }

  #part(node: SchemaNode, rule: Rule, value: unknown, run: Run, site: Site): Part {
    if ((rule.on & bitOf(value)) === 0) return undefined;
    switch (rule.kind) {
      case 'assertion':
        if (rule.accepts(value, run)) return undefined;
        return [this.#tell(node, rule.keyword, rule.params(value), site)];
      case 'presence': {
        const missing = rule.names.filter((name) => ownMember(value, name) === undefined);
        return missing.length === 0
          ? undefined
          : new Map(missing.map((name) => [name, [this.#missing(node, name, site)]]));
      }
      case 'within': {
        const states: (State | undefined)[] = [];
        eachWithin(rule, run, (inner, i) => states.push(this.check(inner, value, run, onSite(site, rule, i))));
        return states.some(Boolean) ? states : undefined;
      }
      case 'members': {
        const found = new Map<string | number, (State | undefined)[]>();
        for (const key of rule.keys(value as object)) {
          const states = this.#member(rule, value as object, key, run, site);
          if (states) found.set(key, states);
        }
        return found.size > 0 ? found : undefined;
      }
      case 'whole': {
        if (rule.accepts(value, run)) return undefined;
        const problems = rule.problems(value, run, site);
        for (const { at } of problems) this.touched.add(at);
        return problems.length > 0 ? problems : undefined;
      }
    }
  }

  #member(rule: Members, value: object, key: string | number, run: Run, site: Site): (State | undefined)[] | undefined {
    const member = ownMember(value, key);
    if (member === undefined) return undefined;
    const states = rule
      .nodesFor(key)
      .map((inner, i) =>
        inner.accepts(member, run) ? undefined : this.check(inner, member, run, below(site, rule, key, i)),
      );
    return states.some(Boolean) ? states : undefined;
  }

  #withinAgain(
    rule: Extract<Rule, { kind: 'within' }>,
    value: unknown,
    run: Run,
    site: Site,
    path: readonly string[],
    depth: number,
    old: (State | undefined)[] | undefined,
  ): Part {
    const states: (State | undefined)[] = [];
    eachWithin(rule, run, (inner, i) =>
      states.push(this.recheck(inner, value, run, onSite(site, rule, i), path, depth, old?.[i])),
    );
    return states.some(Boolean) ? states : undefined;
  }

  #membersAgain(
    rule: Members,
    value: object,
    run: Run,
    site: Site,
    path: readonly string[],
    depth: number,
    old: Map<string | number, (State | undefined)[]> | undefined,
  ): Part {
    const token = path[depth] as string;
    const key = Array.isArray(value) ? Number(token) : token;
    const nodes = rule.nodesFor(key);
    if (nodes.length === 0) return old;
    const before = old?.get(key);
    const member = ownMember(value, key);
    const states =
      member === undefined
        ? []
        : nodes.map((inner, i) =>
            this.recheck(inner, member, run, below(site, rule, key, i), path, depth + 1, before?.[i]),
          );
    if (member === undefined) before?.forEach((state) => state && this.#touch(state));
    const found = old ?? new Map<string | number, (State | undefined)[]>();
    if (states.some(Boolean)) found.set(key, states);
    else found.delete(key);
    return found.size > 0 ? found : undefined;
  }

  #presenceAgain(
    node: SchemaNode,
    rule: Presence,
    value: unknown,
    site: Site,
    name: string,
    old: Map<string, Problem[]> | undefined,
  ): Part {
    if (!rule.nameSet.has(name)) return old;
    const isMissing = ownMember(value, name) === undefined;
    if (isMissing === (old?.has(name) ?? false)) return old;
    const found = old ?? new Map<string, Problem[]>();
    if (isMissing) found.set(name, [this.#missing(node, name, site)]);
    else if (found.delete(name)) this.touched.add(site.at).add(joinPointer(site.at, name));
    return found.size > 0 ? found : undefined;
  }

  #missing(node: SchemaNode, name: string, site: Site): Problem {
    this.touched.add(joinPointer(site.at, name));
    return this.#tell(node, 'required', { missing: name }, site);
  }

  #tell(node: SchemaNode, keyword: string, params: Record<string, unknown>, site: Site): Problem {
    this.touched.add(site.at);
    return this.teller.problem(node, keyword, params, site);
  }

  #settle(parts: Part[]): State | undefined {
    return parts.some((part) => part !== undefined) ? { parts } : undefined;
  }

  #touch(state: State): void {
    for (const part of state.parts) this.#touchPart(part);
  }

  #touchPart(part: Part): void {
    if (!part) return;
    for (const found of part instanceof Map ? [...part.values()].flat() : part) {
      if (!found) continue;
      if ('parts' in found) this.#touch(found);
      else {
        this.touched.add(found.at);
        if (found.keyword === 'required') this.touched.add(joinPointer(found.at, String(found.params['missing'])));
      }
    }
  }
}

function onSite(site: Site, rule: Rule, index: number): Site {
  return {
    at: site.at,
    way: rule.keyword === '' ? site.way : `${site.way}/${rule.keyword}${rule.keyword === 'allOf' ? `/${index}` : ''}`,
  };
}

function below(site: Site, rule: Members, key: string | number, index: number): Site {
  return { at: joinPointer(site.at, key), way: site.way + rule.step(key, index) };
}

function sortLike(rule: Members, keys: (string | number)[]): (string | number)[] {
  if (rule.keyword !== 'properties')
    return keys.sort((a, b) =>
      typeof a === 'number' && typeof b === 'number' ? a - b : String(a) < String(b) ? -1 : 1,
    );
  const order = new Map(rule.keys({}).map((key, i) => [key, i]));
  return keys.sort((a, b) => (order.get(a) ?? 0) - (order.get(b) ?? 0));
}
