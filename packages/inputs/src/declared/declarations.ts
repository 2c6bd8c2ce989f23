/** Properties as declarations have them: types as texts, arguments, choices, and what helps to fill them. */
import type { DeclaredArgument, DeclaredProperty } from '@poietra/core';
import ts from 'typescript';
import type { ProjectPackage } from '../project.js';
import { everywhere, listNames, telling } from './names.js';

/** A report by its name, declared as “any” or as a function of whatever: what it gives is seen when it is tried. */
function isUntoldReport(name: string, type: ts.Type, checker: ts.TypeChecker): boolean {
  return (
    /^on[A-Z]/.test(name) &&
    ((type.flags & ts.TypeFlags.Any) !== 0 || checker.typeToString(checker.getNonNullableType(type)) === 'Function')
  );
}

/** A number that has to be given, by what its name means: a size is not nothing, and what is inside is less. */
function numberFor(name: string): number {
  if (/inner/i.test(name)) return 70;
  if (/^(length|count|digits|fields)$|^num[A-Z]/.test(name)) return 4;
  return /max|radius|size|width|height/i.test(name) ? 100 : /step/i.test(name) ? 1 : 0;
}

const hasWords = (names: readonly string[]): boolean => names.some((name) => /^(text|title|name|children)$/.test(name));

/** How many properties of one component are kept. */
const mostProperties = 300;
/** More than any input declares for itself. */
const mostOfOne = 100;
/** An item with more members than this is described by something else than them. */
const mostMembers = 40;
/** An object with more members than this is no report, but a part of what reports. */
const mostHeld = 24;

