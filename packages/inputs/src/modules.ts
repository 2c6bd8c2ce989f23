/** Where a custom element is registered: the module to import, and what of it has to be called. */
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { basename, dirname, join, relative } from 'node:path';
import type { ProjectPackage } from './project.js';

/** A module that registers an element by being imported, or by a function of it that is called once. */
export interface Registering {
  readonly module: string;
  readonly registers?: string;
}

/** A file of a package as it is imported: by the name that its `exports` give it, where they name it (Node, “Package entry points”). */
export const importedAs = (pkg: ProjectPackage, path: string): string => namedAs(pkg, path) ?? join(pkg.name, path);

/** The same; `undefined` where a package names what it exports, and this is not among it. */
export function namedAs(pkg: ProjectPackage, path: string): string | undefined {
  const { name, manifest } = pkg;
  const file = `./${path.replace(/^\.\//, '')}`;
  const exported = manifest['exports'];
  if (typeof exported !== 'object' || exported === null) return join(name, path);
  // Conditions of the one entry are no paths.
  const isOne = hasWhole(pkg) && !('.' in exported);
  for (const [key, target] of isOne ? [['.', exported] as const] : Object.entries(exported)) {
    for (const one of targetsOf(target)) {
      if (one === file && !key.includes('*')) return join(name, key);
      const [before, after] = one.split('*');
      if (before === undefined || after === undefined || !file.startsWith(before) || !file.endsWith(after)) continue;
      return join(name, key.replace('*', file.slice(before.length, file.length - after.length)));
    }
  }
  return undefined;
}

/** Whether a package can be asked for by its name alone (Node, “Package entry points”): `exports` may be conditions of its one entry. */
export function hasWhole({ manifest }: Pick<ProjectPackage, 'manifest'>): boolean {
  const { exports: exported } = manifest;
  if (typeof exported !== 'object' || exported === null) return true;
  return '.' in exported || !Object.keys(exported).some((path) => path.startsWith('.'));
}

/** The entries that a package names one by one, each with the file that a browser would be given. */
export function entriesNamed({ name, manifest }: ProjectPackage): { readonly module: string; readonly file: string }[] {
  return Object.entries((manifest['exports'] as object | undefined) ?? {}).flatMap(([path, target]) => {
    const file = path.includes('*') ? undefined : targetsOf(target).find((one) => /\.m?js$/.test(one));
    return file === undefined ? [] : [{ module: join(name, path), file }];
  });
}

/** What a browser would be given, whatever the conditions are called. */
export function targetsOf(target: unknown): string[] {
  if (typeof target === 'string') return [target];
  if (typeof target !== 'object' || target === null) return [];
  return Object.entries(target).flatMap(([condition, inner]) =>
    /^(types|require|node|sass|less)$/.test(condition) ? [] : targetsOf(inner),
  );
}

/** How deep a package keeps a module for each of its elements: `dist/components/my-box.js`. */
const deepest = 3;
/** What such a module exports that has to be called. */
const call =
  /\bexport\s*\{[^}]*?\b(defineCustomElement|define|register)\s*[,}]|\bexport\s+(?:async\s+)?(?:function|const)\s+(defineCustomElement|define|register)\b/;
