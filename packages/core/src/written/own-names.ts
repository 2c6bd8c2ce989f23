/** Members with names of one's own, in a form that was written out. */
import { labelFrom, type PlanNode } from '../plan/index.js';
import type { WrittenGroup, WrittenPart } from './nodes.js';

/** The part for a name, if a member may be called so; it is made once for each name. */
export function ownNames(
  { more, children }: WrittenGroup,
  parts: readonly WrittenPart[],
  revived: (part: WrittenPart) => PlanNode,
): (name: string) => PlanNode | undefined {
  const byName = new Map<string, PlanNode>();
  const named = new Set(children.map((one) => parts[one]?.name));
  const own = more && parts[more.part];
  return (name) => {
    if (!own || named.has(name)) return undefined;
    let found = byName.get(name);
    if (!found) {
      const { required: _required, ...rest } = own;
      const label = more.isLabelled ? own.label : labelFrom(name);
      found = revived({ ...rest, name, label, ...(more.needs.includes(name) ? { required: true } : {}) });
      byName.set(name, found);
    }
    return found;
  };
}
