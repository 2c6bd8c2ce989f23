/**
 * Hand-overs that stand on their own: what a kit's files use of the libraries comes along as source, put together
 * statement by statement, so that nothing is there that nobody uses. `scripts/own-sources.mjs` takes the libraries apart.
 */
import type { HandoverFile } from './file.js';
import { quoted } from './source.js';

/** Path of a file, name in it, whether it is a type, and the name by which it is used. */
type Use = readonly [path: string, name: string, isType: boolean, local?: string];
interface Outside {
  readonly module: string;
  readonly local?: string;
  readonly name?: string;
  readonly type?: boolean;
  /** A JSON document beside the file. */
  readonly document?: boolean;
  readonly fetched?: boolean;
}
interface Part {
  /** What it declares. One without a name does something, and comes with its file. */
  readonly names: readonly string[];
  readonly text?: string;
  /** Instead of a text: what it only hands on. */
  readonly again?: readonly Use[];
  readonly uses?: readonly Use[];
  readonly from?: readonly Outside[];
  /** Files that it fetches when it needs them. */
  readonly fetched?: readonly string[];
}
/** The libraries as source; the build writes it (`packages/own/dist/sources.json`). */
export interface OwnSources {
  /** What each room's door gives. */
  readonly doors: Readonly<Record<string, Readonly<Record<string, Use>>>>;
  readonly files: Readonly<Record<string, { readonly head?: string; readonly parts: readonly Part[] }>>;
  readonly documents: Readonly<Record<string, string>>;
  readonly versions: Readonly<Record<string, string>>;
  readonly skin: string;
}

/** Where the source of the libraries lies in the folder. */
const folder = 'own';

/** The files with all that they use, and the packages that this needs in turn. */
export function standAlone(
  files: readonly HandoverFile[],
  sources: OwnSources,
): { readonly files: HandoverFile[]; readonly packages: readonly string[] } {
  const taken = new Taken(sources);
  // The code of a codec is the developer's own.
  const isWritten = ({ path }: HandoverFile): boolean =>
    /\.(tsx?|(plan|checks)\.js)$/.test(path) && !path.endsWith('.code.ts');
  const moved = files.map((file) => (isWritten(file) ? { ...file, text: onItsOwn(file, sources, taken) } : file));
  const hasForms = taken.has('react/drawn-form.tsx');
  return {
    files: [...moved, ...taken.files(), ...(hasForms ? [{ path: `${folder}/skin.css`, text: sources.skin }] : [])],
    packages: taken.packages(),
  };
}

/** A file whose imports of the libraries lead to the source that came along; it notes what has to come. */
function onItsOwn({ path, text }: HandoverFile, { doors }: OwnSources, taken: Taken): string {
  const imports = new Imports();
  const lines = text.split('\n').flatMap((line) => {
    const [, all = '', names = '', room = '', inside] =
      /^import (type )?\{ (.*) \} from '@poietra\/((?:core|react|own)(?:\/written(?:\/checks|\/whole)?)?)(?:\/([\w/-]+)\.js)?';$/.exec(
        line,
      ) ?? [];
    if (names === '') return [line];
    for (const one of names.split(', ')) {
      const [, type = '', name = '', local = name] = /^(type )?(\w+)(?: as (\w+))?$/.exec(one) ?? [];
      const use = inside === undefined ? doors[room]?.[name] : ([`${inside}.ts`, name] as const);
      if (!use) throw new Error(`The door of ${room} has no “${name}”.`);
      const [to, declared] = use;
      taken.take(to, declared);
      imports.add(relative(path, `${folder}/${to}`), declared, local, all !== '' || type !== '');
    }
    return [];
  });
  return [...imports.lines, ...lines].join('\n');
}

/**
 * What one name of a file stands on, as the text of a single module that imports nothing of ours: each statement once,
 * behind those that it uses. @throws where something of it comes from a package, or two statements have one name.
 */
export function asOneModule(path: string, name: string, sources: OwnSources): string {
  const taken = new Taken(sources);
  taken.take(path, name);
  return taken.inOneModule();
}

const compiled = (path: string): string => path.replace(/\.tsx?$/, '.js');

class Taken {
  readonly #parts = new Map<string, Set<Part>>();
  constructor(private readonly sources: OwnSources) {}

  has(path: string): boolean {
    return this.#parts.has(path);
  }
  take(path: string, name: string): void {
    const file = this.sources.files[path];
    const own = this.#parts.get(path) ?? new Set();
    this.#parts.set(path, own);
    for (const part of file?.parts ?? []) {
      if (!part.names.includes(name) && part.names.length > 0) continue;
      const isKnown = own.has(part);
      own.add(part);
      // What only hands on does so name by name.
      for (const [to, wanted, , local] of part.again ?? []) if (local === name) this.take(to, wanted);
      if (isKnown) continue;
      for (const [to, wanted] of part.uses ?? []) this.take(to, wanted);
      for (const to of part.fetched ?? [])
        for (const { names } of this.sources.files[to]?.parts ?? []) for (const one of names) this.take(to, one);
    }
  }

