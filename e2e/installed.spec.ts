/** The command line as others have it: packed, installed into a project of one's own, and used there. */
import { expect, test } from '@playwright/test';
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { frameOf } from './support.js';

const home = join(import.meta.dirname, '..');
let folder: string;
let server: ChildProcess | undefined;
const run = (command: string, ...args: string[]) =>
  spawnSync(command, args, { cwd: folder, encoding: 'utf8', env: { ...process.env, INIT_CWD: folder } });

test.beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'poietra-installed-'));
  const packed = spawnSync('node', [join(home, 'scripts/pack-cli.mjs'), folder], { encoding: 'utf8' });
  expect(packed.status, packed.stderr).toBe(0);
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
  const installed = run('npm', 'install', '--no-audit', '--no-fund');
  expect(installed.status, installed.stderr).toBe(0);
  // With what it said: the command was missing now and then, and nothing had failed.
  expect(readdirSync(join(folder, 'node_modules/.bin')), installed.stdout + installed.stderr).toContain('poietra');
});
test.afterAll(() => {
  // With all that it has started: what is called by way of npx is not the server itself.
  if (server?.pid !== undefined && server.exitCode === null) process.kill(-server.pid);
  rmSync(folder, { recursive: true, force: true });
});

test('lists, checks and writes', () => {
  const inspected = run('npx', 'poietra', 'inspect', '.');
  expect(inspected.stdout || inspected.stderr).toMatch(/TideMark +component +value → onChange/);
  const checked = run('npx', 'poietra', 'check', '.', '--only', 'HexColorInput', '--brief', '--wanted', '0');
  expect(checked.stdout).toMatch(/react-colorful#HexColorInput +\d+ passed/);
  const kit = { poietra: 1, name: 'Desk', inputs: {}, adapters: {}, codecs: {}, fields: {}, groups: {}, forms: {} };
  writeFileSync(join(folder, 'kit.json'), JSON.stringify(kit));
  expect(run('npx', 'poietra', 'generate', 'kit.json', '--out', 'forms').status).toBe(0);
  expect(readdirSync(join(folder, 'forms'))).toContain('README.md');
  // What the tests of a hand-over import.
  const contract = "console.log(typeof (await import('@poietra/cli/contract')).contractOf)";
  expect(run('node', '--input-type=module', '--eval', contract).stdout.trim()).toBe('function');
  const broken = run('npx', 'poietra', 'generate', 'missing.json', '--out', 'forms');
  expect([broken.status, broken.stderr.includes('missing.json')]).toEqual([2, true]);
});

test('writes source that stands on its own, for either generation of React', () => {
  const colour = {
    input: 'react-colorful#HexColorPicker',
    value: { property: 'color' },
    change: { report: 'onChange', path: '/0' },
    focus: { by: 'inner', selector: '[tabindex="0"]' },
  };
  const input = {
    family: 'component',
    package: 'react-colorful',
    version: '5.8.1',
    export: 'HexColorPicker',
    module: 'react-colorful',
    css: [],
  };
  const kit = {
    poietra: 1,
    name: 'Desk',
    inputs: { [colour.input]: input },
    adapters: { 'deck-colour': colour },
    codecs: { 'freight-charge': { kind: 'money', options: { digits: 2 }, cases: [{ shown: '12.50', sent: 1250 }] } },
    fields: {
      charge: { adapter: 'native:text', codec: 'freight-charge' },
      deck: { adapter: 'deck-colour', codec: 'text' },
    },
    groups: {},
    forms: {
      form: {
        title: 'Deck',
        schema: {
          type: 'object',
          required: ['charge'],
          properties: {
            charge: { type: 'integer', 'x-poietra': { field: 'charge' } },
            deck: { type: 'string', 'x-poietra': { field: 'deck' } },
            parts: { type: 'array', items: { type: 'object', properties: { on: { type: 'string', format: 'date' } } } },
          },
        },
      },
    },
  };
  writeFileSync(join(folder, 'own.json'), JSON.stringify(kit));
  expect(run('npx', 'poietra', 'generate', 'own.json', '--out', 'src/own', '--own').status).toBe(0);
  const line = /npm (install .*)/.exec(readFileSync(join(folder, 'src/own/README.md'), 'utf8'))?.[1] ?? '';
  expect(line).not.toContain('poietra');
  writeFileSync(
    join(folder, 'src/desk.tsx'),
    `import { renderToString } from 'react-dom/server';
import { DeckColour, freightCharge, FormRecordForm } from './own/index.js';
import { accepts, validate } from './own/forms/form.validate.js';

const held = freightCharge.parse('12.50');
const drawn = renderToString(<DeckColour id="deck" value="#2a4d6e" change={() => undefined} labelledBy="words" />);
const form = renderToString(<FormRecordForm send={() => Promise.resolve({ kind: 'accepted', answer: null })} />);
console.log(
  JSON.stringify([held, accepts({ charge: 1250 }), validate({}).problems[0]?.message, drawn.includes('aria-labelledby="words"'), form.includes('Charge')]),
);
`,
  );
  const compilerOptions = {
    ...{
      target: 'ES2022',
      module: 'ESNext',
      moduleResolution: 'bundler',
      jsx: 'react-jsx',
      strict: true,
      noEmit: true,
    },
    ...{ noUncheckedIndexedAccess: true, exactOptionalPropertyTypes: true, noUnusedLocals: true, skipLibCheck: true },
    ...{ resolveJsonModule: true, lib: ['ES2023', 'DOM', 'DOM.Iterable'], types: ['node'] },
  };
  writeFileSync(
    join(folder, 'tsconfig.json'),
    JSON.stringify({ compilerOptions, include: ['src/own', 'src/desk.tsx'] }),
  );
  for (const react of ['19', '18.3']) {
    const wanted = [line.replace('react react-dom', `react@${react} react-dom@${react}`).split(' ')].flat();
    const types = [
      'typescript@6',
      '@types/node@20',
      `@types/react@${react}`,
      `@types/react-dom@${react.split('.')[0] ?? ''}`,
    ];
    expect(run('npm', ...wanted, ...types, '--no-audit', '--no-fund', '--silent').status).toBe(0);
    expect(run('npx', 'tsc', '-p', '.').stdout).toBe('');
    const built = run(
      'npx',
      'esbuild',
      'src/desk.tsx',
      '--bundle',
      '--platform=node',
      '--format=esm',
      '--jsx=automatic',
      '--outfile=desk.mjs',
      '--banner:js=import { createRequire } from "node:module"; const require = createRequire(import.meta.url);',
    );
    expect(built.stderr).not.toContain('error');
    expect(JSON.parse(run('node', 'desk.mjs').stdout)).toEqual([
      { ok: true, held: 1250 },
      true,
      '“charge” is missing.',
      true,
      true,
    ]);
  }
});

test('opens the workbench on the project, with an empty kit and the project’s own inputs', async ({ page }) => {
  const own = spawn('npx', ['poietra'], {
    cwd: folder,
    env: { ...process.env, INIT_CWD: folder, PORT: '0' },
    detached: true,
  });
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
  await page.getByRole('link', { name: /^TideMark/ }).click({ timeout: 60_000 });
  await expect(frameOf(page, /TideMark/).getByRole('textbox')).toBeVisible({ timeout: 30_000 });
});
