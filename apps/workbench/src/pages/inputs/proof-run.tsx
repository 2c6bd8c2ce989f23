import {
  componentsBeside,
  contract,
  foreignInputs,
  quietChecks,
  type AdapterDescription,
  type CheckId,
  type CheckVerdict,
} from '@poietra/core';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { ProverFrame } from '../../parts/frames.js';

export const checkIds: readonly CheckId[] = contract.map(({ id }) => id);
/** Two stands side by side: in one, things are pressed and focused; a page has one focus, so the other leaves it alone. */
const shares = [false, true].map((quiet) => checkIds.filter((id) => quietChecks.has(id) === quiet || id === 'silent'));

interface Props {
  /** As it is when the run begins: the verdicts speak of this one, whatever is edited meanwhile. */
  readonly adapter: AdapterDescription;
  /** All verdicts so far, whenever there is another. */
  onVerdicts(verdicts: readonly CheckVerdict[]): void;
  onEnd(verdicts: readonly CheckVerdict[], of: AdapterDescription): void;
}

/** One run of the contract, from its mount to its end; taken away, it stops. Another run is another key. */
export function ProofRun({ adapter, onVerdicts, onEnd }: Props): ReactNode {
  const [of] = useState(adapter);
  const [prepared, setPrepared] = useState(of.gesture !== undefined && of.samples !== undefined ? of : undefined);
  /** The shares that have come to their end: they are not begun anew when the other waited for somebody who wrote. */
  const [ended, setEnded] = useState<ReadonlySet<number>>(new Set());
  const verdicts = useRef(new Map<CheckId, CheckVerdict>());
  const handlers = useRef({ onVerdicts, onEnd });
  useEffect(() => {
    handlers.current = { onVerdicts, onEnd };
  });
  const all = (): CheckVerdict[] => checkIds.flatMap((id) => verdicts.current.get(id) ?? []);
  const add = (verdict: CheckVerdict): void => {
    // Both stands watch the console; one warning is enough.
    if (verdicts.current.has(verdict.check) && verdict.state !== 'fail') return;
    verdicts.current.set(verdict.check, verdict);
    handlers.current.onVerdicts(all());
  };
  const endShare = (share: number, lost?: Omit<CheckVerdict, 'check'>, checks: readonly CheckId[] = []): void => {
    for (const check of checks) if (lost && !verdicts.current.has(check)) add({ check, ...lost });
    setEnded((before) => new Set(before).add(share));
  };
  useEffect(() => {
    if (ended.size >= shares.length) handlers.current.onEnd(all(), of);
  }, [ended, of]);
  const frame = { inputs: foreignInputs(of), wrappers: componentsBeside(of) };
  if (!prepared)
    return (
      <ProverFrame
        {...frame}
        title="A gesture is looked for"
        task={{ kind: 'prepare', adapter: of }}
        onMessage={(message) => {
          if (message.kind === 'observed') setPrepared(message.adapter);
          if (message.kind === 'prover failed') setPrepared(of);
        }}
        onLost={() => setPrepared(of)}
      />
    );
  return (
    <div className="grid grid-cols-2 gap-2">
      {shares.map((checks, i) =>
        ended.has(i) ? null : (
          <ProverFrame
            {...frame}
            key={i}
            title={`Stand ${i + 1} at work`}
            task={{ kind: 'prove', adapter: prepared, checks }}
            onMessage={(message) => {
              if (message.kind === 'verdict') add(message.verdict);
              if (message.kind === 'proved') endShare(i);
              if (message.kind === 'prover failed') endShare(i, { state: 'fail', seen: message.message }, checks);
            }}
            onLost={(seen, how) => endShare(i, { state: how === 'silent' ? 'open' : 'fail', seen }, checks)}
          />
        ),
      )}
    </div>
  );
}
