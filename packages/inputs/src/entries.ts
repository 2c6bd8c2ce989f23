import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { hasWhole } from './modules.js';
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

/** What else may be imported of a package whose own entry shows no input: the entries below it, or its folders. */
export function entriesBelow(pkg: ProjectPackage): ProjectPackage[] {
  if (!hasRoot(pkg)) return [];
  const below = pkg.manifest['exports'] === undefined ? foldersOf(pkg) : exportedInputs(pkg);
  return below.slice(0, mostEntries).map((path) => ({ ...pkg, module: `${pkg.name}/${path}` }));
}

/** The folders of a package that names no entries; none where there are only a few. */
function foldersOf({ folder }: ProjectPackage): string[] {
  const below = folders(folder).filter((name) =>
    ['index.d.ts', 'index.js'].every((file) => existsSync(join(folder, name, file))),
  );
  return below.length < fewFolders ? [] : below;
}

/** What a declaration speaks of that declares an element or a component. */
const speaksOfInputs = /HTMLElementTagNameMap|\bJSX\b|['"]react['"]|\bReact\./;

/** Entries whose declarations speak of elements or components: a package may have hundreds of others. */
function exportedInputs(pkg: ProjectPackage): string[] {
  const exported = pkg.manifest['exports'];
  const targets = typeof exported === 'object' && exported !== null ? (exported as Record<string, unknown>) : {};
  return exportedPaths(pkg).filter((path) => {
    const target = targetOf(targets[`./${path}`])?.replace(/(\.d)?\.[cm]?[jt]s$/, '.d.ts') ?? '';
    const file = join(pkg.folder, target);
    return target.endsWith('.d.ts') && existsSync(file) && speaksOfInputs.test(readFileSync(file, 'utf8'));
  });
}

/** Whether a package has scripts, and yet names none that could be imported (Node, “Package entry points”). */
export function hasNoEntry({ folder, manifest }: ProjectPackage): boolean {
  const named = ['exports', 'main', 'module', 'types', 'typings', 'bin'].some(
    (member) => manifest[member] !== undefined,
  );
  if (named || ['index.js', 'index.d.ts'].some((file) => existsSync(join(folder, file)))) return false;
  return ['', 'dist', 'build', 'lib'].some((below) => scriptsIn(join(folder, below)));
}

const scriptsIn = (folder: string): boolean =>
  // A file may be called like a folder.
  statSync(folder, { throwIfNoEntry: false })?.isDirectory() === true &&
  readdirSync(folder).some((file) => /(?<!\.config)\.[cm]?js$/.test(file));

function hasRoot({ folder, manifest }: ProjectPackage): boolean {
  const exported = manifest['exports'];
  if (typeof exported === 'string') return true;
  if (typeof exported === 'object' && exported !== null) return hasWhole({ manifest });
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
  return Object.entries(exported).flatMap(([path, target]) =>
    target !== null && path.startsWith('./') && !path.includes('*') && !/\.(css|json|scss|svg)$/.test(path)
      ? [path.slice(2)]
      : [],
  );
}

/**
 * Entries that a package names by a pattern (Node, “Subpath patterns”): files that lie flat where it points, and below that
 * what lies in a folder of its name, or is its index.
 */
function patternPaths({ folder, manifest }: ProjectPackage): string[] {
  const exported = manifest['exports'];
  if (typeof exported !== 'object' || exported === null) return [];
  const patterns = Object.entries(exported).flatMap(([key, target]) => {
    const [before, after] = key.slice(2).split('*');
    if (before === undefined || after === undefined || !/^(\.m?js)?$/.test(after)) return [];
    const [place = before, ending = ''] = targetOf(target)?.slice(2).split('*') ?? [];
    return [{ before, after, place, ending: ending.replace(/(\.d)?\.[cm]?[jt]s$/, '.d.ts') || '.d.ts' }];
  });
  // A star alone stands for anything; one with an ending says which files are modules.
  const [pattern] = patterns.sort((a, b) => b.after.length - a.after.length);
  if (!pattern) return [];
  const { before, after, place, ending } = pattern;
  const kept = Object.entries(exported).flatMap(([key, target]) => (target === null ? [key.slice(2)] : []));
  return declarationsWithin(folder, place, deepestEntry)
    .filter((path) => path.endsWith(ending))
    .map((path) => path.slice(place.length, -ending.length))
    .filter((path) => {
      const [, parent, name] = /(?:([^/]*)\/)?([^/]+)$/.exec(path) ?? [];
      return parent === undefined ? place !== '' : name === 'index' || name === parent || ending.includes('/');
    })
    .map((path) => `${before}${path}${after}`)
    .filter((path) => !kept.some((key) => matches(key, path)));
}

/** The file that an entry stands for: its declaration, where it names one. */
function targetOf(target: unknown): string | undefined {
  if (typeof target === 'string') return target;
  if (typeof target !== 'object' || target === null) return undefined;
  return ['types', 'import', 'module', 'browser', 'default']
    .map((condition) => targetOf((target as Readonly<Record<string, unknown>>)[condition]))
    .find((found) => found !== undefined);
}

function matches(pattern: string, path: string): boolean {
  const [before = '', after] = pattern.split('*');
  return after === undefined ? path === pattern : path.startsWith(before) && path.endsWith(after);
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

/** Modules that lie flat or in folders, each with its declaration beside it. */
function declarationsBelow({ folder }: ProjectPackage): string[] {
  const modulesIn = (inner: string): string[] =>
    declarations(join(folder, inner)).map((file) => join(inner, file.replace(/\.d\.ts$/, '.js')));
  return [
    ...modulesIn('.').filter((file) => existsSync(join(folder, file))),
    ...folders(folder).flatMap((name) => (existsSync(join(folder, name, 'package.json')) ? [] : modulesIn(name))),
  ];
}

const folders = (place: string): string[] =>
  readdirSync(place, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() && !nothingToSee.test(entry.name) ? [entry.name] : [],
  );
const declarations = (place: string): string[] =>
  readdirSync(place).filter((file) => file.endsWith('.d.ts') && !/\.(test|spec)\.d\.ts$|harness/.test(file));
