import type { Choice, CompiledSchema, SaidNode } from '../schema/index.js';

/** Every choice that a schema has, by what the form remembers it by. */
export function choicesOf({ root }: Pick<CompiledSchema, 'root'>): ReadonlyMap<string, Choice> {
  const found = new Map<string, Choice>();
  const seen = new Set<SaidNode>();
  const visit = (node: SaidNode | undefined): void => {
    if (!node || seen.has(node)) return;
    seen.add(node);
    for (const rule of node.rules) {
      if (rule.kind === 'within' && typeof rule.nodes !== 'function') rule.nodes.forEach(visit);
      else if (rule.kind === 'members') rule.inner.forEach(visit);
      else if (rule.kind === 'whole' && rule.branching) {
        const { branching } = rule;
        if (branching.kind === 'if') [branching.yes, branching.no].forEach(visit);
        else if (branching.kind === 'present') branching.entries.forEach(([, inner]) => visit(inner));
        else {
          found.set(branching.id, branching);
          branching.nodes.forEach(visit);
        }
      }
    }
  };
  visit(root);
  return found;
}
