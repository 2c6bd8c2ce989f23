/** The contract in an application's own tests: what was handed over, worked by Playwright as its source stands there. */
import type { Kit } from '@poietra/core';
import { handOver, type OwnSources } from '@poietra/core/handover';
import { expect, test } from '@playwright/test';
import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { checkingPath } from '../packages/inputs/src/chromium.js';

const home = join(import.meta.dirname, '..');
const demo = JSON.parse(readFileSync(join(home, 'demo/kit.json'), 'utf8')) as Kit;
const sources = JSON.parse(readFileSync(join(home, 'packages/own/dist/sources.json'), 'utf8')) as OwnSources;
const names = ['day-picker', 'position'];
const kit: Kit = {
  ...demo,
  adapters: Object.fromEntries(Object.entries(demo.adapters).filter(([name]) => names.includes(name))),
  fields: {},
  groups: {},
  forms: {},
};
// Among the sources of the demo project, whose packages the adapters stand on.
const folder = join(home, 'demo/project/handed-contract');
test.afterAll(() => rmSync(folder, { recursive: true, force: true }));

function handed(own: OwnSources | undefined): void {
  rmSync(folder, { recursive: true, force: true });
  for (const { path, text } of handOver(kit, { own })) {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    writeFileSync(join(folder, path), text);
  }
}
function run(): { readonly status: number | null; readonly said: string } {
  const { status, stdout, stderr } = spawnSync(
    'npx',
    ['playwright', 'test', '--config', 'contract/playwright.config.mjs', '--reporter', 'list'],
    {
      cwd: folder,
      encoding: 'utf8',
      env: {
        PATH: process.env['PATH'],
        HOME: process.env['HOME'],
        CHROMIUM: checkingPath,
      },
    },
  );
  return { status, said: stdout + stderr };
}

test('adapters keep it, as they were handed over with the libraries', () => {
  handed(undefined);
  const { status, said } = run();
  expect(said).toContain('2 passed');
  expect(status).toBe(0);
});

test('on its own, one that was broken by hand says what it does not keep; the other one keeps it', () => {
  handed(sources);
  const file = join(folder, 'adapters/day-picker.ts');
  const before = readFileSync(file, 'utf8');
  const after = before.replace(/value: \{ property: '\w+'/, "value: { property: 'title'");
  expect(after).not.toBe(before);
  writeFileSync(file, after);
  const { status, said } = run();
  expect([said.includes('1 failed'), said.includes('1 passed'), status]).toEqual([true, true, 1]);
  expect(said).toMatch(/✘.*day-picker keeps the contract of an adapter/);
  expect(said).toMatch(/expected: .* Seen: .* To try: /);
});
