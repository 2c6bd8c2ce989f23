/** Values that are objects of a library: which they are, what makes them of a text, and how they say themselves as one. */
import { valueNames, type MadeUse, type ObjectValue } from '@poietra/core';
import ts from 'typescript';
import type { Declarations } from './declarations.js';
import { exportsOf, meantBy } from './exports.js';
import type { Program } from './program.js';

/** What a method that writes by a pattern may be given, in the two notations of general use. */
const patterns = [
  'YYYY-MM-DD',
  'yyyy-MM-dd',
  'HH:mm',
  'HH:mm:ss',
  'YYYY-MM-DDTHH:mm',
  "yyyy-MM-dd'T'HH:mm",
  'YYYY-MM',
  'yyyy-MM',
];
const mostDepth = 6;
const mostMakers = 8;
const mostReadings = 16;
/** Names of what reads a text, and of methods that write one; what stands in neither comes last. */
const making = /^(parse|from|of|default$)/;
const writing = ['toString', 'toISOString', 'toJSON'];

/** The kinds of values that a property takes, down to what is an object with methods of its own. */
interface Taken {
  readonly objects: Set<ts.Type>;
  /** Of an object that holds such objects: the names of its members. */
  members?: readonly string[];
  listed?: number;
  isAlone?: true;
}

export class Objects {
  constructor(
    private readonly read: Declarations,
    private readonly module: ts.Symbol,
    private readonly moduleNamed: Program['moduleNamed'],
  ) {}

  /** How the values are made of the first property that takes objects of a library, where a text can be made into them. */
  madeIn(props: ts.Type): ObjectValue | undefined {
    for (const name of valueNames) {
      const property = this.read.checker.getPropertyOfType(props, name);
      const made = property && this.read.fromHtml(property) === undefined ? this.#madeFor(property) : undefined;
      if (made) return made;
    }
    return undefined;
  }

  #madeFor(property: ts.Symbol): ObjectValue | undefined {
    const { checker, where } = this.read;
    const taken: Taken = { objects: new Set() };
    this.#gather(checker.getTypeOfSymbolAtLocation(property, where), taken, mostDepth, true);
    if (taken.objects.size === 0) return undefined;
    const objects = [...taken.objects];
    const uses = this.#modulesOf(objects)
      .flatMap(([name, module]) => this.#makers(name, module, objects))
      .sort((a, b) => a.rank - b.rank || a.use.by.length - b.use.by.length)
      .slice(0, mostMakers)
      .flatMap(({ use, made }) => this.#readings(made).map((reading) => ({ ...use, ...reading })));
    if (uses.length === 0) return undefined;
    const { members, listed, isAlone } = taken;
    return {
      property: property.name,
      uses,
      ...(isAlone ? { alone: true } : {}),
      ...(members ? { members } : {}),
      ...(listed === undefined ? {} : { listed }),
    };
  }

  /** `isAlone`: it is no item of a list and no member of an object. */
  #gather(type: ts.Type, taken: Taken, depth: number, isAlone: boolean): void {
    const { checker, where } = this.read;
    if (depth === 0) return;
    // Without nothing, one that depends on others would be another around itself.
    const bare = type.flags & ts.TypeFlags.Instantiable ? type : checker.getNonNullableType(type);
    if (bare.isUnionOrIntersection()) {
      for (const one of bare.types) this.#gather(one, taken, depth - 1, isAlone);
      return;
    }
    if (bare.flags & ts.TypeFlags.TypeParameter) {
      const least = bare.getDefault() ?? checker.getBaseConstraintOfType(bare);
      if (least && least !== bare) this.#gather(least, taken, depth - 1, isAlone);
      return;
    }
    if (!(bare.flags & ts.TypeFlags.Object)) {
      // A type that depends on others is known by the most that it can be, and by what it was made of.
      const most = bare.flags & ts.TypeFlags.Instantiable ? checker.getBaseConstraintOfType(bare) : undefined;
      for (const one of [...(most && most !== bare ? [most] : []), ...(bare.aliasTypeArguments ?? [])])
        this.#gather(one, taken, depth - 1, isAlone);
      return;
    }
    if (checker.isArrayType(bare) || checker.isTupleType(bare)) {
      const before = taken.objects.size;
      const items = checker.getTypeArguments(bare as ts.TypeReference);
      for (const one of items) this.#gather(one, taken, depth - 1, false);
      if (taken.objects.size > before) taken.listed = checker.isTupleType(bare) ? items.length : 1;
      return;
    }
    if (bare.getCallSignatures().length > 0 || !isOfALibrary(bare)) return;
    const properties = checker.getPropertiesOfType(bare);
    const typeOf = (one: ts.Symbol): ts.Type => checker.getTypeOfSymbolAtLocation(one, where);
    if (properties.some((one) => typeOf(one).getCallSignatures().length > 0)) {
      taken.objects.add(bare);
      if (isAlone) taken.isAlone = true;
      return;
    }
    const before = taken.objects.size;
    for (const one of properties.slice(0, 4)) this.#gather(typeOf(one), taken, depth - 1, false);
    if (taken.objects.size > before && taken.members === undefined) taken.members = properties.map(({ name }) => name);
  }

