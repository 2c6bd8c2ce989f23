import type { ReactNode } from 'react';
import { Outlet, useNavigate } from 'react-router';
import { freeName } from '../../parts/names.js';
import { TwoPanes } from '../../parts/two-panes.js';
import { useKit } from '../../store/kit.js';
import { TakeOut } from './take-out.js';

export function Component(): ReactNode {
  const { kit, edit } = useKit();
  const navigate = useNavigate();
  const add = (): void => {
    const name = freeName('group', kit.groups);
    edit(`Add the group ${name}`, {
      [`/groups/${name}`]: {
        title: 'New group',
        schema: { title: 'New group', type: 'object', properties: { note: { title: 'Note', type: 'string' } } },
      },
    });
    void navigate(`/groups/${name}`);
  };
  return (
    <TwoPanes
      name="Groups"
      path="/groups"
      rows={Object.entries(kit.groups).map(([id, { title }]) => ({ id, title, note: `urn:poietra:group:${id}` }))}
      teach={
        <>
          <p>
            Fields that belong together, described once and used in several places. A change to a group reaches every
            form that uses it.
          </p>
          <TakeOut />
        </>
      }
      onAdd={add}
    >
      <Outlet />
    </TwoPanes>
  );
}
