/** Browsers and servers that are killed from outside, as by a crash or a cut of power: nothing of theirs is told to end. */
import { chromium, expect, type Page } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { chromiumArgs, chromiumPath } from '../packages/inputs/src/chromium.js';

export interface Killable {
  kill(): Promise<void>;
}

function killable(child: ChildProcess): Killable {
  return {
    kill: () =>
      new Promise((resolve) => {
        child.once('exit', () => resolve());
        process.kill(-(child.pid ?? 0), 'SIGKILL');
      }),
  };
}

async function answers(address: string): Promise<void> {
  await expect
    .poll(() =>
      fetch(address).then(
        ({ ok }) => ok,
        () => false,
      ),
    )
    .toBe(true);
}

/** A browser with a profile that outlives it. */
export async function browserOn(profile: string): Promise<Killable & { readonly page: Page }> {
  const port = await freePort();
  const child = spawn(
    chromiumPath,
    [...chromiumArgs, '--headless', `--user-data-dir=${profile}`, `--remote-debugging-port=${port}`, 'about:blank'],
    { stdio: 'ignore', detached: true },
  );
  await answers(`http://127.0.0.1:${port}/json/version`);
  const connected = await chromium.connectOverCDP(`http://127.0.0.1:${port}`);
  const context = connected.contexts()[0] ?? (await connected.newContext());
  return { page: await context.newPage(), ...killable(child) };
}

/** The workbench's server on a folder of its own. */
export async function serverOn(data: string, port: number): Promise<Killable> {
  const child = spawn(process.execPath, [join(import.meta.dirname, '../apps/server/dist/main.js')], {
    stdio: 'ignore',
    detached: true,
    env: { ...process.env, PORT: String(port), POIETRA_QUIET: '1', POIETRA_DATA: data },
  });
  await answers(`http://127.0.0.1:${port}/company/ports`);
  return killable(child);
}

export function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const address = server.address();
      server.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
    });
  });
}
