/** Builds the libraries, the server and the workbench; with --if-needed only where a source is newer than what was built. */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { cpSync, existsSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const home = join(import.meta.dirname, '..');
const stamp = join(home, 'apps/workbench/dist/.built');

function newest(folder) {
  let time = 0;
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    // What a package brings along of the docs is copied there when it is packed.
    if (['node_modules', 'dist', 'test', '.cache', 'docs'].includes(entry.name)) continue;
    const path = join(folder, entry.name);
    time = Math.max(time, entry.isDirectory() ? newest(path) : statSync(path).mtimeMs);
  }
  return time;
}

export async function build({ ifNeeded = false } = {}) {
  if (ifNeeded && existsSync(stamp)) {
    const built = statSync(stamp).mtimeMs;
    const sources = ['packages', 'apps', 'scripts'].map((folder) => newest(join(home, folder)));
    if (Math.max(...sources, statSync(join(home, 'package-lock.json')).mtimeMs) < built) return;
  }
  const esbuild = await import('esbuild');
  const common = {
    format: 'esm',
    target: 'es2022',
    sourcemap: true,
    logLevel: 'warning',
    jsx: 'automatic',
    jsxSideEffects: true,
  };
  const node = {
    ...common,
    bundle: true,
    packages: 'external',
    platform: 'node',
    target: 'node20',
    conditions: ['source'],
  };
  /** File by file, so that an application takes the files that it uses, and fetches others when it uses them. */
  const library = async (name) => {
    const [from, to] = ['src', 'dist'].map((folder) => join(home, 'packages', name, folder));
    const files = readdirSync(from, { recursive: true });
    rmSync(to, { recursive: true, force: true });
    for (const file of files.filter((one) => one.endsWith('.css'))) cpSync(join(from, file), join(to, file));
    await esbuild.build({
      // Whose build it is in the end, development or production, the application's bundler says.
      define: { 'process.env.NODE_ENV': 'process.env.NODE_ENV' },
      ...common,
      supported: { 'import-attributes': true },
      entryPoints: files.filter((one) => /\.(tsx?|json)$/.test(one)).map((file) => join(from, file)),
      outbase: from,
      outdir: to,
    });
    // JSON becomes a module like any other: not every bundler reads it, and Node warns of it.
    for (const file of readdirSync(to, { recursive: true }).filter((one) => one.endsWith('.js'))) {
      const text = readFileSync(join(to, file), 'utf8');
      const plain = text.replace(/\.json" with \{ type: "json" \}/g, '.js"');
      if (plain !== text) writeFileSync(join(to, file), plain);
    }
  };
  const { validatorRuntime } = await import('./validator-runtime.mjs');
  await validatorRuntime();
  console.error('Building the libraries and the server …');
  // Our own packages are bundled in from source; those from the registry stay outside.
  const ours = {
    name: 'ours',
    setup: (builder) =>
      builder.onResolve({ filter: /^@poietra\// }, ({ path }) => {
        const [, room, below = ''] = path.split('/');
        return { path: join(home, 'packages', room, 'src', below, 'index.ts') };
      }),
  };
  await Promise.all([
    library('core'),
    library('react'),
    esbuild.build({
      ...node,
      plugins: [ours],
      entryPoints: [join(home, 'apps/server/src/main.ts'), join(home, 'apps/server/src/inspect-worker.ts')],
      outdir: join(home, 'apps/server/dist'),
    }),
    esbuild.build({
      ...node,
      plugins: [ours],
      entryPoints: [join(home, 'packages/cli/src/main.ts'), join(home, 'packages/cli/src/contract.ts')],
      banner: { js: '#!/usr/bin/env node' },
      outdir: join(home, 'packages/cli/dist'),
    }),
  ]);
  const { throughDoors } = await import('./through-doors.mjs');
  await throughDoors(home);
  console.error('Building the workbench …');
  // Side by side: none needs what the others write.
  await Promise.all([
    run('npx', ['tsc', '-p', 'packages/core/tsconfig.build.json']).then(() =>
      run('npx', ['tsc', '-p', 'packages/react/tsconfig.build.json']),
    ),
    run('npx', ['vite', 'build', '--logLevel', 'warn'], join(home, 'apps/workbench')),
    run('node', ['scripts/own-sources.mjs']),
  ]);
  writeFileSync(stamp, '');
}

async function run(command, args, cwd = home) {
  const child = spawn(command, args, { cwd, stdio: ['inherit', 2, 2] });
  const [status] = await once(child, 'exit');
  if (status !== 0) process.exit(status ?? 1);
}

if (process.argv[1] === import.meta.filename) await build({ ifNeeded: process.argv.includes('--if-needed') });
