import { build, type BuildFailure } from 'esbuild';
import { entry } from './bundle-entry.js';
import {
  codesOf,
  loadedOnDemand,
  missingLater,
  noBuiltIns,
  noneOfNode,
  oneFramework,
  ourPackages,
  sheetsByPath,
  sheetsMade,
} from './bundle-plugins.js';
import type { BundledInput, BundleOptions } from './bundle-options.js';
import { guardOf, onlyInside } from './inside.js';
import { filesOf, keptOr, type Made } from './kept-bundles.js';
import { asData, asShipped } from './loaders.js';
import { sassSheets } from './sass-sheets.js';
import { shutDoors, shutProcess } from './shut.js';

export interface Bundle {
  readonly script: string;
  readonly style: string;
}
/** The packages do not bundle; the message says where and why. */
export class BundleError extends Error {
  override name = 'BundleError';
}

/**
 * One script and one sheet for a stand's frame, from the project's own packages.
 * @throws {BundleError}
 */
export async function bundle(options: BundleOptions): Promise<Bundle> {
  return keptOr({ ...options, asked: ['page', options] }, () => make(options));
}

/** `waits` where a module waits as it is loaded, which only a function that is awaited can do in a script. */
async function make(options: BundleOptions, waits = false): Promise<Made<Bundle>> {
  const { project, home, start, inputs, codes = {}, handedOver } = options;
  const guard = guardOf(project, home);
  try {
    const result = await build({
      stdin: {
        contents: entry(start, inputs, codes, handedOver),
        resolveDir: project,
        loader: 'tsx',
        sourcefile: 'stand-entry.tsx',
      },
      bundle: true,
      write: false,
      metafile: true,
      format: waits ? 'esm' : 'iife',
      platform: 'browser',
      target: 'es2022',
      jsx: 'automatic',
      outdir: 'out',
      // Not “style”: where a package offers a sheet under its own name, its script is meant.
      conditions: ['browser'],
      define: {
        'process.env.NODE_ENV': '"development"',
        'process.env': '{}',
        global: 'globalThis',
        'import.meta.url': 'document.baseURI',
      },
      loader: { ...asData, ...asShipped },
      plugins: [
        ourPackages(home),
        oneFramework(project, home),
        codesOf(codes),
        sheetsByPath(project),
        noneOfNode,
        missingLater,
        onlyInside(guard),
        sassSheets(guard, home),
        sheetsMade,
      ],
      banner: { js: shutDoors },
      logLevel: 'silent',
      legalComments: 'none',
    });
    const text = (ending: string): string => result.outputFiles.find(({ path }) => path.endsWith(ending))?.text ?? '';
    const script = waits ? `(async () => {\n${text('.js')}\n})();` : text('.js');
    return { value: { script, style: text('.css') }, files: filesOf(result.metafile) };
  } catch (error) {
    if (!waits && waitsAsItLoads(error)) return make(options, true);
    const others = withoutBroken(inputs, error);
    if (others.length > 0 && others.length < inputs.length) return make({ ...options, inputs: others }, waits);
    throw asBundleError(error, project);
  }
}

/**
 * One script for Node, that draws on the server.
 * @throws {BundleError}
 */
export async function bundleScript(options: BundleOptions): Promise<string> {
  return keptOr({ ...options, asked: ['server', options] }, () => makeScript(options));
}

/** What a script begins with that is a module: one of its own waits as it is loaded. */
export const asModule =
  "import { createRequire as poietraRequire } from 'node:module';\nconst require = poietraRequire('file:///');\n";

async function makeScript(options: BundleOptions, waits = false): Promise<Made<string>> {
  const { project, home, start, inputs, codes = {}, handedOver } = options;
  const guard = guardOf(project, home);
  try {
    const result = await build({
      // The class of an element belongs to the browser: on the server its tag is all there is.
      stdin: {
        contents: entry(start, inputs, codes, handedOver, false),
        resolveDir: project,
        loader: 'tsx',
        sourcefile: 'server-entry.tsx',
      },
      bundle: true,
      write: false,
      metafile: true,
      format: waits ? 'esm' : 'cjs',
      platform: 'node',
      // What a bundler takes first; the other may ask for its own modules in a way that none can follow.
      mainFields: ['module', 'main'],
      target: 'node20',
      jsx: 'automatic',
      outdir: 'out',
      define: { 'process.env.NODE_ENV': '"development"' },
      loader: {
        ...asData,
        ...asShipped,
        '.css': 'empty',
        '.woff': 'empty',
        '.woff2': 'empty',
        '.ttf': 'empty',
      },
      plugins: [
        noBuiltIns,
        ourPackages(home),
        oneFramework(project, home),
        codesOf(codes),
        missingLater,
        loadedOnDemand(project),
        onlyInside(guard),
        sassSheets(guard, home),
      ],
      banner: { js: waits ? `${asModule}${shutProcess}` : shutProcess },
      logLevel: 'silent',
      legalComments: 'none',
    });
    const value = result.outputFiles.find(({ path }) => path.endsWith('.js'))?.text ?? '';
    return { value, files: filesOf(result.metafile) };
  } catch (error) {
    if (!waits && waitsAsItLoads(error)) return makeScript(options, true);
    throw asBundleError(error, project);
  }
}

const waitsAsItLoads = (error: unknown): boolean =>
  ((error as Partial<BuildFailure>).errors ?? []).some(({ text }) => text.startsWith('Top-level await'));

/** The inputs but for those whose own module cannot be found: they must not take the others away. */
function withoutBroken(inputs: readonly BundledInput[], error: unknown): readonly BundledInput[] {
  const lines = ((error as Partial<BuildFailure>).errors ?? []).flatMap(({ location }) =>
    location?.file.endsWith('stand-entry.tsx') ? [location.lineText] : [],
  );
  const isBroken = (module: string): boolean => lines.some((line) => line.includes(JSON.stringify(module)));
  return inputs.filter(({ module, item }) => !isBroken(module) && !(item?.module && isBroken(item.module)));
}

function asBundleError(error: unknown, project: string): BundleError {
  const [first] = (error as Partial<BuildFailure>).errors ?? [];
  const where = first?.location
    ? ` (${first.location.file.replace(project, '').replace(/^.*node_modules\//, '')}, line ${first.location.line})`
    : '';
  return new BundleError(`${first?.text ?? String(error)}${where}. Is everything installed that it needs?`);
}
