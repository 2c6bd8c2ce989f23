/** What makes the list of choices that a component takes, where it takes no plain one but an object of its package. */
import type { FoundInput, ListMade } from '@poietra/core';
import ts from 'typescript';
import { typeAt } from './choice-items.js';
import type { Components } from './components.js';
import type { Declarations } from './declarations.js';
import { exportsOf, meantBy } from './exports.js';
import { listNames } from './names.js';

/** With what makes its list, where it has to be given one that a function of its module makes of a plain list. */
export function withList(read: Declarations, components: Components, module: ts.Symbol, input: FoundInput): FoundInput {
  if (input.family !== 'component') return input;
  const property = input.properties.find(({ name, required }) => required && listNames.includes(name));
  const type = property && typeAt(read, module, input.export);
  const props = type && components.propsOf(type, property.name);
  const taken = props && read.checker.getPropertyOfType(props, property.name);
  const made = taken && makerOf(read, module, read.checker.getTypeOfSymbolAtLocation(taken, read.where));
  return made ? { ...input, list: { property: property.name, made } } : input;
}

function makerOf(read: Declarations, module: ts.Symbol, taken: ts.Type): ListMade['made'] | undefined {
  const { checker, where, pkg } = read;
  const wanted = declaredAs(checker, taken);
  if (!wanted) return undefined;
  for (const symbol of exportsOf(checker, module)) {
    if (!/^[a-z]/.test(symbol.name)) continue;
    const target = meantBy(checker, symbol);
    if (!(target.flags & ts.SymbolFlags.Value)) continue;
    for (const signature of checker.getTypeOfSymbolAtLocation(target, where).getCallSignatures()) {
      const [options] = signature.parameters;
      if (!options || declaredAs(checker, signature.getReturnType()) !== wanted) continue;
      const given = checker.getTypeOfSymbolAtLocation(options, where);
      const under = checker.getPropertiesOfType(given).find(({ name }) => listNames.includes(name))?.name;
      if (under !== undefined) return { by: `${pkg.module ?? pkg.name}#${symbol.name}`, under };
    }
  }
  return undefined;
}

/** The class or interface that an object is of; none of a list, or of an object that was written out. */
function declaredAs(checker: ts.TypeChecker, type: ts.Type): ts.Symbol | undefined {
  const bare = checker.getNonNullableType(type);
  if (!(bare.flags & ts.TypeFlags.Object) || checker.isArrayLikeType(bare)) return undefined;
  const symbol = bare.symbol as ts.Symbol | undefined;
  return symbol && symbol.flags & (ts.SymbolFlags.Class | ts.SymbolFlags.Interface) ? symbol : undefined;
}
