import { writeKit, type Kit, type KitProblem, type KitReading } from '@poietra/core';
import { wrap } from 'comlink';
import { useRef, useState, type ReactNode } from 'react';
import { Button } from '../../parts/button.js';
import { Busy } from '../../parts/states.js';
import { saveFile } from '../../parts/save-file.js';
import { demoKit, useKit } from '../../store/kit.js';
import { useView } from '../../store/view.js';
import type { KitRead } from '../../workers/kit-read-worker.js';

/** The kit as one file: out, in, and back to the demo. Nothing is overwritten without a word. */
export function Component(): ReactNode {
  const { kit, history, position, replace } = useKit();
  const say = useView((view) => view.say);
  const [problems, setProblems] = useState<readonly KitProblem[]>([]);
  const [waiting, setWaiting] = useState<{ readonly kit: Kit; readonly from: string }>();
  const [isReading, setReading] = useState(false);
  const picker = useRef<HTMLInputElement>(null);
  const read = async (file: File | undefined): Promise<void> => {
    setWaiting(undefined);
    setProblems([]);
    if (!file) return;
    setReading(true);
    const reading = await readInWorker(await file.text());
    setReading(false);
    if (reading.ok) setWaiting({ kit: reading.kit, from: file.name });
    else setProblems(reading.problems);
  };
  const take = async (): Promise<void> => {
    if (!waiting) return;
    await replace(waiting.kit);
    say(`The kit “${waiting.kit.name}” is open.`);
    setWaiting(undefined);
  };
  const counts = (of: Kit): string =>
    (['inputs', 'adapters', 'codecs', 'fields', 'groups', 'forms'] as const)
      .map((part) => `${Object.keys(of[part]).length} ${part}`)
      .join(', ');
  return (
    <div className="grid max-w-3xl content-start gap-4 p-4">
      <div>
        <h1>Kit: {kit.name}</h1>
        <p className="text-ink-2">{counts(kit)}. It is stored in this browser with every change.</p>
      </div>
      <div className="flex flex-wrap gap-2">
        <Button
          look="main"
          onClick={() =>
            saveFile(
              `${kit.name.toLowerCase().replace(/[^a-z0-9]+/g, '-') || 'kit'}.poietra.json`,
              writeKit(kit),
              'application/json',
            )
          }
        >
          Export the kit file
        </Button>
        <Button onClick={() => picker.current?.click()}>Import a kit file …</Button>
        <input
          ref={picker}
          type="file"
          accept=".json,application/json"
          className="sr-only"
          tabIndex={-1}
          aria-label="Kit file"
          onChange={(event) => {
            void read(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
        <Button
          onClick={() => {
            demoKit().then(
              (demo) => setWaiting({ kit: demo, from: 'the demo that comes with Poietra' }),
              (error: unknown) =>
                setProblems([{ at: '', message: error instanceof Error ? error.message : String(error) }]),
            );
          }}
        >
          Begin again with the demo kit …
        </Button>
      </div>
      {isReading && <Busy>Reading the file …</Busy>}
      {problems.length > 0 && (
        <section role="alert" className="border-l-4 border-fail bg-sheet p-3">
          <h2 className="text-fail">The file was not taken; the kit is as it was</h2>
          <ul className="mt-1 grid gap-1">
            {problems.slice(0, 20).map(({ at, message, line }) => (
              <li key={`${at} ${message}`}>
                {line === undefined && <code className="mr-2">{at === '' ? 'the file' : at}</code>}
                {message}
              </li>
            ))}
          </ul>
        </section>
      )}
      {waiting && (
        <section className="border-l-4 border-warn bg-sheet p-3" aria-label="Take the kit?">
          <h2>
            Open “{waiting.kit.name}” from {waiting.from}?
          </h2>
          <p>
            It has {counts(waiting.kit)}. It takes the place of the kit that is open now, with its {position}{' '}
            {position === 1 ? 'step' : 'steps'} that can be undone. Export that first if you want to keep it.
          </p>
          <div className="mt-2 flex gap-2">
            <Button look="main" onClick={() => void take()}>
              Open it
            </Button>
            <Button onClick={() => setWaiting(undefined)}>Leave everything as it is</Button>
          </div>
        </section>
      )}
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
    </div>
  );
}

async function readInWorker(text: string): Promise<KitReading> {
  const worker = new Worker(new URL('../../workers/kit-read-worker.ts', import.meta.url), { type: 'module' });
  try {
    return await wrap<KitRead>(worker).read(text);
  } catch (error) {
    return { ok: false, problems: [{ at: '', message: error instanceof Error ? error.message : String(error) }] };
  } finally {
    worker.terminate();
  }
}