/** What it does where it defines the element itself, or has its class do so. */
const defines = /customElements\s*\.\s*define|@customElement\(|\b[\w$]+\.define\(\s*\)/;
const byTag = new WeakMap<ProjectPackage, Map<string, string>>();

/**
 * The module of an element's own name, `my-box.js`, or of its name without what all of a package begin with, that defines it
 * or exports what does; none where there is no such file.
 */
export function moduleByTag(pkg: ProjectPackage, tag: string): Registering | undefined {
  const path = filesOf(pkg).get(`${tag}.js`);
  const own = path === undefined ? undefined : registeringIn(pkg, path, importedAs(pkg, path));
  if (own) return own;
  // A short name may be anything's: it has to be one that the package offers.
  const short = filesOf(pkg).get(`${tag.slice(tag.indexOf('-') + 1)}.js`);
  const module = short === undefined || pkg.manifest['exports'] === undefined ? undefined : namedAs(pkg, short);
  const byShort = short === undefined || module === undefined ? undefined : registeringIn(pkg, short, module);
  if (byShort) return byShort;
  // It is large, and the same for every tag.
  if (!loaders.has(pkg)) loaders.set(pkg, loaderOf(pkg));
  return loaders.get(pkg) ?? entryDefining(pkg, tag);
}

/**
 * Of a package that cannot be imported as a whole, the entry of the tag's name, or the smallest that defines it: modules may
 * have been made into one for each.
 */
function entryDefining(pkg: ProjectPackage, tag: string): Registering | undefined {
  if (hasWhole(pkg)) return undefined;
  if (!entryTexts.has(pkg)) entryTexts.set(pkg, textsOfEntries(pkg));
  const quoted = new RegExp(`["'\`]${tag}["'\`]`);
  const defined = new RegExp(`\\b(?:customElement|define|register)\\w*\\(\\s*["'\`]${tag}["'\`]`);
  // A group may come with what it is a group of.
  const rank = ({ module, text }: EntryText): number => {
    const name = basename(module).replace(/\.js$/, '');
    return name === tag ? 0 : defined.test(text) ? 1 : tag.startsWith(name) ? 2 : 3;
  };
  const [best] = (entryTexts.get(pkg) ?? [])
    .filter(({ text }) => quoted.test(text) && /customElements?\b/.test(text))
    .sort((a, b) => rank(a) - rank(b) || a.text.length - b.text.length);
  return best && { module: best.module };
}

interface EntryText {
  readonly module: string;
  readonly text: string;
}
const entryTexts = new WeakMap<ProjectPackage, readonly EntryText[]>();

function textsOfEntries(pkg: ProjectPackage): EntryText[] {
  return entriesNamed(pkg).flatMap(({ module, file }) =>
    exists(pkg, file) ? [{ module, text: readFileSync(join(pkg.folder, file), 'utf8') }] : [],
  );
}
const loaders = new WeakMap<ProjectPackage, Registering | undefined>();

/** A module that registers all that a package has, and fetches each once it is drawn; by the usual names of both. */
function loaderOf(pkg: ProjectPackage): Registering | undefined {
  const path = filesOf(pkg).get('loader.js');
  const registers = 'defineCustomElements';
  if (
    path === undefined ||
    !new RegExp(`\\bexport\\s*\\{[^}]*\\b${registers}\\b`).test(readFileSync(join(pkg.folder, path), 'utf8'))
  )
    return undefined;
  const module = namedAs(pkg, path);
  return module === undefined ? undefined : { module, registers };
}

function registeringIn(pkg: ProjectPackage, path: string, module: string): Registering | undefined {
  const text = readFileSync(join(pkg.folder, path), 'utf8');
  const [, listed, declared] = call.exec(text) ?? [];
  const registers = listed ?? declared;
  if (registers !== undefined) return { module, registers };
  return defines.test(text) ? { module } : undefined;
}

/** The index beside a module, where that has the class registered which this one only makes. */
export function registeringBeside(pkg: ProjectPackage, path: string): string | undefined {
  const index = join(dirname(path), 'index.js');
  if (index === path || !path.endsWith('.js') || !exists(pkg, index)) return undefined;
  const textOf = (one: string): string => readFileSync(join(pkg.folder, one), 'utf8');
  if (defines.test(textOf(path))) return undefined;
  const text = textOf(index);
  const isAbout = text.includes(`./${basename(path, '.js')}`);
  return isAbout && /customElements\s*\.\s*define|\b[\w$]+\.(?:register|define)\(/.test(text) ? index : undefined;
}

/** What registers a class and has to be called, by its name: `defineBoxElement` in the module that makes it or the index beside. */
export function registeringCalled(pkg: ProjectPackage, path: string, className: string): Registering | undefined {
  const bare = className.replace(/(Component|Element)$/, '');
  const called = [className, ...['', 'Component', 'Element'].map((end) => `${bare}${end}`)];
  for (const one of [path, join(dirname(path), 'index.js')]) {
    if (!one.endsWith('.js') || !exists(pkg, one)) continue;
    const text = readFileSync(join(pkg.folder, one), 'utf8');
    if (one === path && defines.test(text)) return undefined;
    const offered = [...text.matchAll(/\bexport function ((?:define|register)(\w+))\s*\(/g)];
    const registers = offered.find(([, , what = '']) => called.includes(what))?.[1];
    const module = registers === undefined ? undefined : namedAs(pkg, one);
    if (registers !== undefined && module !== undefined) return { module, registers };
  }
  return undefined;
}

/** Files by their names; of several the one that lies highest. */
function filesOf(pkg: ProjectPackage): Map<string, string> {
  const known = byTag.get(pkg);
  if (known) return known;
  const found = new Map<string, string>();
  let places = [pkg.folder];
  for (let depth = 0; depth <= deepest; depth++)
    places = places.flatMap((place) =>
      readdirSync(place, { withFileTypes: true }).flatMap((entry) => {
        const path = join(place, entry.name);
        if (entry.isFile() && entry.name.endsWith('.js') && !found.has(entry.name))
          found.set(entry.name, relative(pkg.folder, path));
        const isLikely = !/^(node_modules|src|tests?|docs?|cjs|hydrate|collection|\..*)$/.test(entry.name);
        return entry.isDirectory() && isLikely ? [path] : [];
      }),
    );
  byTag.set(pkg, found);
  return found;
}

/** A path in a package under which it keeps what tries it or shows it, and nothing that is used. */
export const isTrial = (path: string): boolean =>
  /(^|\/)(tests?|test-suites|test-helpers|stories|demos?|docs?|dev|__\w+__)\/|\.(test|spec|suite|stories|demo)\.[cm]?[jt]s$/.test(
    path,
  );
export const exists = (pkg: ProjectPackage, path: string): boolean => path !== '' && existsSync(join(pkg.folder, path));
