import { freeName, groupUri, type GroupDescription } from '@poietra/core';
import { PlusIcon } from '@phosphor-icons/react';
import { useState, type ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import { Board, type Column } from '../../parts/board.js';
import { Button } from '../../parts/button.js';
import { RemovePart } from '../../parts/remove-part.js';
import { Toggle } from '../../parts/toggle.js';
import { UsedTimes } from '../../parts/used-times.js';
import { useKit } from '../../store/kit.js';
import { useGroupEdits } from '../../store/group-edits.js';
import { Sketch } from '../forms/sketch.js';
import { TakeOut } from './take-out.js';

interface Row {
  readonly id: string;
  readonly group: GroupDescription;
}

/** The kit's groups: a small drawing of each, and how often it is used. */
export function Component(): ReactNode {
  const { kit, edit } = useKit();
  const navigate = useNavigate();
  const [takesOut, setTakesOut] = useState(false);
  const add = (): void => {
    const name = freeName('note', kit.groups);
    edit(`Add the group ${name}`, {
      [`/groups/${name}`]: {
        title: 'Note',
        schema: { title: 'Note', type: 'object', properties: { note: { title: 'Note', type: 'string' } } },
      },
    });
    void navigate(`/groups/${name}`);
  };
  return (
    <Board
      name="Groups"
      rows={Object.entries(kit.groups).map(([id, group]): Row => ({ id, group }))}
      columns={columns}
      idOf={({ id }) => id}
      titleOf={({ group }) => group.title}
      to={({ id }) => `/groups/${encodeURIComponent(id)}`}
      words={({ id, group }) => `${id} ${group.title}`}
      actions={
        <>
          <Button onClick={add}>
            <PlusIcon size={16} aria-hidden="true" />
            New group
          </Button>
          {Object.keys(kit.forms).length > 0 && (
            <Toggle isOn={takesOut} onChange={() => setTakesOut(!takesOut)}>
              Of a form’s fields …
            </Toggle>
          )}
          <Link to="/map">Map</Link>
        </>
      }
      rowActions={({ id }) => <RemovePart kind="groups" name={id} />}
      example="group"
      teach={
        <p>
          Fields that belong together, described once and used in several places. A change to a group reaches every form
          that uses it.
        </p>
      }
    >
      {takesOut && (
        <div className="border-t border-hairline bg-sheet px-4 py-2">
          <TakeOut />
        </div>
      )}
    </Board>
  );
}

const columns: readonly Column<Row>[] = [
  {
    name: 'Group',
    width: 'minmax(0,2fr)',
    cell: ({ id }) => <Waits name={id} />,
    by: ({ group }) => group.title,
  },
  {
    name: 'Drawn small',
    width: 'minmax(0,2fr)',
    cell: ({ group }) => <Sketch schema={group.schema} />,
  },
  { name: 'Used by', width: 'minmax(0,2fr)', cell: ({ id }) => <code>{groupUri(id)}</code>, by: ({ id }) => id },
  { name: 'Used', width: '110px', cell: ({ id }) => <UsedTimes kind="groups" name={id} /> },
];

function Waits({ name }: { readonly name: string }): ReactNode {
  const waits = useGroupEdits(({ edits }) => edits[name] !== undefined);
  return waits && <span className="text-[13px] text-warn">an edit waits</span>;
}
