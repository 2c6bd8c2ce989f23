import { families, type FoundInput } from '@poietra/core';
import { build, type BuildFailure, type Loader, type Plugin } from 'esbuild';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { isBuiltIn, onlyInside } from './inside.js';
import { findPackage } from './project.js';
import { filesOf, keptOr, type Made } from './kept-bundles.js';
import { shutDoors, shutProcess } from './shut.js';

export interface Bundle {
  readonly script: string;
  readonly style: string;
}
export interface BundleOptions {
  /** The project folder, whose packages are taken. */
  readonly project: string;
  /** Where this repository's own packages are: they serve the framework where the project has none. */
  readonly home: string;
  /** The module that starts the frame, and the name of its function; it is called with the inputs. */
  readonly start: { readonly module: string; readonly name: string };
  readonly inputs: readonly BundledInput[];
  /** Codecs that are code, by name; the function gets them second. */
  readonly codes?: Readonly<Record<string, string>>;
  /** The file of an adapter that was handed over, and what it is called there. */
  readonly handedOver?: { readonly module: string; readonly name: string };
}

/** What has to be known of an input in order to bundle it. */
export type BundledInput = Pick<
  FoundInput,
  'id' | 'family' | 'export' | 'module' | 'registers' | 'tag' | 'css' | 'item'
>;

/** Pictures and fonts come with the script: a frame has no network. */
const asData = Object.fromEntries(
  ['svg', 'png', 'gif', 'jpg', 'jpeg', 'webp', 'avif', 'woff', 'woff2', 'ttf'].map((ending) => [
    `.${ending}`,
    'dataurl' as const,
  ]),
) satisfies Record<string, Loader>;

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

async function make(options: BundleOptions): Promise<Made<Bundle>> {
  const { project, home, start, inputs, codes = {}, handedOver } = options;
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
      format: 'iife',
      platform: 'browser',
      target: 'es2022',
      jsx: 'automatic',
      outdir: 'out',
      conditions: ['browser', 'style'],
      define: { 'process.env.NODE_ENV': '"development"', 'process.env': '{}' },
      loader: asData,
      plugins: [
        ourPackages(home),
        oneFramework(project, home),
        codesOf(codes),
        sheetsByPath(project),
        missingLater,
        onlyInside(project, home),
      ],
      banner: { js: shutDoors },
      logLevel: 'silent',
      legalComments: 'none',
    });
    const text = (ending: string): string => result.outputFiles.find(({ path }) => path.endsWith(ending))?.text ?? '';
    return { value: { script: text('.js'), style: text('.css') }, files: filesOf(result.metafile) };
  } catch (error) {
    const others = withoutBroken(inputs, error);
    if (others.length > 0 && others.length < inputs.length) return make({ ...options, inputs: others });
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

async function makeScript(options: BundleOptions): Promise<Made<string>> {
  const { project, home, start, inputs, codes = {}, handedOver } = options;
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
      format: 'cjs',
      platform: 'node',
      // What a bundler takes first; the other may ask for its own modules in a way that none can follow.
      mainFields: ['module', 'main'],
      target: 'node20',
      jsx: 'automatic',
      outdir: 'out',
      define: { 'process.env.NODE_ENV': '"development"' },
      loader: {
        ...asData,
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
        onlyInside(project, home),
      ],
      banner: { js: shutProcess },
      logLevel: 'silent',
      legalComments: 'none',
    });
    const value = result.outputFiles.find(({ path }) => path.endsWith('.js'))?.text ?? '';
    return { value, files: filesOf(result.metafile) };
  } catch (error) {
    throw asBundleError(error, project);
  }
}

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

/** Our own packages are those that lie beside us, whether a package manager knows of them or not. */
export function ourPackages(home: string): Plugin {
  return {
    name: 'our-packages',
    setup(builder) {
      builder.onResolve({ filter: /^@poietra\/(core|react|stand)(\/|$)/ }, ({ path }) => {
        const [, name = '', ...below] = path.split('/');
        const at = join(home, 'packages', name, 'src', ...below);
        const files = /\.css$/.test(path) ? [at] : [join(at, 'index.ts'), `${at}.ts`];
        return { path: files.find((file) => existsSync(file)) ?? at };
      });
    },
  };
}

