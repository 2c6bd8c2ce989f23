/** Components and widgets, found by their types: no package is known by name, only what a declaration says. */
import type { DeclaredProperty, FoundInput, WidgetUse } from '@poietra/core';
import { existsSync, readdirSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import ts from 'typescript';
import { styleSheets, type Project, type ProjectPackage } from './project.js';

/** Properties of every HTML element; they say nothing about an input, and there are hundreds of them. */
const everywhere =
  /^(aria-|data-|on(Capture|Copy|Cut|Paste|Composition|Key|Mouse|Touch|Pointer|Wheel|Animation|Transition|Drag|Drop|Scroll|Load|Error|Abort|Can|Duration|Emptied|Encrypted|Ended|Loaded|Pause|Play|Progress|Rate|Seek|Stalled|Suspend|TimeUpdate|Volume|Waiting|Got|Lost|Click|DoubleClick|AuxClick|ContextMenu|Submit|Reset|BeforeInput|BeforeToggle|Toggle)|style$|className$|children$|key$|ref$|dangerouslySetInnerHTML$|suppress|slot$|is$|inner|prefix$|property$|rel$|resource$|rev$|typeof$|vocab$|about$|content$|datatype$|inlist$|item[A-Z]|results$|security$|unselectable$|popover|exportparts$|part$|nonce$|radioGroup$|translate$|spellCheck$|access|auto(Capitalize|Correct|Save)|contentEditable$|contextMenu$|dir$|draggable$|enterKeyHint$|inert$|lang$|role$|title$|color$)/;
const telling = /^(value|checked|selected|date|color|files|pressed|selectedKey|isSelected|start|defaultDate)$/;

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
    ...packages.filter((pkg) => !/^(react|react-dom|typescript)$|^@types\//.test(pkg.name)),
    ...ownFiles(project),
  ];
  const entry = join(project.folder, '__poietra_entry.ts');
  const source =
    typed.map(({ name }, i) => `import * as m${i} from ${JSON.stringify(name)}; export { m${i} };`).join('\n') +
    '\nexport declare const anElement: HTMLInputElement & HTMLDivElement;';
  const options: ts.CompilerOptions = {
    target: ts.ScriptTarget.ES2022,
    module: ts.ModuleKind.ESNext,
    moduleResolution: ts.ModuleResolutionKind.Bundler,
    jsx: ts.JsxEmit.ReactJSX,
    allowImportingTsExtensions: true,
    strict: true,
    skipLibCheck: true,
    noEmit: true,
    types: [],
    esModuleInterop: true,
    lib: ['lib.es2022.d.ts', 'lib.dom.d.ts'],
  };
  const host = ts.createCompilerHost(options);
  const read = host.readFile.bind(host);
  const exists = host.fileExists.bind(host);
  const parse = host.getSourceFile.bind(host);
  host.fileExists = (name) => name === entry || exists(name);
  host.readFile = (name) => (name === entry ? source : read(name));
  host.getSourceFile = (name, language) =>
    name === entry ? ts.createSourceFile(name, source, language) : parse(name, language);
  host.getCurrentDirectory = () => project.folder;
  tell?.({ done: 0, total: typed.length, doing: 'type declarations' });
  const program = ts.createProgram([entry], options, host);
  const checker = program.getTypeChecker();
  const file = program.getSourceFile(entry);
  if (!file) return [];
  const found: FoundInput[] = [];
  const anElement = elementType(checker, file);
  file.statements.filter(ts.isImportDeclaration).forEach((statement, i) => {
    const pkg = typed[i];
    if (!pkg) return;
    tell?.({ done: i, total: typed.length, doing: pkg.name });
    const module = checker.getSymbolAtLocation(statement.moduleSpecifier);
    if (module) found.push(...new Reader(checker, pkg, statement, anElement).inputsOf(module));
  });
  return found;
}

