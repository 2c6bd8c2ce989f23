/** What a module gives at run time: `export type *` shows names that no import finds. */
import ts from 'typescript';

const known = new WeakMap<ts.Symbol, readonly ts.Symbol[]>();

/** The exports of a module without those that are there for types alone. */
export function exportsOf(checker: ts.TypeChecker, module: ts.Symbol): readonly ts.Symbol[] {
  const kept = known.get(module);
  if (kept) return kept;
  const all = checker.getExportsOfModule(module);
  const given = new Set<string>();
  const isWhole = namesOf(checker, module, given, new Set());
  const declared = isWhole ? all : all.filter(({ name }) => given.has(name));
  // What is exported as the whole (`export =`) with more hanging on it is the default, too.
  const whole = module.exports?.get(ts.InternalSymbolName.ExportEquals);
  const found = whole && !declared.some(({ name }) => name === 'default') ? [...declared, whole] : declared;
  known.set(module, found);
  return found;
}

/** Gathers the names that are exported as values; `true` where none was exported for types alone. */
function namesOf(checker: ts.TypeChecker, module: ts.Symbol, names: Set<string>, passed: Set<ts.Symbol>): boolean {
  if (passed.has(module)) return true;
  passed.add(module);
  let isWhole = true;
  for (const name of module.exports?.keys() ?? [])
    if (name !== ts.InternalSymbolName.ExportStar) names.add(String(name));
  const stars = module.exports?.get(ts.InternalSymbolName.ExportStar)?.declarations ?? [];
  for (const star of stars) {
    if (!ts.isExportDeclaration(star) || !star.moduleSpecifier) continue;
    const inner = checker.getSymbolAtLocation(star.moduleSpecifier);
    if (star.isTypeOnly) isWhole = false;
    else if (inner) isWhole = namesOf(checker, inner, names, passed) && isWhole;
  }
  return isWhole;
}

/** The name by which an export is asked for. */
export const exportedAs = ({ name }: ts.Symbol): string =>
  name === (ts.InternalSymbolName.ExportEquals as string) ? 'default' : name;

/** What a name stands for, through all that it was exported by. */
export const meantBy = (checker: ts.TypeChecker, symbol: ts.Symbol): ts.Symbol =>
  symbol.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(symbol) : symbol;
