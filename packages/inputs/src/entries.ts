import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import type { ProjectPackage } from './project.js';

const mostEntries = 300;
/** How deep modules lie that a pattern names: `parts/fields/box/box.js`. */
const deepestEntry = 4;
/** Fewer folders are builds of the whole: `lib`, `es`, `umd`. */
const fewFolders = 5;
const nothingToSee =
  /^(node_modules|src|test|tests|internal|labs|docs|locales?|themes?|styles?|css|scss|resources|.*-base)$/;

/** What of a package is imported: the package, or, where it has no entry of its own, every entry below it. */
export function entriesOf(pkg: ProjectPackage): ProjectPackage[] {
  if (hasRoot(pkg)) return [pkg];
  const below = [
    ...new Set([...exportedPaths(pkg), ...patternPaths(pkg), ...foldersWithTypes(pkg), ...declarationsBelow(pkg)]),
  ];
  if (below.length === 0) return [pkg];
  return below.slice(0, mostEntries).map((path) => ({ ...pkg, module: `${pkg.name}/${path}` }));
}

/** The folders of a package that names no entries, each as a module of its own; none where there are only a few. */
export function foldersOf(pkg: ProjectPackage): ProjectPackage[] {
  if (pkg.manifest['exports'] !== undefined || !hasRoot(pkg)) return [];
  const below = folders(pkg.folder).filter((name) =>
    ['index.d.ts', 'index.js'].every((file) => existsSync(join(pkg.folder, name, file))),
  );
  return below.length < fewFolders
    ? []
    : below.slice(0, mostEntries).map((path) => ({ ...pkg, module: `${pkg.name}/${path}` }));
}

function hasRoot({ folder, manifest }: ProjectPackage): boolean {
  const exported = manifest['exports'];
  if (typeof exported === 'string') return true;
  if (typeof exported === 'object' && exported !== null)
    return '.' in exported || !Object.keys(exported).some((path) => path.startsWith('.'));
  const main = manifest['main'];
  const declared = typeof main === 'string' ? [main.replace(/(\.[cm]?js)?$/, '.d.ts')] : [];
  return (
    ['types', 'typings'].some((member) => typeof manifest[member] === 'string') ||
    ['index.d.ts', ...declared].some((file) => existsSync(join(folder, file)))
  );
}

/** Entries that the package names one by one. */
function exportedPaths({ manifest }: ProjectPackage): string[] {
  const exported = manifest['exports'];
  if (typeof exported !== 'object' || exported === null) return [];
  return Object.keys(exported).flatMap((path) =>
    path.startsWith('./') && !path.includes('*') && !/\.(css|json|scss|svg)$/.test(path) ? [path.slice(2)] : [],
  );
}

/** Entries that a package names by a pattern (Node, “Subpath patterns”): a component is what lies in a folder of its name, or is its index. */
function patternPaths({ folder, manifest }: ProjectPackage): string[] {
  const exported = manifest['exports'];
  if (typeof exported !== 'object' || exported === null) return [];
  const patterns = Object.keys(exported).flatMap((key) => {
    const [before, after] = key.slice(2).split('*');
    return before !== undefined && after !== undefined && /^(\.m?js)?$/.test(after) ? [{ before, after }] : [];
  });
  // A star alone stands for anything; one with an ending says which files are modules.
  const [pattern] = patterns.sort((a, b) => b.after.length - a.after.length);
  if (!pattern) return [];
  const { before, after } = pattern;
  return declarationsWithin(folder, before, deepestEntry)
    .filter((path) => {
      const [, parent = '', name = ''] = /([^/]*)\/([^/]+)\.d\.ts$/.exec(path) ?? [];
      return name === 'index' || name === parent;
    })
    .map((path) => path.replace(/\.d\.ts$/, after));
}

const declarationsWithin = (folder: string, place: string, depth: number): string[] => {
  if (!existsSync(join(folder, place)) || depth === 0) return [];
  return [
    ...declarations(join(folder, place)).map((name) => join(place, name)),
    ...folders(join(folder, place)).flatMap((name) => declarationsWithin(folder, join(place, name), depth - 1)),
  ];
};

/** Folders that are imported by their name, as packages of before there were `exports` have them. */
function foldersWithTypes({ folder }: ProjectPackage): string[] {
  return folders(folder).filter(
    (name) => existsSync(join(folder, name, 'package.json')) && declarations(join(folder, name)).length > 0,
  );
}

/** Modules in folders, each with its declaration beside it. */
function declarationsBelow({ folder }: ProjectPackage): string[] {
  return folders(folder).flatMap((name) =>
    existsSync(join(folder, name, 'package.json'))
      ? []
      : declarations(join(folder, name)).map((file) => `${name}/${file.replace(/\.d\.ts$/, '.js')}`),
  );
}

const folders = (place: string): string[] =>
  readdirSync(place, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() && !nothingToSee.test(entry.name) ? [entry.name] : [],
  );
const declarations = (place: string): string[] =>
  readdirSync(place).filter((file) => file.endsWith('.d.ts') && !/\.(test|spec)\.d\.ts$|harness/.test(file));
