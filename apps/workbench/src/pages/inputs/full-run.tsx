import { componentsBeside, foreignInputs, type AdapterDescription, type CheckVerdict } from '@poietra/core';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { proofLine } from '../../sandbox/checked.js';
import { askLines } from '../../store/ask.js';

interface Props {
  /** As it is when the run begins. */
  readonly adapter: AdapterDescription;
  onVerdicts(verdicts: readonly CheckVerdict[]): void;
  /** With the browser that it was proved in. */
  onEnd(verdicts: readonly CheckVerdict[], of: AdapterDescription, browser: string): void;
  onFailed(message: string): void;
}

/** One run of the contract in full depth, in a browser that the server drives; taken away, it stops. */
export function FullRun({ adapter, onVerdicts, onEnd, onFailed }: Props): ReactNode {
  const [of] = useState(adapter);
  const handlers = useRef({ onVerdicts, onEnd, onFailed });
  useEffect(() => {
    handlers.current = { onVerdicts, onEnd, onFailed };
  });
  useEffect(() => {
    const stop = new AbortController();
    const verdicts: CheckVerdict[] = [];
    let browser: string | undefined;
    const hear = (line: unknown): void => {
      const read = proofLine.safeParse(line);
      if (!read.success) return;
      if ('browser' in read.data) browser = read.data.browser;
      else {
        verdicts.push(read.data);
        handlers.current.onVerdicts([...verdicts]);
      }
    };
    const wanted = { adapter: of, inputs: foreignInputs(of), wrappers: componentsBeside(of) };
    askLines('/api/prove', wanted, hear, stop.signal).then(
      () => {
        if (stop.signal.aborted) return;
        if (browser === undefined) handlers.current.onFailed('The server stopped before the proof came to its end.');
        else handlers.current.onEnd(verdicts, of, browser);
      },
      (error: unknown) => {
        if (!stop.signal.aborted) handlers.current.onFailed(error instanceof Error ? error.message : String(error));
      },
    );
    return () => stop.abort();
  }, [of]);
  return null;
}