  /** The input's own module, and the packages that declare the objects. */
  #modulesOf(objects: readonly ts.Type[]): (readonly [string, ts.Symbol])[] {
    const { pkg } = this.read;
    const others = objects.flatMap((type) => packageOf(type) ?? []);
    return [
      [pkg.module ?? pkg.name, this.module] as const,
      ...[...new Set(others)].flatMap((name) => {
        const module = name === pkg.name ? undefined : this.moduleNamed(name);
        return module ? [[name, module] as const] : [];
      }),
    ];
  }

  #makers(name: string, module: ts.Symbol, objects: readonly ts.Type[]): Maker[] {
    const { checker, where } = this.read;
    const whole = module.exports?.get(ts.InternalSymbolName.ExportEquals);
    return [...(whole ? [whole] : []), ...exportsOf(checker, module)].flatMap((symbol) => {
      const target = meantBy(checker, symbol);
      if (!(target.flags & ts.SymbolFlags.Value)) return [];
      const exported = symbol === whole ? 'default' : symbol.name;
      const type = checker.getTypeOfSymbolAtLocation(target, where);
      const found = [
        ...this.#madeBy(type.getCallSignatures(), objects, { by: `${name}#${exported}` }),
        ...this.#madeBy(type.getConstructSignatures(), objects, { by: `${name}#${exported}`, start: 'new' }),
      ];
      if (!/^[A-Z]/.test(exported) || type.getConstructSignatures().length === 0) return found;
      const statics = checker.getPropertiesOfType(type).filter((one) => one.name !== 'prototype');
      return [
        ...found,
        ...statics.flatMap((one) =>
          this.#madeBy(checker.getTypeOfSymbolAtLocation(one, where).getCallSignatures(), objects, {
            by: `${name}#${exported}.${one.name}`,
          }),
        ),
      ];
    });
  }

  /** A way that takes a text and needs nothing else. */
  #madeBy(signatures: readonly ts.Signature[], objects: readonly ts.Type[], use: MadeUse): Maker[] {
    const { checker, where } = this.read;
    for (const signature of signatures) {
      const [text, ...others] = signature.parameters;
      if (!text || signature.typeParameters || !others.every(isOptional)) continue;
      const type = checker.getTypeOfSymbolAtLocation(text, where);
      if (type.flags & ts.TypeFlags.Any || !checker.isTypeAssignableTo(checker.getStringType(), type)) continue;
      const made = checker.getNonNullableType(signature.getReturnType());
      if (!(made.flags & ts.TypeFlags.Object) || !objects.some((one) => checker.isTypeAssignableTo(made, one)))
        continue;
      const name = use.by.slice(use.by.search(/[^#.]*$/));
      return [{ use, made, rank: making.test(name) ? 0 : 1 }];
    }
    return [];
  }

  /** How it says itself as a text, the plainest way first. */
  #readings(made: ts.Type): Pick<MadeUse, 'read' | 'given'>[] {
    const { checker, where } = this.read;
    const found = checker.getPropertiesOfType(made).flatMap((method) => {
      const type = checker.getTypeOfSymbolAtLocation(method, where);
      const signature = type.getCallSignatures().find((one) => one.getReturnType().flags & ts.TypeFlags.StringLike);
      const [first, ...others] = signature?.parameters ?? [];
      if (!signature || !others.every(isOptional)) return [];
      const read = method.name === 'toString' ? {} : { read: method.name };
      const at = writing.indexOf(method.name);
      const rank = at < 0 ? writing.length : at;
      const takes = first && checker.getNonNullableType(checker.getTypeOfSymbolAtLocation(first, where));
      const given = takes ? this.#givenFor(takes) : [];
      const bare = !first || isOptional(first) ? [{ ...read }] : [];
      return [...bare, ...given.map((text) => ({ ...read, given: [text] }))].map((one) => ({ one, rank }));
    });
    if (!found.some(({ rank }) => rank === 0)) found.push({ one: {}, rank: 0 });
    return found
      .sort((a, b) => a.rank - b.rank)
      .slice(0, mostReadings)
      .map(({ one }) => one);
  }

  /** The texts that a method lists, or patterns where it takes any. */
  #givenFor(type: ts.Type): readonly string[] {
    const listed = (type.isUnion() ? type.types : [type]).flatMap((one) => (one.isStringLiteral() ? [one.value] : []));
    if (listed.length > 0) return listed.slice(0, 8);
    return type.flags & ts.TypeFlags.String ? patterns : [];
  }
}

interface Maker {
  readonly use: MadeUse;
  readonly made: ts.Type;
  readonly rank: number;
}

const isOptional = (parameter: ts.Symbol): boolean => {
  const declared = parameter.valueDeclaration;
  return (
    declared !== undefined &&
    ts.isParameter(declared) &&
    (declared.questionToken !== undefined ||
      declared.initializer !== undefined ||
      declared.dotDotDotToken !== undefined)
  );
};

const fileOf = (type: ts.Type): string | undefined =>
  (type.symbol as ts.Symbol | undefined)?.declarations?.[0]?.getSourceFile().fileName;

/** Declared by a package, and not by the language, the page or the framework. */
function isOfALibrary(type: ts.Type): boolean {
  const file = fileOf(type);
  return file !== undefined && !/[\\/](typescript[\\/]lib|@types[\\/](react|react-dom|node))[\\/]/.test(file);
}

/** The package that declares it, by where it lies. */
function packageOf(type: ts.Type): string | undefined {
  const inside = /.*[\\/]node_modules[\\/]((?:@[^\\/]+[\\/])?[^\\/]+)/
    .exec(fileOf(type) ?? '')?.[1]
    ?.replaceAll('\\', '/');
  return inside?.replace(/^@types\//, '');
}
