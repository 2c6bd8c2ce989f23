/** The program that is read: several packages at once, since they share the framework's types. */
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join, relative } from 'node:path';
import ts from 'typescript';
import { hostFor } from '../parsed.js';
import { findPackage, type Project, type ProjectPackage } from '../project.js';

/** What is read of a project: each entry with the statement that imports it. */
export interface Program {
  readonly checker: ts.TypeChecker;
  readonly imports: readonly ts.ImportDeclaration[];
  /** The type of an element, to ask whether a widget can be made on one. */
  readonly anElement: ts.Type | undefined;
  /** What the framework's types have for HTML's own elements, by their tags. */
  readonly htmlElements: ts.Type | undefined;
  /** What a package that came along with others exports, by its name. */
  moduleNamed(name: string): ts.Symbol | undefined;
}

/** Declarations of packages that have none of their own, by their names. */
export type WrittenTypes = ReadonlyMap<string, string>;
/** Where they would lie, so that what they declare is the package's own. */
export const shownFile = ({ folder }: ProjectPackage): string => join(folder, '__poietra_shown__.d.ts');

/** A program that imports every one of the packages, in their order. */
export function programOf(
  project: Project,
  typed: readonly ProjectPackage[],
  written: WrittenTypes = new Map(),
): Program | undefined {
  const files = new Map(
    typed.flatMap((pkg) => {
      const text = written.get(pkg.name);
      return text === undefined ? [] : [[shownFile(pkg), { name: pkg.name, text }] as const];
    }),
  );
  const entry = join(project.folder, '__poietra_entry.ts');
  const source =
    typed
      .map(({ name, module = name }, i) => `import * as m${i} from ${JSON.stringify(module)}; export { m${i} };`)
      .join('\n') +
    // What is kept apart is not looked through for inputs, but may say what values are.
    [...new Set(typed.flatMap(({ serves = [] }) => serves))]
      .map((name) => `\nimport ${JSON.stringify(name)};`)
      .join('') +
    "\nexport declare const anElement: HTMLInputElement & HTMLSelectElement & HTMLTextAreaElement & HTMLDivElement, htmlElements: import('react').JSX.IntrinsicElements;";
  const options: ts.CompilerOptions = {
    target: ts.ScriptTarget.ES2022,
    module: ts.ModuleKind.ESNext,
    moduleResolution: ts.ModuleResolutionKind.Bundler,
    jsx: ts.JsxEmit.ReactJSX,
    allowImportingTsExtensions: true,
    // A package without types is read by its source, but not what that asks for.
    allowJs: true,
    maxNodeModuleJsDepth: 1,
    strict: true,
    skipLibCheck: true,
    noEmit: true,
    types: [],
    esModuleInterop: true,
    lib: ['lib.es2022.d.ts', 'lib.dom.d.ts'],
    ...withPaths(frameworkTypes(project), files),
  };
  const host = hostFor(options);
  const read = host.readFile.bind(host);
  const exists = host.fileExists.bind(host);
  const parse = host.getSourceFile.bind(host);
  const textOf = (name: string): string | undefined => (name === entry ? source : files.get(name)?.text);
  host.fileExists = (name) => textOf(name) !== undefined || exists(name);
  host.readFile = (name) => textOf(name) ?? read(name);
  host.getSourceFile = (name, language) => {
    const text = textOf(name);
    return text === undefined ? parse(name, language) : ts.createSourceFile(name, text, language);
  };
  host.getCurrentDirectory = () => project.folder;
  const program = ts.createProgram([entry, ...typed.flatMap(tagMapsOf)], options, host);
  const checker = program.getTypeChecker();
  const file = program.getSourceFile(entry);
  if (!file) return undefined;
  return {
    checker,
    imports: file.statements.filter(ts.isImportDeclaration),
    anElement: declaredIn(checker, file, 0),
    htmlElements: declaredIn(checker, file, 1),
    moduleNamed(name) {
      const { resolvedModule } = ts.resolveModuleName(name, entry, options, host);
      const declared = resolvedModule && program.getSourceFile(resolvedModule.resolvedFileName);
      return declared && checker.getSymbolAtLocation(declared);
    },
  };
}

/** A project without the framework's types is read with those that come along; nearly every component is declared by them. */
function frameworkTypes({ folder }: Project): ts.CompilerOptions {
  if (findPackage(folder, '@types/react')) return {};
  const home = dirname(createRequire(import.meta.url).resolve('@types/react/package.json'));
  return { paths: { react: [join(home, 'index.d.ts')], 'react/*': [join(home, '*')] } };
}

function withPaths(
  options: ts.CompilerOptions,
  files: ReadonlyMap<string, { readonly name: string }>,
): ts.CompilerOptions {
  const paths = Object.fromEntries([...files].map(([file, { name }]) => [name, [file]]));
  return { ...options, paths: { ...options.paths, ...paths } };
}

/** The folder's own source files, each as if it were a package: its inputs are found by the same rules. */
export function ownFiles({ folder, name, version }: Project): ProjectPackage[] {
  const found: string[] = [];
  const walk = (place: string, depth: number): void => {
    if (found.length >= 500 || depth > 8 || !existsSync(place)) return;
    for (const entry of readdirSync(place, { withFileTypes: true })) {
      const path = join(place, entry.name);
      if (entry.isDirectory() && !/^(node_modules|dist|build|coverage|\..*)$/.test(entry.name)) walk(path, depth + 1);
      else if (/\.(tsx|jsx|ts|js)$/.test(entry.name) && !/\.(test|spec|stories|d)\.[tj]sx?$/.test(entry.name))
        found.push(path);
    }
  };
  walk(join(folder, 'src'), 0);
  return found.sort().map((path) => ({
    name: `./${relative(folder, path).replaceAll('\\', '/')}`,
    version,
    folder: dirname(path),
    manifest: {},
    of: name,
  }));
}

const mostBeside = 50;
/** Declarations beside a package's own that say which elements it registers, which its entry need not lead to. */
function tagMapsOf({ folder, manifest }: ProjectPackage): string[] {
  const types = manifest['types'] ?? manifest['typings'];
  const place = typeof types === 'string' ? dirname(join(folder, types)) : undefined;
  if (place === undefined || !existsSync(place)) return [];
  const beside = readdirSync(place).filter((name) => name.endsWith('.d.ts'));
  // Where each thing has a file of its own, there is no list of all; to read thousands takes seconds.
  if (beside.length > mostBeside) return [];
  return beside
    .map((name) => join(place, name))
    .filter((path) => readFileSync(path, 'utf8').includes('HTMLElementTagNameMap'));
}

/** The type of one of the entry's own declarations. */
function declaredIn(checker: ts.TypeChecker, file: ts.SourceFile, at: number): ts.Type | undefined {
  const declaration = file.statements.find(ts.isVariableStatement)?.declarationList.declarations[at];
  return declaration && checker.getTypeAtLocation(declaration);
}
