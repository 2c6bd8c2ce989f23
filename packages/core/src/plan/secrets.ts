/** Values that nobody but the person and the server may see: never traced, kept as a draft, exported or shown beside the form. */
import { isObject, parsePointer, setOwn, ownMember, type Pointer } from '../json/index.js';
import { planFields } from './each.js';
import type { PlanNode } from './nodes.js';

/** Whether a field's value is a secret: it can only be written, or is typed unseen. */
export function isSecret(node: PlanNode | undefined): boolean {
  return (
    node !== undefined &&
    (node.facts.writeOnly ||
      (node.kind === 'field' && (node.use.adapter === 'native:password' || node.hints.input === 'password')))
  );
}

/** The places of secrets; `*` stands for any entry. */
export function secretsOf(root: PlanNode): Pointer[] {
  return planFields(root).flatMap(({ at, field }) => (isSecret(field) ? [at] : []));
}

/** A copy of a value, or of texts by place, without what stands at the places of secrets. */
export function withoutSecrets<T>(value: T, secrets: readonly Pointer[]): T {
  return secrets.length === 0 ? value : (without(value, secrets.map(parsePointer)) as T);
}
/** The same for what is kept by place. */
export function withoutSecretPlaces<T>(
  byPlace: Readonly<Record<Pointer, T>>,
  secrets: readonly Pointer[],
): Record<Pointer, T> {
  const patterns = secrets.map(parsePointer);
  return Object.fromEntries(
    Object.entries(byPlace).filter(([at]) => {
      const tokens = parsePointer(at);
      return !patterns.some((pattern) => pattern.every((token, i) => token === '*' || token === tokens[i]));
    }),
  );
}

function without(value: unknown, patterns: readonly (readonly string[])[]): unknown {
  if (patterns.some((pattern) => pattern.length === 0)) return undefined;
  const below = (name: string): (readonly string[])[] =>
    patterns.flatMap(([token, ...rest]) => (token === '*' || token === name ? [rest] : []));
  if (Array.isArray(value)) return value.map((item: unknown, i) => without(item, below(String(i))) ?? null);
  if (!isObject(value)) return value;
  const copy: Record<string, unknown> = {};
  for (const name of Object.keys(value)) {
    const member = without(ownMember(value, name), below(name));
    if (member !== undefined) setOwn(copy, name, member);
  }
  return copy;
}
