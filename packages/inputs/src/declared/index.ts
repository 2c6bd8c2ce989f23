/** Components, elements and widgets, found by their types: no package is known by name, only what a declaration says. */
import { alike, type FoundInput, type Wrapper } from '@poietra/core';
import ts from 'typescript';
import { entriesBelow, entriesOf, hasNoEntry } from '../entries.js';
import type { Project, ProjectPackage } from '../project.js';
import { declaredByRunning, definesElements, entriesDefining, isUntyped } from '../running/index.js';
import { typeAt, withChoiceItem } from './choice-items.js';
import { Components, type Passed } from './components.js';
import { Declarations } from './declarations.js';
import { elementsByTypes } from './elements-by-types.js';
import { exportedAs, exportsOf, meantBy } from './exports.js';
import { insidesOf } from './insides.js';
import { withList } from './lists.js';
import { noInputsAlone, partEnds, telling, unsettled } from './names.js';
import { Objects } from './objects.js';
import { ownFiles, programOf, type Program, type WrittenTypes } from './program.js';
import { eachAlone } from '../each-alone.js';
import { Beside, type Borrowed } from './beside.js';
import { likeliest, providersOf } from './providers.js';
import { inShares } from './shares.js';
import { Widgets } from './widgets.js';

export interface Progress {
  readonly done: number;
  readonly total: number;
  readonly doing: string;
}

/** What was taken for inputs, and what was not though it has something of one. */
export interface Declared {
  readonly found: readonly FoundInput[];
  readonly passed: readonly Passed[];
  /** What could not be read, and why, a sentence each: it takes nothing of the rest along. */
  readonly unread: readonly string[];
  /** Names of packages whose types lead nowhere. */
  readonly untyped?: readonly string[];
}

