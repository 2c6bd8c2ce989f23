/**
 * What is handed over, in an application that was made for it: outside the repository, from tarballs, strict. Three kits,
 * with the libraries and on their own, under either generation of React: compiled, linted, their own tests run, and every
 * form drawn, filled, loaded and sent in a browser.
 */
import { compileSchema, kitDocuments, startValue, type Kit } from '@poietra/core';
import { handOver, type OwnSources } from '@poietra/core/handover';
import { expect, test, type Page } from '@playwright/test';
import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { dirname, extname, join } from 'node:path';
import { examples } from '../apps/workbench/src/pages/shelf/examples.js';
import { ownWords } from '../packages/own/test/own-words.js';

const home = join(import.meta.dirname, '..');
const read = (path: string): unknown => JSON.parse(readFileSync(join(home, path), 'utf8'));
const demo = read('demo/kit.json') as Kit;
const sources = read('packages/own/dist/sources.json') as OwnSources;
const words = ownWords(demo);
const kits: Readonly<Record<string, Kit>> = {
  demo,
  words: {
    ...words,
    forms: {
      ...words.forms,
      "quote's `${x}` */ class": {
        title: '"Quoted" `${title}` */',
        schema: {
          type: 'object',
          properties: { class: { type: 'string' }, "it's": { type: 'integer' }, 'await ': { type: 'boolean' } },
        },
      },
    },
  },
  shelf: { ...words, adapters: {}, codecs: {}, forms: Object.fromEntries(examples.map(({ id, form }) => [id, form])) },
};
const ways = { libraries: undefined, own: sources } as const;

interface Drawn {
  readonly key: string;
  readonly path: string;
  readonly values: unknown;
  readonly isGood: boolean;
}
/** Every form with a value that it is loaded with. */
const drawn: Drawn[] = [];
const files = new Map<string, string>();
const packages = new Set<string>();
for (const [name, kit] of Object.entries(kits))
  for (const [way, own] of Object.entries(ways)) {
    // Two folders deep: the project's own inputs are named from its root.
    const folder = `handed/${name}-${way}`;
    const handed = handOver(kit, { own, depth: 2 });
    for (const { path, text } of handed) files.set(`${folder}/${path}`, text);
    const readme = handed.find(({ path }) => path === 'README.md')?.text ?? '';
    for (const one of /npm install (.*)/.exec(readme)?.[1]?.split(' ') ?? []) packages.add(one);
    const index = handed.find(({ path }) => path === 'index.ts')?.text ?? '';
    const forms = [...index.matchAll(/(\w+Form), type \w+FormProps } from '\.\/(forms\/.*)\.js'/g)];
    Object.values(kit.forms).forEach(({ schema }, i) => {
      const compiled = compileSchema(schema, { documents: kitDocuments(kit), assertFormats: true });
      const values = startValue(compiled) ?? {};
      const [, component = '', path = ''] = forms[i] ?? [];
      drawn.push({
        key: `${name}-${way}-${i}`,
        path: `../${folder}/${path}.js#${component}`,
        values,
        isGood: compiled.accepts(values),
      });
    });
  }

