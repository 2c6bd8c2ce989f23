import {
  checkOf,
  contract,
  faceChanges,
  faceOf,
  sheetChanges,
  staleness,
  tally,
  fallsShort,
  toTry,
  type AdapterDescription,
  type CheckVerdict,
  type Depth,
  type FoundInput,
} from '@poietra/core';
import { useState, type ReactNode } from 'react';
import { Button } from '../../parts/button.js';
import { late } from '../../parts/late.js';
import { Verdict } from '../../parts/verdict.js';
import { useKit } from '../../store/kit.js';
import { proofChanges } from './input-edits.js';
import { checkIds, ProofRun } from './proof-run.js';

const FullRun = late(async () => (await import('./full-run.js')).FullRun);

interface Props {
  readonly name: string;
  readonly adapter: AdapterDescription;
  readonly input: FoundInput | undefined;
}

/** The contract as a score sheet: each check with what is expected, what was seen, and what to try. */
export function ScoreSheet({ name, adapter, input }: Props): ReactNode {
  const { kit, edit } = useKit();
  const proof = kit.proofs?.[name];
  const [running, setRunning] = useState<{ readonly since: number; readonly depth: Depth }>();
  const [trouble, setTrouble] = useState<string>();
  const [fresh, setFresh] = useState<readonly CheckVerdict[]>([]);
  const isRunning = running !== undefined;
  const stale = proof && staleness(proof.now, adapter, input?.version);
  const verdicts = isRunning ? fresh : (proof?.now.verdicts ?? []);
  const byId = new Map(verdicts.map((verdict) => [verdict.check, verdict]));
  const counts = tally(verdicts);
  const start = (depth: Depth): void => {
    setFresh([]);
    setTrouble(undefined);
    setRunning({ since: Date.now(), depth });
  };
  const finish = (all: readonly CheckVerdict[], of: AdapterDescription, browser?: string): void => {
    setRunning(undefined);
    edit(`Prove ${name}`, proofChanges(kit, name, input, of, all, browser));
  };

  return (
    <section aria-label="Contract" className="grid content-start gap-2">
      <div className="flex flex-wrap items-center gap-3">
        <h2>Contract</h2>
        {isRunning ? (
          <>
            <progress aria-label="Checks done" max={checkIds.length} value={fresh.length} />
            <span role="status">
              {fresh.length} of {checkIds.length}
            </span>
            <Button onClick={() => setRunning(undefined)}>Stop</Button>
          </>
        ) : (
          <>
            <Button look="main" onClick={() => start('quick')}>
              {proof ? 'Prove it again' : 'Prove it'}
            </Button>
            <Button
              onClick={() => start('full')}
              title="In a browser of the server’s own: its pointer and keys, pixels, and what it tells a screen reader"
            >
              Prove it fully
            </Button>
          </>
        )}
        {verdicts.length > 0 && (
          <span className="flex gap-3">
            <Verdict kind="pass">{counts.pass} passed</Verdict>
            {counts.fail > 0 && <Verdict kind="fail">{counts.fail} failed</Verdict>}
            {counts.open > 0 && <Verdict kind="warning">{counts.open} not decided</Verdict>}
            {counts.none > 0 && <Verdict kind="unknown">{counts.none} not applicable</Verdict>}
          </span>
        )}
        {proof && !isRunning && (
          <span className="text-[13px] text-ink-2">
            {proof.now.version !== '' && <>with {proof.now.version}, </>}
            {proof.now.depth === 'full' ? `fully, in ${proof.now.browser ?? 'a browser'}, ` : 'quickly, in a frame, '}
            <time dateTime={proof.now.time}>{new Date(proof.now.time).toLocaleString()}</time>
          </span>
        )}
      </div>
      {stale !== undefined && !isRunning && <Verdict kind="warning">{stale} Prove it again.</Verdict>}
      {trouble !== undefined && <Verdict kind="fail">{trouble}</Verdict>}
      {running?.depth === 'quick' && (
        <ProofRun key={running.since} adapter={adapter} onVerdicts={setFresh} onEnd={finish} />
      )}
      {running?.depth === 'full' && (
        <FullRun
          key={running.since}
          adapter={adapter}
          onVerdicts={setFresh}
          onEnd={finish}
          onFailed={(message) => {
            setRunning(undefined);
            setTrouble(message);
          }}
        />
      )}
      {proof?.before && !isRunning && <Changes name={name} input={input} />}
      <ul className="columns-1 gap-6 text-[13px] md:columns-2 xl:columns-3">
        {contract.map((check) => {
          const verdict = byId.get(check.id);
          return (
            <li key={check.id} className="break-inside-avoid border-b border-hairline py-0.5">
              <details open={verdict && fallsShort(verdict)}>
                <summary className="min-h-6 cursor-pointer py-0.5">
                  <Verdict
                    kind={
                      verdict === undefined || verdict.state === 'none'
                        ? 'unknown'
                        : verdict.state === 'open' || (stale !== undefined && !isRunning)
                          ? 'warning'
                          : verdict.state
                    }
                  >
                    {check.title}
                  </Verdict>
                  {verdict?.state === 'none' && <span className="text-ink-2"> not applicable</span>}
                  {verdict?.state === 'open' && <span className="text-ink-2"> not decided</span>}
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
                  {verdict && fallsShort(verdict) && (
                    <>
                      <dt className="text-ink-2">to try</dt>
                      <dd>{toTry(verdict)}</dd>
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
  const words = { pass: 'passed', fail: 'failed', none: 'did not apply', open: 'was not decided' };
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
