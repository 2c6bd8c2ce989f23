import { groupEffects, isObject, type GroupEffect } from '@poietra/core';
import { useEffect, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { Button } from '../../parts/button.js';
import { Verdict } from '../../parts/verdict.js';
import { ask } from '../../store/ask.js';
import { useKit } from '../../store/kit.js';

type Records = Readonly<Record<string, Readonly<Record<string, unknown>>>>;

/** What an edit of a group would do to each form that uses it and to what was saved with it, before it is made. */
export function Effects({
  name,
  schema,
  onMake,
  onLeave,
}: {
  readonly name: string;
  readonly schema: unknown;
  onMake(): void;
  onLeave(): void;
}): ReactNode {
  const kit = useKit((state) => state.kit);
  const [records, setRecords] = useState<Records>();
  const [trouble, setTrouble] = useState<string>();
  useEffect(() => {
    let isCurrent = true;
    recordsOf(useKit.getState().kit.forms).then(
      (read) => isCurrent && setRecords(read),
      (error: unknown) => isCurrent && setTrouble(error instanceof Error ? error.message : String(error)),
    );
    return () => {
      isCurrent = false;
    };
  }, []);
  const effects = records && tried(() => groupEffects(kit, name, schema, records));
  return (
    <section aria-label="What it would do" className="grid gap-2 border-l-4 border-held bg-sheet p-3">
      <h2>What it would do</h2>
      {trouble !== undefined && <p className="text-fail">The saved records cannot be looked at: {trouble}</p>}
      {!records && trouble === undefined && <p className="text-ink-2">Looking at the saved records …</p>}
      {typeof effects === 'string' && <p className="text-fail">{effects}</p>}
      {Array.isArray(effects) && effects.length === 0 && <p className="text-ink-2">No form uses it yet.</p>}
      {Array.isArray(effects) &&
        effects.map(({ form, title, fitting, broken }) => (
          <div key={form}>
            <Link to={`/forms/${form}`}>{title}</Link>
            {': '}
            {broken.length === 0 ? (
              <Verdict kind="pass">
                {fitting === 0 ? 'no saved records' : `all ${fitting} saved records still fit`}
              </Verdict>
            ) : (
              <>
                <Verdict kind="fail">{`${broken.length} of ${broken.length + fitting} saved records would not fit any more`}</Verdict>
                <ul className="list-disc pl-6 text-[13px]">
                  {broken.slice(0, 5).map(({ record, at, message }) => (
                    <li key={record}>
                      <Link to={`/forms/${form}/${encodeURIComponent(record)}`} className="mono">
                        {record}
                      </Link>{' '}
                      <span className="mono text-ink-2">{at}</span> {message}
                    </li>
                  ))}
                </ul>
              </>
            )}
          </div>
        ))}
      <p className="flex gap-2">
        <Button look="main" onClick={onMake}>
          Make the change
        </Button>
        <Button onClick={onLeave}>Leave it as it was</Button>
      </p>
    </section>
  );
}

/** The saved records of all forms that have an address, by their key. */
async function recordsOf(
  forms: Readonly<Record<string, { readonly send?: { readonly path: string; readonly key: string } }>>,
): Promise<Records> {
  const entries = await Promise.all(
    Object.entries(forms).map(async ([name, { send }]) => {
      const list = send ? await ask(send.path) : [];
      const own = (Array.isArray(list) ? (list as unknown[]) : []).filter(isObject);
      return [name, Object.fromEntries(own.map((record) => [String(record[send?.key ?? '']), record]))] as const;
    }),
  );
  return Object.fromEntries(entries);
}

function tried(work: () => GroupEffect[]): GroupEffect[] | string {
  try {
    return work();
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
}