/** Where the compiler left something out: of a list, of an object, of arguments. */
const isShortened = /\.\.\. \d+ more \.\.\.|\.\.\.(?![\w$[(])/;
const longestText = 160;
/** Components share most of their properties, and so their types. */
const texts = new WeakMap<ts.Type, string>();
const platformTypes = /[\\/]typescript[\\/]lib[\\/]lib\.dom/;
const reactTypes = /[\\/]@types[\\/]react[\\/]/;

/** What was found out of a type, the first time or now. */
export function once<Found>(known: Map<ts.Type, Found>, type: ts.Type, find: () => Found): Found {
  if (!known.has(type)) known.set(type, find());
  return known.get(type) as Found;
}

/** A package's declarations as one reads them. */
export class Declarations {
  constructor(
    readonly checker: ts.TypeChecker,
    readonly pkg: ProjectPackage,
    readonly where: ts.Node,
  ) {}

  /** Whether the framework's types for HTML elements declare it, and for which elements. */
  fromHtml(property: ts.Symbol): string | undefined {
    const isOwn = ({ fileName }: ts.SourceFile): boolean => !platformTypes.test(fileName) && !reactTypes.test(fileName);
    const [declaration, ...more] = property.declarations ?? [];
    // What a package declares as well, in an intersection, it means.
    if (!declaration || [declaration, ...more].some((one) => isOwn(one.getSourceFile()))) return undefined;
    // What every element is able to, by the platform's own types.
    if (platformTypes.test(declaration.getSourceFile().fileName)) return '';
    return ts.isInterfaceDeclaration(declaration.parent) ? declaration.parent.name.text : '';
  }

  /** Thousands of pictures may all take the same. */
  readonly #properties = new Map<ts.Type, readonly DeclaredProperty[]>();
  properties(type: ts.Type): readonly DeclaredProperty[] {
    return once(this.#properties, type, () => this.#propertiesOf(type));
  }
  #propertiesOf(type: ts.Type): DeclaredProperty[] {
    const all = this.checker
      .getPropertiesOfType(type)
      .filter((property) => !everywhere.test(property.name) || telling.test(property.name));
    if (all.length <= mostProperties) return all.map((property) => this.property(property));
    // Where a look has hundreds of properties, those that may matter stand anywhere among them.
    const says = all.filter(({ name }) => telling.test(name) || listNames.includes(name) || /^on[A-Z]/.test(name));
    const others = all.filter((property) => !this.#isOfLook(property));
    return [...new Set([...says, ...others])].slice(0, mostProperties).map((property) => this.property(property));
  }

  /** Whether it is declared among so many others that they say how all of a package looks. To read each takes minutes. */
  #isOfLook(property: ts.Symbol): boolean {
    const around = property.declarations?.[0]?.parent;
    const isMany =
      around !== undefined &&
      (ts.isInterfaceDeclaration(around) || ts.isTypeLiteralNode(around)) &&
      around.members.length > mostOfOne;
    return isMany && (property.flags & ts.SymbolFlags.Optional) !== 0 && this.fromHtml(property) === undefined;
  }

  property(property: ts.Symbol): DeclaredProperty {
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
      type: this.text(type),
      ...(says ? { says } : {}),
      ...(property.flags & ts.SymbolFlags.Optional ? {} : { required: true }),
      ...(this.fromHtml(property) === undefined ? {} : { inherited: true as const }),
      ...(signature
        ? {
            args: signature.parameters.flatMap((one) => this.arguments(one)),
            ...(this.#isAsked(signature) ? { asked: true as const } : {}),
          }
        : isUntoldReport(property.name, type, this.checker)
          ? { args: [{ name: 'value', type: 'any' }] }
          : {}),
      ...(choices.length > 0 ? { choices } : {}),
      ...(property.getJsDocTags().some((tag) => tag.name === 'deprecated') ? { deprecated: true as const } : {}),
      ...this.#filling(property, bare),
    };
  }

  /** Whether what is called has to answer, at once or later: no answer is none of those that are declared. */
  #isAsked(signature: ts.Signature): boolean {
    const given = this.checker.getReturnTypeOfSignature(signature);
    const answer = this.checker.getAwaitedType(given) ?? given;
    const { Any, Unknown, Never, TypeParameter } = ts.TypeFlags;
    const isOpen = (answer.flags & (Any | Unknown | Never | TypeParameter)) !== 0;
    return !isOpen && !this.checker.isTypeAssignableTo(this.checker.getUndefinedType(), answer);
  }

  /** What a parameter takes: one argument, or those of a tuple that takes the rest. */
  arguments(symbol: ts.Symbol): DeclaredArgument[] {
    const declared = symbol.valueDeclaration;
    const type = this.checker.getTypeOfSymbolAtLocation(symbol, this.where);
    const isRest = (declared && ts.isParameter(declared) && declared.dotDotDotToken) ?? symbol.name === 'args';
    if (!isRest || !this.checker.isTupleType(type)) return [this.argument(symbol)];
    const { labeledElementDeclarations = [] } = (type as ts.TupleTypeReference).target;
    return this.checker.getTypeArguments(type as ts.TypeReference).map((one, i) => {
      const label = labeledElementDeclarations[i]?.name;
      return this.#argumentOf(label && ts.isIdentifier(label) ? label.text : `${i}`, one);
    });
  }

  /** An argument of a callback, with what may be the value inside of it. */
  argument(symbol: ts.Symbol): DeclaredArgument {
    return this.#argumentOf(symbol.name, this.checker.getTypeOfSymbolAtLocation(symbol, this.where));
  }

  #argumentOf(name: string, type: ts.Type): DeclaredArgument {
    const holds = this.#heldIn(this.checker.getNonNullableType(type));
    return { name, type: this.text(type), ...(holds.length > 0 ? { holds } : {}) };
  }

  #heldIn(type: ts.Type): { path: string; type: string }[] {
    const typeOf = (one: ts.Symbol): ts.Type => this.checker.getTypeOfSymbolAtLocation(one, this.where);
    const isObject = (one: ts.Type): boolean =>
      one.isUnion()
        ? one.types.every(isObject)
        : (one.flags & (ts.TypeFlags.Object | ts.TypeFlags.Intersection)) !== 0 &&
          !this.checker.isArrayLikeType(one) &&
          one.getCallSignatures().length === 0;
    const members = (one: ts.Type, at: string): { path: string; type: string }[] => {
      const all = isObject(one) ? this.checker.getPropertiesOfType(one) : [];
      return all.length > mostHeld
        ? []
        : all
            .filter(
              (inner) =>
                (inner.flags & ts.SymbolFlags.Property) !== 0 && typeOf(inner).getCallSignatures().length === 0,
            )
            .map((inner) => ({ path: `${at}/${inner.name}`, type: this.text(typeOf(inner)) }));
    };
    if (!isObject(type)) return [];
    // An event of the platform or of the framework tells in its detail; where that is a number it counts presses.
    const detail = this.checker.getPropertyOfType(type, 'detail');
    if (detail) return members(this.checker.getNonNullableType(typeOf(detail)), '/detail');
    const isEvent = this.checker.getPropertyOfType(type, 'preventDefault') !== undefined;
    return isEvent ? [] : members(type, '');
  }

  /** What helps to fill it: the members of listed objects, and a plain value where it has to be given. */
  #filling(property: ts.Symbol, type: ts.Type): Pick<DeclaredProperty, 'members' | 'sample'> {
    const items = (type.isUnion() ? type.types : [type])
      .flatMap((one) =>
        this.checker.isArrayType(one) ? (this.checker.getTypeArguments(one as ts.TypeReference)[0] ?? []) : [],
      )
      .map((item) => this.checker.getBaseConstraintOfType(item) ?? item);
    const [first = [], ...others] = items
      .flatMap((known) => (known.isUnion() ? known.types : [known]))
      .filter((one) => one.flags & (ts.TypeFlags.Object | ts.TypeFlags.Intersection))
      .map((one) => this.#namesIn(this.checker.getPropertiesOfType(one)));
    // Beside single choices a list may take groups of them.
    const all = [first, ...others];
    const has = (...wanted: string[]) => all.find((names) => wanted.every((name) => names.includes(name)));
    const members = has('value', 'label') ?? has('value', 'text') ?? first;
    const isNeeded = !(property.flags & ts.SymbolFlags.Optional) && type.getCallSignatures().length === 0;
    const sample = isNeeded ? this.sample(type, property.name, 3) : undefined;
    return {
      ...(members.length > 0 && members.length < mostMembers ? { members } : {}),
      ...(sample === undefined ? {} : { sample }),
    };
  }

  /** Of an item that takes all that an element of HTML takes, its own members, its value and its words. */
  #namesIn(members: readonly ts.Symbol[]): string[] {
    const own = members.length < mostMembers ? members : members.filter((one) => this.fromHtml(one) === undefined);
    const names = own.map(({ name }) => name);
    const usual = members.filter((one) => /^(value|label)$/.test(one.name) && !own.includes(one));
    // Words under a name of its own say more than those of an element.
    return [...names, ...usual.map(({ name }) => name).filter((name) => name === 'value' || !hasWords(names))];
  }

  /** The plainest value of a type; limits and masks by their names. `undefined` where it needs what is no data. */
  sample(type: ts.Type, name: string, depth: number): unknown {
    const bare = this.checker.getNonNullableType(type);
    const [first = bare] = bare.isUnion() ? bare.types : [bare];
    if (first.isStringLiteral() || first.isNumberLiteral()) return first.value;
    if (first.flags & ts.TypeFlags.BooleanLike) return false;
    if (first.flags & ts.TypeFlags.NumberLike) return numberFor(name);
    if (first.flags & ts.TypeFlags.StringLike) return /^(format|mask|pattern)$/.test(name) ? '####' : '';
    if (this.checker.isArrayLikeType(first)) return [];
    if (!(first.flags & ts.TypeFlags.Object) || depth === 0 || first.getCallSignatures().length > 0) return undefined;
    const filled: Record<string, unknown> = {};
    for (const member of this.checker.getPropertiesOfType(first)) {
      if (member.flags & ts.SymbolFlags.Optional) continue;
      const inner = this.sample(this.checker.getTypeOfSymbolAtLocation(member, this.where), member.name, depth - 1);
      if (inner === undefined) return undefined;
      filled[member.name] = inner;
    }
    return filled;
  }

  /** The type as text; the compiler shortens what is long, since written out a type of styles may fill megabytes. */
  text(type: ts.Type): string {
    const known = texts.get(type);
    if (known !== undefined) return known;
    const text = this.#writtenOut(type);
    texts.set(type, text);
    return text;
  }
  #writtenOut(type: ts.Type): string {
    const short = this.#shortText(type);
    if (!isShortened.test(short)) return short;
    // Of alternatives as many as there is room for; that it may be nothing comes last, as the compiler has it.
    const isNothing = ({ flags }: ts.Type): number =>
      Number((flags & (ts.TypeFlags.Undefined | ts.TypeFlags.Null)) !== 0);
    const whole = type.isUnion()
      ? [...type.types]
          .sort((one, other) => isNothing(one) - isNothing(other))
          .map((one) => this.#shortText(one))
          .join(' | ')
          .replace('false | true', 'boolean')
      : short.replace(isShortened, '…');
    return whole.length > longestText ? `${whole.slice(0, longestText - 3)}…` : whole;
  }
  #shortText(type: ts.Type): string {
    return this.checker.typeToString(type, undefined, ts.TypeFormatFlags.UseAliasDefinedOutsideCurrentScope);
  }
}
