import { existsSync, readdirSync, readFileSync, realpathSync, statSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';

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
  /** Packages that the project has beside it for nothing but its look. */
  readonly looks?: readonly ProjectPackage[];
  /** Entries in which it keeps what it does with a library that the project has, too: `@tide/parts/AdapterMoon` for `moon`. */
  readonly serves?: readonly string[];
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
    packages: packages.map((pkg) => withServed(withLooks(pkg, packages), packages)),
    missing,
  };
}

/** What a package is called that holds the look of others of its maker. */
const lookName = /^(.*[-/])(css|styles?|themes?)$/;

/** By their names: `@tide/parts-css` is the look of `@tide/parts`, and `@tide/theme` of all that begins with `@tide/`. */
function withLooks(pkg: ProjectPackage, all: readonly ProjectPackage[]): ProjectPackage {
  const looks = all.filter(({ name }) => {
    const [, stem = '', last] = lookName.exec(name) ?? [];
    const isMakers = /^@[^/]+\/$/.test(stem) && last !== undefined;
    return (
      name !== pkg.name && stem !== '' && (isMakers || stem.length > 4) && pkg.name.startsWith(stem.replace(/-$/, ''))
    );
  });
  return looks.length > 0 ? { ...pkg, looks } : pkg;
}

/** A name without what packages, files and exports spell otherwise: `date-fns` and `DateFns`. */
export const lettersOf = (name: string): string => name.toLowerCase().replace(/[^a-z]/g, '');

/** By their names: a word, and then the library's. */
function withServed(pkg: ProjectPackage, all: readonly ProjectPackage[]): ProjectPackage {
  const exported = pkg.manifest['exports'];
  const isNamed = typeof exported === 'object' && exported !== null;
  const entries = isNamed ? Object.keys(exported).map((path) => path.slice(2)) : readdirSync(pkg.folder);
  const served = entries.flatMap((entry) => {
    const [, library = ''] = /^[A-Z][a-z]+([A-Z]\w{3,})$/.exec(entry) ?? [];
    return library !== '' &&
      all.some(({ name }) => lettersOf(name) === lettersOf(library)) &&
      (isNamed || existsSync(join(pkg.folder, entry, 'package.json')))
      ? [`${pkg.name}/${entry}`]
      : [];
  });
  return served.length > 0 ? { ...pkg, serves: served } : pkg;
}

/** As Node looks for it: in `node_modules` of the folder and of those around it. */
export function findPackage(from: string, name: string): ProjectPackage | undefined {
  for (let folder = from; ; folder = dirname(folder)) {
    const home = join(folder, 'node_modules', name);
    const manifest = readManifest(join(home, 'package.json'));
    // Some installers link packages from where they keep them, and what a package needs itself lies there.
    if (manifest) return { name, version: String(manifest['version'] ?? ''), folder: realpathSync(home), manifest };
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