/** Two copies of the framework on one page break its hooks: the project's own copy serves all, ours only where it has none. */
function oneFramework(project: string, home: string): Plugin {
  const from = existsSync(join(project, 'node_modules/react')) ? project : home;
  return {
    name: 'one-framework',
    setup(builder) {
      builder.onResolve({ filter: /^react(-dom)?(\/|$)/ }, ({ path, kind, pluginData }) =>
        pluginData === 'ours' ? undefined : builder.resolve(path, { kind, resolveDir: from, pluginData: 'ours' }),
      );
    },
  };
}

/** What the framework needs to draw on a server. Of Node's other modules a package finds that they are empty. */
const needed = new Set([
  'util',
  'crypto',
  'async_hooks',
  'stream',
  'events',
  'buffer',
  'string_decoder',
  'url',
  'querystring',
  'assert',
  'path',
  'punycode',
]);
const noBuiltIns: Plugin = {
  name: 'no-built-ins',
  setup(builder) {
    builder.onResolve({ filter: /^[a-z_:/]+$/ }, ({ path }) => {
      const name = path.replace(/^node:/, '');
      return isBuiltIn(path) && !needed.has(name) ? { path: name, namespace: 'poietra-empty' } : undefined;
    });
    builder.onLoad({ filter: /.*/, namespace: 'poietra-empty' }, () => ({
      contents: 'module.exports = {};',
      loader: 'js',
    }));
  },
};

/**
 * What one module of a package asks for and is not installed must not take its other modules away: it is told when it is
 * used. What the stand itself imports is told at once.
 */
const missingLater: Plugin = {
  name: 'missing-later',
  setup(builder) {
    builder.onResolve({ filter: /^[^./]/ }, async ({ path, importer, kind, resolveDir, pluginData }) => {
      if (pluginData === 'looked for' || !/[\\/]node_modules[\\/]/.test(importer) || isBuiltIn(path)) return undefined;
      const { errors } = await builder.resolve(path, { kind, importer, resolveDir, pluginData: 'looked for' });
      return errors.length > 0 ? { path, namespace: 'poietra-missing' } : undefined;
    });
    builder.onLoad({ filter: /.*/, namespace: 'poietra-missing' }, ({ path }) => {
      const says = JSON.stringify(`“${path}” is asked for and not installed in the project folder.`);
      return {
        contents: `module.exports = new Proxy(function () {}, { get(_, name) { if (name === '__esModule' || name === 'default' || typeof name === 'symbol') return undefined; throw new Error(${says}); } });`,
        loader: 'js',
      };
    });
  },
};

/**
 * Sheets are taken by their path in the package, whether its `exports` name them or not; one that is not there leaves the
 * input without it.
 */
const sheetsByPath = (project: string): Plugin => ({
  name: 'sheets-by-path',
  setup(builder) {
    builder.onResolve({ filter: /^[^./].*\.css$/ }, async ({ path, importer, kind, resolveDir, pluginData }) => {
      if (pluginData === 'looked for' || !importer.endsWith('stand-entry.tsx')) return undefined;
      const { errors } = await builder.resolve(path, { kind, importer, resolveDir, pluginData: 'looked for' });
      if (errors.length === 0) return undefined;
      const [, name = ''] = /^((?:@[^/]+\/)?[^/]+)/.exec(path) ?? [];
      const file = join(findPackage(project, name)?.folder ?? project, path.slice(name.length + 1));
      return existsSync(file) ? { path: file } : { path, namespace: 'poietra-no-sheet' };
    });
    builder.onLoad({ filter: /.*/, namespace: 'poietra-no-sheet' }, () => ({ contents: '', loader: 'css' }));
  },
});

