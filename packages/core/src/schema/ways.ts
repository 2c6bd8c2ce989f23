/** Where a problem was found on the way through the schema; kept beside it, since most readers do not want it. */
import { joinPointer, type Problem } from '../json/index.js';
import type { Site, SchemaNode } from './rule.js';

interface Way {
  readonly way: string;
  readonly absolute: string;
}
const ways = new WeakMap<Problem, Way>();

export function noteWay(problem: Problem, node: SchemaNode, keyword: string, site: Site): Problem {
  const own = keyword === '' || keyword === 'false' ? '' : joinPointer('', keyword);
  ways.set(problem, { way: site.way + own, absolute: absolute(node, own) });
  return problem;
}

export const wayOf = (problem: Problem): Way | undefined => ways.get(problem);

/** A place in the schema resource that it belongs to, after that resource's own URI. */
export function absolute(node: SchemaNode, below: string): string {
  return `${node.resource.uri}#${node.at.slice(node.resource.at.length)}${below}`;
}
