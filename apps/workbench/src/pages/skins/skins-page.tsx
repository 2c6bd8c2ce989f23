import { freeName, type SkinDescription } from '@poietra/core';
import { useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { Board, type Column } from '../../parts/board.js';
import { Button } from '../../parts/button.js';
import { pathOf } from '../../parts/kit-part.js';
import { RemovePart } from '../../parts/remove-part.js';
import { UsedTimes } from '../../parts/used-times.js';
import { useKit } from '../../store/kit.js';

interface Row {
  readonly id: string;
  readonly skin: SkinDescription;
}

/** The kit's skins: fields drawn inside a component of a suite. */
export function Component(): ReactNode {
  const { kit, edit } = useKit();
  const navigate = useNavigate();
  const [component, setComponent] = useState('');
  const [trouble, setTrouble] = useState<string>();
  const add = (): void => {
    const wanted = component.trim();
    if (!/^[^#\s]+#[A-Za-z_$][\w$.]*$/.test(wanted)) {
      setTrouble('Write the component as package#Export: the package must be installed in the project folder.');
      return;
    }
    const name = freeName(wanted.split('#')[1] ?? 'skin', kit.skins ?? {});
    edit(`Add the skin ${name}`, { [`/skins/${name}`]: { component: wanted, label: 'title' } });
    void navigate(pathOf('skins', name));
  };
  return (
    <Board
      name="Skins"
      rows={Object.entries(kit.skins ?? {}).map(([id, skin]): Row => ({ id, skin }))}
      columns={columns}
      idOf={({ id }) => id}
      titleOf={({ id }) => id}
      to={({ id }) => pathOf('skins', id)}
      words={({ id, skin }) => `${id} ${skin.component}`}
      actions={
        <form
          className="flex flex-wrap items-center gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            add();
          }}
        >
          <input
            aria-label="Component of the new skin"
            aria-invalid={trouble !== undefined}
            placeholder="package#Export"
            className="mono w-48 rounded-sm border border-edge bg-sheet px-2 py-0.5"
            value={component}
            onChange={({ target }) => {
              setComponent(target.value);
              setTrouble(undefined);
            }}
          />
          <Button onClick={add}>New skin</Button>
          {trouble !== undefined && (
            <span role="alert" className="text-fail">
              {trouble}
            </span>
          )}
        </form>
      }
      rowActions={({ id }) => <RemovePart kind="skins" name={id} />}
      teach={
        <p>
          “plain” and “compact” are always there. A skin of the kit draws each field inside a component of a suite: name
          one as <code>package#Export</code>, then say which of its properties takes the label, the hint and the
          message.
        </p>
      }
    />
  );
}

const columns: readonly Column<Row>[] = [
  { name: 'Skin', width: 'minmax(0,1fr)', cell: () => null, by: ({ id }) => id },
  {
    name: 'Component',
    width: 'minmax(0,2fr)',
    cell: ({ skin }) => <span className="mono">{skin.component}</span>,
    by: ({ skin }) => skin.component,
  },
  { name: 'Used', width: '110px', cell: ({ id }) => <UsedTimes kind="skins" name={id} /> },
];
