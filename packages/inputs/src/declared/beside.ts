/** What one package builds on another may have to stand in what the other has for it: a suite in parts shares one provider. */
import type { Wrapper } from '@poietra/core';
import type { ProjectPackage } from '../project.js';
import { styleSheets } from '../sheets.js';
import { Declarations } from './declarations.js';
import type { Program } from './program.js';
import { likeliest, providersOf } from './providers.js';

/** Providers of the packages that one builds on, and the sheets that belong to them. */
export interface Borrowed {
  readonly around: readonly Wrapper[];
  readonly css: readonly string[];
}
const nothing: Borrowed = { around: [], css: [] };

export class Beside {
  readonly #known = new Map<string, Borrowed>();

  /** `entries` are what was read, each with the import of the same index. */
  constructor(
    private readonly program: Program,
    private readonly entries: readonly ProjectPackage[],
  ) {}

  /** Of all that the package is said to need, what the project has itself; a package of the project's own borrows nothing. */
  of(pkg: ProjectPackage): Borrowed {
    if (pkg.of !== undefined) return nothing;
    const needed = ['peerDependencies', 'dependencies'].flatMap((name) => Object.keys(pkg.manifest[name] ?? {}));
    const lent = needed.map((name) => this.#lentBy(name)).filter(({ around }) => around.length > 0);
    return { around: lent.flatMap(({ around }) => around), css: lent.flatMap(({ css }) => css) };
  }

  #lentBy(name: string): Borrowed {
    const known = this.#known.get(name);
    if (known) return known;
    const lent = this.#read(name);
    this.#known.set(name, lent);
    return lent;
  }

  #read(name: string): Borrowed {
    const index = this.entries.findIndex((entry) => entry.name === name && entry.of === undefined);
    const [pkg, statement] = [this.entries[index], this.program.imports[index]];
    const { checker } = this.program;
    const module = statement && checker.getSymbolAtLocation(statement.moduleSpecifier);
    if (!pkg || !module) return nothing;
    return {
      around: likeliest(
        providersOf(new Declarations(checker, pkg, statement), module, (asked) => this.program.moduleNamed(asked)),
      ),
      css: styleSheets(pkg),
    };
  }
}
