/** How modules are found and what stands for those that are not there, when a stand or a server's script is bundled. */
import type { OnResolveResult, Plugin } from 'esbuild';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { isBuiltIn } from './inside.js';
import { findPackage } from './project.js';

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
export function oneFramework(project: string, home: string): Plugin {
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
export const noBuiltIns: Plugin = {
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

/** A browser has none of Node's modules: where no package stands for one, whatever is taken out of it is nothing, and does nothing. */
export const noneOfNode: Plugin = {
  name: 'none-of-node',
  setup(builder) {
    builder.onResolve({ filter: /^[a-z_:/]+$/ }, async ({ path, importer, kind, resolveDir, pluginData }) => {
      if (pluginData === 'looked for' || !isBuiltIn(path)) return undefined;
      const { errors } = await builder.resolve(path, { kind, importer, resolveDir, pluginData: 'looked for' });
      return errors.length > 0 ? { path, namespace: 'poietra-nothing' } : undefined;
    });
    builder.onLoad({ filter: /.*/, namespace: 'poietra-nothing' }, () => ({
      contents: `const nothing = new Proxy(function () {}, {
        get: (_, name) => (name === '__esModule' || typeof name === 'symbol' ? undefined : name === 'prototype' ? Object.prototype : nothing),
        apply: () => undefined,
        construct: () => ({}),
      });
      module.exports = nothing;`,
      loader: 'js',
    }));
  },
};

/**
 * What one module of a package asks for and is not installed must not take its other modules away: it is told when it is
 * used. What the stand itself imports is told at once.
 */
export const missingLater: Plugin = {
  name: 'missing-later',
  setup(builder) {
    // A font or a picture that a sheet asks for and that was not shipped is left out, and the sheet holds all the same.
    builder.onResolve({ filter: /.*/ }, async ({ path, importer, kind, resolveDir, pluginData }) => {
      if (kind !== 'url-token' || pluginData === 'looked for') return undefined;
      const { errors } = await builder.resolve(path, { kind, importer, resolveDir, pluginData: 'looked for' });
      const isMissing = errors.some(({ text }) => text.startsWith('Could not resolve'));
      return isMissing ? { path, external: true } : undefined;
    });
    builder.onResolve({ filter: /^[^./]/ }, async ({ path, importer, kind, resolveDir, pluginData }) => {
      if (pluginData === 'looked for' || kind === 'url-token') return undefined;
      if (!/[\\/]node_modules[\\/]/.test(importer) || isBuiltIn(path)) return undefined;
      const { errors } = await builder.resolve(path, { kind, importer, resolveDir, pluginData: 'looked for' });
      if (errors.length === 0) return undefined;
      const isAsked = kind === 'require-call' && isTriedFor(path, importer);
      return { path, namespace: 'poietra-missing', suffix: isAsked ? '?tried' : '' };
    });
    builder.onLoad({ filter: /.*/, namespace: 'poietra-missing' }, ({ path, suffix }) => {
      const says = JSON.stringify(`“${path}” is asked for and not installed in the project folder.`);
      if (suffix !== '') return { contents: `throw new Error(${says});`, loader: 'js' };
      return {
        contents: `module.exports = new Proxy(function () {}, { get(_, name) { if (name === '__esModule' || name === 'default' || typeof name === 'symbol') return undefined; throw new Error(${says}); } });`,
        loader: 'js',
      };
    });
  },
};

/** Whether a script asks for a module in a `try`: it goes on without what is not there, and has to be told at once. */
function isTriedFor(path: string, importer: string): boolean {
  const name = path.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
  return new RegExp(`\\btry\\s*\\{[^{}]*\\brequire\\(\\s*['"]${name}['"]\\s*\\)`).test(readFileSync(importer, 'utf8'));
}

/** The file of a sheet: by its path in the package, or, for the package's name alone, as it says itself or where most keep it. */
function sheetOf(project: string, path: string): string | undefined {
  const [, name = ''] = /^((?:@[^/]+\/)?[^/]+)/.exec(path) ?? [];
  const pkg = findPackage(project, name);
  if (!pkg) return undefined;
  const { exports: exported, style, browser } = pkg.manifest;
  const whole = (exported as Record<string, unknown> | undefined)?.['.'] as Record<string, unknown> | undefined;
  const below = path.slice(name.length + 1);
  const named = below === '' ? [whole?.['style'], style, browser, 'dist/index.css', 'index.css'] : [below];
  return named
    .flatMap((one) => (typeof one === 'string' && one.endsWith('.css') ? [join(pkg.folder, one)] : []))
    .find((file) => existsSync(file));
}

/** Words of sheets that a tool of the build reads, and no browser. */
const forTools = /@(apply|tailwind|plugin|utility|custom-variant|source)\b|@theme[^-\w]|@import\s+['"]tailwindcss/;

/** What a package has of such a sheet as browsers read it: beside it, the plainest name first. */
function madeBeside(path: string): string | undefined {
  const place = dirname(path);
  const made = readdirSync(place, { withFileTypes: true })
    .filter((one) => one.isFile() && one.name.endsWith('.css') && !/\.module\.|dark|rtl/.test(one.name))
    .sort((a, b) => a.name.length - b.name.length)
    .map(({ name }) => join(place, name));
  return made.find((file) => isWhole(readFileSync(file, 'utf8')));
}
/** It draws by itself: rules for classes, and nothing for a tool. */
const isWhole = (text: string): boolean => !forTools.test(text) && /\.[\w-]+[^;{}]*\{/.test(text);

/**
 * Sheets are taken by their path in the package, whether its `exports` name them or not; one that is not there leaves the
 * input without it.
 */
export const sheetsByPath = (project: string): Plugin => ({
  name: 'sheets-by-path',
  setup(builder) {
    const sheetAt = (path: string): OnResolveResult => {
      const file = sheetOf(project, path);
      return file === undefined ? { path, namespace: 'poietra-no-sheet' } : { path: file };
    };
    builder.onResolve({ filter: /^[^./].*\.css$/ }, async ({ path, importer, kind, resolveDir, pluginData }) => {
      if (pluginData === 'looked for' || !importer.endsWith('stand-entry.tsx')) return undefined;
      const { errors } = await builder.resolve(path, { kind, importer, resolveDir, pluginData: 'looked for' });
      if (errors.length === 0) return undefined;
      return sheetAt(path);
    });
    // A sheet asks for a package and means its sheet; what leads to none, as what another tool would make, is left out.
    builder.onResolve({ filter: /^[^./]/ }, async ({ path, importer, kind, resolveDir, pluginData }) => {
      if (pluginData === 'looked for' || kind !== 'import-rule' || /^[a-z]+:/.test(path)) return undefined;
      const found = await builder.resolve(path, { kind, importer, resolveDir, pluginData: 'looked for' });
      if (found.errors.length === 0 && found.path.endsWith('.css')) return undefined;
      return sheetAt(path);
    });
    builder.onLoad({ filter: /.*/, namespace: 'poietra-no-sheet' }, () => ({ contents: '', loader: 'css' }));
  },
});

/** The stand has no tool that would make a sheet first; the application may have, and is handed the sheet as it is. */
export const sheetsMade: Plugin = {
  name: 'sheets-made',
  setup(builder) {
    builder.onLoad({ filter: /[\\/]node_modules[\\/].*\.css$/, namespace: 'file' }, ({ path }) => {
      if (!existsSync(path) || !forTools.test(readFileSync(path, 'utf8'))) return undefined;
      const made = madeBeside(path);
      if (made === undefined) return undefined;
      return { contents: readFileSync(made, 'utf8'), loader: 'css', resolveDir: dirname(made) };
    });
  },
};

/** The code of codecs, as modules under a name of their own. */
export function codesOf(codes: Readonly<Record<string, string>>): Plugin {
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
export const onDemand = 'poietra-on-demand:';
export const loadedOnDemand = (project: string): Plugin => ({
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
