import { defineConfig } from '@playwright/test';
import { checkingPath, chromiumArgs } from './packages/inputs/src/chromium.js';

const port = Number(process.env['E2E_PORT'] ?? 4377);
/** Two runs side by side, each with a server of its own, keep what they write apart. */
const results = `test-results/${process.env['E2E_RUN'] ?? 'e2e'}`;
export default defineConfig({
  testDir: 'e2e',
  // On request: npm run pictures, npm run jobs.
  testIgnore: process.env['PICTURES']
    ? '**/!(pictures).spec.ts'
    : process.env['JOBS']
      ? '**/!(jobs).spec.ts'
      : '**/pictures.spec.ts',
  // The demo company is one server with one set of bookings; two tests at once would see each other's.
  workers: 1,
  // For what hangs; what a person would wait for has its limits below.
  timeout: 240_000,
  // On a machine that is busy with other work, a test may be tried twice; npm test prints which ones needed it.
  retries: 1,
  expect: { timeout: 20_000 },
  reporter: [['list'], ['json', { outputFile: `${results}.json` }]],
  outputDir: results,
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    // A later visit: the first one is offered a way through, which has a test of its own.
    storageState: {
      cookies: [],
      origins: [{ origin: `http://127.0.0.1:${port}`, localStorage: [{ name: 'poietra-way', value: 'left' }] }],
    },
    actionTimeout: 20_000,
    launchOptions: {
      // Without windows where Debian has one: the same engine for a third less of the machine's work. The stand's frames
      // get a process of their own, as they have in the one with windows.
      executablePath: checkingPath,
      args: [...chromiumArgs, '--site-per-process'],
    },
  },
  webServer: {
    command: `rm -rf ${results}-data && node scripts/start.mjs`,
    url: `http://127.0.0.1:${port}/company/ports`,
    timeout: 300_000,
    env: { PORT: String(port), POIETRA_QUIET: '1', POIETRA_DATA: `${results}-data` },
  },
});
