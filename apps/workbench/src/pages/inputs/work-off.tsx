import { checkOf, componentsBeside, componentsToTry, fallsShort } from '@poietra/core';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { Button } from '../../parts/button.js';
import { pathOf } from '../../parts/kit-part.js';
import { inputTitle } from '../../parts/names.js';
import { ProverFrame } from '../../parts/frames.js';
import { Verdict } from '../../parts/verdict.js';
import { useKit } from '../../store/kit.js';
import type { Inspected } from '../../store/project.js';
import { useTried } from '../../store/tried.js';
import { useView } from '../../store/view.js';
import { draftChanges, proofChanges } from './input-edits.js';
import { checkIds, ProofRun } from './proof-run.js';
import { trialKey } from './trying.js';

/** An input to be proved; without an adapter it is drafted first. */
export interface Job extends Inspected {
  readonly adapted: string | undefined;
}
/** What came of it: the adapter that was proved, or why there is none. */
interface Done {
  readonly job: Job;
  readonly name?: string;
  readonly trouble?: string;
}

/**
 * Inputs drafted and proved one after the other (a page has one focus, which proving needs), with how far it is, a stop,
 * and at the end a short list of those that need a person. Another list of jobs is another key.
 */
export function WorkOff({ jobs, onClose }: { readonly jobs: readonly Job[]; onClose(): void }): ReactNode {
  const [done, setDone] = useState<readonly Done[]>([]);
  const [isStopped, setStopped] = useState(false);
  const [checks, setChecks] = useState(0);
  const job = isStopped ? undefined : jobs[done.length];
  useToldOnLeaving(done.length, jobs.length, isStopped);
  if (!job) return <Outcome done={done} count={jobs.length} onClose={onClose} />;
  return (
    <section aria-label="Inputs at work" className="grid gap-1 border-t border-hairline px-4 py-2">
      <div className="flex flex-wrap items-center gap-3">
        <progress
          aria-label="Inputs done"
          max={jobs.length * checkIds.length}
          value={done.length * checkIds.length + checks}
        />
        <span role="status">
          {done.length + 1} of {jobs.length}: {inputTitle(job.input)}
        </span>
        <span className="mono text-ink-2">
          {checks} of {checkIds.length} checks
        </span>
        <Button onClick={() => setStopped(true)}>Stop</Button>
      </div>
      <AtWork
        key={job.input.id}
        job={job}
        onChecks={setChecks}
        onDone={(more) => {
          setChecks(0);
          setDone((before) => [...before, { job, ...more }]);
        }}
      />
    </section>
  );
}

function AtWork({
  job: { input, adapter: drafted, adapted },
  onChecks,
  onDone,
}: {
  readonly job: Job;
  onChecks(count: number): void;
  onDone(more: { readonly name?: string; readonly trouble?: string }): void;
}): ReactNode {
  const [name, setName] = useState(adapted);
  const adapter = useKit(({ kit }) => (name === undefined ? undefined : kit.adapters[name]));
  const { keep } = useTried();
  const isOver = useRef(false);
  const end = (more: { readonly name?: string; readonly trouble?: string }): void => {
    if (!isOver.current) onDone(more);
    isOver.current = true;
  };
  const isHopeless = name === undefined ? !drafted : !adapter;
  useEffect(() => {
    if (isHopeless) end({ trouble: 'No pair of value and change was found that it could be drafted from.' });
  });
  if (name !== undefined && adapter)
    return (
      <ProofRun
        adapter={adapter}
        onVerdicts={({ length }) => onChecks(length)}
        onEnd={(verdicts, of) => {
          const { kit, edit } = useKit.getState();
          edit(`Prove ${name}`, proofChanges(kit, name, input, of, verdicts));
          end({ name });
        }}
      />
    );
  if (!drafted) return null;
  const key = trialKey(input, {});
  return (
    <ProverFrame
      title={`${inputTitle(input)} is being tried`}
      inputs={input.family === 'native' ? [] : [input.id]}
      wrappers={[...new Set([...componentsBeside(drafted), ...componentsToTry(input)])]}
      task={{ kind: 'observe', input, adapter: drafted }}
      onMessage={(message) => {
        if (message.kind === 'prover failed') end({ trouble: message.message });
        if (message.kind !== 'observed') return;
        keep(key, message);
        if (message.failed !== undefined) return end({ trouble: message.failed });
        const { kit, edit } = useKit.getState();
        const draft = draftChanges(kit, input, message.adapter);
        edit(`Draft the adapter of ${input.id}`, draft.changes);
        setName(draft.name);
      }}
      onLost={(trouble) => end({ trouble })}
    />
  );
}

/** What passes whole is a number; what needs a person is a list. */
function Outcome({
  done,
  count,
  onClose,
}: {
  readonly done: readonly Done[];
  readonly count: number;
  onClose(): void;
}): ReactNode {
  const proofs = useKit(({ kit }) => kit.proofs);
  const failedOf = ({ name }: Done): readonly string[] =>
    (name === undefined ? [] : (proofs?.[name]?.now.verdicts ?? []))
      .filter(fallsShort)
      .map(({ check, state }) => `${checkOf(check)?.title ?? check}${state === 'open' ? ' (not decided)' : ''}`);
  const open = done.filter((one) => one.trouble !== undefined || failedOf(one).length > 0);
  const whole = done.length - open.length;
  return (
    <section
      aria-label="What came of it"
      className="grid max-h-60 gap-1 overflow-auto border-t border-hairline px-4 py-2"
    >
      <div className="flex flex-wrap items-center gap-3">
        <p role="status" className="flex flex-wrap gap-3">
          {done.length < count && <Verdict kind="warning">{`Stopped after ${done.length} of ${count}`}</Verdict>}
          <Verdict kind="pass">{`${whole} of ${done.length} pass the whole contract`}</Verdict>
          {open.length > 0 && <span>{open.length === 1 ? 'One needs' : `${open.length} need`} a person:</span>}
        </p>
        <Button onClick={onClose}>Put away</Button>
      </div>
      <ul className="grid gap-0.5 text-[13px]">
        {open.map((one) => (
          <li key={one.job.input.id}>
            <Link
              to={
                one.name === undefined
                  ? `/inputs/${encodeURIComponent(one.job.input.id)}`
                  : pathOf('adapters', one.name)
              }
            >
              {inputTitle(one.job.input)}
            </Link>{' '}
            <span className="text-ink-2">{one.trouble?.split('\n')[0]?.slice(0, 200) ?? failedOf(one).join('; ')}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Leaving the board ends the work: that is said where one goes. */
function useToldOnLeaving(done: number, count: number, isStopped: boolean): void {
  const now = useRef({ done, count, isStopped });
  useEffect(() => {
    now.current = { done, count, isStopped };
  });
  useEffect(
    () => () => {
      const { done: ended, count: all, isStopped: isOver } = now.current;
      if (!isOver && ended < all)
        useView.getState().say(`Proving ended as you left the board: ${ended} of ${all} inputs are done.`);
    },
    [],
  );
}
