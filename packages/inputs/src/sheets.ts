/** Which style sheets a package is imported with, by where they lie and what they are called. */
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { importedAs, namedAs, targetsOf } from './modules.js';
import { findPackage, lettersOf, type ProjectPackage } from './project.js';

/** The style sheets that a package is imported with: its own, or where it has none the plainest of its themes. */
export function styleSheets(pkg: ProjectPackage): string[] {
  const known = sheetsRead.get(pkg);
  if (known) return known;
  const own = ownSheets(pkg);
  const lent = (pkg.looks ?? []).flatMap(lookSheets);
  const theme = lent.length > 0 ? [] : own.length === 0 ? themeSheets(pkg) : themeFor(pkg, own);
  const isBare = lent.length + theme.length + own.length === 0;
  const beside = own.length > 0 || isBare ? sheetsBeside(pkg, own) : [];
  const wrapped = isBare && beside.length === 0 ? sheetsWrapped(pkg) : [];
  const all = [...lent, ...theme, ...beside, ...wrapped, ...own].map((sheet) => asNamed(pkg, sheet));
  sheetsRead.set(pkg, all);
  return all;
}
/** A sheet that was found where it lies, by the name that an application has to import it by. */
function asNamed(pkg: ProjectPackage, sheet: string): string {
  const at = sheet.startsWith(`${pkg.name}/`) ? sheet.slice(pkg.name.length + 1) : undefined;
  const named = at !== undefined && existsSync(join(pkg.folder, at)) ? namedAs(pkg, at) : undefined;
  return named === undefined || named === pkg.name ? sheet : named;
}
const sheetsRead = new WeakMap<ProjectPackage, string[]>();

/**
 * Of a suite that has a package for each of its parts, the sheets of those that a part stands on: where they lie as its own
 * does, and can be imported by whoever can import it. What has no sheet at all may have them in one of these.
 */
function sheetsBeside(pkg: ProjectPackage, own: readonly string[]): string[] {
  if (!pkg.name.startsWith('@')) return [];
  const [sheet] = own;
  const at = sheet?.slice(pkg.name.length + 1);
  const [scope = ''] = pkg.name.split('/');
  const found = new Map<string, readonly string[]>();
  const walk = ({ folder, manifest }: ProjectPackage): void => {
    const names = Object.keys((manifest['dependencies'] as object | undefined) ?? {});
    for (const name of names.filter((one) => one.startsWith(`${scope}/`) && one !== pkg.name && !found.has(one))) {
      const part = findPackage(folder, name);
      if (!part || dirname(part.folder) !== dirname(pkg.folder)) continue;
      found.set(name, at === undefined ? sheetsOfPart(part) : sheetAt(part, at));
      if (at !== undefined) walk(part);
    }
  };
  walk(pkg);
  return [...found.values()].flat().sort();
}

/** What a part offers; what is called after its tokens may keep them in themes and nothing else. */
function sheetsOfPart(part: ProjectPackage): string[] {
  const own = ownSheets(part);
  return own.length === 0 && /[-/](tokens|themes?)$/.test(part.name) ? themeSheets(part) : own;
}

/** What wraps another package and is called after it (`react-desk` around `desk`) looks as that does. */
function sheetsWrapped({ name, folder, manifest }: ProjectPackage): string[] {
  const words = `-${name.replace(/^@[^/]*\//, '')}-`;
  const members = ['dependencies', 'peerDependencies'].map((member) => manifest[member] as object | undefined);
  const beside = folder.slice(0, -name.length);
  return Object.keys(Object.assign({}, ...members) as object)
    .filter((one) => words.includes(`-${one}-`))
    .map((one) => findPackage(folder, one))
    .flatMap((part) => (part?.folder === `${beside}${part?.name}` ? ownSheets(part) : []));
}

/** A sheet of a package by where it lies, as it is imported; none where it is not there or not to be had. */
function sheetAt(pkg: ProjectPackage, at: string): string[] {
  const named = existsSync(join(pkg.folder, at)) ? namedAs(pkg, at) : undefined;
  return named ? [named] : [];
}

