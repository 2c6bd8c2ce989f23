/** What an application's own tests run: the contract of each adapter, worked in the browser by Playwright. */
import type { Kit } from '../kit/index.js';
import type { HandoverFile } from './file.js';
import { called } from './named.js';
import { literal } from './source.js';

/** Scripts, and not typed ones: an application that has no Playwright need not know of them. */
export function contractFiles(kit: Kit): HandoverFile[] {
  const adapters = [...called(kit, 'adapters')].map(([adapter, { file, value }]) => ({
    adapter,
    file: `${file}.ts`,
    called: value,
  }));
  if (adapters.length === 0) return [];
  return [
    {
      path: 'contract/adapters.mjs',
      text: `/** Every adapter of this folder, as its source has it by now, put to the contract in a real browser. */
import { contractOf } from '@poietra/cli/contract';
import { expect, test } from '@playwright/test';

const folder = new URL('..', import.meta.url);
const adapters = ${literal(adapters)};

for (const one of adapters)
  test(\`\${one.adapter} keeps the contract of an adapter\`, async ({ browser }) => {
    expect(await contractOf(folder, one, browser)).toEqual([]);
  });
`,
    },
    {
      path: 'contract/playwright.config.mjs',
      text: `/** npx playwright test --config contract/playwright.config.mjs; CHROMIUM names one that is there already. */
export default {
  testDir: '.',
  testMatch: 'adapters.mjs',
  // All checks of an adapter take a few seconds, and more where many run side by side.
  timeout: 120_000,
  projects: [{ name: 'chromium', use: { browserName: 'chromium', launchOptions: { executablePath: process.env.CHROMIUM } } }],
};
`,
    },
  ];
}
