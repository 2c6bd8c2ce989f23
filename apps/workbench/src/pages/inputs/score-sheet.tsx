import {
  componentsBeside,
  checkOf,
  contract,
  faceChanges,
  faceOf,
  fingerprint,
  foreignInputs,
  joinPointer,
  quietChecks,
  sheetChanges,
  staleness,
  tally,
  type AdapterDescription,
  type CheckId,
  type CheckVerdict,
  type FoundInput,
} from '@poietra/core';
import { useEffect, useState, type ReactNode } from 'react';
import { Button } from '../../parts/button.js';
import { ProverFrame } from '../../parts/prover-frame.js';
import { Verdict } from '../../parts/verdict.js';
import { useKit } from '../../store/kit.js';

const ids: readonly CheckId[] = contract.map(({ id }) => id);
/** Two stands side by side: in one, things are pressed and focused; a page has one focus, so the other leaves it alone. */
const shares = [false, true].map((quiet) => ids.filter((id) => quietChecks.has(id) === quiet || id === 'silent'));

interface Run {
  readonly id: number;
  /** As it was when the run began: the sheet speaks of this one. */
  readonly adapter: AdapterDescription;
  /** With gesture and samples, once they are found. */
  readonly prepared?: AdapterDescription;
}

interface Props {
  readonly name: string;
  readonly adapter: AdapterDescription;
  readonly input: FoundInput | undefined;
}

