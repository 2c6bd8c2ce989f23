import { isObject, ownMember, setOwn } from '../json/index.js';
import { groupUri, type Kit } from '../kit/index.js';

/** A form's schema that stands alone: the kit's groups become definitions in it, and references lead there. */
export function standaloneSchema(schema: unknown, groups: Kit['groups']): unknown {
  const used = new Set<string>();
  const names = new Map(Object.keys(groups).map((name) => [groupUri(name), name]));
  const redirect = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(redirect);
    if (!isObject(value)) return value;
    const copy: Record<string, unknown> = {};
    for (const name of Object.keys(value)) {
      const member = value[name];
      const group = name === '$ref' && typeof member === 'string' ? names.get(member) : undefined;
      if (group !== undefined) used.add(group);
      setOwn(copy, name, group === undefined ? redirect(member) : `#/$defs/${group}`);
    }
    return copy;
  };
  const main = redirect(schema);
  const definitions: Record<string, unknown> = {};
  // A group may use another group: go on until none is new.
  for (const name of used)
    setOwn(definitions, name, redirect(ownMember(groups, name) === undefined ? true : groups[name]?.schema));
  if (used.size === 0 || !isObject(main)) return main;
  return { ...main, $defs: { ...(isObject(main['$defs']) ? main['$defs'] : {}), ...definitions } };
}
