import { componentsOfSkin, freeName, type SkinDescription } from '@poietra/core';
import { useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { Board, type Column } from '../../parts/board.js';
import { Button } from '../../parts/button.js';
import { pathOf } from '../../parts/kit-part.js';
import { RemovePart } from '../../parts/remove-part.js';
import { UsedTimes } from '../../parts/used-times.js';
import { useKit } from '../../store/kit.js';
import { DraftSkin } from './draft-skin.js';
import { componentFrom } from './skin-parts.js';

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
    let wanted: string | undefined;
    try {
      wanted = componentFrom(component);
      if (wanted === undefined)
        throw new TypeError('Name the component that fields are to stand in, as package#Export.');
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : String(error));
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
      words={({ id, skin }) => `${id} ${componentsOfSkin(skin).join(' ')}`}
      actions={
        <>
          <DraftSkin />
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
        </>
      }
      rowActions={({ id }) => <RemovePart kind="skins" name={id} />}
      teach={
        <p>
          “plain” and “compact” are always there. A skin of the kit draws with components of a suite: the box around a
          field, labels, messages, groups, buttons. Choose a package of the project, and a skin is drafted from what is
          seen when its components are drawn; or name a box as <code>package#Export</code>, and say on its page the
          rest.
        </p>
      }
    />
  );
}

const columns: readonly Column<Row>[] = [
  { name: 'Skin', width: 'minmax(0,1fr)', cell: () => null, by: ({ id }) => id },
  {
    name: 'Components',
    width: 'minmax(0,2fr)',
    cell: ({ skin }) => <span className="mono">{componentsOfSkin(skin).join(', ')}</span>,
    by: ({ skin }) => componentsOfSkin(skin).join(', '),
  },
  { name: 'Used', width: '110px', cell: ({ id }) => <UsedTimes kind="skins" name={id} /> },
];
