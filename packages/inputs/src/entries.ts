import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import type { ProjectPackage } from './project.js';

const mostEntries = 300;
const nothingToSee =
  /^(node_modules|src|test|tests|internal|labs|docs|locales?|themes?|styles?|css|scss|resources|.*-base)$/;

/** What of a package is imported: the package, or, where it has no entry of its own, every entry below it. */
export function entriesOf(pkg: ProjectPackage): ProjectPackage[] {
  if (hasRoot(pkg)) return [pkg];
  const below = [...new Set([...exportedPaths(pkg), ...foldersWithTypes(pkg), ...declarationsBelow(pkg)])];
  if (below.length === 0) return [pkg];
  return below.slice(0, mostEntries).map((path) => ({ ...pkg, module: `${pkg.name}/${path}` }));
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
