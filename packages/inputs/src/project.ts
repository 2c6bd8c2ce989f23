import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { basename, dirname, join, resolve } from 'node:path';

/** A folder that is no project, or one that is not ready. The message says what to do. */
export class ProjectError extends Error {
  override name = 'ProjectError';
}

export interface ProjectPackage {
  readonly name: string;
  readonly version: string;
  readonly folder: string;
  readonly manifest: Readonly<Record<string, unknown>>;
  /** For a source file of the folder itself: the project's name. */
  readonly of?: string;
  /** What is imported, where it is not the package's name: one of several entries. */
  readonly module?: string;
}
export interface Project {
  readonly folder: string;
  readonly name: string;
  readonly version: string;
  readonly packages: readonly ProjectPackage[];
  /** Packages that are named but not installed. */
  readonly missing: readonly string[];
}

/**
 * Reads a project folder: its own packages, as its `package.json` names them.
 * @throws {ProjectError} where the folder is none, or nothing is installed.
 */
export function readProject(folder: string): Project {
  const home = resolve(folder);
  if (!existsSync(home)) throw new ProjectError(`There is no folder ${home}.`);
  const own = readManifest(join(home, 'package.json'));
  if (!own) throw new ProjectError(`${home} is no project folder: it has no package.json that can be read.`);
  const wanted = Object.keys({
    ...(own['dependencies'] as object | undefined),
    ...(own['peerDependencies'] as object | undefined),
  });
  const packages: ProjectPackage[] = [];
  const missing: string[] = [];
  for (const name of wanted) {
    const found = findPackage(home, name);
    if (found) packages.push(found);
    else missing.push(name);
  }
  if (wanted.length > 0 && packages.length === 0)
    throw new ProjectError(`Nothing is installed in ${home}. Run “npm install” there first.`);
  const { name, version } = own;
  return {
    folder: home,
    name: typeof name === 'string' ? name : home,
    version: typeof version === 'string' ? version : '',
    packages,
    missing,
  };
}

/** As Node looks for it: in `node_modules` of the folder and of those around it. */
export function findPackage(from: string, name: string): ProjectPackage | undefined {
  for (let folder = from; ; folder = dirname(folder)) {
    const home = join(folder, 'node_modules', name);
    const manifest = readManifest(join(home, 'package.json'));
    if (manifest) return { name, version: String(manifest['version'] ?? ''), folder: home, manifest };
    if (dirname(folder) === folder) return undefined;
  }
}

function readManifest(path: string): Record<string, unknown> | undefined {
  try {
    // Reading a pipe would wait for somebody to write into it.
    if (!statSync(path).isFile()) return undefined;
    const read: unknown = JSON.parse(readFileSync(path, 'utf8'));
    return typeof read === 'object' && read !== null && !Array.isArray(read)
      ? (read as Record<string, unknown>)
      : undefined;
  } catch {
    return undefined;
  }
}

/** The style sheets that a package is imported with: its own, or where it has none the plainest of its themes. */
export function styleSheets(pkg: ProjectPackage): string[] {
  const known = sheetsRead.get(pkg);
  if (known) return known;
  const own = ownSheets(pkg);
  const all = own.length > 0 ? own : themeSheets(pkg);
  sheetsRead.set(pkg, all);
  return all;
}
const sheetsRead = new WeakMap<ProjectPackage, string[]>();

/** How deep a package keeps its themes: `dist/styles/themes/default.css`, `resources/themes/light/theme.css`. */
const deepestTheme = 4;
/** Of several themes, the one that most people would see first; what is dark or for one purpose is none. */
const plainThemes = [/^default(-theme)?$/, /^light$/, /(^|[-_])light([-_]|$)/, /^(base|main|theme)$/, /^classic$/];
const noTheme = /dark|contrast|print|rtl/;
/** A folder with more of them holds the parts of one. */
const mostThemes = 60;

function themeSheets({ name, folder }: ProjectPackage): string[] {
  const found = new Map<string, string>();
  const walk = (inner: string, depth: number, isInside: boolean): void => {
    for (const entry of readdirSync(join(folder, inner), { withFileTypes: true })) {
      const path = join(inner, entry.name);
      if (entry.isDirectory() && depth > 0 && !/^(node_modules|src|test|docs?|cdn)$/.test(entry.name))
        walk(path, depth - 1, isInside || /^themes?$/.test(entry.name));
      if (!isInside || !entry.isFile() || !entry.name.endsWith('.css')) continue;
      // A theme is a file of its name, or a folder of its name with one file in it.
      const file = entry.name.slice(0, -'.css'.length).replace(/\.min$/, '');
      const called = /^(theme|index|styles?)$/.test(file) ? basename(inner) : file;
      if (!noTheme.test(called) && !found.has(called)) found.set(called, path);
    }
  };
  walk('.', deepestTheme, false);
  if (found.size > mostThemes) return [];
  const names = [...found.keys()].sort((a, b) => a.length - b.length || a.localeCompare(b));
  const chosen = plainThemes.map((like) => names.find((one) => like.test(one))).find((one) => one !== undefined);
  const path = chosen === undefined ? undefined : found.get(chosen);
  return path === undefined ? [] : [join(name, path)];
}

/** Style sheets that a package offers by a path of its own, the one named after "style" or the package first. */
function ownSheets({ name, folder, manifest }: ProjectPackage): string[] {
  const exported = Object.keys((manifest['exports'] as object | undefined) ?? {})
    .filter((path) => path.endsWith('.css') && !path.includes('*'))
    .map((path) => join(name, path));
  const main = typeof manifest['style'] === 'string' ? [join(name, manifest['style'])] : [];
  const around = ['.', 'dist', 'dist/css', 'css', 'styles', 'assets', 'build', 'build/css', 'lib', 'lib/css'].flatMap(
    (inner) => {
      const place = join(folder, inner);
      return existsSync(place)
        ? readdirSync(place)
            .filter((file) => file.endsWith('.css') && !file.includes('.min.') && !file.includes('.module.'))
            .map((file) => join(name, inner, file))
        : [];
    },
  );
  const found = exported.length > 0 ? exported : main.length > 0 ? main : around;
  const short = lettersOf(name.slice(name.lastIndexOf('/') + 1));
  const rank = (path: string): number => {
    const file = lettersOf(basename(path).replace(/(\.min)?\.css$/, ''));
    return file === 'style' || file === 'styles' || file === 'index' ? 0 : file !== '' && short.endsWith(file) ? 1 : 2;
  };
  return [...new Set(found)].sort((a, b) => rank(a) - rank(b)).filter((path, i) => i === 0 && rank(path) < 2);
}

const lettersOf = (name: string): string => name.toLowerCase().replace(/[^a-z]/g, '');
