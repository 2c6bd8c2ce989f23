import { isObject, ownMember } from '../json/index.js';
import type { FormDescription, Kit } from './kit.js';

/**
 * The kit's adapters that a form can come to use: through the fields it names, and through the kit's rules. Read from
 * the text alone, so that it is quick for a schema of megabytes and answers for a broken one; it may name some that
 * the plan then has no place for, and never forgets one.
 */
export function mentionedAdapters(form: Pick<FormDescription, 'schema' | 'hints'>, kit: Kit): string[] {
  const text = textWithGroups([form.schema, form.hints], kit);
  const has = (member: string, value: string): boolean =>
    text.includes(`${JSON.stringify(member)}:${JSON.stringify(value)}`);
  const fields = Object.entries(kit.fields).flatMap(([name, { adapter }]) => (has('field', name) ? [adapter] : []));
  const rules = (kit.rules ?? []).flatMap(({ format, use }) =>
    format === undefined || has('format', format) ? [use.adapter] : [],
  );
  return [...new Set([...fields, ...rules])].filter((name) => Object.hasOwn(kit.adapters, name));
}

/** The text of something and of all groups that it refers to, directly or through other groups. */
function textWithGroups(start: unknown, { groups }: Pick<Kit, 'groups'>): string {
  const texts: string[] = [];
  const met = new Set<string>();
  const read = (value: unknown): void => {
    const text = JSON.stringify(value);
    texts.push(text);
    for (const [, name = ''] of text.matchAll(/"urn:poietra:group:([\w.-]+)/g)) {
      const group: unknown = ownMember(groups, name);
      if (met.has(name) || !isObject(group)) continue;
      met.add(name);
      read(group['schema'] ?? true);
    }
  };
  read(start);
  return texts.join('\n');
}
