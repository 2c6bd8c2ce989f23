/** The command line as others have it: packed, installed into a project of one's own, and used there. */
import { expect, test } from '@playwright/test';
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { frameOf } from './support.js';

const home = join(import.meta.dirname, '..');
let folder: string;
let server: ChildProcess | undefined;
const run = (command: string, ...args: string[]) =>
  spawnSync(command, args, { cwd: folder, encoding: 'utf8', env: { ...process.env, INIT_CWD: folder } });

test.beforeAll(() => {
  test.setTimeout(240_000);
  folder = mkdtempSync(join(tmpdir(), 'poietra-installed-'));
  spawnSync('node', [join(home, 'scripts/pack-cli.mjs'), folder]);
  const tarball = readdirSync(folder).find((name) => name.endsWith('.tgz')) ?? 'no tarball';
  const desk = {
    name: 'harbour-desk',
    private: true,
    type: 'module',
    dependencies: { react: '19', 'react-dom': '19', 'react-colorful': '5.8.1' },
    devDependencies: { '@poietra/cli': `file:./${tarball}` },
  };
  writeFileSync(join(folder, 'package.json'), JSON.stringify(desk));
  mkdirSync(join(folder, 'src'));
  writeFileSync(
    join(folder, 'src/tide-mark.tsx'),
    `export interface TideMarkProps { readonly value?: string; onChange?(mark: string): void; readonly id?: string }
export const TideMark = ({ value = '', onChange, id }: TideMarkProps) => (
  <input id={id} value={value} onChange={(event) => onChange?.(event.target.value)} />
);
`,
  );
  expect(run('npm', 'install', '--no-audit', '--no-fund', '--silent').status).toBe(0);
});
test.afterAll(() => {
  server?.kill();
  rmSync(folder, { recursive: true, force: true });
});

test('lists, checks and writes', () => {
  test.setTimeout(120_000);
  expect(run('npx', 'poietra', 'inspect', '.').stdout).toMatch(/TideMark +component +value → onChange/);
  const checked = run('npx', 'poietra', 'check', '.', '--only', 'HexColorInput', '--brief', '--wanted', '0');
  expect(checked.stdout).toMatch(/react-colorful#HexColorInput +\d+ passed/);
  const kit = { poietra: 1, name: 'Desk', inputs: {}, adapters: {}, codecs: {}, fields: {}, groups: {}, forms: {} };
  writeFileSync(join(folder, 'kit.json'), JSON.stringify(kit));
  expect(run('npx', 'poietra', 'generate', 'kit.json', '--out', 'forms').status).toBe(0);
  expect(readdirSync(join(folder, 'forms'))).toContain('README.md');
  const broken = run('npx', 'poietra', 'generate', 'missing.json', '--out', 'forms');
  expect([broken.status, broken.stderr.includes('missing.json')]).toEqual([2, true]);
});

test('opens the workbench on the project, with an empty kit and the project’s own inputs', async ({ page }) => {
  const own = spawn('npx', ['poietra'], { cwd: folder, env: { ...process.env, INIT_CWD: folder, PORT: '0' } });
  server = own;
  const address = await new Promise<string>((resolve) => {
    let said = '';
    own.stdout.on('data', (text) => {
      said += String(text);
      const found = /http:\S+/.exec(said)?.[0];
      if (found !== undefined) resolve(found);
    });
  });
  await page.goto(`${address}inputs`);
  await expect(page.getByText('harbour-desk').first()).toBeVisible();
  await page.getByRole('link', { name: /^TideMark/ }).click();
  await expect(frameOf(page, /TideMark/).getByRole('textbox')).toBeVisible({ timeout: 30_000 });
});
