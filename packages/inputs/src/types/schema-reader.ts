import { joinPointer } from '@poietra/core';
import ts from 'typescript';
import { keywordsIn } from './doc-tags.js';

/** What is said of a place where the schema is wider than the type, or leaves something out. */
export interface TypeNote {
  /** In a value, with `*` for every entry. */
  readonly at: string;
  readonly says: string;
}
type Schema = Record<string, unknown>;

/** Classes of the language that JSON has a form for, and those whose values it loses. */
const asText: Readonly<Record<string, Schema>> = {
  Date: { type: 'string', format: 'date-time' },
  URL: { type: 'string', format: 'uri' },
};
const lost = new Set(
  'Map Set WeakMap WeakSet Promise RegExp Function Symbol Error ArrayBuffer Uint8Array Blob File'.split(' '),
);

/** A generic type can ask for ever new ones of itself. In levels of a value. */
const deepest = 40;

/** Reads one type as the schema of its JSON. Types with a name become definitions, so that one may contain itself. */
export class SchemaReader {
  readonly #notes: TypeNote[] = [];
  readonly #names = new Map<ts.Type, string>();
  readonly #definitions: Schema = {};
  #root: ts.Type | undefined;

  constructor(private readonly checker: ts.TypeChecker) {}

  read(symbol: ts.Symbol): { readonly schema: Schema; readonly notes: readonly TypeNote[] } {
    const type = this.checker.getDeclaredTypeOfSymbol(symbol);
    this.#root = type;
    const own = this.#whole(type, '');
    const schema = {
      $schema: 'https://json-schema.org/draft/2020-12/schema',
      title: wordsOf(symbol.name),
      ...own,
      ...keywordsIn(symbol, this.checker),
      ...(Object.keys(this.#definitions).length > 0 ? { $defs: this.#definitions } : {}),
    };
    return { schema, notes: this.#notes };
  }

  #note(at: string, says: string): void {
    if (!this.#notes.some((one) => one.at === at && one.says === says)) this.#notes.push({ at, says });
  }

  /** Of a type at some place: a reference, where it has a name. */
  #schemaOf(type: ts.Type, at: string): Schema {
    if (at.split('/').length > deepest) {
      this.#note(at, 'The type goes on without an end; from here on anything is taken.');
      return {};
    }
    if (type === this.#root) return { $ref: '#' };
    const known = this.#names.get(type);
    if (known !== undefined) return { $ref: `#/$defs/${known}` };
    const wanted = this.#nameOf(type);
    if (wanted === undefined) return this.#whole(type, at);
    let name = wanted;
    for (let i = 2; Object.hasOwn(this.#definitions, name); i++) name = `${wanted}${i}`;
    this.#names.set(type, name);
    this.#definitions[name] = true;
    const symbol = symbolOf(type);
    this.#definitions[name] = { ...this.#whole(type, at), ...keywordsIn(symbol, this.checker) };
    return { $ref: `#/$defs/${name}` };
  }

  /** Objects and unions of them are worth a definition; a name for a text or a number is only a name. */
  #nameOf(type: ts.Type): string | undefined {
    const symbol = symbolOf(type);
    const isKnown = symbol !== undefined && /^[A-Za-z]\w*$/.test(symbol.name) && !symbol.name.startsWith('__');
    // `Record<…>` and its like say what a type is made of, not what it is.
    if (!isKnown || this.#isOfTheLanguage(symbol)) return undefined;
    if (this.checker.isArrayType(type) || this.checker.isTupleType(type)) return undefined;
    const parts = type.isUnion() ? type.types : [type];
    return parts.some((one) => one.flags & (ts.TypeFlags.Object | ts.TypeFlags.Intersection)) ? symbol.name : undefined;
  }

  #whole(type: ts.Type, at: string): Schema {
    if (type.isUnion()) return this.#union(type, at);
    const plain = this.#plain(type, at);
    if (plain) return plain;
    const [entry] = this.checker.isArrayType(type) ? this.checker.getTypeArguments(type as ts.TypeReference) : [];
    if (entry) return { type: 'array', items: this.#schemaOf(entry, joinPointer(at, '*')) };
    if (this.checker.isTupleType(type)) return this.#tuple(type as ts.TupleTypeReference, at);
    // A text with a mark that tells it from other texts is a text.
    const base = type.isIntersection() ? type.types.find((one) => this.#plain(one, at, true)) : undefined;
    return (base && this.#plain(base, at)) ?? this.#object(type, at);
  }

  #plain(type: ts.Type, at: string, isQuiet = false): Schema | undefined {
    const { flags } = type;
    const { TypeFlags } = ts;
    const note = (says: string): void => (isQuiet ? undefined : this.#note(at, says));
    if (type.isStringLiteral() || type.isNumberLiteral()) return { const: type.value };
    if (flags & TypeFlags.BooleanLiteral) return { const: this.checker.typeToString(type) === 'true' };
    if (flags & TypeFlags.Null) return { type: 'null' };
    if (flags & (TypeFlags.TemplateLiteral | TypeFlags.StringMapping)) {
      note(`Only texts like ${this.checker.typeToString(type)} are meant; the schema takes any text.`);
      return { type: 'string' };
    }
    if (flags & TypeFlags.StringLike) return { type: 'string' };
    if (flags & TypeFlags.NumberLike) return { type: 'number' };
    if (flags & TypeFlags.BooleanLike) return { type: 'boolean' };
    if (flags & TypeFlags.BigIntLike) {
      note('JSON has no bigint; a whole number stands for it.');
      return { type: 'integer' };
    }
    if (flags & (TypeFlags.Any | TypeFlags.Unknown)) {
      note('The type says nothing of this value, so anything is taken.');
      return {};
    }
    const symbol = symbolOf(type);
    const name = symbol?.name ?? '';
    if (flags & TypeFlags.Object && symbol && this.#isOfTheLanguage(symbol)) {
      const text = asText[name];
      if (text) note(`JSON has a ${name} as a text.`);
      if (text) return { ...text };
      if (lost.has(name)) note(`JSON has no ${name}; anything is taken.`);
      if (lost.has(name)) return {};
    }
    return undefined;
  }

  #isOfTheLanguage({ declarations = [] }: ts.Symbol): boolean {
    return declarations.some((one) => /\/lib\.[\w.]+\.d\.ts$/.test(one.getSourceFile().fileName));
  }

  #union({ types }: ts.UnionType, at: string): Schema {
    const said = types.filter(({ flags }) => !(flags & (ts.TypeFlags.Undefined | ts.TypeFlags.Void)));
    const isNull = (one: ts.Type): boolean => (one.flags & ts.TypeFlags.Null) !== 0;
    const isBoolean = (one: ts.Type): boolean => (one.flags & ts.TypeFlags.BooleanLiteral) !== 0;
    const orNull = said.some(isNull);
    const bothBooleans = said.filter(isBoolean).length === 2;
    const others = said.filter((one) => !isNull(one) && !(bothBooleans && isBoolean(one)));
    const literals = others.map((one) => this.#literal(one));
    const some: Schema[] = [];
    if (others.length > 1 && literals.every((one) => one !== undefined))
      some.push({ enum: literals.map((one) => one.const) });
    else some.push(...others.map((one) => this.#schemaOf(one, at)));
    if (bothBooleans) some.push({ type: 'boolean' });
    const [only] = some;
    if (some.length === 1 && only) return orNull ? nullable(only) : only;
    const all = orNull ? [...some, { type: 'null' }] : some;
    // Where one member tells them apart, exactly one can hold.
    return { [this.#isToldApart(others) ? 'oneOf' : 'anyOf']: all };
  }

  #literal(type: ts.Type): { readonly const: unknown } | undefined {
    const plain = this.#plain(type, '', true);
    return plain && Object.hasOwn(plain, 'const') ? { const: plain['const'] } : undefined;
  }

  #isToldApart(types: readonly ts.Type[]): boolean {
    if (types.length < 2 || types.some(({ flags }) => !(flags & (ts.TypeFlags.Object | ts.TypeFlags.Intersection))))
      return false;
    const [first] = types;
    const names = first ? this.checker.getPropertiesOfType(first).map(({ name }) => name) : [];
    return names.some((name) => {
      const values = types.map((type) => {
        const member = this.checker.getPropertyOfType(type, name);
        return member && !isOptional(member) ? this.#literal(this.checker.getTypeOfSymbol(member))?.const : undefined;
      });
      return values.every((one) => one !== undefined) && new Set(values).size === values.length;
    });
  }

  #tuple(type: ts.TupleTypeReference, at: string): Schema {
    const { elementFlags, minLength } = type.target;
    const types = this.checker.getTypeArguments(type);
    const fixed = elementFlags.filter((flag) => !(flag & ts.ElementFlags.Variable)).length;
    const rest = types[fixed];
    return {
      type: 'array',
      prefixItems: types.slice(0, fixed).map((one, i) => this.#schemaOf(one, joinPointer(at, i))),
      ...(minLength > 0 ? { minItems: minLength } : {}),
      ...(rest ? { items: this.#schemaOf(rest, joinPointer(at, '*')) } : { maxItems: fixed }),
    };
  }

  #object(type: ts.Type, at: string): Schema {
    if (type.getCallSignatures().length > 0) {
      this.#note(at, 'JSON has no functions; anything is taken.');
      return {};
    }
    const properties: Schema = {};
    const required: string[] = [];
    for (const member of this.checker.getPropertiesOfType(type)) {
      const place = joinPointer(at, member.name);
      const own = this.checker.getTypeOfSymbol(member);
      if (this.#isLeftOut(member, own, place)) continue;
      properties[member.name] = { ...this.#schemaOf(own, place), ...keywordsIn(member, this.checker) };
      if (!isOptional(member) && !takesUndefined(own)) required.push(member.name);
    }
    const index = this.checker.getIndexInfoOfType(type, ts.IndexKind.String)?.type;
    const isMap = index !== undefined && Object.keys(properties).length === 0;
    return {
      type: 'object',
      ...(required.length > 0 ? { required } : {}),
      ...(isMap ? {} : { properties }),
      ...(index ? { additionalProperties: this.#schemaOf(index, joinPointer(at, '*')) } : {}),
    };
  }

  /** What is no data: methods, what is private, symbols, and members that can have no value. */
  #isLeftOut(member: ts.Symbol, type: ts.Type, at: string): boolean {
    const hidden = ts.ModifierFlags.Private | ts.ModifierFlags.Protected;
    const isHidden = member.declarations?.some((one) => ts.getCombinedModifierFlags(one) & hidden) ?? false;
    if (isHidden || member.name.startsWith('__') || type.flags & (ts.TypeFlags.Never | ts.TypeFlags.ESSymbolLike))
      return true;
    if (this.checker.getNonNullableType(type).getCallSignatures().length === 0) return false;
    this.#note(at, 'It is a function, which JSON has not; it is left out.');
    return true;
  }
}

/** The compiler declares that every type has a symbol; those of plain values have none. */
const symbolOf = (type: { readonly aliasSymbol?: ts.Symbol; readonly symbol?: ts.Symbol }): ts.Symbol | undefined =>
  type.aliasSymbol ?? type.symbol;
const isOptional = ({ flags }: ts.Symbol): boolean => (flags & ts.SymbolFlags.Optional) !== 0;
const takesUndefined = (type: ts.Type): boolean =>
  type.isUnion() && type.types.some(({ flags }) => flags & ts.TypeFlags.Undefined);

/** What a schema takes, or null. */
function nullable(schema: Schema): Schema {
  const { type } = schema;
  if (Array.isArray(schema['enum'])) return { ...schema, enum: [...(schema['enum'] as unknown[]), null] };
  if (Object.hasOwn(schema, 'const')) return { enum: [schema['const'], null] };
  if (typeof type === 'string') return { ...schema, type: [type, 'null'] };
  return Object.keys(schema).length === 0 ? schema : { anyOf: [schema, { type: 'null' }] };
}

/** `FreightBooking` as words: `Freight booking`. */
function wordsOf(name: string): string {
  const words = name.replace(/([a-z\d])([A-Z])/g, '$1 $2').replaceAll('_', ' ');
  return words.charAt(0).toUpperCase() + words.slice(1).replace(/\b[A-Z](?=[a-z])/g, (sign) => sign.toLowerCase());
}
