/** `poietra check`: every adapter of a kit, or every untouched draft of a project folder, put to the contract in a real browser. */
import {
  families,
  contract,
  checkOf,
  componentsBeside,
  componentsToTry,
  fingerprint,
  inputsOf,
  fallsShort,
  isKept,
  readKitText,
  nativeAdapters,
  tally,
  toTry,
  versionOf,
  type AdapterDescription,
  type CheckVerdict,
  type Depth,
  type Finding,
  type FoundInput,
  type KitInput,
  type ScoreSheet,
} from '@poietra/core';
import {
  bundle,
  BundleError,
  KeptInspections,
  BrowserLost,
  openBrowser,
  OutOfTime,
  proveAdapter,
  Renderer,
  tryInput,
  type Bundle,
  type BundledInput,
  type BundleOptions,
  type Rendered,
} from '@poietra/inputs';
import { existsSync, readFileSync, statSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { dirname, join } from 'node:path';

/** The repository: the stand's own code is bundled from its sources. */
const home = join(import.meta.dirname, '../../..');

/** What reads is part of the key, so that the workbench’s server, which is another build, keeps its own. */
export const inspections = new KeptInspections(join(home, '.cache/inputs'), import.meta.filename);

export interface Checked {
  /** The adapter's name in the kit, or the input's id where a draft was checked. */
  readonly name: string;
  readonly input: string;
  readonly adapter: AdapterDescription;
  readonly findings: readonly Finding[];
  /** Why it could not be tried, so that the draft stayed as its declarations speak for it. */
  readonly untried?: string;
  readonly sheet: ScoreSheet;
}
interface Job {
  readonly name: string;
  readonly bundleKey: string;
  readonly version: string;
  readonly adapter: AdapterDescription;
  /** Given where the draft is to be tried first. */
  readonly input?: FoundInput;
}

/** What was asked for is not there, or cannot be read; the message says so. */
export class CheckError extends Error {
  override name = 'CheckError';
}

export async function check(
  what: string,
  options: {
    readonly project?: string | undefined;
    /** Texts; a name that contains one of them is checked. */
    readonly only?: readonly string[] | undefined;
    readonly depth?: Depth | undefined;
  },
  tell: (done: Checked, count: number, total: number) => void,
): Promise<Checked[]> {
  if (!existsSync(what)) throw new CheckError(`There is no ${what}. Give a kit file or a project folder.`);
  const isFolder = statSync(what).isDirectory();
  const project = isFolder ? what : (options.project ?? join(dirname(what), 'project'));
  const { jobs, inputs } = isFolder ? draftsOf(project) : adaptersOf(what);
  const { only } = options;
  const unmatched = only?.find((text) => !jobs.some(({ name }) => name.includes(text)));
  if (unmatched !== undefined)
    throw new CheckError(`Nothing to check in ${what} is called anything with “${unmatched}”.`);
  const chosen = only ? jobs.filter(({ name }) => only.some((text) => name.includes(text))) : jobs;
  if (chosen.length === 0) throw new CheckError(`There is nothing to check in ${what}.`);
  let browser = await openBrowser();
  const { depth = 'full' } = options;
  const renderer = new Renderer();
  const ofKey = (key: string): BundledInput[] => inputs.filter((input) => key.split(' ').includes(packageOf(input.id)));
  const bundles = new Map<string, Promise<Bundle>>();
  const bundleFor = (key: string): Promise<Bundle> => {
    const kept =
      bundles.get(key) ??
      bundle({
        ...partsOfBundle(project, ofKey(key)),
        start: { module: join(home, 'packages/stand/src/frame.ts'), name: 'startProving' },
      });
    bundles.set(key, kept);
    return kept;
  };
  const done: Checked[] = [];
  const queue = [...chosen];
  /** What was not decided beside others is tried once more, alone. */
  const alone: Job[] = [];
  const work = async (isAlone: boolean): Promise<void> => {
    const jobs = isAlone ? alone : queue;
    for (let job = jobs.shift(); job; job = jobs.shift()) {
      const checked = await run(job, bundleFor).catch(async (error: unknown) => {
        // Nothing was decided: once more, in another browser.
        if (!(error instanceof BrowserLost)) throw error;
        if (!browser.isConnected()) browser = await openBrowser();
        return run(job, bundleFor);
      });
      if (!isAlone && tally(checked.sheet.verdicts).open > 0) {
        alone.push(job);
        continue;
      }
      done.push(checked);
      tell(checked, done.length, chosen.length);
    }
  };
  const run = async (job: Job, get: typeof bundleFor): Promise<Checked> => {
    let { adapter } = job;
    let findings: readonly Finding[] = [];
    let untried: string | undefined;
    let verdicts: CheckVerdict[];
    const own = browser;
    try {
      const ready = await get(job.bundleKey);
      const start = { module: join(home, 'packages/stand/src/render.tsx'), name: 'startRendering' };
      const draw = (task: object): Promise<Rendered> =>
        renderer.render({ ...partsOfBundle(project, ofKey(job.bundleKey)), start }, task);
      if (job.input)
        ({ adapter, findings, failed: untried } = await tryInput(own, ready, job.input, adapter, draw, depth));
      const isTried = job.input !== undefined && untried === undefined;
      verdicts = await proveAdapter(own, ready, adapter, draw, { home, depth, isTried });
    } catch (error) {
      if (!(error instanceof Error) || error instanceof BrowserLost) throw error;
      if (!own.isConnected()) throw new BrowserLost(error.message);
      const seen = error instanceof BundleError ? `It does not bundle: ${error.message}` : error.message;
      const state = error instanceof OutOfTime ? 'open' : 'fail';
      verdicts = contract.map(({ id }) => ({ check: id, state, seen }));
    }
    const sheet = {
      version: job.version,
      time: new Date().toISOString(),
      depth,
      browser: `Chromium ${own.version()}`,
      adapter: fingerprint(adapter),
      verdicts,
    };
    return {
      name: job.name,
      input: adapter.input,
      adapter,
      findings,
      ...(untried === undefined ? {} : { untried }),
      sheet,
    };
  };
  // A browser that is asked to end with us is lost to the lanes, which would open another.
  const stop = (): never => process.exit(stoppedStatus);
  process.once('SIGTERM', stop);
  try {
    await Promise.all(Array.from({ length: Math.min(3, availableParallelism() + 1) }, () => work(false)));
    await work(true);
  } finally {
    process.off('SIGTERM', stop);
    await browser.close();
  }
  const order = new Map(chosen.map(({ name }, i) => [name, i]));
  return done.sort((a, b) => (order.get(a.name) ?? 0) - (order.get(b.name) ?? 0));
}

/** As a shell tells of what a signal has ended: 128 and the signal's number. */
const stoppedStatus = 143;

/** Components that have to be in the bundle beside the inputs, by their names. */
function beside(ids: readonly string[]): BundledInput[] {
  return [...new Set(ids)].map((id) => ({
    id,
    family: 'component',
    export: id.slice(id.indexOf('#') + 1),
    module: packageOf(id),
    css: [],
  }));
}

const packageOf = (id: string): string => id.slice(0, Math.max(0, id.indexOf('#')));
const packagesOf = (ids: readonly string[]): string => [...new Set(ids.map(packageOf))].join(' ');

function partsOfBundle(project: string, inputs: readonly BundledInput[]): Omit<BundleOptions, 'start'> {
  return { project, home, inputs: inputs.filter(({ family }) => families[family].comes !== 'with the page') };
}

function draftsOf(folder: string): { jobs: Job[]; inputs: BundledInput[] } {
  const inspection = inspections.read(folder);
  return {
    inputs: [
      ...inspection.inputs.map(({ input }) => input),
      // What may have to stand around them is there, too: trying one shows whether it has to.
      ...beside(
        inspection.inputs.flatMap(({ input, adapter }) => [
          ...componentsToTry(input),
          ...(adapter ? componentsBeside(adapter) : []),
        ]),
      ),
    ],
    jobs: inspection.inputs.flatMap(({ input, adapter }) =>
      adapter
        ? [
            {
              name: input.id,
              bundleKey: packagesOf([input.id, ...componentsToTry(input)]),
              version: input.version,
              adapter,
              input,
            },
          ]
        : [],
    ),
  };
}

function adaptersOf(file: string): { jobs: Job[]; inputs: BundledInput[] } {
  const read = readKitText(readFileSync(file, 'utf8'));
  if (!read.ok || read.gaps.length > 0)
    throw new CheckError(
      `${file} is no kit that can be checked:\n${(read.ok ? read.gaps : read.problems).map(({ at, message }) => `  ${at}: ${message}`).join('\n')}`,
    );
  const { kit } = read;
  const used: Record<string, KitInput> = { ...kit.inputs };
  const jobs = Object.entries(kit.adapters).map(([name, adapter]): Job => ({
    name,
    bundleKey: packagesOf([...inputsOf(adapter), ...componentsBeside(adapter)]),
    version: versionOf(adapter, used),
    adapter,
  }));
  const natives = Object.entries(nativeAdapters)
    .filter(([name]) => Object.values(kit.fields).some(({ adapter }) => adapter === `native:${name}`))
    .map(([name, adapter]): Job => ({ name: `native:${name}`, bundleKey: 'native', version: '', adapter }));
  return {
    jobs: [...jobs, ...natives],
    inputs: [
      ...Object.entries(used).map(([id, input]) => ({ ...input, id })),
      ...beside(Object.values(kit.adapters).flatMap(componentsBeside)),
    ],
  };
}

/** A table that a person reads: one line an adapter, and below it what failed with what to try. */
export function reportOf({ name, untried, sheet: { verdicts } }: Checked, isBrief = false): string {
  const { pass, fail, none, open } = tally(verdicts);
  const rest = `${open > 0 ? `, ${open} not decided` : ''}${none > 0 ? `, ${none} not applicable` : ''}`;
  const head = `${isKept(verdicts) ? '✓' : '✗'} ${name.padEnd(50)} ${String(pass).padStart(2)} passed, ${fail} failed${rest}${untried === undefined ? '' : `\n    It could not be tried: ${untried}`}`;
  if (isBrief) {
    const failed = verdicts.filter(fallsShort).map(({ check: id }) => id);
    return [head, ...(failed.length > 0 ? [`    ${failed.join(', ')}`] : [])].join('\n');
  }
  const failures = verdicts.filter(fallsShort).map((verdict) => {
    const { check: id, seen, state } = verdict;
    const known = checkOf(id);
    return `    ${known?.title ?? id}${state === 'open' ? ' (not decided)' : ''}\n      expected: ${known?.expects ?? ''}\n      seen:     ${seen}\n      to try:   ${toTry(verdict)}`;
  });
  return [head, ...failures].join('\n');
}
