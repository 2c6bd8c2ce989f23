/** Custom-elements manifests (schema versions 1 and 2): what a package says of its elements, with what they inherit. */
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { findPackage, type ProjectPackage } from './project.js';

interface ManifestType {
  readonly text?: string;
}
export interface Member {
  readonly kind?: string;
  readonly name?: string;
  readonly privacy?: string;
  readonly static?: boolean;
  readonly readonly?: boolean;
  readonly description?: string;
  readonly type?: ManifestType;
}
/** Another declaration: of the same package, or of one that is named, by a path within it or by its name alone. */
interface Reference {
  readonly name?: string;
  readonly package?: string;
  readonly module?: string;
}
interface Named {
  readonly name?: string;
  readonly description?: string;
}
export interface Declaration {
  readonly customElement?: boolean;
  readonly tagName?: string;
  readonly name?: string;
  readonly summary?: string;
  readonly description?: string;
  readonly superclass?: Reference;
  readonly mixins?: readonly Reference[];
  readonly members?: readonly Member[];
  readonly cssParts?: readonly Named[];
  readonly events?: readonly (Named & { readonly type?: ManifestType })[];
}
export interface Module {
  readonly path?: string;
  readonly declarations?: readonly Declaration[];
  readonly exports?: readonly {
    readonly kind?: string;
    readonly name?: string;
    readonly declaration?: Reference;
  }[];
}

/** An element with all that it has, its own and inherited, and the module that registers it. */
export interface ManifestElement {
  readonly tag: string;
  readonly declaration: Declaration;
  readonly module: Module;
}

/** How far inheritance is followed; a manifest may go round in a circle. */
const mostSteps = 12;

/** Where a package's manifest lies: by its own word, or under the usual name. */
export function manifestPath({ manifest, folder }: ProjectPackage): string | undefined {
  return [manifest['customElements'], 'custom-elements.json', 'dist/custom-elements.json'].find(
    (path): path is string => typeof path === 'string' && existsSync(join(folder, path)),
  );
}

function modulesOf(pkg: ProjectPackage): readonly Module[] {
  const path = manifestPath(pkg);
  if (path === undefined) return [];
  try {
    const { modules, tags } = JSON.parse(readFileSync(join(pkg.folder, path), 'utf8')) as {
      modules?: unknown;
      tags?: unknown;
    };
    return Array.isArray(modules) ? (modules as Module[]) : Array.isArray(tags) ? (tags as Tag[]).map(moduleOfTag) : [];
  } catch {
    return [];
  }
}

/** As manifests listed elements before there was a schema for them: by their tags, with what each has. */
interface Tag extends Named {
  readonly path?: string;
  readonly properties?: readonly (Named & { readonly type?: string })[];
  readonly events?: readonly Named[];
  readonly cssParts?: readonly Named[];
}

function moduleOfTag({ name = '', path = '', description, properties = [], events = [], cssParts = [] }: Tag): Module {
  const members = properties.map((one): Member => ({
    kind: 'field',
    ...(one.name === undefined ? {} : { name: one.name }),
    ...(one.description === undefined ? {} : { description: one.description }),
    type: { text: one.type ?? 'unknown' },
  }));
  const said = description === undefined ? {} : { description };
  // What lies outside is registered by the package as a whole.
  const within = path.replace(/^\.\//, '').startsWith('../') ? '' : path;
  return {
    path: within,
    declarations: [{ customElement: true, tagName: name, name, ...said, members, events, cssParts }],
  };
}

export class Manifest {
  readonly #modules: readonly Module[];
  readonly #byName = new Map<string, Declaration>();

  constructor(
    readonly pkg: ProjectPackage,
    /** Of other packages, read once for all. */
    private readonly others = new Map<string, Manifest | undefined>(),
  ) {
    this.#modules = modulesOf(pkg);
    for (const { declarations = [] } of this.#modules)
      for (const declaration of declarations)
        if (declaration.name !== undefined && !this.#byName.has(declaration.name))
          this.#byName.set(declaration.name, declaration);
  }

  /** The elements that it defines: by the class's own tag, or by a definition that stands in a module of its own. */
  get elements(): ManifestElement[] {
    const registering = new Map<string, Module>();
    const found = new Map<string, ManifestElement>();
    for (const module of this.#modules)
      for (const { kind, name, declaration } of module.exports ?? []) {
        if (kind !== 'custom-element-definition' || name === undefined) continue;
        registering.set(name, module);
        const named = declaration?.name === undefined ? undefined : this.#byName.get(declaration.name);
        if (named) found.set(name, { tag: name, declaration: this.#whole(named), module });
      }
    for (const module of this.#modules)
      for (const declaration of module.declarations ?? []) {
        const { tagName } = declaration;
        if (tagName !== undefined)
          found.set(tagName, {
            tag: tagName,
            declaration: this.#whole(declaration),
            module: registering.get(tagName) ?? module,
          });
      }
    return [...found.values()].filter(({ tag }) => /^[a-z][a-z0-9._-]*-[a-z0-9._-]*$/.test(tag));
  }

  /** A declaration with what it inherits; what it says itself comes first and wins. */
  #whole(declaration: Declaration, steps = 0): Declaration {
    const around = [declaration.superclass, ...(declaration.mixins ?? [])].flatMap((reference) =>
      reference && steps < mostSteps ? (this.#lookUp(reference, steps) ?? []) : [],
    );
    if (around.length === 0) return declaration;
    return {
      ...declaration,
      members: joined([declaration, ...around].map(({ members = [] }) => members)),
      events: joined([declaration, ...around].map(({ events = [] }) => events)),
      cssParts: joined([declaration, ...around].map(({ cssParts = [] }) => cssParts)),
    };
  }

  #lookUp({ name = '', package: from }: Reference, steps: number): Declaration | undefined {
    const own = this.#byName.get(name);
    if (own) return this.#whole(own, steps + 1);
    // Some name the whole path of the module where the package is asked for.
    const [, other] = /^((?:@[^/]+\/)?[^/]+)/.exec(from ?? '') ?? [];
    if (other === undefined || other === this.pkg.name) return undefined;
    if (!this.others.has(other)) {
      const pkg = findPackage(this.pkg.folder, other);
      this.others.set(other, pkg && new Manifest(pkg, this.others));
    }
    const manifest = this.others.get(other);
    return manifest ? manifest.#lookUp({ name }, steps + 1) : undefined;
  }
}

function joined<T extends { readonly name?: string }>(lists: readonly (readonly T[])[]): T[] {
  const byName = new Map<string | undefined, T>();
  for (const one of lists.flat()) if (!byName.has(one.name)) byName.set(one.name, one);
  return [...byName.values()];
}
