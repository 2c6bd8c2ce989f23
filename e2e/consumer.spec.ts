/**
 * The libraries as others have them: packed, installed into an empty application outside the repository, checked, built,
 * drawn by a server, taken over in a browser that allows no script but the page's own, and used.
 */
import { expect, test } from '@playwright/test';
import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { extname, join } from 'node:path';

const packages = join(import.meta.dirname, '../packages');

const sources: Readonly<Record<string, string>> = {
  'tsconfig.json': JSON.stringify({
    compilerOptions: {
      target: 'ES2022',
      module: 'ESNext',
      moduleResolution: 'bundler',
      lib: ['ES2023', 'DOM', 'DOM.Iterable'],
      jsx: 'react-jsx',
      strict: true,
      noUncheckedIndexedAccess: true,
      exactOptionalPropertyTypes: true,
      skipLibCheck: false,
      noEmit: true,
      types: [],
    },
    include: ['src'],
  }),
  'src/desk.tsx': `import { compileSchema, loadExpressions, makePlan, openPlan } from '@poietra/core';
import { writeValidator } from '@poietra/core/handover';
import { PlannedForm } from '@poietra/react';
import { StrictMode, useState, type ReactNode } from 'react';

const schema = {
  type: 'object',
  required: ['name'],
  properties: {
    name: { title: 'Name', type: 'string' },
    port: { title: 'Port', enum: ['ALD', 'BRE'] },
    pieces: { title: 'Pieces', type: 'integer' },
    total: { title: 'Total', type: 'number', 'x-poietra': { computed: 'form.pieces * 2' } },
    lines: { title: 'Lines', type: 'array', items: { title: 'Line', type: 'object', properties: { kind: { title: 'Kind', type: 'string' } } } },
    day: { title: 'Day', type: 'string', format: 'date' },
  },
} as const;
const plan = makePlan(compileSchema(schema, { assertFormats: true }));
const expressions = await loadExpressions();
export const written = writeValidator(schema).length;

export function Desk({ onSent }: { onSent(sent: unknown): void }): ReactNode {
  const [form] = useState(() => openPlan(plan, { expressions }));
  return (
    <StrictMode>
      <PlannedForm form={form} plan={plan} send={async (sent) => (onSent(sent), { kind: 'accepted', answer: null })} />
    </StrictMode>
  );
}
`,
  'src/page.tsx': `import '@poietra/react/skin.css';
import { hydrateRoot } from 'react-dom/client';
import { Desk } from './desk.js';

const desk = document.getElementById('desk');
if (desk) hydrateRoot(desk, <Desk onSent={(sent) => (document.title = JSON.stringify(sent))} />);
`,
  'src/served.tsx': `import { renderToString } from 'react-dom/server';
import { Desk } from './desk.js';

export const drawn = renderToString(<Desk onSent={() => undefined} />);
`,
  'index.html':
    '<!doctype html><html lang="en"><head><title>Desk</title><link rel="icon" href="data:,"></head><body><main id="desk"><!--drawn--></main><script type="module" src="/src/page.tsx"></script></body></html>',
  'build.mjs': `import { build } from 'vite';
import { readFileSync, writeFileSync } from 'node:fs';

const common = { configFile: false, logLevel: 'error', build: { target: 'es2022' } };
await build(common);
await build({ ...common, build: { ...common.build, outDir: 'served', ssr: 'src/served.tsx' } });
const { drawn } = await import('./served/served.js');
const page = readFileSync('dist/index.html', 'utf8');
writeFileSync('dist/index.html', page.replace('<!--drawn-->', () => drawn));
`,
};

