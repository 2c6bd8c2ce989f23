/** Components, elements and widgets, found by their types: no package is known by name, only what a declaration says. */
import type { FoundInput } from '@poietra/core';
import ts from 'typescript';
import { entriesOf } from '../entries.js';
import type { Project, ProjectPackage } from '../project.js';
import { withChoiceItem } from './choice-items.js';
import { Components } from './components.js';
import { Declarations } from './declarations.js';
import { elementsByTypes } from './elements-by-types.js';
import { insidesOf } from './insides.js';
import { noInputsAlone } from './names.js';
import { ownFiles, programOf } from './program.js';
import { providersOf } from './providers.js';
import { Widgets } from './widgets.js';

export interface Progress {
  readonly done: number;
  readonly total: number;
  readonly doing: string;
}

/** Reads all packages in one program, since they share the framework's types. */
export function declaredInputs(
  project: Project,
  packages: readonly ProjectPackage[],
  tell?: (progress: Progress) => void,
): FoundInput[] {
  const typed = [
    ...packages.filter((pkg) => !/^(react|react-dom|typescript)$|^@types\//.test(pkg.name)).flatMap(entriesOf),
    ...ownFiles(project),
  ];
  tell?.({ done: 0, total: typed.length, doing: 'type declarations' });
  const program = programOf(project, typed);
  if (!program) return [];
  const { checker, imports, anElement } = program;
  const found = new Map<string, FoundInput>();
  imports.forEach((statement, i) => {
    const pkg = typed[i];
    if (!pkg) return;
    tell?.({ done: i, total: typed.length, doing: pkg.name });
    const module = checker.getSymbolAtLocation(statement.moduleSpecifier);
    if (!module) return;
    // Entries of one package may show the same input several times.
    for (const input of inputsOf(new Declarations(checker, pkg, statement), module, anElement))
      if (!found.has(input.id)) found.set(input.id, input);
  });
  return [...found.values()];
}

function inputsOf(read: Declarations, module: ts.Symbol, anElement: ts.Type | undefined): FoundInput[] {
  const { checker, where } = read;
  const components = new Components(read);
  const widgets = new Widgets(read, anElement);
  const found: FoundInput[] = [];
  const taken = new Set<ts.Type>();
  for (const symbol of checker.getExportsOfModule(module)) {
    const target = symbol.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(symbol) : symbol;
    if (!(target.flags & ts.SymbolFlags.Value) || noInputsAlone.test(symbol.name)) continue;
    const type = checker.getTypeOfSymbolAtLocation(target, where);
    if (taken.has(type)) continue;
    const input = components.componentOf(symbol, target, type) ?? widgets.widgetOf(symbol, target, type);
    if (!input) continue;
    taken.add(type);
    found.push(input, ...components.membersOf(symbol, type, taken));
  }
  found.push(...elementsByTypes(read));
  const around = providersOf(read, module);
  return found
    .map((input) => (around.length > 0 && input.family === 'component' ? { ...input, around } : input))
    .map((input) => withChoiceItem(read, components, module, input))
    .map((input) => {
      const inside = insidesOf(read, components, module, input);
      return inside.length > 0 ? { ...input, inside } : input;
    })
    .filter(
      ({ export: exported }) =>
        // A default export that gathers the named ones shows them a second time.
        !found.some((other) => exported === `default.${other.export}`) && !components.parts.has(exported),
    );
}