/** A theme that gives most of what the package's own sheets read and do not give themselves (CSS Custom Properties); else none. */
function themeFor(pkg: ProjectPackage, own: readonly string[]): string[] {
  const { folder, name } = pkg;
  const text = (paths: readonly string[]): string =>
    paths.map((path) => readIfThere(join(folder, path.slice(name.length + 1)))).join('\n');
  const names = (sheet: string, like: RegExp): Set<string> =>
    new Set([...sheet.matchAll(like)].map(([, one = '']) => one));
  const given = /(--[\w-]+)\s*:/g;
  const drawn = text(own);
  const itself = names(drawn, given);
  const missing = [...names(drawn, /var\(\s*(--[\w-]+)\s*\)/g)].filter((one) => !itself.has(one));
  // A few are left to whoever wants them otherwise.
  if (missing.length < 3) return [];
  const theme = themeSheets(pkg);
  const lent = names(text(theme), given);
  return missing.filter((one) => lent.has(one)).length > missing.length / 2 ? theme : [];
}

const readIfThere = (path: string): string =>
  statSync(path, { throwIfNoEntry: false })?.isFile() ? readFileSync(path, 'utf8') : '';

/** How deep a package keeps its themes: `dist/styles/themes/default.css`, `resources/themes/light/theme.css`. */
const deepestTheme = 4;
/** Of several themes, the one that most people would see first; what is dark or for one purpose is none. */
const plainThemes = [
  /^default(-theme)?$/,
  /^light$/,
  /(^|[-_])light([-_]|$)/,
  /^day$/,
  /^(base|main|theme)$/,
  /^classic$/,
];
/** What all of several themes are made of, beside them. */
const underThemes = ['root', 'tokens', 'variables', 'base'];
const noTheme = /dark|night|contrast|print|rtl/;
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
  if (path === undefined) return [];
  const under = underThemes
    .map((one) => found.get(one))
    .find((one) => one !== undefined && dirname(one) === dirname(path));
  return [...(under === undefined || under === path ? [] : [under]), path].map((one) => join(name, one));
}

/** Of a package that is nothing but a look: what it is itself, its colours before what is drawn with them. */
function lookSheets(pkg: ProjectPackage): string[] {
  const theme = exportedSheets(pkg).find(({ path }) => /^\.\/(theme|tokens|variables)\.css$/.test(path));
  const whole = exportedSheets(pkg).find(({ path }) => path === '.');
  const found = [theme, whole].flatMap((one) => (one ? [sheetAs(pkg, one.file)] : []));
  const [own] = found.length > 0 ? [] : ownSheets(pkg);
  return own === undefined ? found : [own];
}

/** Sheets that a package's `exports` name, each by its path there and the file, which is imported whether or not it is named. */
function exportedSheets({ manifest }: ProjectPackage): { readonly path: string; readonly file: string }[] {
  const exported = manifest['exports'];
  if (typeof exported !== 'object' || exported === null) return [];
  return Object.entries(exported).flatMap(([path, target]) => {
    const files = path.includes('*') ? [] : targetsIn(target).filter((file) => file.endsWith('.css'));
    return files[0] === undefined ? [] : [{ path, file: files[0] }];
  });
}

/** A sheet's file by a name that the package's `exports` give it; the package's own name may mean its script. */
function sheetAs(pkg: ProjectPackage, file: string): string {
  const named = exportedSheets(pkg).find((one) => one.file === file && one.path.endsWith('.css'));
  if (named) return join(pkg.name, named.path);
  const asked = importedAs(pkg, file);
  return asked === pkg.name ? join(pkg.name, file) : asked;
}

/** All that a target leads to, under whatever condition. */
const targetsIn = (target: unknown): string[] =>
  typeof target === 'string'
    ? [target]
    : typeof target === 'object' && target !== null
      ? Object.values(target).flatMap(targetsIn)
      : [];