const page = `import { createElement, type ComponentType } from 'react';
import { createRoot } from 'react-dom/client';

const forms: Readonly<Record<string, () => Promise<unknown>>> = {
${drawn.map(({ key, path }) => `  '${key}': async () => (await import('${path.split('#')[0] ?? ''}')).${path.split('#')[1] ?? ''},\n`).join('')}};
const asked = new URLSearchParams(location.search);
const Form = (await forms[asked.get('form') ?? '']?.()) as ComponentType<{ values?: unknown; send(sent: unknown): Promise<unknown> }>;
const values: unknown = JSON.parse(asked.get('values') ?? 'null') ?? undefined;
const send = (sent: unknown) => {
  document.title = \`sent \${JSON.stringify(sent)}\`;
  return Promise.resolve({ kind: 'accepted', answer: {} });
};
createRoot(document.getElementById('desk') as HTMLElement).render(createElement(Form, { values, send }));
`;
const compilerOptions = {
  ...{ target: 'ES2022', module: 'ESNext', moduleResolution: 'bundler', jsx: 'react-jsx', strict: true, noEmit: true },
  ...{
    noUncheckedIndexedAccess: true,
    exactOptionalPropertyTypes: true,
    noUnusedLocals: true,
    noUnusedParameters: true,
  },
  ...{ skipLibCheck: true, resolveJsonModule: true, types: ['node', 'vite/client'] },
  ...{ lib: ['ES2023', 'DOM', 'DOM.Iterable'] },
};
const around: Readonly<Record<string, string>> = {
  'tsconfig.json': JSON.stringify({ compilerOptions, include: ['src', 'handed'] }),
  'eslint.config.mjs': `import tseslint from 'typescript-eslint';
export default tseslint.config({
  files: ['handed/**/*.ts', 'handed/**/*.tsx'],
  // What came along of the libraries, and code that was typed into the kit.
  ignores: ['handed/*/own/**', 'handed/**/*.code.ts'],
  extends: tseslint.configs.strictTypeChecked,
  languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
});
`,
  'src/page.tsx': page,
  'index.html':
    '<!doctype html><html lang="en"><title>Desk</title><link rel="icon" href="data:,"><div id="desk"></div><script type="module" src="/src/page.tsx"></script></html>',
  'build.mjs': `import { build } from 'vite';
await build({ configFile: false, logLevel: 'error', build: { target: 'es2022', chunkSizeWarningLimit: 5000 } });
`,
};

test.describe.configure({ mode: 'serial', timeout: 400_000 });
let folder: string;
let server: Server | undefined;
const run = (command: string, ...args: string[]): void => {
  const { status, stdout, stderr } = spawnSync(command, args, { cwd: folder, encoding: 'utf8' });
  const said = `${command} ${args.join(' ')}: ${String(status)}\n${status === 0 ? '' : stdout + stderr}`;
  expect(said).toBe(`${command} ${args.join(' ')}: 0\n`);
};
const quietly = ['--no-audit', '--no-fund', '--silent', '--legacy-peer-deps'];

test.beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'poietra-fresh-'));
  for (const name of ['core', 'react'])
    spawnSync('npm', ['pack', '--pack-destination', folder], { cwd: join(home, 'packages', name) });
  const versions = ['package.json', 'apps/workbench/package.json'].map(
    (path) => read(path) as Record<'dependencies' | 'devDependencies', Record<string, string> | undefined>,
  );
  const version = (name: string): string =>
    versions.flatMap((one) => one.dependencies?.[name] ?? one.devDependencies?.[name] ?? [])[0] ?? '*';
  // Of the project's own inputs, too.
  const project = (read('demo/project/package.json') as { dependencies: Record<string, string> }).dependencies;
  const wanted = [...packages, `signature_pad@${project['signature_pad'] ?? '*'}`].filter(
    (one) => !one.startsWith('@poietra/') && !/^react(-dom)?$/.test(one),
  );
  const desk = {
    ...{ name: 'desk', private: true, type: 'module' },
    dependencies: {
      '@poietra/core': 'file:./poietra-core-0.1.0.tgz',
      '@poietra/react': 'file:./poietra-react-0.1.0.tgz',
      ...Object.fromEntries(
        wanted.map((one) => {
          const [, name = '', asked = ''] = /^(@?[^@]+)@?(.*)$/.exec(one) ?? [];
          return [name, asked];
        }),
      ),
      ...{ react: '19', 'react-dom': '19' },
    },
    devDependencies: {
      ...{ '@types/react': '19', '@types/react-dom': '19', '@types/node': '20' },
      ...Object.fromEntries(
        ['eslint', 'typescript', 'typescript-eslint', 'vite', 'esbuild'].map((name) => [name, version(name)]),
      ),
    },
  };
  const all = [...files, ...Object.entries(around), ['package.json', JSON.stringify(desk)] as const];
  for (const [path, text] of all) {
    mkdirSync(dirname(join(folder, path)), { recursive: true });
    writeFileSync(join(folder, path), text);
  }
  // The demo project's own inputs, which two adapters name.
  cpSync(join(home, 'demo/project/src'), join(folder, 'src'), { recursive: true });
  run('npm', 'install', ...quietly);
});
test.afterAll(() => {
  server?.close();
  rmSync(folder, { recursive: true, force: true });
});

