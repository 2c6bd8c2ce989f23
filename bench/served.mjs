/** The workbench with the demo kit, for benches in a real browser: served on a port and put away afterwards. */
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from 'playwright-core';
import { chromiumPath } from '../scripts/chromium.mjs';

const home = join(import.meta.dirname, '..');

export const launchOptions = () => ({ executablePath: chromiumPath(), args: ['--no-sandbox', '--disable-gpu'] });

/** Does the work with a browser once the workbench is served, and ends both, whatever comes of it. */
export async function withWorkbench(port, work) {
  const data = mkdtempSync(join(tmpdir(), 'poietra-bench-'));
  const server = spawn(process.execPath, ['scripts/start.mjs'], {
    cwd: home,
    env: { ...process.env, PORT: String(port), POIETRA_QUIET: '1', POIETRA_DATA: data },
    detached: true,
  });
  try {
    await untilServed(`http://127.0.0.1:${port}/company/ports`);
    const browser = await chromium.launch(launchOptions());
    await work(browser);
    await browser.close();
  } finally {
    if (server.exitCode === null) process.kill(-server.pid);
    rmSync(data, { recursive: true, force: true });
  }
}

/** It may first have to be built. */
async function untilServed(url) {
  for (let i = 0; i < 240; i++) {
    try {
      if ((await fetch(url)).ok) return;
    } catch {
      // Not yet.
    }
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
  throw new Error('The workbench was not served.');
}
