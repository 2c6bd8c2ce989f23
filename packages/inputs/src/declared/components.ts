/** Components of the framework: functions and classes whose properties take a value and report a change. */
import { namePairIn, type DeclaredProperty, type FoundInput } from '@poietra/core';
import ts from 'typescript';
import { aboutOf } from './about.js';
import { once, type Declarations } from './declarations.js';
import { exportedAs } from './exports.js';
import { besideList, isReported, listNames, noInputs, telling, unsettled } from './names.js';
import type { Objects } from './objects.js';

/** An export that was looked at and passed over. */
export interface Passed {
  readonly input: FoundInput;
  /** A sentence. */
  readonly reason: string;
}

/** A number that is stepped up and down, by whatever name: what leads from step to step has no least and most. */
const takesSteps = (properties: readonly DeclaredProperty[]): boolean =>
  ['min', 'max', 'step'].every((name) => properties.some((one) => one.name === name && /^number\b/.test(one.type)));

/** What a report of a change may be called, and anything that only looks like one. */
const mayReport = /^on[-A-Z]|[Cc]hange|^(set|update|select|input|pick)([A-Z]|$)/;

/** One of several property sets, and the constant by which it is told apart. */
/** What is an input by its name, where its properties are those of any element. */
const saysInput = /(Input|Text[Aa]rea|TextField)$/;
/** What tells of a change by its name; what sets a value is told of one. */
const reporting =
  /^on.*(Change|Select|Input|Update|Drop)|^on.*(Check|Pick)(ed)?$|^set(Value|Checked|Selected|Date|Time|Colou?r)$/;

interface Variant {
  readonly properties: readonly DeclaredProperty[];
  readonly kind?: { readonly name: string; readonly value: string };
}

export class Components {
  /**
   * Names of components that another takes as a replacement of one of its parts, by a property that lists them under
   * their names. A part stands on what is around it, so it is no input of its own.
   */
  readonly parts = new Set<string>();
  /** What has something of an input and was taken for none, with why. */
  readonly passed: Passed[] = [];

  constructor(
    private readonly read: Declarations,
    private readonly objects: Objects,
    private readonly htmlElements?: ts.Type,
  ) {}

  /** A function or class of the framework whose properties take a value and report a change. */
  componentOf(symbol: ts.Symbol, target: ts.Symbol, type: ts.Type): FoundInput | undefined {
    const { input, reason } = this.#judged(symbol, target, type) ?? {};
    if (input && reason !== undefined) this.passed.push({ input, reason });
    return reason === undefined ? input : undefined;
  }

  /** A component with anything of an input, and why it is none all the same. */
  #judged(symbol: ts.Symbol, target: ts.Symbol, type: ts.Type): Partial<Passed> | undefined {
    const exported = exportedAs(symbol);
    const name = (exported === 'default' ? this.#nameOf(target) : exported).replace(unsettled, '');
    if (!/^[A-Z]/.test(name) && exported !== 'default') return undefined;
    const props = this.propsOf(type);
    if (!props) return undefined;
    const asElement = this.#drawnAs(type);
    const isSaid = saysInput.test(name) && this.#takesAll(props);
    if (!asElement && !isSaid && !this.#mayBeInput(props)) return undefined;
    const { properties: own, kind } = this.#variant(props);
    const declaredOnes = asElement ? this.#asDrawn(own, asElement) : own;
    const properties = [...declaredOnes, ...this.#toldAlone(props, declaredOnes)];
    // What every HTML element takes makes no input; what HTML's own inputs take does.
    const isHtml = asElement !== undefined || isSaid || this.#isHtmlInput(props);
    const valued = properties.some(
      ({ name: property, inherited, type: text }) =>
        telling.test(property) && !inherited && (property !== 'color' || isReported(text, properties)),
    );
    const reports = properties.some(
      ({ args, name: property, inherited }) => args && !inherited && reporting.test(property),
    );
    const isInput = isHtml || (valued && reports) || namePairIn(properties) !== undefined;
    const isBeside = besideList.test(name) && !properties.some((one) => listNames.includes(one.name) && !one.inherited);
    const leads = isBeside || (noInputs.test(name.replace(/Root$/, '')) && !(isInput && takesSteps(properties)));
    const reason = leads
      ? isInput && 'By its name it leads somewhere, shows something, or is a part of something else.'
      : isInput
        ? undefined
        : valued
          ? 'It takes a value, and declares no report of a change.'
          : reports && 'It reports changes, and declares no property for a value that they are about.';
    if (reason === false) return undefined;
    if (reason === undefined) this.#notePartsOf(props);
    const declared = kind
      ? properties.map((property) =>
          telling.test(property.name)
            ? { ...property, type: `${property.type} where ${kind.name} = "${kind.value}"` }
            : property,
        )
      : properties;
    const handle = properties.length > 0 ? this.#handleMethods(props) : [];
    // HTML's own attribute goes wherever all others go; one that is declared is meant.
    const links = ['aria-labelledby', 'aria-describedby'].filter((one) => {
      const property = this.read.checker.getPropertyOfType(props, one);
      return property !== undefined && this.read.fromHtml(property) === undefined;
    });
    const made = this.objects.madeIn(props);
    const input: FoundInput = {
      ...aboutOf(this.read, symbol, target),
      family: 'component',
      properties: declared,
      events: [],
      methods: handle,
      ...(links.length > 0 ? { links } : {}),
      ...(made ? { made } : {}),
    };
    return { input, ...(reason === undefined ? {} : { reason }) };
  }

  /** Of a component that takes whatever it is given, the value that it names in its report alone. */
  #toldAlone(props: ts.Type, declared: readonly DeclaredProperty[]): DeclaredProperty[] {
    if (!props.getStringIndexType() || declared.some(({ name }) => name === 'value' || name === 'checked')) return [];
    const held = declared
      .find(({ name }) => name === 'onChange')
      ?.args?.flatMap(({ holds = [] }) => holds)
      .find(({ path }) => path === '/value');
    return held ? [{ name: 'value', type: held.type }] : [];
  }

  readonly #likely = new Map<ts.Type, boolean>();
  /** By its names alone: to read hundreds of properties of every box with a look of its own takes minutes. */
  #mayBeInput(props: ts.Type): boolean {
    return once(this.#likely, props, () => this.#namesAnInput(props));
  }
  #namesAnInput(props: ts.Type): boolean {
    const { checker } = this.read;
    const constraint = checker.getBaseConstraintOfType(props) ?? props;
    return (
      (constraint.isUnion() ? constraint.types : [constraint]).some((one) =>
        checker
          .getPropertiesOfType(one)
          .some(
            (property) =>
              (mayReport.test(property.name) || (telling.test(property.name) && property.name !== 'color')) &&
              this.read.fromHtml(property) === undefined,
          ),
      ) || this.#isHtmlInput(props)
    );
  }

