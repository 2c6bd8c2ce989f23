import ts from 'typescript';
import type { Declarations } from './declarations.js';

const mostProviders = 4;

/**
 * Components that may have to stand around others: what is called a provider, takes children, and needs nothing else
 * that cannot be made up. Those that need least come first.
 */
export function providersOf({ checker, pkg, where }: Declarations, module: ts.Symbol): string[] {
  const found = checker.getExportsOfModule(module).flatMap((symbol) => {
    if (!/^[A-Z]\w*Provider$/.test(symbol.name)) return [];
    const target = symbol.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(symbol) : symbol;
    const type = checker.getTypeOfSymbolAtLocation(target, where);
    const parameter = type.getCallSignatures()[0]?.parameters[0];
    const props = parameter && checker.getTypeOfSymbolAtLocation(parameter, where);
    if (!props || !checker.getPropertyOfType(props, 'children')) return [];
    const needed = checker
      .getPropertiesOfType(props)
      .filter(({ flags, name }) => !(flags & ts.SymbolFlags.Optional) && name !== 'children');
    // One for a whole application or theme is asked for more often than one for a single widget.
    const rank = (/^(Theme|Config|App|Ui|UI)?Provider$|Theme|Config/.test(symbol.name) ? 0 : 1) + 2 * needed.length;
    return [{ id: `${pkg.name}#${symbol.name}`, rank, length: symbol.name.length }];
  });
  return found
    .sort((a, b) => a.rank - b.rank || a.length - b.length)
    .slice(0, mostProviders)
    .map(({ id }) => id);
}