/** Reads packages by their types, several in one program, since they share the framework's. */
export function declaredInputs(
  project: Project,
  packages: readonly ProjectPackage[],
  tell?: (progress: Progress) => void,
): Declared {
  const read = packages.filter((pkg) => !/^(react|react-dom|typescript)$|^@types\//.test(pkg.name));
  const failed: string[] = [];
  const first = inputsIn(project, [...eachAlone(read, failed, entriesOf).flat(), ...ownFiles(project)], tell);
  // A package whose own entry shows none may keep each in an entry or a folder of its own.
  const without = read.filter(({ name }) => !first.found.some((input) => input.package === name));
  const below = eachAlone(without, failed, entriesBelow).flat();
  const unnamed = eachAlone(without, failed, noEntry).flat();
  const parts = [
    first,
    ...(below.length > 0 ? [inputsIn(project, below, tell)] : []),
    byRunning(project, without, first.untyped ?? [], tell),
  ];
  return {
    found: parts.flatMap(({ found }) => found),
    passed: parts.flatMap(({ passed }) => passed),
    unread: [...new Set([...failed, ...parts.flatMap(({ unread }) => unread), ...unnamed])],
  };
}

const noEntry = (pkg: ProjectPackage): string[] =>
  hasNoEntry(pkg) ? [`${pkg.name} names no file that is imported with it, so none of its scripts was read.`] : [];

/** What declares nothing shows itself when it runs. */
function byRunning(
  project: Project,
  packages: readonly ProjectPackage[],
  unresolved: readonly string[],
  tell?: (progress: Progress) => void,
): Declared {
  const isUndeclared = (pkg: ProjectPackage): boolean =>
    unresolved.includes(pkg.name) || isUntyped(pkg, project.folder);
  const written = new Map<string, string>();
  const unread: string[] = [];
  const untyped = eachAlone(packages, unread, (pkg) => {
    const entries = entriesDefining(pkg);
    return entries.length > 0 || isUndeclared(pkg) || definesElements(pkg) ? [{ pkg, entries }] : [];
  }).flat();
  untyped.forEach(({ pkg, entries }, i) => {
    tell?.({ done: i, total: untyped.length, doing: `${pkg.name}, which is run to be seen` });
    const shown = declaredByRunning(project.folder, pkg, entries.length > 0 || !isUndeclared(pkg), entries);
    if ('text' in shown) written.set(pkg.name, shown.text);
    // What has types was read by them.
    else if (entries.length > 0)
      unread.push(`${pkg.name} defines elements in its entries, which could not be run to see them: ${shown.failed}`);
    else if (isUndeclared(pkg))
      unread.push(`${pkg.name} declares no types, and could not be run to see what it exports: ${shown.failed}`);
  });
  if (written.size === 0) return { found: [], passed: [], unread };
  const shown = inputsIn(
    project,
    untyped.map(({ pkg }) => pkg).filter(({ name }) => written.has(name)),
    tell,
    written,
  );
  return { ...shown, unread: [...unread, ...shown.unread] };
}

function inputsIn(
  project: Project,
  typed: readonly ProjectPackage[],
  tell?: (progress: Progress) => void,
  written?: WrittenTypes,
): Declared {
  const found = new Map<string, FoundInput>();
  const passed = new Map<string, Passed>();
  const around = new Map<string, Wrapper[]>();
  const [unread, untyped]: [string[], string[]] = [[], []];
  let done = 0;
  for (const share of inShares(typed)) {
    tell?.({ done, total: typed.length, doing: 'type declarations' });
    const program = programOf(project, share, written);
    if (!program) continue;
    const { checker, imports } = program;
    const beside = new Beside(program, share);
    eachAlone(share, unread, (pkg, i) => {
      const statement = imports[i];
      tell?.({ done: done++, total: typed.length, doing: pkg.name });
      const module = statement && checker.getSymbolAtLocation(statement.moduleSpecifier);
      // What its manifest says of types may lead nowhere from its entry, which is a script then.
      if (!module) return;
      if (!module.declarations?.some((one) => one.getSourceFile().isDeclarationFile)) untyped.push(pkg.name);
      // One in an entry of its own may be meant for what stands in the others.
      const read = new Declarations(checker, pkg, statement);
      const providers = providersOf(read, module, (name) => program.moduleNamed(name));
      around.set(pkg.name, [...(around.get(pkg.name) ?? []), ...providers]);
      const own = inputsOf(read, module, program, beside.of(pkg), providers);
      // Entries of one package may show the same input several times.
      for (const input of own.found) if (!found.has(input.id)) found.set(input.id, input);
      for (const one of own.passed) if (!passed.has(one.input.id)) passed.set(one.input.id, one);
    });
  }
  return {
    found: [...found.values()].map((input) => standing(input, around.get(input.package) ?? [])),
    passed: [...passed.values()].filter(({ input }) => !found.has(input.id)),
    unread,
    untyped,
  };
}

/** Where its own entry has nothing to stand in, what another of its package has. */
function standing(input: FoundInput, around: readonly Wrapper[]): FoundInput {
  if (input.family !== 'component' || input.around !== undefined || around.length === 0) return input;
  return { ...input, around: likeliest(around, input.export) };
}

function inputsOf(
  read: Declarations,
  module: ts.Symbol,
  program: Program,
  beside: Borrowed,
  around: readonly Wrapper[],
): Pick<Declared, 'found' | 'passed'> {
  const { checker, where } = read;
  const components = new Components(
    read,
    new Objects(read, module, (name) => program.moduleNamed(name)),
    program.htmlElements,
  );
  const widgets = new Widgets(read, program.anElement);
  const found: FoundInput[] = [];
  const taken = new Set<ts.Type>();
  // Of two names for one the settled counts.
  const settledFirst = [...exportsOf(checker, module)].sort(
    (a, b) => Number(unsettled.test(a.name)) - Number(unsettled.test(b.name)),
  );
  for (const symbol of settledFirst) {
    const target = meantBy(checker, symbol);
    if (!(target.flags & ts.SymbolFlags.Value) || noInputsAlone.test(exportedAs(symbol))) continue;
    const type = checker.getTypeOfSymbolAtLocation(target, where);
    if (taken.has(type)) continue;
    const input = components.componentOf(symbol, target, type) ?? widgets.widgetOf(symbol, target, type);
    if (!input) found.push(...widgets.membersOf(symbol, type));
    // What gathers exports under one name is no input, but those may be.
    if (!input && !(target.flags & ts.SymbolFlags.ValueModule) && symbol.name !== 'Form') continue;
    taken.add(type);
    found.push(...(input ? [input] : []), ...components.membersOf(symbol, type, taken));
  }
  found.push(...elementsByTypes(read));
  const whole = found
    .map((input) => {
      if (input.family !== 'component') return input;
      const all = [...rootsOf(read, module, input), ...likeliest(around, input.export), ...beside.around];
      return all.length > 0 ? { ...input, around: all, css: [...new Set([...beside.css, ...input.css])] } : input;
    })
    .map((input) => withList(read, components, module, withChoiceItem(read, components, module, input)))
    .map((input) => {
      const inside = insidesOf(read, components, module, input);
      return inside.length > 0 ? { ...input, inside } : input;
    });
  const isPart = ({ export: exported }: FoundInput): boolean =>
    isPartOfRoot(exported, found) || isPartByName(exported, found) || components.parts.has(exported);
  // What gathers others shows them a second time: a default export, what hangs on a form, a root that is the whole.
  const isAgain = (input: FoundInput): boolean =>
    found.some(
      (other) =>
        input.export === `default.${other.export}` ||
        isRootOf(input, other) ||
        (input.export.includes('.') && other.export === input.export.replace('.', '')),
    );
  return {
    found: whole.filter((input) => !isPart(input) && !isAgain(input)),
    passed: [
      ...components.passed,
      ...whole.filter(isPart).map((input) => ({ input, reason: 'It is a part of another input of its package.' })),
    ],
  };
}

/** Where there is a root for what bears such a name, an input may have to stand in it: `PasswordRoot` around `PasswordInput`. */
function rootsOf(read: Declarations, module: ts.Symbol, { export: exported }: FoundInput): Wrapper[] {
  const [outer = '', inner] = exported.split('.');
  if (/Root$/.test(exported)) return [];
  const words = inner === undefined ? (outer.match(/[A-Z][a-z0-9]*/g) ?? []) : [];
  const names =
    inner === undefined ? words.slice(1).map((_, i) => `${words.slice(0, i + 1).join('')}Root`) : [`${outer}.Root`];
  return names
    .filter((name) => typeAt(read, module, name) !== undefined)
    .map((name) => ({ component: `${read.pkg.module ?? read.pkg.name}#${name}` }));
}

/** Whether it is the same under another name: `SliderRoot` and `Slider.Root` of what `Slider` draws at once. */
function isRootOf(root: FoundInput, whole: FoundInput | undefined): boolean {
  const face = ({ properties }: FoundInput): string =>
    properties.flatMap(({ name }) => (telling.test(name) ? [name] : [])).join();
  return whole !== undefined && /^(.+?)\.?Root$/.exec(root.export)?.[1] === whole.export && face(root) === face(whole);
}

/** Beside a root that is an input all that bears its name is a part of it, but for groups of several. */
function isPartOfRoot(exported: string, found: readonly FoundInput[]): boolean {
  const own = found.find((one) => one.export === exported);
  if (/Root$/.test(exported) || found.some((other) => isRootOf(other, own))) return false;
  return found.some((other) => {
    const [, stem, point] = /^(.+?)(\.?)Root$/.exec(other.export) ?? [];
    return stem !== undefined && exported.startsWith(`${stem}${point ?? ''}`) && !exported.startsWith(`${stem}Group`);
  });
}

/** Beside an input, what bears its name and ends like a part is one. */
function isPartByName(exported: string, found: readonly FoundInput[]): boolean {
  const stem = exported.replace(partEnds, '');
  if (stem === exported || stem === '') return false;
  const whole = found.find((other) => other.export === stem && other.family === 'component');
  const own = found.find((other) => other.export === exported);
  if (!whole) return false;
  // A box with its label around what is drawn without one is an input of its own.
  if (exported === `${stem}Field` && own?.properties.some(({ name, inherited }) => name === 'label' && !inherited))
    return false;
  return !([`${stem}Input`, `${stem}Field`].includes(exported) && (isAnother(whole, own) || tellsItsValue(own)));
}

/** A part does not take all of what the whole takes: a box that opens a calendar beside the calendar is an input of its own. */
function isAnother(whole: FoundInput, own: FoundInput | undefined): boolean {
  const typesOf = (input: FoundInput | undefined): (string | undefined)[] =>
    ['value', 'onChange'].map((name) => input?.properties.find((one) => one.name === name && !one.inherited)?.type);
  const [value, report] = typesOf(whole);
  const [ownValue, ownReport] = typesOf(own);
  return value !== undefined && report !== undefined && ownValue === value && ownReport === report;
}

/** Nor does a part tell a whole value that it takes; it gives the events of its box on. */
function tellsItsValue(input: FoundInput | undefined): boolean {
  const [value, report] = ['value', 'onChange'].map((name) =>
    input?.properties.find((one) => one.name === name && !one.inherited),
  );
  return value !== undefined && alike(report?.args?.[0]?.type ?? 'unknown', value.type);
}