  /** The type of what a component of the framework takes, of those that have a `member`; none where the type is no component's. */
  propsOf(type: ts.Type, member?: string): ts.Type | undefined {
    // What it gives is an element, or “any”, where its own types of elements did not come along.
    const taken = type.getCallSignatures().flatMap((one) => {
      const given = one.getReturnType();
      const isElement = /Element|ReactNode|JSX/.test(this.read.checker.typeToString(given));
      const [parameter] = one.parameters;
      return parameter && (isElement || (given.flags & ts.TypeFlags.Any) !== 0)
        ? [this.read.checker.getTypeOfSymbolAtLocation(parameter, this.read.where)]
        : [];
    });
    const fitting = taken.find((one) => member === undefined || this.read.checker.getPropertyOfType(one, member));
    if (fitting) return fitting;
    const instance = type.getConstructSignatures()[0]?.getReturnType();
    const made = instance?.getProperty('props');
    const props =
      made && instance?.getProperty('render')
        ? this.read.checker.getTypeOfSymbolAtLocation(made, this.read.where)
        : undefined;
    return props && (member === undefined || this.read.checker.getPropertyOfType(props, member)) ? props : undefined;
  }

  /** Components that hang on a component: `Radio.Group`. */
  membersOf(symbol: ts.Symbol, type: ts.Type, taken: Set<ts.Type>): FoundInput[] {
    // A form leads nowhere: what hangs on it are inputs.
    const exported = exportedAs(symbol);
    if (noInputs.test(exported) && exported !== 'Form') return [];
    const from = (exported === 'default' ? this.read.pkg.module : undefined) ?? this.read.pkg.name;
    return this.read.checker.getPropertiesOfType(type).flatMap((member) => {
      if (!/^[A-Z]/.test(member.name)) return [];
      const inner = this.read.checker.getTypeOfSymbolAtLocation(member, this.read.where);
      const input = taken.has(inner) ? undefined : this.componentOf(member, member, inner);
      if (!input) return [];
      taken.add(inner);
      return [
        {
          ...input,
          id: `${from}#${exported}.${member.name}`,
          export: `${exported}.${member.name}`,
        },
      ];
    });
  }

