/** Putting an adapter to the contract, check after check. */
import { contract, quietChecks, type AdapterDescription, type CheckId, type CheckVerdict } from '@poietra/core';
import type { Bench } from './bench.js';
import { checks } from './checks.js';
import { leave, perform } from './hands.js';
import { prepare, type Make } from './observe/index.js';
import { sampleChoices } from './sample-choices.js';
import { patiently, settle, within } from './settle.js';
import { samplesOf, Trial, type TrialOptions } from './trial.js';
import { watch } from './watch.js';

/** Longer than any check needs; what takes longer loops or waits for ever. */
const mostTime = 8000;
/** This one waits for another process, which may first have to bundle; that has limits of its own. */
const patienceFor: Readonly<Partial<Record<CheckId, number>>> = { server: 45_000 };

/**
 * Runs the checks of these ids in turn and tells each verdict. `isStopped` is asked between checks. A check that
 * throws has failed, with what was thrown.
 */
export async function prove(
  make: Make,
  given: AdapterDescription,
  ids: readonly CheckId[],
  tell: (verdict: CheckVerdict) => void,
  render: Bench['render'],
  isStopped: () => boolean = () => false,
): Promise<void> {
  const adapter = await prepare(given, make);
  const input = make(adapter);
  if (!input) throw new Error(`The input “${given.input}” is not in the bundle.`);
  const watching = watch();
  const options: Bench['options'] = { input, adapter, choices: sampleChoices };
  const made: Trial[] = [];
  const mount = async (more: Partial<TrialOptions> = {}): Promise<Trial> => {
    const trial = await Trial.mount({ ...options, ...more });
    made.push(trial);
    return trial;
  };
  const clean = async (): Promise<void> => {
    await leave();
    for (const trial of made.splice(0)) trial.end();
  };
  const known = samplesOf(adapter);
  // Checks that press nothing do not need to know, unless it is the only value there is.
  const isQuiet = known !== undefined && ids.every((id) => quietChecks.has(id) || id === 'silent');
  const reported = isQuiet ? undefined : await gestureValue(adapter, mount);
  const bench: Bench = { options, render, samples: known ?? [reported, undefined], reported, watch: watching };
  await clean();
  // What is warned of is only known at the end.
  const ordered = contract.filter(({ id }) => ids.includes(id)).map(({ id }) => id);
  for (const id of ordered) {
    if (isStopped()) break;
    let verdict = await verdictOf(id, bench, mount);
    await clean();
    // A failure has to stand when nothing hurries; what was warned of is not asked twice.
    if (verdict.state === 'fail' && id !== 'silent' && !isStopped()) {
      verdict = await patiently(() => verdictOf(id, bench, mount));
      await clean();
    }
    tell({ check: id, ...verdict });
  }
  watching.stop();
}

async function verdictOf(
  id: CheckId,
  bench: Bench,
  mount: (more?: Partial<TrialOptions>) => Promise<Trial>,
): Promise<Omit<CheckVerdict, 'check'>> {
  try {
    const most = patienceFor[id] ?? mostTime;
    return await within(most, checks[id](bench, mount), () => new Error(`It took longer than ${most / 1000} seconds.`));
  } catch (error) {
    return { state: 'fail', seen: error instanceof Error ? error.message : String(error) };
  }
}

/** What the gesture makes the input report, starting empty. */
async function gestureValue(adapter: AdapterDescription, mount: () => Promise<Trial>): Promise<unknown> {
  if (!adapter.gesture) return undefined;
  try {
    const trial = await mount();
    await perform(trial.box, adapter.gesture);
    await settle();
    return trial.reports.at(-1);
  } catch {
    // The check of reports will say why.
    return undefined;
  }
}