test('compiles, lints, and passes its own tests under React 19', () => {
  run('npx', 'tsc', '-p', '.');
  run('npx', 'eslint', 'handed', '--max-warnings', '0');
  const tests = [...files.keys()].filter((path) => path.endsWith('.test.ts'));
  expect(tests.length).toBeGreaterThan(20);
  run(
    'npx',
    'esbuild',
    ...tests,
    '--bundle',
    '--platform=node',
    '--format=esm',
    '--outdir=tested',
    '--out-extension:.js=.mjs',
    '--log-level=error',
  );
  run('node', '--test', 'tested/');
});

test('draws, loads, fills and sends every form under React 19', ({ page }) => drawsAll(page));

test('compiles, draws, loads, fills and sends it under React 18.3', async ({ page }) => {
  run('npm', 'install', 'react@18.3', 'react-dom@18.3', '@types/react@18', '@types/react-dom@18', ...quietly);
  run('npx', 'tsc', '-p', '.');
  await drawsAll(page);
});

async function drawsAll(page: Page): Promise<void> {
  run('node', 'build.mjs');
  server?.close();
  const types: Readonly<Record<string, string>> = {
    '.js': 'text/javascript',
    '.css': 'text/css',
    '.html': 'text/html',
  };
  const own = createServer((request, response) => {
    const { pathname } = new URL(request.url ?? '/', 'http://desk');
    const path = pathname === '/' ? '/index.html' : pathname;
    try {
      const text = readFileSync(join(folder, 'dist', path));
      response.setHeader('Content-Type', types[extname(path)] ?? 'application/octet-stream');
      response.end(text);
    } catch {
      response.writeHead(404).end();
    }
  }).listen(0);
  server = own;
  const address = `http://localhost:${(own.address() as AddressInfo).port}/`;
  let sent = 0;
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(`${page.url()}: ${String(error)}`));
  for (const { key, values, isGood } of drawn)
    await test.step(key, async () => {
      const loaded = new URLSearchParams({ form: key, values: JSON.stringify(values) });
      await page.goto(`${address}?${loaded}`);
      await expect(page.locator('form.poietra-form')).toBeVisible();
      const send = page.getByRole('button', { name: /^(Send|Senden|Send inn)$/ });
      // A form of several pages is sent from its last one.
      if (await send.count()) {
        await send.last().click();
        // Something is to be mended, or it was sent: the schema says which.
        const told = page.locator('.poietra-summary li').first();
        await expect(async () =>
          expect((await page.title()).startsWith('sent ') || (await told.count()) > 0).toBe(true),
        ).toPass();
        if (isGood) expect(await page.title(), await page.locator('form').innerText()).toMatch(/^sent /);
        if ((await page.title()).startsWith('sent ')) sent++;
      }
      await page.goto(`${address}?form=${key}`);
      // What is computed or read only stays as it is.
      const box = page.locator('form input[type=text]:not([readonly], [disabled])').filter({ visible: true }).first();
      if (await box.count()) {
        await box.fill('1');
        await expect(box).toHaveValue('1');
      }
    });
  expect(errors).toEqual([]);
  // Most of them have a value that they can be sent with.
  expect(sent).toBeGreaterThan(drawn.length / 2);
}
