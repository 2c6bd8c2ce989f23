/** Putting an adapter to the contract, check after check. */
import { contract, fallsShort, quietChecks, type CheckId, type CheckVerdict } from '@poietra/core';
import type { Bench } from './bench.js';
import { checks } from './checks.js';
import type { Ground, MountOptions, Standing } from './ground.js';
import { leave, perform } from './hands.js';
import { patiently, settle, within } from './settle.js';
import { samplesOf } from './wanted.js';

/** Longer than any check needs; what takes longer loops or waits for ever. */
const mostTime = 8000;
/** These wait for another process, which may first have to bundle, or for another page; those have limits of their own. */
const patienceFor: Readonly<Partial<Record<CheckId, number>>> = { server: 45_000, silent: 45_000 };

/**
 * Runs the checks of these ids in turn and tells each verdict. `isStopped` is asked between checks. A check that
 * throws has failed, with what was thrown; one that runs out of time twice is not decided.
 */
export async function prove(
  ground: Ground,
  ids: readonly CheckId[],
  tell: (verdict: CheckVerdict) => void,
  isStopped: () => boolean = () => false,
): Promise<void> {
  const { adapter } = ground;
  const watching = ground.watch();
  const made: Standing[] = [];
  const mount = async (options: MountOptions = {}): Promise<Standing> => {
    const trial = await ground.mount(options);
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
  const reported = isQuiet ? undefined : await gestureValue(ground, mount);
  const bench: Bench = { ground, adapter, samples: known ?? [reported, undefined], reported, watch: watching };
  await clean();
  // What is warned of is only known at the end.
  const ordered = contract.filter(({ id }) => ids.includes(id)).map(({ id }) => id);
  for (const id of ordered) {
    if (isStopped()) break;
    let verdict = await verdictOf(id, bench, mount);
    await clean();
    // A failure has to stand when nothing hurries, and what ran out of time is tried again; what was warned of is not
    // asked twice.
    if (fallsShort(verdict) && id !== 'silent' && !isStopped()) {
      verdict = await patiently(() => verdictOf(id, bench, mount));
      await clean();
    }
    tell({ check: id, ...verdict });
  }
  watching.stop();
}

class OutOfTime extends Error {
  constructor(most: number) {
    super(`It took longer than ${most / 1000} seconds.`);
  }
}

async function verdictOf(
  id: CheckId,
  bench: Bench,
  mount: (more?: MountOptions) => Promise<Standing>,
): Promise<Omit<CheckVerdict, 'check'>> {
  try {
    const most = patienceFor[id] ?? mostTime;
    return await within(most, checks[id](bench, mount), () => new OutOfTime(most));
  } catch (error) {
    return {
      state: error instanceof OutOfTime ? 'open' : 'fail',
      seen: error instanceof Error ? error.message : String(error),
    };
  }
}

/** What the gesture makes the input report, starting empty. */
async function gestureValue({ adapter }: Ground, mount: () => Promise<Standing>): Promise<unknown> {
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