  inOneModule(): string {
    const texts: string[] = [];
    const names = new Map<string, string>();
    const put = (path: string, parts: Iterable<Part>): void => {
      for (const { names: own, text = '', uses = [], from = [] } of parts) {
        if (from.length > 0) throw new Error(`${path} stands on the package ${from[0]?.module ?? ''}.`);
        // Several statements of one file may be one name: a function with its overloads.
        const twice = own.find((one) => (names.get(one) ?? path) !== path);
        if (twice !== undefined) throw new Error(`“${twice}” is declared in ${path}, and elsewhere.`);
        const renamed = uses.find(([, one, , local = one]) => one !== local);
        if (renamed) throw new Error(`${path} calls “${renamed[1]}” otherwise.`);
        for (const one of own) names.set(one, path);
        texts.push(text.replace(/^export /m, ''));
      }
    };
    for (const path of this.#behindWhatTheyUse()) put(path, this.#ordered(path));
    return texts.filter((text) => text !== '').join('\n\n');
  }

  /** Its parts in the order in which they stand in the file. */
  #ordered(path: string): Part[] {
    const own = this.#parts.get(path);
    return (this.sources.files[path]?.parts ?? []).filter((part) => own?.has(part));
  }

  #behindWhatTheyUse(): string[] {
    const done: string[] = [];
    const visited = new Set<string>();
    const visit = (path: string): void => {
      if (visited.has(path)) return;
      visited.add(path);
      for (const { uses = [] } of this.#ordered(path)) for (const [to] of uses) visit(to);
      done.push(path);
    };
    for (const path of this.#parts.keys()) visit(path);
    return done;
  }

  packages(): string[] {
    const modules = new Set(
      [...this.#parts.values()].flatMap((parts) =>
        [...parts].flatMap(({ from = [] }) => from.map(({ module }) => module)),
      ),
    );
    return [...modules]
      .filter((name) => Object.hasOwn(this.sources.versions, name))
      .map((name) => `${name}@${this.sources.versions[name] ?? ''}`);
  }

  files(): HandoverFile[] {
    return [...this.#parts].flatMap(([path, parts]) => {
      const file = this.sources.files[path];
      if (!file || parts.size === 0) return [];
      const ordered = this.#ordered(path);
      const documents = ordered.flatMap(({ from = [] }) => from.filter(({ document }) => document));
      return [
        { path: `${folder}/${path}`, text: this.#textOf(path, file.head, ordered) },
        ...documents.flatMap(({ module }) => {
          const at = beside(path, module);
          const text = this.sources.documents[at];
          return text === undefined ? [] : [{ path: `${folder}/${at}`, text }];
        }),
      ];
    });
  }

  #textOf(path: string, head: string | undefined, parts: readonly Part[]): string {
    const imports = new Imports();
    const documents = new Set<string>();
    for (const { from: outside = [], uses = [] } of parts) {
      for (const { module, local = '', name = local, type = false, document, fetched } of outside) {
        if (document) documents.add(`import ${local} from ${quoted(module)} with { type: 'json' };`);
        else if (!fetched) imports.add(module, name, local, type);
      }
      for (const [to, name, isType, local = name] of uses)
        if (to !== path) imports.add(relative(path, to), name, local, isType);
    }
    const lines = [...documents, ...imports.lines];
    const texts = parts.map(({ text, again = [] }) => text ?? this.#again(path, again));
    return `${head === undefined ? '' : `${head}\n`}${lines.join('\n')}${lines.length > 0 ? '\n\n' : ''}${texts.join('\n\n')}\n`;
  }

  #again(path: string, again: readonly Use[]): string {
    return again
      .filter(([to, name]) => [...(this.#parts.get(to) ?? [])].some(({ names }) => names.includes(name)))
      .map(
        ([to, name, isType, local = name]) =>
          `export ${isType ? 'type ' : ''}{ ${name === local ? name : `${name} as ${local}`} } from ${quoted(relative(path, to))};`,
      )
      .join('\n');
  }
}

/** The imports of one file, each module once. */
class Imports {
  readonly #from = new Map<string, Map<string, string>>();

  add(module: string, name: string, local: string, isType: boolean): void {
    const names = this.#from.get(module) ?? new Map<string, string>();
    this.#from.set(
      module,
      names.set(local, `${isType ? 'type ' : ''}${name === local ? name : `${name} as ${local}`}`),
    );
  }
  get lines(): string[] {
    return [...this.#from].map(([module, names]) => {
      const all = [...names.values()];
      const areTypes = all.every((one) => one.startsWith('type '));
      const list = all.map((one) => (areTypes ? one.slice('type '.length) : one)).sort();
      return `import ${areTypes ? 'type ' : ''}{ ${list.join(', ')} } from ${quoted(module)};`;
    });
  }
}

/** The way from one file to another, both from the same folder. */
function relative(from: string, to: string): string {
  const [here, there] = [from.split('/').slice(0, -1), to.split('/')];
  let same = 0;
  while (same < here.length && same < there.length - 1 && here[same] === there[same]) same++;
  const up = '../'.repeat(here.length - same);
  return `${up || './'}${compiled(there.slice(same).join('/'))}`;
}
function beside(path: string, module: string): string {
  return [...path.split('/').slice(0, -1), module.replace(/^\.\//, '')].join('/');
}
