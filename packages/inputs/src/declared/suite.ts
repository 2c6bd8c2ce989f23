/** What a package has to draw with: its components and elements with what they declare, inputs or not. */
import type { SuiteComponent, Wrapper } from '@poietra/core';
import ts from 'typescript';
import { everyElementOf } from '../elements.js';
import { entriesOf } from '../entries.js';
import { ProjectError, readProject } from '../project.js';
import { Components } from './components.js';
import { Declarations } from './declarations.js';
import { exportsOf, meantBy } from './exports.js';
import { Objects } from './objects.js';
import { likeliest, providersOf } from './providers.js';
import { programOf } from './program.js';

const mostAround = 4;

/** The components of a package, and what of it may have to stand around them. */
export interface Suite {
  readonly components: readonly SuiteComponent[];
  readonly around: readonly Wrapper[];
}

/** @throws {ProjectError} where the project does not have the package, or it declares nothing. */
export function suiteOf(folder: string, name: string): Suite {
  const project = readProject(folder);
  const pkg = project.packages.find((one) => one.name === name);
  if (!pkg) throw new ProjectError(`“${name}” is none of the packages that the project’s package.json names.`);
  const elements = everyElementOf(pkg).map(({ module, tag = '', properties }) => ({
    component: `${module}#${tag}`,
    properties,
  }));
  if (elements.length > 0) return { components: elements, around: [] };
  const typed = entriesOf(pkg);
  const program = programOf(project, typed);
  if (!program) throw new ProjectError(`Nothing of “${name}” could be read.`);
  const { checker, imports } = program;
  const found = new Map<string, SuiteComponent>();
  const around: Wrapper[] = [];
  imports.forEach((statement, i) => {
    const module = checker.getSymbolAtLocation(statement.moduleSpecifier);
    const entry = typed[i];
    if (!module || !entry) return;
    const read = new Declarations(checker, entry, statement);
    const moduleNamed = (wanted: string): ts.Symbol | undefined => program.moduleNamed(wanted);
    around.push(...likeliest(providersOf(read, module, moduleNamed)));
    for (const one of componentsIn(read, module, moduleNamed))
      if (!found.has(one.component)) found.set(one.component, one);
  });
  return { components: [...found.values()], around: around.slice(0, mostAround) };
}

function componentsIn(
  read: Declarations,
  module: ts.Symbol,
  moduleNamed: (name: string) => ts.Symbol | undefined,
): SuiteComponent[] {
  const { checker, where, pkg } = read;
  const components = new Components(read, new Objects(read, module, moduleNamed));
  const from = pkg.module ?? pkg.name;
  const one = (type: ts.Type, exported: string): SuiteComponent[] => {
    const props = components.propsOf(type);
    if (!props) return [];
    const properties = checker
      .getPropertiesOfType(checker.getBaseConstraintOfType(props) ?? props)
      // Of HTML's own attributes only those whose names a suite may mean otherwise.
      .filter((property) => read.fromHtml(property) === undefined || /^(title|color|type)$/.test(property.name))
      .slice(0, 300)
      .map((property) => read.property(property));
    return [{ component: `${from}#${exported}`, properties }];
  };
  return exportsOf(checker, module).flatMap((symbol) => {
    const target = meantBy(checker, symbol);
    if (!/^[A-Z]/.test(symbol.name) || !(target.flags & ts.SymbolFlags.Value)) return [];
    const type = checker.getTypeOfSymbolAtLocation(target, where);
    const members = checker.getPropertiesOfType(type).filter(({ name }) => /^[A-Z]/.test(name));
    return [
      ...one(type, symbol.name),
      ...members.flatMap((member) =>
        one(checker.getTypeOfSymbolAtLocation(member, where), `${symbol.name}.${member.name}`),
      ),
    ];
  });
}
