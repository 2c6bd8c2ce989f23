import { isObject, type FormDescription } from '@poietra/core';
import { useEffect, useState, type ReactNode } from 'react';
import { useLocation } from 'react-router';
import { pathOf } from '../../parts/kit-part.js';
import { Neighbours } from '../../parts/neighbours.js';
import { ask, recordsAddress } from '../../store/ask.js';
import { followDrafts } from '../../store/drafts.js';
import { useKit } from '../../store/kit.js';

interface Props {
  readonly name: string;
  readonly form: FormDescription;
  readonly current: string | undefined;
  /** Grows when something was saved. */
  readonly stamp: number;
}

/** The way from one record of the form to another; each has an address of its own. */
export function Records({ name, form, current, stamp }: Props): ReactNode {
  const [keys, setKeys] = useState<readonly string[]>([]);
  const [trouble, setTrouble] = useState<string>();
  const [drafts, setDrafts] = useState<readonly string[]>([]);
  const kitId = useKit(({ id }) => id);
  useEffect(() => followDrafts(`${kitId}/${name}`, setDrafts), [kitId, name]);
  const path = recordsAddress(form.send);
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
  const base = pathOf('forms', name);
  // The texts and the width that one sees stay, whichever record is open.
  const { search } = useLocation();
  const note = (record: string): ReactNode => drafts.includes(record) && <DraftMark />;
  const words =
    path === undefined
      ? 'The form has no address that the workbench asks; its records are kept nowhere.'
      : (trouble ?? `${keys.length === 1 ? 'One record' : `${keys.length} records`} at ${path}`);
  return (
    <span className="flex items-center gap-1" title={words}>
      <Neighbours
        what={current === undefined ? 'A new record' : `Record ${current}`}
        current={current ?? newId}
        things={[
          { id: newId, title: 'New', to: `${base}${search}`, note: note('new') },
          ...keys.map((key) => ({
            id: key,
            title: key,
            to: `${base}/${encodeURIComponent(key)}${search}`,
            note: note(key),
          })),
        ]}
      />
      {trouble !== undefined && <span className="text-[13px] text-fail">{trouble}</span>}
      {drafts.some((one) => one !== (current ?? 'new')) && <DraftMark />}
    </span>
  );
}

/** No key of a record: those come from answers, and none begins with a blank. */
const newId = ' new';

/** Something was changed there and not sent; it is kept until it is sent or taken back. */
function DraftMark(): ReactNode {
  return <span className="ml-1 text-[12px] text-warn">draft</span>;
}
