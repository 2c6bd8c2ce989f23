import { PlusIcon } from '@phosphor-icons/react';
import type { ReactNode } from 'react';
import { NavLink, useParams } from 'react-router';
import { Button } from './button.js';
import { Empty } from './states.js';

interface Row {
  readonly id: string;
  readonly title: string;
  readonly note?: ReactNode;
}
interface Props {
  readonly name: string;
  readonly path: string;
  readonly rows: readonly Row[];
  readonly teach: ReactNode;
  /** What the plus beside the heading does. */
  onAdd(): void;
  readonly children: ReactNode;
}

/** A list of the kit's things beside the one that is open. */
export function TwoPanes({ name, path, rows, teach, onAdd, children }: Props): ReactNode {
  const params = useParams();
  const isOpen = params['name'] !== undefined;
  return (
    <div className="grid h-full grid-cols-1 md:grid-cols-[220px_minmax(0,1fr)]">
      <nav aria-label={name} className="overflow-auto border-b border-hairline p-2 md:border-r md:border-b-0">
        <div className="flex items-center justify-between px-2 py-1">
          <h1>{name}</h1>
          <Button look="quiet" onClick={onAdd} aria-label={`Add to the ${name.toLowerCase()}`}>
            <PlusIcon size={16} aria-hidden="true" />
          </Button>
        </div>
        <ul>
          {rows.map(({ id, title, note }) => (
            <li key={id}>
              <NavLink
                to={`${path}/${encodeURIComponent(id)}`}
                className={({ isActive }) =>
                  `block rounded-sm px-2 py-1.5 no-underline hover:bg-mark ${isActive ? 'bg-mark font-semibold' : ''}`
                }
              >
                <span className="block">{title}</span>
                {note !== undefined && <span className="block text-[13px] font-normal text-ink-2">{note}</span>}
              </NavLink>
            </li>
          ))}
        </ul>
      </nav>
      <div className="min-h-0 overflow-auto">
        {isOpen ? (
          children
        ) : (
          <Empty title={rows.length === 0 ? `No ${name.toLowerCase()} yet` : `Choose one of the ${name.toLowerCase()}`}>
            {teach}
          </Empty>
        )}
      </div>
    </div>
  );
}
