/** What every found input says of itself. */
import type { FoundInput } from '@poietra/core';
import ts from 'typescript';
import { styleSheets } from '../sheets.js';
import type { Declarations } from './declarations.js';

export function aboutOf(
  { checker, pkg }: Declarations,
  symbol: ts.Symbol,
  target: ts.Symbol,
): Pick<FoundInput, 'id' | 'package' | 'version' | 'export' | 'module' | 'css' | 'says'> {
  const says = ts.displayPartsToString(target.getDocumentationComment(checker)).split('\n\n')[0]?.trim();
  return {
    id: `${pkg.name}#${symbol.name}`,
    package: pkg.of ?? pkg.name,
    version: pkg.version,
    export: symbol.name,
    module: pkg.module ?? pkg.name,
    css: pkg.of === undefined ? styleSheets(pkg) : [],
    ...(says ? { says } : {}),
  };
}
