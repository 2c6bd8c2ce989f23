import { writeKit, type Kit } from '@poietra/core';
import { useEffect, useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { Button } from '../../parts/button.js';
import { saveFile } from '../../parts/save-file.js';
import { SlotText } from '../../parts/slot.js';
import type { KeptCopy } from '../../store/database.js';
import { clearKits, copiesOf, daysKept, followKits, nameKit, putAway, type ListedKit } from '../../store/kits.js';
import { demoKit, emptyKit, makeKit, switchTo, useKit } from '../../store/kit.js';
import { useView } from '../../store/view.js';
import { isCalm } from '../../frame/calm.js';
import { CalmParts } from './calm-parts.js';
import { FileInStep } from './file-in-step.js';
import { Hosts } from './hosts.js';
import { ImportKit } from './import-kit.js';

/** The kits of this browser, and what can be done with the one that is open. Nothing is ever overwritten. */
export function Component(): ReactNode {
  const { id, kit } = useKit();
  const say = useView((view) => view.say);
  const navigate = useNavigate();
  const [kits, setKits] = useState<readonly ListedKit[]>([]);
  useEffect(() => followKits(setKits), []);
  const attempt = (work: Promise<unknown>): void =>
    void work.catch((error: unknown) => say(error instanceof Error ? error.message : String(error)));
  const living = kits.filter(({ removed }) => removed === undefined);
  const away = kits.filter(({ removed }) => removed !== undefined);
  const remove = async (gone: ListedKit): Promise<void> => {
    await putAway(gone.id, true);
    const next = living.find((one) => one.id !== gone.id);
    if (gone.id === id) await (next ? switchTo(next.id) : makeKit(emptyKit('New kit')));
    say(`“${gone.name}” is put away. It can be had back below, for ${daysKept} days.`);
  };
  return (
    <div className="grid max-w-4xl content-start gap-5 p-4">
      <section className="grid gap-2" aria-label="Kits">
        <div className="flex flex-wrap items-center gap-2">
          <h1>Kits</h1>
          <Button
            onClick={() => attempt(makeKit(emptyKit(freeTitle('New kit', kits))).then(() => void navigate('/begin')))}
          >
            New kit
          </Button>
          <ImportKit onTake={(taken) => makeKit({ ...taken, name: freeTitle(taken.name, kits) })} />
          <Button
            onClick={() => attempt(demoKit().then((demo) => makeKit({ ...demo, name: freeTitle(demo.name, kits) })))}
          >
            The demo kit again
          </Button>
        </div>
        <ul className="border-t border-hairline">
          {living.map((one) => (
            <li key={one.id} className="flex flex-wrap items-center gap-x-3 border-b border-hairline py-1">
              <span className={one.id === id ? 'font-semibold' : ''}>
                <SlotText
                  label="Name of the kit"
                  mono={false}
                  look="title"
                  value={one.id === id ? kit.name : one.name}
                  onChange={(name) => {
                    if (name.trim() === '') throw new TypeError('A kit needs a name.');
                    if (one.id === id) useKit.getState().edit(`Name of the kit: ${name}`, { '/name': name.trim() });
                    else attempt(nameKit(one.id, name));
                  }}
                />
              </span>
              <span className="text-[13px] text-ink-2">{counts(one.id === id ? kit : one.kit)}</span>
              <span className="ml-auto flex gap-1">
                {one.id === id ? (
                  <span className="px-2.5 text-held">is open</span>
                ) : (
                  <Button look="quiet" aria-label={`Open ${one.name}`} onClick={() => attempt(switchTo(one.id))}>
                    Open
                  </Button>
                )}
                <Button
                  look="quiet"
                  aria-label={`Copy ${one.name}`}
                  onClick={() =>
                    attempt(
                      makeKit({ ...(one.id === id ? kit : one.kit), name: freeTitle(`Copy of ${one.name}`, kits) }),
                    )
                  }
                >
                  Copy
                </Button>
                <Button
                  look="quiet"
                  aria-label={`Export ${one.name}`}
                  onClick={() => exportKit(one.id === id ? kit : one.kit)}
                >
                  Export
                </Button>
                <Button look="quiet" aria-label={`Delete ${one.name}`} onClick={() => attempt(remove(one))}>
                  Delete
                </Button>
              </span>
            </li>
          ))}
        </ul>
        {away.length > 0 && (
          <details>
            <summary className="min-h-6 cursor-pointer py-0.5">Put away ({away.length})</summary>
            <ul>
              {away.map((one) => (
                <li key={one.id} className="flex items-center gap-3 border-b border-hairline py-1">
                  {one.name}
                  <span className="ml-auto flex gap-1">
                    <Button
                      look="quiet"
                      aria-label={`Put back ${one.name}`}
                      onClick={() => attempt(putAway(one.id, false))}
                    >
                      Put back
                    </Button>
                    <Button
                      look="quiet"
                      aria-label={`Clear ${one.name} for good`}
                      onClick={() => attempt(clearKits(one.id))}
                    >
                      Clear for good
                    </Button>
                  </span>
                </li>
              ))}
            </ul>
          </details>
        )}
      </section>
      {isCalm() && <CalmParts />}
      <FileInStep />
      <Hosts />
      <KeptStates key={id} id={id} />
      <LastSteps />
    </div>
  );
}

const parts = ['inputs', 'adapters', 'codecs', 'fields', 'groups', 'forms'] as const;
function counts(kit: Kit): string {
  const known = parts.filter((part) => Object.keys(kit[part]).length > 0);
  return known.length === 0 ? 'empty' : known.map((part) => counted(Object.keys(kit[part]).length, part)).join(', ');
}

const counted = (count: number, parts: string): string => `${count} ${count === 1 ? parts.slice(0, -1) : parts}`;

function exportKit(kit: Kit): void {
  const name = kit.name.toLowerCase().replace(/[^a-z0-9]+/g, '-') || 'kit';
  saveFile(`${name}.poietra.json`, writeKit(kit), 'application/json');
}

/** A name that no other kit has: two of one name could not be told apart. */
function freeTitle(wanted: string, kits: readonly ListedKit[]): string {
  const taken = new Set(kits.map(({ name }) => name));
  let title = wanted;
  for (let i = 2; taken.has(title); i++) title = `${wanted} ${i}`;
  return title;
}

/** States of some time ago, to go back to in one step that can be undone. */
function KeptStates({ id }: { readonly id: string }): ReactNode {
  const { edit, kit, saved } = useKit();
  const [copies, setCopies] = useState<readonly KeptCopy[]>([]);
  useEffect(() => {
    let isCurrent = true;
    copiesOf(id).then(
      (found) => isCurrent && setCopies(found),
      () => undefined,
    );
    return () => {
      isCurrent = false;
    };
  }, [id, saved]);
  return (
    <section>
      <h2>States of some time ago</h2>
      {copies.length === 0 && (
        <p className="text-ink-2">The last ten are kept, ten minutes apart, from the first change on.</p>
      )}
      <ul>
        {copies.map(({ number, time, kit: was }) => (
          <li key={number} className="flex items-center gap-3 border-b border-hairline py-1">
            <time className="mono" dateTime={new Date(time).toISOString()}>
              {new Date(time).toLocaleString()}
            </time>
            <span className="text-[13px] text-ink-2">{counts(was)}</span>
            <Button
              look="quiet"
              className="ml-auto"
              aria-label={`Back to ${new Date(time).toLocaleString()}`}
              onClick={() =>
                edit(
                  `Back to the state of ${new Date(time).toLocaleString()}`,
                  Object.fromEntries(
                    [...new Set([...Object.keys(kit), ...Object.keys(was)])].map((member) => [
                      `/${member}`,
                      was[member],
                    ]),
                  ),
                )
              }
            >
              Back to it
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function LastSteps(): ReactNode {
  const { history, position } = useKit();
  return (
    <section>
      <h2>Last steps</h2>
      {history.length === 0 ? (
        <p className="text-ink-2">Nothing was changed yet.</p>
      ) : (
        <ol className="border-t border-hairline">
          {history.slice(-30).map((step, i, shown) => {
            const isUndone = history.length - shown.length + i >= position;
            return (
              <li
                key={i}
                className={`flex justify-between border-b border-hairline py-1 ${isUndone ? 'text-ink-2 line-through' : ''}`}
              >
                <span>{step.label}</span>
                <time className="mono text-ink-2" dateTime={new Date(step.time).toISOString()}>
                  {new Date(step.time).toLocaleTimeString()}
                </time>
              </li>
            );
          })}
        </ol>
      )}
    </section>
  );
}
