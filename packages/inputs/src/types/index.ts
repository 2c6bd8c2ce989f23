/** Types of the project's own source: which it exports, and what JSON they describe. Nothing of it is run. */
import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import ts from 'typescript';
import { ownFiles } from '../declared/program.js';
import { hostFor } from '../parsed.js';
import { ProjectError, readProject } from '../project.js';
import { SchemaReader, type TypeNote } from './schema-reader.js';

export type { TypeNote } from './schema-reader.js';

/** A type by its name and the file that exports it, as seen from the project's folder. */
export interface OwnType {
  readonly file: string;
  readonly name: string;
}
export interface TypeSchema {
  readonly schema: Record<string, unknown>;
  /** What of the type JSON has no word for, by place in the schema's values. */
  readonly notes: readonly TypeNote[];
}

/** Interfaces, type aliases, enumerations and classes that the project's `src` exports, by name. Generic ones are none by themselves. */
export function ownTypes(folder: string): OwnType[] {
  return ownFiles(readProject(folder))
    .filter(({ name }) => /\.tsx?$/.test(name))
    .flatMap(({ name }) => {
      const text = readFileSync(join(folder, name), 'utf8');
      const file = ts.createSourceFile(name, text, ts.ScriptTarget.ESNext, false);
      return file.statements.flatMap((statement) => {
        const isType =
          ts.isInterfaceDeclaration(statement) ||
          ts.isTypeAliasDeclaration(statement) ||
          ts.isEnumDeclaration(statement) ||
          ts.isClassDeclaration(statement);
        if (!isType || !isExported(statement) || !statement.name) return [];
        const isGeneric = !ts.isEnumDeclaration(statement) && (statement.typeParameters?.length ?? 0) > 0;
        return isGeneric ? [] : [{ file: name.replace(/^\.\//, ''), name: statement.name.text }];
      });
    })
    .sort((a, b) => a.name.localeCompare(b.name) || a.file.localeCompare(b.file));
}

const isExported = (statement: ts.HasModifiers): boolean =>
  ts.getModifiers(statement)?.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword) ?? false;

/**
 * The JSON Schema (2020-12) of what `JSON.stringify` makes of a type's values.
 * @throws {ProjectError} where the project has no such type.
 */
export function schemaOfType(folder: string, { file, name }: OwnType): TypeSchema {
  if (!ownTypes(folder).some((one) => one.file === file && one.name === name))
    throw new ProjectError(`${file} exports no type “${name}” that stands by itself.`);
  const path = join(folder, file);
  const options = optionsOf(folder);
  const program = ts.createProgram([path], options, hostFor(options));
  const checker = program.getTypeChecker();
  const source = program.getSourceFile(path);
  const module = source && checker.getSymbolAtLocation(source);
  const symbol = module && checker.getExportsOfModule(module).find((one) => one.name === name);
  if (!symbol) throw new ProjectError(`${file} exports no type “${name}”.`);
  return new SchemaReader(checker).read(symbol);
}

/** The project's own way of resolving modules, and strict whatever it says: otherwise everything may be missing. */
function optionsOf(folder: string): ts.CompilerOptions {
  const config = ts.findConfigFile(folder, (path) => ts.sys.fileExists(path));
  const own = config
    ? ts.parseJsonConfigFileContent(
        ts.readConfigFile(config, (path) => ts.sys.readFile(path)).config,
        // Which files there are is nothing to ask here: one is read, with what it imports.
        { ...ts.sys, readDirectory: () => [] },
        dirname(config),
      ).options
    : {};
  return {
    target: ts.ScriptTarget.ES2022,
    module: ts.ModuleKind.ESNext,
    moduleResolution: ts.ModuleResolutionKind.Bundler,
    jsx: ts.JsxEmit.ReactJSX,
    ...Object.fromEntries(Object.entries(own).filter(([name]) => /^(paths|baseUrl|pathsBasePath)$/.test(name))),
    allowImportingTsExtensions: true,
    strict: true,
    skipLibCheck: true,
    noEmit: true,
    types: [],
    lib: ['lib.es2022.d.ts', 'lib.dom.d.ts'],
  };
}
