import { isObject, type FormDescription } from '@poietra/core';
import { useEffect, useState, type ReactNode } from 'react';
import { NavLink } from 'react-router';
import { ask } from '../../store/ask.js';
import { followDrafts } from '../../store/drafts.js';

interface Props {
  readonly name: string;
  readonly form: FormDescription;
  readonly current: string | undefined;
  /** Grows when something was saved. */
  readonly stamp: number;
  /** What stands below them. */
  readonly children: ReactNode;
}

/** The records of a form, each with an address of its own. */
export function Records({ name, form, current, stamp, children }: Props): ReactNode {
  const [keys, setKeys] = useState<readonly string[]>([]);
  const [trouble, setTrouble] = useState<string>();
  const [drafts, setDrafts] = useState<readonly string[]>([]);
  useEffect(() => followDrafts(name, setDrafts), [name]);
  const path = form.send?.path;
  const key = form.send?.key;
  useEffect(() => {
    if (path === undefined || key === undefined) return undefined;
    let isCurrent = true;
    ask(path).then(
      (answer) => {
        if (!isCurrent) return;
        const records = Array.isArray(answer) ? (answer as unknown[]) : [];
        setKeys(
          records.flatMap((record) => (isObject(record) && record[key] !== undefined ? [String(record[key])] : [])),
        );
        setTrouble(undefined);
      },
      (error: unknown) => isCurrent && setTrouble(error instanceof Error ? error.message : String(error)),
    );
    return () => {
      isCurrent = false;
    };
  }, [path, key, stamp]);
  const look = ({ isActive }: { readonly isActive: boolean }): string =>
    `block rounded-sm px-2 py-1 no-underline hover:bg-mark ${isActive ? 'bg-mark font-semibold' : ''}`;
  return (
    <nav aria-label="Records" className="max-h-32 overflow-auto p-2 lg:max-h-none">
      <h2 className="px-2">Records</h2>
      <NavLink to={`/forms/${name}`} end className={look}>
        New{drafts.includes('new') && <DraftMark />}
      </NavLink>
      {form.send === undefined && (
        <p className="px-2 text-[13px] text-ink-2">The form has no address; its records are kept nowhere.</p>
      )}
      {trouble !== undefined && <p className="px-2 text-[13px] text-fail">{trouble}</p>}
      <ul>
        {keys.map((one) => (
          <li key={one}>
            <NavLink
              to={`/forms/${name}/${encodeURIComponent(one)}`}
              className={look}
              aria-current={one === current ? 'page' : undefined}
            >
              <span className="mono">{one}</span>
              {drafts.includes(one) && <DraftMark />}
            </NavLink>
          </li>
        ))}
      </ul>
      {children}
    </nav>
  );
}

/** Something was changed there and not sent; it is kept until it is sent or taken back. */
function DraftMark(): ReactNode {
  return <span className="ml-1 text-[12px] text-warn">draft</span>;
}
