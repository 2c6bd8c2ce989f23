/** What a bundle may be made of: files of the project and of its packages, and our own; links are resolved first. */
import type { Plugin } from 'esbuild';
import { existsSync, readdirSync, realpathSync } from 'node:fs';
import { builtinModules } from 'node:module';
import { dirname, extname, join, relative, sep } from 'node:path';

/** Files that a page is made of. Anything else (keys, settings, data) is nobody's input. */
const kinds = new Set(
  '.js .mjs .cjs .jsx .ts .mts .cts .tsx .json .css .scss .sass .svg .png .jpg .jpeg .gif .webp .avif .woff .woff2 .ttf .otf .eot'.split(
    ' ',
  ),
);

/** Says of a file on this machine why it may be no part of a bundle. */
export function guardOf(project: string, home: string): (path: string) => string | undefined {
  const ours = ['packages', 'apps/workbench', 'node_modules'].map((folder) => join(home, folder));
  const roots = [project, ...ours, ...packagesAround(project)].map(real).filter((root) => root !== undefined);
  return (path) => whyNot(path, roots);
}

/** Refuses files elsewhere on this machine, however they are reached: by path, by `..`, by a link, by `url()` in a sheet. */
export function onlyInside(guard: (path: string) => string | undefined): Plugin {
  return {
    name: 'only-inside',
    setup(builder) {
      builder.onLoad({ filter: /.*/, namespace: 'file' }, ({ path, with: attributes }) => {
        // A module that a package's “browser” leaves out has a path and no file; of what is not there the bundler tells.
        if (!existsSync(path)) return undefined;
        const reason =
          guard(path) ??
          (attributes['type'] === 'text' || attributes['type'] === 'bytes' ? 'is no source to be run' : undefined);
        return reason === undefined ? undefined : { errors: [{ text: `“${path}” ${reason}, so it is not bundled.` }] };
      });
    },
  };
}

function whyNot(path: string, roots: readonly string[]): string | undefined {
  const own = real(path);
  if (own === undefined) return 'cannot be read';
  const root = roots.filter((one) => own === one || own.startsWith(one + sep)).sort((a, b) => b.length - a.length)[0];
  if (root === undefined) return 'lies outside the project and its packages';
  const parts = relative(root, own).split(sep);
  // Package managers keep packages in folders whose names begin with a dot, and makers ship such folders within theirs.
  const isPackages = root.split(sep).includes('node_modules');
  const isShipped = (i: number): boolean =>
    i < parts.length - 1 && (isPackages || parts.slice(0, i).includes('node_modules'));
  if (parts.some((part, i) => part.startsWith('.') && !isShipped(i))) return 'is hidden';
  return kinds.has(extname(own).toLowerCase()) ? undefined : 'is no file that a page is made of';
}

/** Folders of packages as Node looks for them, and where those lead that are links to a workspace. */
function packagesAround(project: string): string[] {
  const found: string[] = [];
  for (let folder = project; ; folder = dirname(folder)) {
    const packages = join(folder, 'node_modules');
    if (existsSync(packages)) found.push(packages, ...linksIn(packages));
    if (dirname(folder) === folder) return found;
  }
}
function linksIn(packages: string): string[] {
  return readdirSync(packages, { withFileTypes: true }).flatMap((entry) => {
    const path = join(packages, entry.name);
    if (entry.isSymbolicLink()) return existsSync(join(path, 'package.json')) ? [path] : [];
    return entry.isDirectory() && entry.name.startsWith('@') ? linksIn(path) : [];
  });
}
function real(path: string): string | undefined {
  try {
    return realpathSync(path);
  } catch {
    return undefined;
  }
}

/** Whether a module is one of Node's own: no input, no skin, no wrapper. */
export const isBuiltIn = (module: string): boolean =>
  module.startsWith('node:') || builtinModules.includes(module) || builtinModules.includes(module.split('/')[0] ?? '');
