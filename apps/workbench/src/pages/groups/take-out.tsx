import { isObject, joinPointer, makeGroup, type Kit } from '@poietra/core';
import { useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { Button } from '../../parts/button.js';
import { freeName } from '@poietra/core';
import { useKit } from '../../store/kit.js';

/** Makes a group of fields that a form has already; what the form sends keeps its shape. */
export function TakeOut(): ReactNode {
  const { kit, edit } = useKit();
  const navigate = useNavigate();
  const objects = objectsOf(kit);
  const [chosen, setChosen] = useState<string>();
  const [members, setMembers] = useState<ReadonlySet<string>>(new Set());
  const [title, setTitle] = useState('New group');
  const object = objects.find(({ id }) => id === chosen) ?? objects[0];
  if (!object) return null;
  const make = (): void => {
    const name = freeName(title, kit.groups);
    edit(`Make the group ${title}`, makeGroup(kit, object.form, object.at, [...members], { name, title }));
    void navigate(`/groups/${name}`);
  };
  return (
    <section aria-label="Make a group of a form’s fields" className="mt-4 grid justify-items-start gap-2 text-ink">
      <h3>Make a group of a form’s fields</h3>
      <label className="flex items-center gap-2">
        From
        <select
          className="rounded-sm border border-edge bg-sheet px-1 py-0.5"
          value={object.id}
          onChange={(event) => {
            setChosen(event.target.value);
            setMembers(new Set());
          }}
        >
          {objects.map(({ id, words }) => (
            <option key={id} value={id}>
              {words}
            </option>
          ))}
        </select>
      </label>
      <fieldset className="flex flex-wrap gap-3">
        <legend className="text-ink-2">these fields</legend>
        {object.members.map((name) => (
          <label key={name} className="flex items-center gap-1">
            <input
              type="checkbox"
              checked={members.has(name)}
              onChange={(event) => {
                const next = new Set(members);
                if (event.target.checked) next.add(name);
                else next.delete(name);
                setMembers(next);
              }}
            />
            <span className="mono">{name}</span>
          </label>
        ))}
      </fieldset>
      <label className="flex items-center gap-2">
        called
        <input
          className="rounded-sm border border-edge bg-sheet px-2 py-0.5"
          value={title}
          onChange={(event) => setTitle(event.target.value)}
        />
      </label>
      <Button
        aria-disabled={members.size === 0 || title.trim() === ''}
        onClick={() => {
          if (members.size > 0 && title.trim() !== '') make();
        }}
      >
        Make a group
      </Button>
    </section>
  );
}

/** Every object with members in the kit's forms. */
function objectsOf(kit: Kit): { id: string; words: string; form: string; at: string; members: string[] }[] {
  const find = (schema: unknown, at: string): { at: string; members: string[] }[] => {
    if (!isObject(schema)) return [];
    const properties = isObject(schema['properties']) ? schema['properties'] : {};
    const members = Object.keys(properties);
    return [
      ...(members.length > 0 ? [{ at, members }] : []),
      ...members.flatMap((name) => find(properties[name], joinPointer(`${at}/properties`, name))),
    ];
  };
  return Object.entries(kit.forms).flatMap(([form, { title, schema }]) =>
    find(schema, '').map(({ at, members }) => ({
      id: `${form}#${at}`,
      words: at === '' ? title : `${title} ${at.replaceAll('/properties', '')}`,
      form,
      at,
      members,
    })),
  );
}