/** The folder's own source files, each as if it were a package: its inputs are found by the same rules. */
function ownFiles({ folder, name, version }: Project): ProjectPackage[] {
  const found: string[] = [];
  const walk = (place: string, depth: number): void => {
    if (found.length >= 500 || depth > 8 || !existsSync(place)) return;
    for (const entry of readdirSync(place, { withFileTypes: true })) {
      const path = join(place, entry.name);
      if (entry.isDirectory() && !/^(node_modules|dist|build|coverage|\..*)$/.test(entry.name)) walk(path, depth + 1);
      else if (/\.(tsx|jsx|ts)$/.test(entry.name) && !/\.(test|spec|stories|d)\.[tj]sx?$/.test(entry.name))
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

/** The type of an element, to ask whether a widget can be made on one. */
function elementType(checker: ts.TypeChecker, file: ts.SourceFile): ts.Type | undefined {
  const statement = file.statements.find(ts.isVariableStatement);
  const declaration = statement?.declarationList.declarations[0];
  return declaration && checker.getTypeAtLocation(declaration);
}

const isWithin = (folder: string, file: string): boolean => {
  const way = relative(folder, file);
  return !way.startsWith('..') && !way.includes('node_modules');
};

class Reader {
  constructor(
    private readonly checker: ts.TypeChecker,
    private readonly pkg: ProjectPackage,
    private readonly where: ts.Node,
    private readonly anElement: ts.Type | undefined,
  ) {}

  #takesElement(parameter: ts.Symbol): boolean {
    const type = this.checker.getTypeOfSymbolAtLocation(parameter, this.where);
    const saysAnything =
      (type.flags & (ts.TypeFlags.Any | ts.TypeFlags.Unknown | ts.TypeFlags.TypeParameter)) !== 0 ||
      this.checker.typeToString(type) === '{}';
    return !saysAnything && this.anElement !== undefined && this.checker.isTypeAssignableTo(this.anElement, type);
  }

  /** Whether the framework's types for HTML elements declare it, and for which elements. */
  #fromHtml(property: ts.Symbol): string | undefined {
    const declaration = property.declarations?.[0];
    if (!declaration || !/[\\/]@types[\\/]react[\\/]/.test(declaration.getSourceFile().fileName)) return undefined;
    return ts.isInterfaceDeclaration(declaration.parent) ? declaration.parent.name.text : '';
  }

  inputsOf(module: ts.Symbol): FoundInput[] {
    const found: FoundInput[] = [];
    const taken = new Set<ts.Type>();
    for (const symbol of this.checker.getExportsOfModule(module)) {
      const target = symbol.flags & ts.SymbolFlags.Alias ? this.checker.getAliasedSymbol(symbol) : symbol;
      if (!(target.flags & ts.SymbolFlags.Value)) continue;
      const type = this.checker.getTypeOfSymbolAtLocation(target, this.where);
      if (taken.has(type)) continue;
      const input = this.#component(symbol, target, type) ?? this.#widget(symbol, target, type);
      if (!input) continue;
      taken.add(type);
      found.push(input, ...this.#membersOf(symbol, type, taken));
    }
    found.push(...this.#elements());
    return found.filter(
      ({ export: exported }) =>
        // A default export that gathers the named ones shows them a second time.
        !found.some((other) => exported === `default.${other.export}`) && !this.#parts.has(exported),
    );
  }

  /**
   * Custom elements that a package without a manifest registers: it declares their tags with their classes in the
   * platform's own map. What its class declares itself counts, not what every element has.
   */
  #elements(): FoundInput[] {
    const map = this.checker
      .getSymbolsInScope(this.where, ts.SymbolFlags.Interface)
      .find(({ name }) => name === 'HTMLElementTagNameMap');
    if (!map) return [];
    return this.checker.getPropertiesOfType(this.checker.getDeclaredTypeOfSymbol(map)).flatMap((entry) => {
      const file = entry.declarations?.[0]?.getSourceFile().fileName ?? '';
      const tag = entry.name;
      if (!tag.includes('-') || !isWithin(this.pkg.folder, file)) return [];
      const type = this.checker.getTypeOfSymbolAtLocation(entry, this.where);
      const members = this.checker
        .getPropertiesOfType(type)
        .filter((member) =>
          member.declarations?.some((one) => isWithin(this.pkg.folder, one.getSourceFile().fileName)),
        );
      const isMethod = (member: ts.Symbol): boolean =>
        this.checker.getTypeOfSymbolAtLocation(member, this.where).getCallSignatures().length > 0;
      const properties = members
        .filter((member) => !isMethod(member) && !/^[_#]/.test(member.name))
        .map((member) => this.#property(member));
      if (!properties.some(({ name }) => telling.test(name))) return [];
      const script = relative(this.pkg.folder, file).replace(/\.d\.ts$/, '.js');
      return [
        {
          id: `${this.pkg.name}#${tag}`,
          family: 'element' as const,
          package: this.pkg.name,
          version: this.pkg.version,
          export: type.symbol.name,
          module: existsSync(join(this.pkg.folder, script)) ? join(this.pkg.name, script) : this.pkg.name,
          tag,
          properties,
          methods: members.filter(isMethod).map(({ name }) => name),
          // Nothing declares its events; these are the platform's, and trying it shows which it tells.
          events: [{ name: 'input' }, { name: 'change' }],
          css: styleSheets(this.pkg),
        },
      ];
    });
  }

  /** Components that hang on a component: `Radio.Group`. */
  #membersOf(symbol: ts.Symbol, type: ts.Type, taken: Set<ts.Type>): FoundInput[] {
    return this.checker.getPropertiesOfType(type).flatMap((member) => {
      if (!/^[A-Z]/.test(member.name)) return [];
      const inner = this.checker.getTypeOfSymbolAtLocation(member, this.where);
      const input = taken.has(inner) ? undefined : this.#component(member, member, inner);
      if (!input) return [];
      taken.add(inner);
      return [
        { ...input, id: `${this.pkg.name}#${symbol.name}.${member.name}`, export: `${symbol.name}.${member.name}` },
      ];
    });
  }

  #about(
    symbol: ts.Symbol,
    target: ts.Symbol,
  ): Pick<FoundInput, 'id' | 'package' | 'version' | 'export' | 'module' | 'css' | 'says'> {
    const says = ts.displayPartsToString(target.getDocumentationComment(this.checker)).split('\n\n')[0]?.trim();
    return {
      id: `${this.pkg.name}#${symbol.name}`,
      package: this.pkg.of ?? this.pkg.name,
      version: this.pkg.version,
      export: symbol.name,
      module: this.pkg.name,
      css: this.pkg.of === undefined ? styleSheets(this.pkg) : [],
      ...(says ? { says } : {}),
    };
  }

  /** A function or class of the framework whose properties take a value and report a change. */
  #component(symbol: ts.Symbol, target: ts.Symbol, type: ts.Type): FoundInput | undefined {
    const name = symbol.name === 'default' ? target.name : symbol.name;
    if (!/^[A-Z]/.test(name) && symbol.name !== 'default') return undefined;
    const signature = type
      .getCallSignatures()
      .find(
        (one) =>
          one.parameters.length >= 1 && /Element|ReactNode|JSX/.test(this.checker.typeToString(one.getReturnType())),
      );
    const parameter = signature?.parameters[0];
    const made = type.getConstructSignatures()[0]?.getReturnType().getProperty('props');
    const props = parameter
      ? this.checker.getTypeOfSymbolAtLocation(parameter, this.where)
      : made && type.getConstructSignatures()[0]?.getReturnType().getProperty('render')
        ? this.checker.getTypeOfSymbolAtLocation(made, this.where)
        : undefined;
    if (!props) return undefined;
    const { properties, kind } = this.#variant(props);
    // What every HTML element takes makes no input; what HTML's own inputs take does.
    const isHtml = this.#isHtmlInput(props);
    const valued = properties.some(({ name: property, inherited }) => telling.test(property) && !inherited);
    const reports = properties.some(
      ({ args, name: property, inherited }) =>
        args && !inherited && /^on.*(Change|Select|Input|Update|Drop)/.test(property),
    );
    if (!isHtml && !(valued && reports)) return undefined;
    this.#notePartsOf(props);
    const declared = kind
      ? properties.map((property) =>
          telling.test(property.name)
            ? { ...property, type: `${property.type} where ${kind.name} = "${kind.value}"` }
            : property,
        )
      : properties;
    const handle = properties.length > 0 ? this.#handleMethods(props) : [];
    return { ...this.#about(symbol, target), family: 'component', properties: declared, events: [], methods: handle };
  }

  /**
   * Names of components that another takes as a replacement of one of its parts, by a property that lists them under
   * their names. A part stands on what is around it, so it is no input of its own.
   */
  readonly #parts = new Set<string>();
  #notePartsOf(props: ts.Type): void {
    for (const property of this.checker.getPropertiesOfType(props)) {
      if (this.#fromHtml(property) !== undefined) continue;
      const type = this.checker.getNonNullableType(this.checker.getTypeOfSymbolAtLocation(property, this.where));
      const members = type.flags & ts.TypeFlags.Object ? this.checker.getPropertiesOfType(type) : [];
      if (members.length > 1 && members.every(({ name }) => /^[A-Z]/.test(name)))
        for (const { name } of members) this.#parts.add(name);
    }
  }

  /** Of a union of property sets, told apart by a constant, the first that takes a value and reports a change. */
  #variant(props: ts.Type): { properties: DeclaredProperty[]; kind?: { name: string; value: string } } {
    const constraint = this.checker.getBaseConstraintOfType(props) ?? props;
    if (!constraint.isUnion()) return { properties: this.#properties(constraint) };
    for (const member of constraint.types) {
      const properties = this.#properties(member);
      if (
        !properties.some(({ name }) => telling.test(name)) ||
        !properties.some(({ args, name }) => args && /^on.*(Change|Select)/.test(name))
      )
        continue;
      const kind = properties.find(
        ({ choices, required, type }) => choices?.length === 1 && required && /^"/.test(type),
      );
      const value = kind?.choices?.[0];
      return kind && value !== undefined ? { properties, kind: { name: kind.name, value } } : { properties };
    }
    return { properties: this.#properties(constraint) };
  }

  #isHtmlInput(props: ts.Type): boolean {
    const value = this.checker.getPropertyOfType(props, 'value');
    return value !== undefined && /^(Input|Textarea|Select)HTMLAttributes$/.test(this.#fromHtml(value) ?? '');
  }

  #handleMethods(props: ts.Type): string[] {
    const ref = this.checker.getPropertyOfType(props, 'ref');
    if (!ref) return [];
    const text = this.checker.typeToString(this.checker.getTypeOfSymbolAtLocation(ref, this.where));
    return /HTML\w*Element/.test(text) ? ['focus'] : [];
  }

  #properties(type: ts.Type): DeclaredProperty[] {
    return this.checker
      .getPropertiesOfType(type)
      .filter((property) => !everywhere.test(property.name) || telling.test(property.name))
      .slice(0, 300)
      .map((property) => this.#property(property));
  }

  #property(property: ts.Symbol): DeclaredProperty {
    const type = this.checker.getTypeOfSymbolAtLocation(property, this.where);
    const bare = this.checker.getNonNullableType(type);
    const callable = bare.isUnion() ? bare.types.find((member) => member.getCallSignatures().length > 0) : bare;
    const signature = callable?.getCallSignatures()[0];
    const says = ts.displayPartsToString(property.getDocumentationComment(this.checker)).trim();
    const choices = (bare.isUnion() ? bare.types : [bare]).flatMap((member) =>
      member.isStringLiteral() ? [member.value] : [],
    );
    return {
      name: property.name,
      type: this.#text(type),
      ...(says ? { says } : {}),
      ...(property.flags & ts.SymbolFlags.Optional ? {} : { required: true }),
      ...(this.#fromHtml(property) === undefined ? {} : { inherited: true as const }),
      ...(signature
        ? {
            args: signature.parameters.map((one) => ({
              name: one.name,
              type: this.#text(this.checker.getTypeOfSymbolAtLocation(one, this.where)),
            })),
          }
        : {}),
      ...(choices.length > 0 ? { choices } : {}),
      ...(property.getJsDocTags().some((tag) => tag.name === 'deprecated') ? { deprecated: true as const } : {}),
      ...this.#filling(property, bare),
    };
  }

  /** What helps to fill it: the members of listed objects, and a plain value where it has to be given. */
  #filling(property: ts.Symbol, type: ts.Type): Pick<DeclaredProperty, 'members' | 'sample'> {
    const item = (type.isUnion() ? type.types : [type]).flatMap((one) =>
      this.checker.isArrayType(one) ? (this.checker.getTypeArguments(one as ts.TypeReference)[0] ?? []) : [],
    )[0];
    const known = item && (this.checker.getBaseConstraintOfType(item) ?? item);
    const listed = known && (known.isUnion() ? known.types : [known]).find((one) => one.flags & ts.TypeFlags.Object);
    const members = listed ? this.checker.getPropertiesOfType(listed).map(({ name }) => name) : [];
    const isNeeded = !(property.flags & ts.SymbolFlags.Optional) && type.getCallSignatures().length === 0;
    const sample = isNeeded ? this.#sample(type, property.name, 3) : undefined;
    return {
      ...(members.length > 0 && members.length < 40 ? { members } : {}),
      ...(sample === undefined ? {} : { sample }),
    };
  }

  /** The plainest value of a type; limits and masks by their names. */
  #sample(type: ts.Type, name: string, depth: number): unknown {
    const bare = this.checker.getNonNullableType(type);
    const [first = bare] = bare.isUnion() ? bare.types : [bare];
    if (first.isStringLiteral() || first.isNumberLiteral()) return first.value;
    if (first.flags & ts.TypeFlags.BooleanLike) return false;
    if (first.flags & ts.TypeFlags.NumberLike) return /max/i.test(name) ? 100 : /step/i.test(name) ? 1 : 0;
    if (first.flags & ts.TypeFlags.StringLike) return /^(format|mask|pattern)$/.test(name) ? '####' : '';
    if (this.checker.isArrayLikeType(first)) return [];
    if (!(first.flags & ts.TypeFlags.Object) || depth === 0 || first.getCallSignatures().length > 0) return undefined;
    const filled: Record<string, unknown> = {};
    for (const member of this.checker.getPropertiesOfType(first)) {
      if (member.flags & ts.SymbolFlags.Optional) continue;
      const inner = this.#sample(this.checker.getTypeOfSymbolAtLocation(member, this.where), member.name, depth - 1);
      if (inner === undefined) return undefined;
      filled[member.name] = inner;
    }
    return filled;
  }

  #text(type: ts.Type): string {
    const text = this.checker.typeToString(
      type,
      undefined,
      ts.TypeFormatFlags.NoTruncation | ts.TypeFormatFlags.UseAliasDefinedOutsideCurrentScope,
    );
    return text.length > 160 ? `${text.slice(0, 157)}…` : text;
  }

  /** A function or class that takes an element first and options second, or an object with a `create` that does. */
  #widget(symbol: ts.Symbol, target: ts.Symbol, type: ts.Type): FoundInput | undefined {
    const create = type.getProperty('create');
    const candidates: { start: WidgetUse['start']; signature: ts.Signature; handle?: string; member?: string }[] = [
      ...type.getConstructSignatures().map((signature) => ({ start: 'new' as const, signature })),
      ...type.getCallSignatures().map((signature) => ({ start: 'call' as const, signature })),
      ...(create
        ? this.checker
            .getTypeOfSymbolAtLocation(create, this.where)
            .getCallSignatures()
            .map((signature) => ({ start: 'call' as const, signature, member: 'create' }))
        : []),
    ];
    for (const { start, signature, member } of candidates) {
      const [element, options] = signature.parameters;
      if (!element || !options || signature.parameters.length > 3) continue;
      if (!this.#takesElement(element)) continue;
      const first = this.checker.typeToString(this.checker.getTypeOfSymbolAtLocation(element, this.where));
      const taken = this.checker.getNonNullableType(this.checker.getTypeOfSymbolAtLocation(options, this.where));
      const properties = this.#properties(taken);
      if (!properties.some(({ name }) => telling.test(name))) continue;
      const made = signature.getReturnType();
      const single = made.isUnion() ? (made.types.find((one) => one.getProperty('destroy')) ?? made) : made;
      const methods = this.checker
        .getPropertiesOfType(single)
        .filter((one) => this.checker.getTypeOfSymbolAtLocation(one, this.where).getCallSignatures().length > 0)
        .map((one) => one.name);
      const update =
        methods.find((name) => /^set(Value|Date|Data|Choice)$/.test(name)) ??
        methods.find((name) => /^set([A-Z]|$)/.test(name));
      if (update === undefined) continue;
      const reportsByOption = properties.some(
        ({ args, name, type: text }) =>
          /^on(Change|Select|Update)$/.test(name) && (args !== undefined || /Hook|=>|Function/.test(text)),
      );
      const destroy = methods.find((name) => /^(destroy|dispose|remove)$/.test(name));
      return {
        ...this.#about(symbol, target),
        ...(member ? { export: `${symbol.name}.${member}` } : {}),
        family: 'widget',
        events: [],
        methods,
        properties: properties.map((property) =>
          /^on[A-Z]/.test(property.name) && !property.args
            ? { ...property, args: this.#hookArgs(taken, property.name) }
            : property,
        ),
        widget: {
          start,
          update,
          reports: reportsByOption ? 'options' : 'on',
          element: /Input/.test(first) || reportsByOption ? 'input' : 'div',
          ...(destroy ? { destroy } : {}),
        },
      };
    }
    return undefined;
  }

  /** A report may be declared as one function or a list of them. */
  #hookArgs(options: ts.Type, name: string): { name: string; type: string }[] {
    const property = this.checker.getPropertyOfType(options, name);
    if (!property) return [];
    const type = this.checker.getNonNullableType(this.checker.getTypeOfSymbolAtLocation(property, this.where));
    for (const member of type.isUnion() ? type.types : [type]) {
      const element = this.checker.getIndexTypeOfType(member, ts.IndexKind.Number);
      const signature = (element ?? member).getCallSignatures()[0];
      if (signature)
        return signature.parameters.map((one) => ({
          name: one.name,
          type: this.#text(this.checker.getTypeOfSymbolAtLocation(one, this.where)),
        }));
    }
    return [];
  }
}
