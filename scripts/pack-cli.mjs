/**
 * The command line as a package with everything that it needs: the built server and workbench, and the sources of what is
 * bundled with a project's inputs. `node scripts/pack-cli.mjs FOLDER` puts the tarball there, and prints its name.
 */
import { spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { build } from './build.mjs';

const home = join(import.meta.dirname, '..');
/** What lies in the package, as it lies in the repository: paths in the server and the command line are the same. */
const contents = [
  'LICENSE',
  'apps/server/dist',
  'apps/workbench/dist',
  'apps/workbench/src',
  'demo/company',
  'demo/kit.json',
  ...['core', 'react', 'stand'].flatMap((name) => [`packages/${name}/package.json`, `packages/${name}/src`]),
  'packages/cli/dist',
  'packages/cli/contract.d.ts',
  'packages/own/dist',
];
/** Those of whose packages the server, the command line and the frames are made; the page itself is built already. */
const makers = ['apps/server', 'packages/cli', 'packages/inputs', 'packages/stand', 'packages/core', 'packages/react'];
const ofFrames = ['react', 'react-dom', 'zod', '@preact/signals-core'];

export async function packCli(folder) {
  await build({ ifNeeded: true });
  const stage = mkdtempSync(join(tmpdir(), 'poietra-cli-'));
  try {
    for (const path of contents) cpSync(join(home, path), join(stage, path), { recursive: true });
    cpSync(join(home, 'packages/cli/README.md'), join(stage, 'README.md'));
    const read = (path) => JSON.parse(readFileSync(join(home, path, 'package.json'), 'utf8'));
    const all = Object.assign(
      {},
      read('apps/workbench').dependencies,
      ...makers.map((path) => read(path).dependencies),
    );
    const wanted = new Set([...makers.flatMap((path) => Object.keys(read(path).dependencies ?? {})), ...ofFrames]);
    const { private: _, dependencies: __, exports, ...own } = read('packages/cli');
    // Doors stand where the package stands in the repository.
    const doors = JSON.parse(
      JSON.stringify(exports)
        .replaceAll('"./', '"./packages/cli/')
        .replaceAll('"./packages/cli/contract":', '"./contract":'),
    );
    const names = [...wanted].filter((name) => !name.startsWith('@poietra/')).sort();
    writeFileSync(
      join(stage, 'package.json'),
      `${JSON.stringify({ ...own, exports: doors, bin: { poietra: 'packages/cli/dist/main.js' }, dependencies: Object.fromEntries(names.map((name) => [name, all[name]])) }, undefined, 2)}\n`,
    );
    mkdirSync(folder, { recursive: true });
    const { status, stdout, stderr } = spawnSync('npm', ['pack', '--pack-destination', resolve(folder)], {
      cwd: stage,
      encoding: 'utf8',
    });
    if (status !== 0) throw new Error(stderr);
    return join(resolve(folder), stdout.trim().split('\n').at(-1) ?? '');
  } finally {
    rmSync(stage, { recursive: true, force: true });
  }
}

if (process.argv[1] === import.meta.filename) console.log(await packCli(process.argv[2] ?? '.'));