for (const react of ['18.3', '19'])
  test.describe(`an application under React ${react}`, () => {
    test.describe.configure({ mode: 'serial', timeout: 240_000 });
    let folder: string;
    const run = (command: string, ...args: string[]): string => {
      const { status, stdout, stderr } = spawnSync(command, args, { cwd: folder, encoding: 'utf8' });
      expect(`${command} ${args.join(' ')}: ${String(status)}\n${status === 0 ? '' : stdout + stderr}`).toBe(
        `${command} ${args.join(' ')}: 0\n`,
      );
      return stdout;
    };
    let server: Server | undefined;

    test.beforeAll(() => {
      folder = mkdtempSync(join(tmpdir(), 'poietra-consumer-'));
      for (const name of ['core', 'react'])
        spawnSync('npm', ['pack', '--pack-destination', folder], { cwd: join(packages, name) });
      // The versions that the repository itself is built with.
      const versions = ['package.json', 'apps/workbench/package.json'].map((path) => {
        const { dependencies, devDependencies } = JSON.parse(
          readFileSync(join(packages, '..', path), 'utf8'),
        ) as Record<'dependencies' | 'devDependencies', Record<string, string> | undefined>;
        return { ...dependencies, ...devDependencies };
      });
      const version = (name: string): string =>
        versions.map((one) => one[name]).find((one) => one !== undefined) ?? '*';
      const major = react === '19' ? '19' : '18';
      const desk = {
        name: 'desk',
        private: true,
        type: 'module',
        dependencies: {
          '@poietra/core': 'file:./poietra-core-0.1.0.tgz',
          '@poietra/react': 'file:./poietra-react-0.1.0.tgz',
          react,
          'react-dom': react,
        },
        devDependencies: {
          '@arethetypeswrong/cli': '^0.18.2',
          '@types/react': major,
          '@types/react-dom': major,
          publint: '^0.3.25',
          typescript: version('typescript'),
          vite: version('vite'),
        },
      };
      for (const [path, text] of Object.entries({ ...sources, 'package.json': JSON.stringify(desk) })) {
        mkdirSync(join(folder, path, '..'), { recursive: true });
        writeFileSync(join(folder, path), text);
      }
      run('npm', 'install', '--no-audit', '--no-fund', '--silent');
    });
    test.afterAll(() => {
      server?.close();
      rmSync(folder, { recursive: true, force: true });
    });

    test('finds its types and files sound', () => {
      run('npx', 'tsc', '-p', '.');
      run('npx', 'tsc', '-p', '.', '--module', 'nodenext', '--moduleResolution', 'nodenext');
      // What is packed does not depend on which React the application has; these two take the longest.
      if (react !== '19') return;
      for (const name of ['core', 'react']) {
        run('npx', 'publint', '--strict', `node_modules/@poietra/${name}`);
        run('npx', 'attw', '--profile', 'esm-only', `poietra-${name}-0.1.0.tgz`);
      }
    });

    test('draws on the server, is taken over under a strict policy, and sends', async ({ page }) => {
      run('node', 'build.mjs');
      const kinds: Readonly<Record<string, string>> = {
        '.html': 'text/html',
        '.js': 'text/javascript',
        '.css': 'text/css',
      };
      const own = createServer(({ url = '/' }, response) => {
        const path = url === '/' ? '/index.html' : new URL(url, 'http://desk').pathname;
        response.setHeader('Content-Type', kinds[extname(path)] ?? 'text/plain');
        response.setHeader(
          'Content-Security-Policy',
          "default-src 'none'; script-src 'self'; style-src 'self'; img-src data:; connect-src 'self'; require-trusted-types-for 'script'; trusted-types 'none'",
        );
        try {
          response.end(readFileSync(join(folder, 'dist', path)));
        } catch {
          response.writeHead(404).end();
        }
      }).listen(0, '127.0.0.1');
      server = own;
      await new Promise((resolve) => own.once('listening', resolve));
      const said: string[] = [];
      page.on('console', (message) => {
        if (['error', 'warning'].includes(message.type())) said.push(message.text());
      });
      page.on('pageerror', (error) => said.push(error.message));
      await page.goto(`http://127.0.0.1:${(own.address() as AddressInfo).port}/`);
      await page.getByRole('button', { name: 'Send' }).click();
      // The first field that has to be mended gets the focus, which the summary would have where none can.
      const name = page.getByRole('textbox', { name: /^Name/ });
      await expect(name).toBeFocused();
      await expect(page.getByText('One thing has to be mended:')).toBeVisible();
      await name.fill('Hareby');
      await page.getByRole('radio', { name: 'BRE' }).check();
      await page.getByRole('textbox', { name: 'Pieces' }).fill('21');
      await expect(page.getByRole('textbox', { name: 'Total' })).toHaveValue('42');
      await page.getByRole('button', { name: 'Add a line' }).click();
      await page.getByRole('textbox', { name: 'Kind' }).fill('timber');
      await page.getByRole('button', { name: 'Send' }).click();
      await expect(page).toHaveTitle(
        '{"name":"Hareby","port":"BRE","pieces":21,"total":42,"lines":[{"kind":"timber"}]}',
      );
      expect(said).toEqual([]);
    });
  });