/** Style sheets that a package offers by a path of its own, the one named after "style" or the package first. */
function ownSheets(pkg: ProjectPackage): string[] {
  const { name, folder, manifest } = pkg;
  const offered = Object.entries((manifest['exports'] as object | undefined) ?? {});
  const byEnding = offered
    .filter(([path]) => path.endsWith('.css') && !path.includes('*') && !/tailwind/.test(path))
    .map(([path]) => join(name, path));
  const byWord = offered
    .filter(
      ([path, target]) => /^\.\/(css|styles?)$/.test(path) && targetsOf(target).some((file) => file.endsWith('.css')),
    )
    .map(([path]) => join(name, path));
  const exported = byEnding.length > 0 ? byEnding : byWord;
  const itself = exportedSheets(pkg).find(({ path }) => path === '.')?.file;
  if (itself !== undefined) return [sheetAs(pkg, itself)];
  const style = manifest['style'];
  const isSheet = typeof style === 'string' && style.endsWith('.css') && existsSync(join(folder, style));
  if (exported.length === 0 && isSheet) return [join(name, style), ...besideIt(pkg, join(name, style))];
  const around = [
    '.',
    'dist',
    'dist/css',
    'dist/styles',
    'dist/styles/css',
    'dist/core',
    'css',
    'styles',
    'assets',
    'build',
    'build/css',
    'build-style',
    `dist/${basename(name)}`,
    'lib',
    'lib/css',
    ...ownFolders(folder),
  ].flatMap((inner) => {
    const place = join(folder, inner);
    // A file may be called like a folder: `x.js` of a package of that name.
    return statSync(place, { throwIfNoEntry: false })?.isDirectory()
      ? plainest(readdirSync(place)).map((file) => join(name, inner, file))
      : [];
  });
  const found = exported.length > 0 ? exported : around;
  const short = lettersOf(name.slice(name.lastIndexOf('/') + 1));
  const whole = lettersOf(name);
  const rank = (path: string): number => {
    const called = basename(path).replace(/(\.(min|umd|esm|cjs))*\.css$/, '');
    const file = lettersOf(called);
    if (['style', 'styles', 'css', 'index'].includes(file)) return 0;
    if (file === '') return 2;
    // Named after the package, by the end or the beginning of its name, or of its maker's and its own.
    const isOfName =
      file.length > 3 && (whole.startsWith(file) || (file.startsWith(whole.slice(0, 4)) && file.endsWith(short)));
    if (short.endsWith(file) || isOfName) return 1;
    if (file === 'all' || called === basename(dirname(path))) return 1.4;
    // Of several themes side by side, the plain one.
    return file === 'base' || /^(default|standard|light|main)[-_.]?theme$/.test(called) ? 1.5 : 2;
  };
  const [best] = [...new Set(found)].sort((a, b) => rank(a) - rank(b)).filter((path) => rank(path) < 2);
  const chosen = best ?? lookAmong(pkg, found);
  return chosen === undefined ? [] : [chosen, ...besideIt(pkg, chosen)];
}

/** The folder of what was built that holds a sheet of its own name, as tools make it for a whole suite; of several each holds a part. */
function ownFolders(folder: string): string[] {
  const built = join(folder, 'dist');
  if (!statSync(built, { throwIfNoEntry: false })?.isDirectory()) return [];
  const named = readdirSync(built).filter((inner) => existsSync(join(built, inner, `${inner}.css`)));
  return named.length === 1 ? named.map((inner) => `dist/${inner}`) : [];
}

/** Of one sheet in several looks, `desk.core.css` and `desk.snow.css`, the one its script begins with, else what is under all. */
function lookAmong({ folder, manifest }: ProjectPackage, sheets: readonly string[]): string | undefined {
  const looks = new Map(
    sheets.flatMap((path) => {
      const [base, look, ...more] = basename(path, '.css').split('.');
      return base && look && more.length === 0 ? [[look, { base, path }] as const] : [];
    }),
  );
  if (looks.size < 2 || new Set([...looks.values()].map(({ base }) => base)).size > 1) return undefined;
  const [entry] = [manifest['module'], manifest['main']].filter((one) => typeof one === 'string');
  const script = entry === undefined ? '' : readIfThere(join(folder, entry));
  const named = [...script.matchAll(/\btheme: ?['"]([\w-]+)['"]/g)].map(([, look = '']) => look);
  const begun = named.find((look) => looks.has(look));
  return looks.get(begun ?? ['core', 'base', 'default'].find((one) => looks.has(one)) ?? '')?.path;
}

/** The sheets among files; one that was made smaller only where there is none that it was made of. */
function plainest(files: readonly string[]): string[] {
  const sheets = files.filter((file) => file.endsWith('.css') && !file.includes('.module.'));
  return sheets.filter((file) => !file.includes('.min.') || !sheets.includes(file.replace('.min.', '.')));
}

/** Colours that lie in a folder beside a sheet, and are imported after it: `theme/default.css`. */
function besideIt({ name, folder }: ProjectPackage, sheet: string): string[] {
  const place = dirname(sheet.slice(name.length + 1));
  return ['theme', 'themes']
    .map((inner) => join(place, inner, 'default.css'))
    .filter((path) => existsSync(join(folder, path)))
    .map((path) => join(name, path));
}
