/** What every found input says of itself. */
import type { FoundInput } from '@poietra/core';
import ts from 'typescript';
import { styleSheets } from '../sheets.js';
import type { Declarations } from './declarations.js';
import { exportedAs } from './exports.js';

export function aboutOf(
  { checker, pkg }: Declarations,
  symbol: ts.Symbol,
  target: ts.Symbol,
): Pick<FoundInput, 'id' | 'package' | 'version' | 'export' | 'module' | 'css' | 'says'> {
  const exported = exportedAs(symbol);
  const says = ts.displayPartsToString(target.getDocumentationComment(checker)).split('\n\n')[0]?.trim();
  return {
    // Each module below a package has a default of its own.
    id: `${(exported === 'default' ? pkg.module : undefined) ?? pkg.name}#${exported}`,
    package: pkg.of ?? pkg.name,
    version: pkg.version,
    export: exported,
    module: pkg.module ?? pkg.name,
    css: pkg.of === undefined ? styleSheets(pkg) : [],
    ...(says ? { says } : {}),
  };
}