/** The contract as a score sheet: each check with what is expected, what was seen, and what to try. */
export function ScoreSheet({ name, adapter, input }: Props): ReactNode {
  const { kit, edit } = useKit();
  const proof = kit.proofs?.[name];
  const [running, setRunning] = useState<Run>();
  const [fresh, setFresh] = useState<readonly CheckVerdict[]>([]);
  const [done, setDone] = useState(0);
  const stale = proof && staleness(proof.now, adapter, input?.version);
  const verdicts = running ? fresh : (proof?.now.verdicts ?? []);
  const byId = new Map(verdicts.map((verdict) => [verdict.check, verdict]));
  const counts = tally(verdicts);
  const bundled = foreignInputs(adapter);

  const start = (): void => {
    setFresh([]);
    setDone(0);
    const isReady = adapter.gesture !== undefined && adapter.samples !== undefined;
    setRunning({ id: Date.now(), adapter, ...(isReady ? { prepared: adapter } : {}) });
  };
  const finish = (all: readonly CheckVerdict[], of: AdapterDescription): void => {
    setRunning(undefined);
    const now = {
      version: input?.version ?? '',
      time: new Date().toISOString(),
      adapter: fingerprint(of),
      ...(input ? { face: faceOf(input) } : {}),
      verdicts: ids.flatMap((id) => all.filter(({ check }) => check === id)),
    };
    const at = joinPointer('/proofs', name);
    const next = { now, ...(proof ? { before: proof.now } : {}) };
    edit(`Prove ${name}`, kit.proofs ? { [at]: next } : { '/proofs': { [name]: next } });
  };
  const add = (verdict: CheckVerdict): void =>
    setFresh((before) => {
      const earlier = before.find(({ check }) => check === verdict.check);
      if (!earlier) return [...before, verdict];
      // Both stands watch the console; one warning is enough.
      return verdict.state === 'fail' ? [...before.filter((one) => one !== earlier), verdict] : before;
    });
  const endShare = (): void => setDone((count) => count + 1);
  useEffect(() => {
    if (running && done >= shares.length) finish(fresh, running.adapter);
    // Once, when the last stand has ended; what it told before is in by then.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [done]);

  return (
    <section aria-label="Contract" className="grid content-start gap-2">
      <div className="flex flex-wrap items-center gap-3">
        <h2>Contract</h2>
        {running ? (
          <>
            <progress aria-label="Checks done" max={ids.length} value={fresh.length} />
            <span role="status">
              {fresh.length} of {ids.length}
            </span>
            <Button onClick={() => setRunning(undefined)}>Stop</Button>
          </>
        ) : (
          <Button look="main" onClick={start}>
            {proof ? 'Prove it again' : 'Prove it'}
          </Button>
        )}
        {verdicts.length > 0 && (
          <span className="flex gap-3">
            <Verdict kind="pass">{counts.pass} passed</Verdict>
            {counts.fail > 0 && <Verdict kind="fail">{counts.fail} failed</Verdict>}
            {counts.none > 0 && <Verdict kind="unknown">{counts.none} not applicable</Verdict>}
          </span>
        )}
        {proof && !running && (
          <span className="text-[13px] text-ink-2">
            {proof.now.version !== '' && <>with {proof.now.version}, </>}
            <time dateTime={proof.now.time}>{new Date(proof.now.time).toLocaleString()}</time>
          </span>
        )}
      </div>
      {stale !== undefined && !running && <Verdict kind="warning">{stale} Prove it again.</Verdict>}
      {running && !running.prepared && (
        <ProverFrame
          key={running.id}
          title="A gesture is looked for"
          inputs={bundled}
          wrappers={componentsBeside(adapter)}
          task={{ kind: 'prepare', adapter: running.adapter }}
          onMessage={(message) => {
            if (message.kind === 'observed') setRunning({ ...running, prepared: message.adapter });
            if (message.kind === 'prover failed') setRunning({ ...running, prepared: running.adapter });
          }}
          onLost={() => setRunning({ ...running, prepared: running.adapter })}
        />
      )}
      {running?.prepared && (
        <div className="grid grid-cols-2 gap-2">
          {shares.map((checks, i) => (
            <ProverFrame
              key={`${running.id} ${i}`}
              title={`Stand ${i + 1} at work`}
              inputs={bundled}
              wrappers={componentsBeside(adapter)}
              task={{ kind: 'prove', adapter: running.prepared ?? running.adapter, checks }}
              onMessage={(message) => {
                if (message.kind === 'verdict') add(message.verdict);
                if (message.kind === 'proved') endShare();
                if (message.kind === 'prover failed') {
                  for (const check of checks) add({ check, state: 'fail', seen: message.message });
                  endShare();
                }
              }}
              onLost={(reason) => {
                for (const check of checks) if (!byId.has(check)) add({ check, state: 'fail', seen: reason });
                endShare();
              }}
            />
          ))}
        </div>
      )}
      {proof?.before && !running && <Changes name={name} input={input} />}
      <ul className="columns-1 gap-6 text-[13px] md:columns-2 xl:columns-3">
        {contract.map((check) => {
          const verdict = byId.get(check.id);
          return (
            <li key={check.id} className="break-inside-avoid border-b border-hairline py-0.5">
              <details open={verdict?.state === 'fail'}>
                <summary className="min-h-6 cursor-pointer py-0.5">
                  <Verdict
                    kind={
                      verdict === undefined || verdict.state === 'none'
                        ? 'unknown'
                        : stale !== undefined && !running
                          ? 'warning'
                          : verdict.state
                    }
                  >
                    {check.title}
                  </Verdict>
                  {verdict?.state === 'none' && <span className="text-ink-2"> not applicable</span>}
                </summary>
                <dl className="grid grid-cols-[4.5rem_1fr] gap-x-2 pb-1 pl-5">
                  <dt className="text-ink-2">expected</dt>
                  <dd>{check.expects}</dd>
                  {verdict && (
                    <>
                      <dt className="text-ink-2">seen</dt>
                      <dd className="wrap-anywhere">{verdict.seen}</dd>
                    </>
                  )}
                  {verdict?.state === 'fail' && (
                    <>
                      <dt className="text-ink-2">to try</dt>
                      <dd>{check.advice}</dd>
                    </>
                  )}
                </dl>
              </details>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** What differs between the last two runs, and between what the package declared then and declares now. */
function Changes({ name, input }: { readonly name: string; readonly input: FoundInput | undefined }): ReactNode {
  const proof = useKit(({ kit }) => kit.proofs?.[name]);
  if (!proof?.before) return null;
  const verdicts = sheetChanges(proof.before, proof.now);
  const earlier = proof.before.version === proof.now.version ? proof.now : proof.before;
  const face = earlier.face && input ? faceChanges(earlier.face, faceOf(input)) : [];
  if (verdicts.length === 0 && face.length === 0) return null;
  const words = { pass: 'passed', fail: 'failed', none: 'did not apply' };
  return (
    <details className="text-[13px]">
      <summary className="min-h-6 cursor-pointer py-0.5">
        Since the run before: {verdicts.length + face.length} changes
      </summary>
      <ul className="list-disc pl-6">
        {verdicts.map(({ check, before, after }) => (
          <li key={check}>
            {checkOf(check)?.title}: {before ? words[before] : 'was not run'}, now {words[after]}
          </li>
        ))}
        {face.map((line) => (
          <li key={line} className="mono wrap-anywhere">
            {line}
          </li>
        ))}
      </ul>
    </details>
  );
}
