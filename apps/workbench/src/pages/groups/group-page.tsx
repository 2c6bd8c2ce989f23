import { groupUri, isObject, joinPointer, type FormDescription, type GroupDescription, type Kit } from '@poietra/core';
import { useMemo, type ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { NoSuch } from '../../parts/no-such.js';
import { FormFrame } from '../../parts/form-frame.js';
import { JsonText } from '../../parts/json-text.js';
import { useKit } from '../../store/kit.js';

/** A group: its fields, and every place that uses it. */
export function Component(): ReactNode {
  const { name = '' } = useParams();
  const group = useKit(({ kit }) => kit.groups[name]);
  if (!group) {
    return <NoSuch what="group" name={name} />;
  }
  return <GroupView key={name} name={name} group={group} />;
}

const options = { notes: false, copies: 1, submitLabel: '', width: 560 } as const;

function GroupView({ name, group }: { readonly name: string; readonly group: GroupDescription }): ReactNode {
  const { kit, edit } = useKit();
  const form = useMemo((): FormDescription => ({ title: group.title, schema: group.schema }), [group]);
  const places = placesOf(name, kit);
  return (
    <div className="grid gap-4 p-4">
      <header className="flex flex-wrap items-baseline gap-3">
        <h1>{group.title}</h1>
        <span className="text-ink-2">
          is used by <code>{`"$ref": "${groupUri(name)}"`}</code>
        </span>
      </header>
      <div className="grid gap-4 lg:grid-cols-2">
        <section aria-label="Drawn" className="grid content-start gap-2">
          <div className="border border-hairline">
            <FormFrame title={`Group: ${group.title}`} form={form} options={options} />
          </div>
          <h2>
            Used in <span className="mono font-normal text-ink-2">{places.length}</span>{' '}
            {places.length === 1 ? 'place' : 'places'}
          </h2>
          {places.length === 0 && <p className="text-ink-2">No form uses it yet.</p>}
          <ul>
            {places.map(({ to, title, at }) => (
              <li key={to + at}>
                <Link to={to}>{title}</Link> <span className="mono text-ink-2">{at}</span>
              </li>
            ))}
          </ul>
        </section>
        <section aria-label="Schema" className="grid min-h-80 content-stretch gap-1">
          <h2>Schema</h2>
          <JsonText
            label={`Schema of the group ${group.title}`}
            value={group.schema}
            onChange={(schema) =>
              edit(`Schema of ${group.title}`, { [`${joinPointer('/groups', name)}/schema`]: schema }, `group ${name}`)
            }
          />
        </section>
      </div>
    </div>
  );
}

/** Where references to a group stand, in forms and in other groups. */
function placesOf(name: string, kit: Kit): { to: string; title: string; at: string }[] {
  const find = (value: unknown, at: string): string[] =>
    Array.isArray(value)
      ? value.flatMap((item, i) => find(item, joinPointer(at, i)))
      : isObject(value)
        ? [
            ...(value['$ref'] === groupUri(name) ? [at] : []),
            ...Object.entries(value).flatMap(([key, member]) => find(member, joinPointer(at, key))),
          ]
        : [];
  return [
    ...Object.entries(kit.forms).flatMap(([id, form]) =>
      find(form.schema, '').map((at) => ({ to: `/forms/${id}`, title: form.title, at })),
    ),
    ...Object.entries(kit.groups).flatMap(([id, group]) =>
      find(group.schema, '').map((at) => ({ to: `/groups/${id}`, title: group.title, at })),
    ),
  ];
}
