/** The contract in a real Chromium: each input gets a page of its own, without network and with the stand's policy. */
import type { AdapterDescription, CheckId, CheckVerdict, Depth, Finding, FoundInput } from '@poietra/core';
import { contract, reasonOf } from '@poietra/core';
import { randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import type { ToJudge } from '@poietra/stand';
import type { Browser, Page } from 'playwright-core';
import type { Bundle } from './bundle.js';
import { checkingPath, chromiumArgs, quietArgs } from './chromium.js';
import { drive, openWorld } from './driver.js';
import { judgeScript } from './judge-script.js';
import type { Rendered } from './render.js';
import { serveStand } from './serve-stand.js';

/** Room on all sides, for what opens beside an input; and while a box is looked at, it alone is drawn (`stand/src/outside.ts`). */
const sheet = `
  body { margin: 24px 200px; }
  [data-alone] :is(.poietra-label, .poietra-hint, .poietra-error) { visibility: hidden; }
  [data-alone] .poietra-box:not([data-seen], [data-seen] *) { visibility: hidden; opacity: 0; }`;
/** A trial takes a few seconds; what takes this long is given up. In milliseconds. */
const usualTime = 90_000;
/** A page that is proved gives a verdict every few seconds, and gives up a check by itself; silent for so long, it hangs. */
const usualSilence = 60_000;
/** In so many checks. What hangs in more is not waited for in the rest. */
const mostHangs = 3;

/** @throws {Error} where there is no Chromium; its message says where it was looked for. */
export async function openBrowser(): Promise<Browser> {
  // It is not little, and not every server proves.
  const { chromium } = await import('playwright-core');
  const how = { ...(existsSync(checkingPath) ? { executablePath: checkingPath } : {}) };
  try {
    return await chromium.launch({ ...how, args: quietArgs, chromiumSandbox: true });
  } catch (error) {
    // As root, and in many containers, Chromium has nothing to lock its processes in with.
    if (!/sandbox/i.test(reasonOf(error))) throw error;
    return chromium.launch({ ...how, args: chromiumArgs });
  }
}

/** The browser ended: nothing is decided about what was tried in it. */
export class BrowserLost extends Error {
  override name = 'BrowserLost';
}

/** That a browser has ended is heard a little later than that its pages are gone. */
async function isLost(browser: Browser): Promise<boolean> {
  await new Promise((resolve) => setTimeout(resolve, 100));
  return !browser.isConnected();
}

/** A page did not come to its end in time: the input loops, or the machine had other things to do. */
export class OutOfTime extends Error {
  override name = 'OutOfTime';
}

interface Message {
  readonly kind: string;
  readonly [member: string]: unknown;
}

export interface Tried {
  readonly adapter: AdapterDescription;
  readonly findings: readonly Finding[];
  readonly failed?: string;
}

/** Tries an input on a page of its own, so that behaviour can correct the draft. */
export async function tryInput(
  browser: Browser,
  bundle: Bundle,
  input: FoundInput,
  adapter: AdapterDescription,
  render: (task: object) => Promise<Rendered>,
  depth: Depth = 'full',
): Promise<Tried> {
  return onPage(browser, bundle, { isDriven: depth === 'full' }, async ({ post, next }) => {
    await post({ kind: 'observe', input, adapter });
    for (;;) {
      const message = await next();
      if (message.kind === 'render') await post({ kind: 'rendered', ask: message['ask'], ...(await render(message)) });
      if (message.kind === 'observed') return message as unknown as Tried;
      if (message.kind === 'prover failed') return { adapter, findings: [], failed: String(message['message']) };
    }
  });
}

export interface ProofOptions {
  /** Where this repository's own packages are. */
  readonly home: string;
  /** Full where it is not said. */
  readonly depth?: Depth | undefined;
  /** Hears each verdict as it is given. */
  readonly tell?: (verdict: CheckVerdict) => void;
  /** It was tried just now: what that did not find is not searched for again. */
  readonly isTried?: boolean;
  /** How long it may give no verdict, in milliseconds; a minute where it is not said. */
  readonly mostSilence?: number;
  /** Takes the page away; checks that were not made by then have no verdict. */
  readonly signal?: AbortSignal;
}

/**
 * Puts an adapter to the contract on a page of its own. `render` has it drawn on a server. Where the page is lost before
 * all checks were made, those have failed. Where it does not answer any more, the check in which that happened is not
 * decided, and the others are made on another page.
 * @throws {BrowserLost} where the whole browser ended.
 */
export async function proveAdapter(
  browser: Browser,
  bundle: Bundle,
  adapter: AdapterDescription,
  render: (task: object) => Promise<Rendered>,
  { home, depth = 'full', isTried = false, tell = () => undefined, mostSilence = usualSilence, signal }: ProofOptions,
): Promise<CheckVerdict[]> {
  const verdicts: CheckVerdict[] = [];
  const give = (verdict: CheckVerdict): void => {
    verdicts.push(verdict);
    tell(verdict);
  };
  const work = depth === 'full' ? judged : worked;
  let left: readonly CheckId[] = contract.map(({ id }) => id);
  try {
    const ready = depth === 'full' && !isTried ? await withGesture(browser, bundle, adapter) : adapter;
    for (let hangs = 0; left.length > 0;) {
      try {
        await work(browser, bundle, ready, { checks: left, home, give, render, mostSilence, signal });
        break;
      } catch (error) {
        if (!(error instanceof OutOfTime)) throw error;
        const seen = error.message;
        // They are made in the order of the contract: it was the first that has no verdict.
        const [hung, ...others] = without(left, verdicts);
        if (hung) give({ check: hung, state: 'open', seen });
        left = others;
        if (++hangs < mostHangs) continue;
        for (const check of left) give({ check, state: 'open', seen });
        break;
      }
    }
  } catch (error) {
    if (signal?.aborted) return verdicts;
    if (await isLost(browser)) throw new BrowserLost(`The browser ended while ${adapter.input} was tried.`);
    const state = error instanceof OutOfTime ? 'open' : 'fail';
    for (const check of without(left, verdicts)) give({ check, state, seen: reasonOf(error) });
  }
  return verdicts;
}

function without(checks: readonly CheckId[], verdicts: readonly CheckVerdict[]): CheckId[] {
  const done = new Set(verdicts.map(({ check }) => check));
  return checks.filter((check) => !done.has(check));
}

interface Proving {
  readonly checks: readonly CheckId[];
  readonly home: string;
  give(verdict: CheckVerdict): void;
  render(task: object): Promise<Rendered>;
  readonly mostSilence: number;
  readonly signal: AbortSignal | undefined;
}

/** By events of a script, among the input's own code. */
async function worked(
  browser: Browser,
  bundle: Bundle,
  adapter: AdapterDescription,
  { checks, give, render, mostSilence, signal }: Proving,
): Promise<void> {
  await onPage(
    browser,
    bundle,
    { mostTime: mostSilence },
    async ({ post, next, answers }) => {
      await post({ kind: 'prove', adapter, checks });
      for (;;) {
        const message = await next();
        answers();
        if (message.kind === 'verdict') give(message['verdict'] as CheckVerdict);
        if (message.kind === 'render')
          await post({ kind: 'rendered', ask: message['ask'], ...(await render(message)) });
        if (message.kind === 'prover failed') throw new Error(String(message['message']));
        if (message.kind === 'proved') return;
      }
    },
    signal,
  );
}

/** What the checks need and the adapter does not say is tried for on a page of its own, before anything is judged. */
async function withGesture(browser: Browser, bundle: Bundle, adapter: AdapterDescription): Promise<AdapterDescription> {
  if (adapter.gesture && adapter.samples) return adapter;
  const tried = await onPage(browser, bundle, { isDriven: true }, async ({ post, next }) => {
    await post({ kind: 'prepare', adapter });
    for (;;) {
      const message = await next();
      if (message.kind === 'observed') return (message as unknown as Tried).adapter;
      if (message.kind === 'prover failed') return adapter;
    }
  });
  const { gesture, samples } = tried;
  return { ...adapter, ...(gesture ? { gesture } : {}), ...(samples ? { samples } : {}) };
}

/** What an input warns of wherever it stands: asked on a page on which nothing was warned of yet. */
async function toldBare(
  browser: Browser,
  bundle: Bundle,
  adapter: AdapterDescription,
  signal: AbortSignal | undefined,
): Promise<unknown> {
  const asking = onPage(
    browser,
    bundle,
    {},
    async ({ post, next }) => {
      await post({ kind: 'stand bare', adapter });
      for (;;) {
        const message = await next();
        if (message.kind === 'stood bare') return message['told'];
        if (message.kind === 'prover failed') return [];
      }
    },
    signal,
  );
  // Where it does not come to an end bare, what it warns of stands as it is.
  return asking.catch(() => []);
}

/** Judged in a world that the page's code cannot reach: `stand/src/judge.ts`. */
async function judged(
  browser: Browser,
  bundle: Bundle,
  adapter: AdapterDescription,
  { checks, home, give, render, mostSilence, signal }: Proving,
): Promise<void> {
  const secret = randomUUID();
  await onPage(
    browser,
    bundle,
    { secret, mostTime: mostSilence },
    async ({ page, lost, answers }) => {
      const heard =
        <T, R>(hear: (said: T) => R) =>
        (said: T): R => {
          answers();
          return hear(said);
        };
      const bare = (): Promise<unknown> => toldBare(browser, bundle, adapter, signal);
      const world = { verdict: heard(give), render: heard(render), toldBare: heard(bare) };
      const call = await openWorld(page, await judgeScript(home), world);
      const task: ToJudge = { secret, adapter, checks };
      await Promise.race([call('judge', task), lost]);
    },
    signal,
  );
}

interface OnPage {
  readonly page: Page;
  post(message: object): Promise<void>;
  next(): Promise<Message>;
  /** Fails when the page is lost, or takes too long. */
  readonly lost: Promise<never>;
  /** It is heard of: its time begins anew. */
  answers(): void;
}
/** `isDriven`: the page itself may move pointer and keys; `secret`: an agent on it answers a judge who knows it. */
async function onPage<T>(
  browser: Browser,
  bundle: Bundle,
  {
    isDriven = false,
    secret,
    mostTime = usualTime,
  }: { readonly isDriven?: boolean; readonly secret?: string; readonly mostTime?: number | undefined },
  work: (on: OnPage) => Promise<T>,
  signal?: AbortSignal,
): Promise<T> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 900 }, offline: false });
  const page: Page = await context.newPage();
  if (isDriven) await drive(page);
  if (secret !== undefined)
    await page.addInitScript((said) => {
      (globalThis as { poietraSecret?: string }).poietraSecret = said;
    }, secret);
  const waiting: Message[] = [];
  let wake: (() => void) | undefined;
  let trouble: Error | undefined;
  await page.exposeBinding('heardByCli', (_source, message: Message) => {
    waiting.push(message);
    wake?.();
  });
  await page.addInitScript(() => {
    window.addEventListener('message', ({ data }: MessageEvent<unknown>) => {
      const kinds = [
        'prover ready',
        'not loaded',
        'render',
        'observed',
        'verdict',
        'proved',
        'stood bare',
        'prover failed',
      ];
      if (typeof data !== 'string' || !kinds.some((kind) => data.startsWith(`{"kind":"${kind}"`))) return;
      (window as unknown as { heardByCli(message: Message): void }).heardByCli(JSON.parse(data) as Message);
    });
  });
  const served = await serveStand(bundle, sheet);
  await page.route('**/*', (route) => (served.isOwn(route.request().url()) ? route.continue() : route.abort()));
  let giveUp!: (error: Error) => void;
  const lost = new Promise<never>((_resolve, reject) => (giveUp = reject));
  lost.catch(() => undefined);
  const lose = (why: Error): void => {
    trouble = why;
    giveUp(trouble);
    wake?.();
  };
  page.on('crash', () => lose(new Error('The page crashed.')));
  signal?.addEventListener('abort', () => lose(new Error('It was stopped.')));
  const endless = (): Error => new OutOfTime('The input did not come to an end in time; it may loop for ever.');
  let until = 0;
  let limit: ReturnType<typeof setTimeout> | undefined;
  const answers = (): void => {
    clearTimeout(limit);
    until = Date.now() + mostTime;
    limit = setTimeout(() => lose(endless()), mostTime);
  };
  answers();
  const next = async (): Promise<Message> => {
    for (;;) {
      const message = waiting.shift();
      if (message) return message;
      if (trouble) throw trouble;
      const left = until - Date.now();
      if (left <= 0) throw endless();
      await new Promise<void>((resolve) => {
        const timer = setTimeout(resolve, left);
        wake = () => {
          clearTimeout(timer);
          resolve();
        };
      });
    }
  };
  try {
    page.on('pageerror', (error) => {
      if (process.env['POIETRA_DEBUG']) console.error('pageerror', error.message);
    });
    page.on('console', (message) => {
      if (process.env['POIETRA_DEBUG']) console.error(message.text());
    });
    await page.goto(served.address);
    // A page of its own has nobody around it who would have to know who speaks.
    await page.evaluate(() => window.postMessage({ secret: '' }, '*'));
    const first = await next();
    if (first.kind === 'not loaded') throw new Error(`It cannot be loaded: ${String(first['message'])}`);
    if (first.kind !== 'prover ready') throw new Error('The stand did not start.');
    const post = (message: object): Promise<void> => page.evaluate((data) => window.postMessage(data, '*'), message);
    return await work({ page, post, next, lost, answers });
  } finally {
    clearTimeout(limit);
    served.end();
    await context.close();
  }
}
