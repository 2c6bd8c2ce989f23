import { laws, type Case, type CodecDescription } from '@poietra/core';
import { proxy, wrap } from 'comlink';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { Button } from '../../parts/button.js';
import { cellText } from '../../parts/cell-text.js';
import { Verdict } from '../../parts/verdict.js';
import type { LawResult } from '../../workers/law-search.js';
import type { LawWork } from '../../workers/law-worker.js';
import type { RunCode } from './code-frame.js';

const wanted = 20_000;

interface Props {
  readonly codec: CodecDescription;
  /** For codecs that are code: how it is run. */
  readonly run: RunCode | undefined;
  onKeep(row: Case): void;
}

/** Laws that must hold for every value: counterexamples are searched for in a worker, and the smallest is shown. */
export function LawsPanel({ codec, run, onKeep }: Props): ReactNode {
  const [results, setResults] = useState<ReadonlyMap<string, LawResult>>(new Map());
  const [state, setState] = useState<'idle' | 'running' | 'done'>('idle');
  const [trouble, setTrouble] = useState<string>();
  const [took, setTook] = useState<number>();
  const worker = useRef<Worker>(undefined);
  const stopCode = useRef<() => void>(undefined);
  const stop = (): void => {
    stopCode.current?.();
    worker.current?.terminate();
    worker.current = undefined;
    setState('idle');
  };
  useEffect(() => () => worker.current?.terminate(), []);
  // What was found of another codec says nothing about this one.
  useEffect(() => {
    worker.current?.terminate();
    setResults(new Map());
    setState('idle');
  }, [codec]);
  const start = (): void => {
    worker.current?.terminate();
    setResults(new Map());
    setTrouble(undefined);
    setState('running');
    const began = performance.now();
    const seed = Math.floor(Math.random() * 1e6);
    const tell = (result: LawResult): void => setResults((before) => new Map(before).set(result.law, result));
    const done = (): void => {
      setTook((performance.now() - began) / 1000);
      setState('done');
    };
    const fail = (message: string): void => {
      setTrouble(message);
      setState('idle');
    };
    if (codec.kind === 'code') {
      if (!run) fail('The code cannot be run yet.');
      else
        stopCode.current = run({ kind: 'laws', rows: codec.cases ?? [], wanted, seed }, (answer) => {
          if (answer.kind === 'law') tell(answer.result);
          else if (answer.kind === 'done') done();
          else if (answer.kind === 'failed') fail(answer.message);
        });
      return;
    }
    const own = new Worker(new URL('../../workers/law-worker.ts', import.meta.url), { type: 'module' });
    worker.current = own;
    wrap<LawWork>(own)
      .search(codec, wanted, seed, proxy(tell))
      .then(done, (error: unknown) => fail(error instanceof Error ? error.message : String(error)))
      .finally(() => own.terminate());
  };
  const tried = [...results.values()].reduce((sum, result) => sum + result.tried, 0);
  return (
    <section aria-label="Laws" className="grid gap-2">
      <div className="flex flex-wrap items-center gap-3">
        <h2>Laws</h2>
        {state === 'running' ? (
          <>
            <progress aria-label="Values tried" max={wanted * laws.length} value={tried} />
            <Button onClick={stop}>Stop</Button>
          </>
        ) : (
          <Button onClick={start}>Search for counterexamples</Button>
        )}
        <span role="status" className="text-[13px] text-ink-2">
          {tried > 0 && `${tried.toLocaleString('en')} values tried`}
          {state === 'done' && took !== undefined && ` in ${took.toFixed(1)} s`}
        </span>
        {trouble !== undefined && <span className="text-fail">{trouble}</span>}
      </div>
      <ul>
        {laws.map(({ id, says }) => {
          const result = results.get(id);
          const broken = result?.counterexample;
          return (
            <li key={id} className="border-b border-hairline py-1">
              <Verdict kind={broken ? 'fail' : result ? 'pass' : 'unknown'}>{says}</Verdict>
              {broken && (
                <div className="flex flex-wrap items-baseline gap-3 pl-5">
                  <span>
                    <span className="text-shown" aria-hidden="true">
                      ○{' '}
                    </span>
                    <span className="mono">{cellText(broken.shown)}</span>
                  </span>
                  <span className="text-ink-2">{broken.says}</span>
                  <Button
                    onClick={() => onKeep({ shown: broken.shown, note: `Breaks the law: ${says}` })}
                    aria-label={`Keep the counterexample ${cellText(broken.shown)} as a case`}
                  >
                    Keep as a case
                  </Button>
                </div>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