/** The code of codecs, as modules under a name of their own. */
function codesOf(codes: Readonly<Record<string, string>>): Plugin {
  return {
    name: 'codes',
    setup(builder) {
      builder.onResolve({ filter: /^poietra-code:/ }, ({ path }) => ({
        path: path.slice(13),
        namespace: 'poietra-code',
      }));
      builder.onLoad({ filter: /.*/, namespace: 'poietra-code' }, ({ path }) => ({
        contents: codes[path] ?? '',
        loader: 'js',
      }));
    },
  };
}

/** Modules of inputs as a whole, under this before their names, each loaded when it is asked for. */
const onDemand = 'poietra-on-demand:';
const loadedOnDemand = (project: string): Plugin => ({
  name: 'loaded-on-demand',
  setup(builder) {
    builder.onResolve({ filter: /^poietra-on-demand:/ }, ({ path }) => ({ path, namespace: 'poietra-on-demand' }));
    builder.onLoad({ filter: /.*/, namespace: 'poietra-on-demand' }, ({ path }) => ({
      contents: `export * as whole from ${JSON.stringify(path.slice(onDemand.length))};`,
      resolveDir: project,
      loader: 'js',
    }));
  },
});

function entry(
  start: BundleOptions['start'],
  inputs: BundleOptions['inputs'],
  codes: Readonly<Record<string, string>>,
  handedOver: BundleOptions['handedOver'],
  isBrowser = true,
): string {
  const imports: string[] = [`import { ${start.name} } from ${JSON.stringify(start.module)};`];
  const calls: string[] = [];
  const modules = new Map<string, string>();
  /**
   * By its whole, since what is declared and not exported must not take the rest away: it is there without a value. On a
   * server only when it is asked for, since some need a window as soon as they are loaded.
   */
  const moduleOf = (module: string): string => {
    if (!isBrowser) return `require(${JSON.stringify(`${onDemand}${module}`)}).whole`;
    const known = modules.get(module);
    if (known !== undefined) return known;
    const local = `module${modules.size}`;
    imports.push(`import * as ${local} from ${JSON.stringify(module)};`);
    modules.set(module, local);
    return local;
  };
  const register = ({ module, registers }: { readonly module: string; readonly registers?: string }): void => {
    if (registers === undefined) imports.push(`import ${JSON.stringify(module)};`);
    else calls.push(`${moduleOf(module)}[${JSON.stringify(registers)}]?.();`);
  };
  const entries = inputs.map((input) => {
    for (const css of isBrowser ? input.css : []) imports.push(`import ${JSON.stringify(css)};`);
    const { comes } = families[input.family];
    if (comes === 'with the page') return undefined;
    const given = (value: string): string =>
      `${JSON.stringify(input.id)}: { family: ${JSON.stringify(input.family)}, get value() { return ${value}; } }`;
    if (comes === 'by tag') {
      if (isBrowser) register(input);
      if (isBrowser && input.item?.module) register(input.item);
      return given(JSON.stringify(input.tag ?? ''));
    }
    const [name = 'default', member] = input.export.split('.');
    const value = `${moduleOf(input.module)}${isName(name) ? `.${name}` : `[${JSON.stringify(name)}]`}`;
    return given(member ? `${value}?.[${JSON.stringify(member)}]` : value);
  });
  const codecs = Object.keys(codes).map((name, i) => {
    imports.push(`import * as code${i} from ${JSON.stringify(`poietra-code:${name}`)};`);
    return `${JSON.stringify(name)}: code${i}`;
  });
  if (handedOver) {
    const { module, name } = handedOver;
    imports.push(`import { ${name} as made, ${name}Description as description } from ${JSON.stringify(module)};`);
    // As `live.ts` of the stand asks for it.
    entries.push("[Symbol.for('poietra.handed-over')]: { made, description }");
  }
  return `${imports.join('\n')}\n${calls.join('\n')}\n${start.name}({ ${entries.filter(Boolean).join(', ')} }, { ${codecs.join(', ')} });\n`;
}

const isName = (text: string): boolean => /^[A-Za-z_$][\w$]*$/.test(text);