  /** Of a default: its own name, or its module's. */
  #nameOf({ name }: ts.Symbol): string {
    if (!['default', 'export='].includes(name)) return name;
    const [, last = ''] = /([^/]*?)(?:\.[cm]?js)?$/.exec(this.read.pkg.module ?? '') ?? [];
    return last.replace(/(?:^|-)(\w)/g, (_, letter: string) => letter.toUpperCase());
  }

  #notePartsOf(props: ts.Type): void {
    for (const property of this.read.checker.getPropertiesOfType(props)) {
      if (this.read.fromHtml(property) !== undefined) continue;
      const type = this.read.checker.getNonNullableType(
        this.read.checker.getTypeOfSymbolAtLocation(property, this.read.where),
      );
      const members = type.flags & ts.TypeFlags.Object ? this.read.checker.getPropertiesOfType(type) : [];
      if (members.length > 1 && members.every(({ name }) => /^[A-Z]/.test(name)))
        for (const { name } of members) this.parts.add(name);
    }
  }

  readonly #variants = new Map<ts.Type, Variant>();
  /**
   * Of a union of property sets, told apart by a constant, the first that takes a value and reports a change; one that
   * needs no constant is the usual.
   */
  #variant(props: ts.Type): Variant {
    return once(this.#variants, props, () => this.#likeliestOf(props));
  }
  #likeliestOf(props: ts.Type): Variant {
    const constraint = this.read.checker.getBaseConstraintOfType(props) ?? props;
    if (!constraint.isUnion()) return { properties: this.read.properties(constraint) };
    const variants = constraint.types.flatMap((member): Variant[] => {
      const names = this.read.checker.getPropertiesOfType(member).map(({ name }) => name);
      if (![telling, /^on.*(Change|Select)/].every((one) => names.some((name) => one.test(name)))) return [];
      // What a variant forbids is declared as nothing.
      const properties = this.read.properties(member).filter(({ type }) => type !== 'undefined');
      if (
        !properties.some(({ name }) => telling.test(name)) ||
        !properties.some(({ args, name }) => args && /^on.*(Change|Select)/.test(name))
      )
        return [];
      const kind = properties.find(
        ({ choices, required, type }) => choices?.length === 1 && required && /^"/.test(type),
      );
      const value = kind?.choices?.[0];
      return [kind && value !== undefined ? { properties, kind: { name: kind.name, value } } : { properties }];
    });
    return variants.find(({ kind }) => !kind) ?? variants[0] ?? { properties: this.read.properties(constraint) };
  }

  /** Of a component that is drawn as whatever element one says, what its element takes where nobody says it: HTML's own inputs. */
  #drawnAs(type: ts.Type): ts.Type | undefined {
    const [tag] = type.getCallSignatures().flatMap((one) =>
      (one.getTypeParameters() ?? []).flatMap((parameter) => {
        const usual = parameter.getDefault();
        return usual?.isStringLiteral() && /^(input|textarea|select)$/.test(usual.value) ? [usual.value] : [];
      }),
    );
    const element = tag === undefined ? undefined : this.htmlElements?.getProperty(tag);
    return element ? this.read.checker.getTypeOfSymbolAtLocation(element, this.read.where) : this.#asWithout(type);
  }

  /** The same where it takes a component to be drawn as, and what HTML’s own input takes where none is given. */
  #asWithout(type: ts.Type): ts.Type | undefined {
    for (const { parameters } of type.getCallSignatures()) {
      const props = parameters[0] && this.read.checker.getTypeOfSymbolAtLocation(parameters[0], this.read.where);
      for (const member of props?.isIntersection() ? props.types : []) {
        if (!(member.flags & ts.TypeFlags.Conditional)) continue;
        const {
          checkType,
          root: { node },
        } = member as ts.ConditionalType;
        const usual = checkType.flags & ts.TypeFlags.TypeParameter ? checkType.getDefault() : undefined;
        if (
          usual &&
          usual.flags & ts.TypeFlags.Undefined &&
          /^(React\.)?(Input|Textarea|Select)HTMLAttributes/.test(node.falseType.getText())
        )
          return this.read.checker.getTypeFromTypeNode(node.falseType);
      }
    }
    return undefined;
  }

  /** What it declares itself, and beside that what the element takes. */
  #asDrawn(declared: readonly DeclaredProperty[], element: ts.Type): DeclaredProperty[] {
    const own = declared.filter(({ inherited }) => !inherited);
    const named = new Set(own.map(({ name }) => name));
    return [...own, ...this.read.properties(element).filter(({ name }) => !named.has(name))];
  }

  #isHtmlInput(props: ts.Type): boolean {
    const value = this.read.checker.getPropertyOfType(props, 'value');
    if (value === undefined) return false;
    const from = this.read.fromHtml(value);
    if (from !== undefined && from !== 'AllHTMLAttributes') return /^(Input|Textarea|Select)HTMLAttributes$/.test(from);
    // It says itself what its value is, and leaves the report to HTML's own; or it takes what any element does, and says
    // in its report which it is.
    const report = this.read.checker.getPropertyOfType(props, 'onChange');
    return (
      report !== undefined &&
      (from !== undefined || this.read.fromHtml(report) !== undefined) &&
      /HTML(Input|TextArea|Select)Element/.test(
        this.read.checker.typeToString(this.read.checker.getTypeOfSymbolAtLocation(report, this.read.where)),
      )
    );
  }

  /** Whether it takes whatever any element of HTML does, and does not say which it is. */
  #takesAll(props: ts.Type): boolean {
    return ['value', 'onChange'].every((name) => {
      const property = this.read.checker.getPropertyOfType(props, name);
      return property !== undefined && /^(AllHTML|DOM)Attributes$/.test(this.read.fromHtml(property) ?? '');
    });
  }

  #handleMethods(props: ts.Type): string[] {
    const ref = this.read.checker.getPropertyOfType(props, 'ref');
    if (!ref) return [];
    const text = this.read.checker.typeToString(this.read.checker.getTypeOfSymbolAtLocation(ref, this.read.where));
    return /HTML\w*Element/.test(text) ? ['focus'] : [];
  }
}
