import type { ReactNode } from 'react';
import { Outlet, useNavigate } from 'react-router';
import { freeName } from '../../parts/names.js';
import { TwoPanes } from '../../parts/two-panes.js';
import { useKit } from '../../store/kit.js';

export function Component(): ReactNode {
  const { kit, edit } = useKit();
  const navigate = useNavigate();
  const add = (): void => {
    const name = freeName('field', kit.fields);
    edit(`Add the field ${name}`, {
      [`/fields/${name}`]: { title: 'New field', adapter: 'native:text', codec: 'text', label: 'New field' },
    });
    void navigate(`/fields/${name}`);
  };
  return (
    <TwoPanes
      name="Fields"
      path="/fields"
      rows={Object.entries(kit.fields).map(([id, { title, adapter, codec }]) => ({
        id,
        title: title ?? id,
        note: `${adapter} · ${codec}`,
      }))}
      teach={
        <p>
          A field is an adapter and a codec with a label, a hint, a required mark and a message, all linked by ids of
          one base for each form on the page.
        </p>
      }
      onAdd={add}
    >
      <Outlet />
    </TwoPanes>
  );
}
