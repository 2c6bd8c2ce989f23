import { stepWords, type Step } from '@poietra/core';
import { scaleLinear } from 'd3-scale';
import { useMemo, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { Button } from '../../parts/button.js';
import { DescribedTree } from '../../parts/described-tree.js';
import type { TapeEntry } from './use-stand.js';

const looks: Readonly<
  Record<TapeEntry['kind'], { readonly sign: string; readonly words: string; readonly look: string }>
> = {
  report: { sign: '○', words: 'report', look: 'text-ink-2' },
  change: { sign: '●', words: 'change', look: 'text-held' },
  pushed: { sign: '▽', words: 'pushed in', look: 'text-shown' },
  gesture: { sign: '◇', words: 'gesture', look: 'text-sent' },
  warning: { sign: '!', words: 'warning', look: 'text-warn font-bold' },
};

/** What happened, on a line of time: each mark is what was told, done or pushed in, and unfolds below. */
export function Tape({ entries, onClear }: { readonly entries: readonly TapeEntry[]; onClear(): void }): ReactNode {
  const [chosen, setChosen] = useState<number>();
  const marks = useRef<HTMLDivElement>(null);
  // The newest comes first in what is told; on the line time runs from left to right.
  const inTime = useMemo(() => [...entries].reverse(), [entries]);
  const last = inTime.at(-1);
  // Of all that was told, the last change is what one looks for.
  const shown = inTime.find(({ id }) => id === chosen) ?? inTime.findLast(({ kind }) => kind === 'change') ?? last;
  const scale = useMemo(
    () => scaleLinear([inTime[0]?.time ?? 0, Math.max((inTime[0]?.time ?? 0) + 1000, last?.time ?? 0)], [1, 99]),
    [inTime, last],
  );
  const move = (event: KeyboardEvent): void => {
    const step = { ArrowLeft: -1, ArrowRight: 1, Home: -Infinity, End: Infinity }[event.key];
    if (step === undefined || !shown) return;
    event.preventDefault();
    const index = Math.min(Math.max(inTime.indexOf(shown) + step, 0), inTime.length - 1);
    setChosen(inTime[index]?.id);
    marks.current?.querySelectorAll('button')[index]?.focus();
  };
  return (
    <section aria-label="Tape" className="border-t border-hairline px-4 py-1.5 text-[13px]">
      <header className="flex items-center gap-3">
        <h2>
          Tape <span className="mono font-normal text-ink-2">{entries.length}</span>
        </h2>
        <span aria-hidden="true" className="flex gap-3 text-ink-2">
          {Object.values(looks).map(({ sign, words, look }) => (
            <span key={words}>
              <span className={look}>{sign}</span> {words}
            </span>
          ))}
        </span>
        {entries.length > 0 && (
          <Button look="quiet" className="ml-auto" onClick={onClear}>
            Clear
          </Button>
        )}
      </header>
      {!shown ? (
        <p className="pb-1 text-ink-2">
          Nothing yet. Use the input above: every callback and event comes to stand here, with its arguments.
        </p>
      ) : (
        <>
          <div
            ref={marks}
            role="toolbar"
            aria-label="Marks in the order of time"
            className="relative h-7 border-b border-edge"
            onKeyDown={move}
          >
            {scale.ticks(8).map((tick) => (
              <span
                key={tick}
                aria-hidden="true"
                className="mono absolute bottom-0 -translate-x-1/2 border-l border-hairline pl-0.5 text-[11px] text-ink-2"
                style={{ left: `${scale(tick)}%` }}
              >
                {(tick / 1000).toFixed(1)}
              </span>
            ))}
            {inTime.map((entry) => (
              <button
                key={entry.id}
                type="button"
                tabIndex={entry === shown ? 0 : -1}
                aria-pressed={entry === shown}
                aria-label={`${looks[entry.kind].words} ${nameOf(entry)}, at ${(entry.time / 1000).toFixed(2)} seconds`}
                className={`absolute top-0 size-6 -translate-x-1/2 rounded-sm leading-none ${looks[entry.kind].look} ${entry === shown ? 'bg-mark' : ''}`}
                style={{ left: `${scale(entry.time)}%` }}
                onClick={() => setChosen(entry.id)}
              >
                {looks[entry.kind].sign}
              </button>
            ))}
          </div>
          <Unfolded entry={shown} />
        </>
      )}
    </section>
  );
}

function nameOf(entry: TapeEntry): string {
  switch (entry.kind) {
    case 'report':
    case 'change':
      return entry.name;
    case 'pushed':
      return entry.value.text;
    case 'gesture':
      return wordsOf(entry.step);
    case 'warning':
      return entry.text.slice(0, 60);
  }
}

const wordsOf = (step: Step | undefined): string => (step ? stepWords(step) : 'replayed');

/** One entry of the tape with all that it holds. */
function Unfolded({ entry }: { readonly entry: TapeEntry }): ReactNode {
  return (
    <div aria-live="polite" className="max-h-40 overflow-auto py-1" role="group" aria-label="Unfolded" tabIndex={0}>
      <p className="flex gap-3">
        <b className={`mono ${looks[entry.kind].look}`}>{nameOf(entry)}</b>
        <span className="mono text-ink-2">{(entry.time / 1000).toFixed(2)} s</span>
        <span className="text-ink-2">{looks[entry.kind].words}</span>
      </p>
      {(entry.kind === 'report' || entry.kind === 'change') && (
        <>
          {entry.args.length === 0 && <span className="text-ink-2">no arguments</span>}
          {entry.args.map((arg, i) => (
            <DescribedTree key={i} name={String(i + 1)} value={arg} />
          ))}
        </>
      )}
      {entry.kind === 'pushed' && <DescribedTree value={entry.value} />}
      {entry.kind === 'warning' && <p className="whitespace-pre-wrap">{entry.text}</p>}
    </div>
  );
}
