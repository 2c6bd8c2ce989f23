/**
 * Packages that declare no types are run to see what they export: in a process of its own, without network, files or time
 * without end, in a page where nothing is anything.
 */
import { reasonOf } from '@poietra/core';
import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { builtinModules } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildSync } from 'esbuild';
import { confinedRun } from '../confined.js';
import { asData, asShipped } from '../loaders.js';
import { hasWhole } from '../modules.js';
import { findPackage, type ProjectPackage } from '../project.js';
import { shutProcess } from '../shut.js';
import { declared } from './declare.js';
export { definesElements, entriesDefining } from './defines-elements.js';
import { shownIn } from './shown.js';
import { tellExports } from './tell.js';
import { tryMaking } from './try-making.js';
import { blankWorld } from './world.js';

/** Longer than any package takes to be loaded. In milliseconds. */
const mostTime = 10_000;
const mostText = 5_000_000;

/** Whether nothing says what the package exports, and it is there to be run. */
export function isUntyped(pkg: ProjectPackage, project: string): boolean {
  const { name, folder, manifest } = pkg;
  const [main, module] = [manifest['main'], manifest['module']];
  const files = [main, module, 'index.js'].filter((path): path is string => typeof path === 'string');
  const declarations = files.map((path) => path.replace(/(\.[cm]?js)?$/, '.d.ts'));
  const isDeclared =
    // What a package says of types may not have been shipped.
    ['types', 'typings'].some(
      (member) => typeof manifest[member] === 'string' && isShipped(folder, manifest[member]),
    ) ||
    /"types"/.test(JSON.stringify(manifest['exports'] ?? {})) ||
    declarations.some((path) => existsSync(join(folder, path)));
  const types = `@types/${name.replace(/^@/, '').replace('/', '__')}`;
  const isThere =
    manifest['exports'] !== undefined ||
    files.some((path) => ['', '.js'].some((ending) => existsSync(join(folder, path + ending))));
  return !isDeclared && isThere && hasWhole(pkg) && findPackage(project, types) === undefined;
}

const isShipped = (folder: string, path: string): boolean =>
  ['', '.d.ts', '.ts', '/index.d.ts'].some((ending) =>
    statSync(join(folder, path + ending), { throwIfNoEntry: false })?.isFile(),
  );

/**
 * Declarations for the package, from what it shows, or of its elements alone; `failed` where it cannot be run. `entries` are
 * imported instead of the whole, where there is none.
 */
export function declaredByRunning(
  project: string,
  { name }: ProjectPackage,
  onlyElements = false,
  entries: readonly string[] = [],
): { readonly text: string } | { readonly failed: string } {
  let script: string;
  try {
    script = scriptFor(
      project,
      entries.length > 0 ? wholeOf(entries) : `import * as all from ${JSON.stringify(name)};`,
    );
  } catch (error) {
    const [first] = (error as { errors?: { text: string }[] }).errors ?? [];
    return { failed: first?.text ?? reasonOf(error) };
  }
  const folder = mkdtempSync(join(tmpdir(), 'poietra-'));
  try {
    const path = join(folder, 'package.cjs');
    writeFileSync(path, script);
    const [command = process.execPath, ...args] = confinedRun(path);
    const { stdout, stderr, error } = spawnSync(command, args, {
      timeout: mostTime,
      killSignal: 'SIGKILL',
      maxBuffer: mostText,
      encoding: 'utf8',
      env: { NODE_NO_WARNINGS: '1', PATH: '/usr/bin:/bin' },
    });
    const said = stdout.split('\n').findLast((line) => line.startsWith(mark));
    if (said === undefined)
      return {
        failed: error
          ? 'it did not come to an end'
          : (/^\w*(?:Error|Exception)\b.*/m.exec(stderr)?.[0] ?? 'it ended without an answer'),
      };
    const shown = shownIn(JSON.parse(said.slice(mark.length)));
    return { text: declared(onlyElements ? { ...shown, exports: [] } : shown) };
  } catch (error) {
    return { failed: reasonOf(error) };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

const mark = 'poietra shows ';
/** A look has no part in what is exported. */
const asNothing = Object.fromEntries(
  ['css', 'less', 'scss', 'sass', 'styl', 'woff', 'woff2', 'ttf'].map((ending) => [`.${ending}`, 'empty' as const]),
);

const wholeOf = (entries: readonly string[]): string =>
  `${entries.map((entry) => `import ${JSON.stringify(entry)};`).join('\n')}\nconst all = {};`;

/** `importing`: what makes `all` of the package's exports. */
function scriptFor(project: string, importing: string): string {
  const { outputFiles } = buildSync({
    stdin: {
      contents: `${importing}
poietraLater();
const told = (${tellExports.toString()})(all, poietraDefined, ${tryMaking.toString()});
poietraSay(${JSON.stringify(mark)} + JSON.stringify(told));`,
      resolveDir: project,
      loader: 'js',
      sourcefile: 'shown-entry.js',
    },
    bundle: true,
    write: false,
    format: 'cjs',
    platform: 'browser',
    // Node's own modules are there in name; what they would reach is shut.
    external: ['node:*', ...builtinModules],
    mainFields: ['browser', 'module', 'main'],
    // What checks its properties is often left out of what is made for use.
    conditions: ['development', 'module'],
    target: 'node20',
    outdir: 'out',
    define: { 'process.env.NODE_ENV': '"development"' },
    loader: { ...asData, ...asShipped, ...asNothing },
    // What it says while it is loaded is no answer.
    banner: {
      js: `globalThis.poietraSay = ((write) => (text) => write('\\n' + text + '\\n'))(process.stdout.write.bind(process.stdout));
console.log = console.info = console.warn = console.error = () => {};
${shutProcess}
${blankWorld}`,
    },
    logLevel: 'silent',
    legalComments: 'none',
  });
  return outputFiles.find(({ path }) => path.endsWith('.js'))?.text ?? '';
}
