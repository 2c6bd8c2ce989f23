import { nativeAdapters, putTogether, type AdapterDescription, type PartUse } from '@poietra/core';
import { useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { Button } from '../../parts/button.js';
import { freeName } from '@poietra/core';
import { useKit } from '../../store/kit.js';

interface Row {
  readonly id: number;
  readonly adapter: string;
  readonly label: string;
}
const nativeNames = ['number', 'text', 'date', 'time', 'checkbox', 'range'];

/** Several inputs put together, so that they act as one value. */
export function Component(): ReactNode {
  const { kit, edit } = useKit();
  const navigate = useNavigate();
  const [rows, setRows] = useState<readonly Row[]>([
    { id: 0, adapter: 'native:number', label: 'Latitude' },
    { id: 1, adapter: 'native:number', label: 'Longitude' },
  ]);
  const [trouble, setTrouble] = useState<string>();
  const known: Record<string, AdapterDescription> = Object.fromEntries([
    ...nativeNames.flatMap((name) => {
      const adapter = nativeAdapters[name];
      return adapter ? [[`native:${name}`, adapter] as const] : [];
    }),
    ...Object.entries(kit.adapters).filter(([, { parts, choices }]) => !parts && !choices),
  ]);
  const change = (id: number, next: Partial<Row>): void =>
    setRows((before) => before.map((row) => (row.id === id ? { ...row, ...next } : row)));
  const make = (): void => {
    const bad = rows.findIndex(({ label }) => label.trim() === '');
    if (bad >= 0) {
      setTrouble(`Part ${bad + 1} has no label: it is how a person tells it from the others.`);
      return;
    }
    const names: Record<string, true> = {};
    const parts = rows.flatMap(({ adapter, label }): PartUse[] => {
      const use = known[adapter];
      const stem = label
        .trim()
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^[^a-z]+|-$/g, '');
      const name = freeName(stem === '' ? 'part' : stem, names);
      names[name] = true;
      return use ? [{ name, label: label.trim(), use }] : [];
    });
    const name = freeName(
      parts
        .map((part) => part.name)
        .join('-')
        .slice(0, 50),
      kit.adapters,
    );
    const adapter = putTogether(parts);
    edit(`Put together ${adapter.title ?? name}`, { [`/adapters/${name}`]: adapter });
    void navigate(`/adapters/${name}`);
  };
  return (
    <section aria-labelledby="together" className="grid max-w-2xl gap-3 p-4">
      <h2 id="together" className="text-[16px]">
        Several inputs as one value
      </h2>
      <p className="text-ink-2">
        A position of two numbers, a time of hour and minute: the parts are shown side by side with one label around
        them. A codec of the kind “Parts of one text” makes one value of what they report. The same contract proves
        them.
      </p>
      <ol aria-label="Parts" className="grid gap-2">
        {rows.map((row, i) => (
          <li key={row.id} className="flex flex-wrap items-end gap-2">
            <label className="grid text-[13px]">
              Label of part {i + 1}
              <input
                className="rounded-sm border border-edge bg-sheet px-2 py-1"
                value={row.label}
                onChange={(event) => change(row.id, { label: event.target.value })}
              />
            </label>
            <label className="grid text-[13px]">
              Adapter of part {i + 1}
              <select
                className="rounded-sm border border-edge bg-sheet px-2 py-1.5"
                value={row.adapter}
                onChange={(event) => change(row.id, { adapter: event.target.value })}
              >
                {Object.keys(known).map((name) => (
                  <option key={name}>{name}</option>
                ))}
              </select>
            </label>
            {rows.length > 2 && (
              <Button
                look="quiet"
                aria-label={`Remove part ${i + 1}`}
                onClick={() => setRows((before) => before.filter(({ id }) => id !== row.id))}
              >
                Remove
              </Button>
            )}
          </li>
        ))}
      </ol>
      <div className="flex gap-2">
        <Button
          aria-disabled={rows.length >= 12}
          onClick={() =>
            rows.length < 12 &&
            setRows((before) => [
              ...before,
              { id: Math.max(...before.map(({ id }) => id)) + 1, adapter: 'native:text', label: '' },
            ])
          }
        >
          Add a part
        </Button>
        <Button look="main" onClick={make}>
          Put together
        </Button>
      </div>
      {trouble !== undefined && (
        <p role="alert" className="text-fail">
          {trouble}
        </p>
      )}
    </section>
  );
}
