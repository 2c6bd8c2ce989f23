/** Compiles what was handed over as if it lay in the demo project, under strict settings. */
import { join } from 'node:path';
import ts from 'typescript';
import type { HandoverFile } from '../src/handover/index.js';
import { hostWith } from './parsed.js';

const home = join(__dirname, '../../..');
/** What the compiler says against the files, each with the file's path; `isOwn`: without the libraries. */
export function troublesOf(handed: readonly HandoverFile[], { isOwn = false } = {}): string[] {
  const files = new Map(handed.map(({ path, text }) => [join(home, 'demo/project/handed-over', path), text]));
  const options: ts.CompilerOptions = {
    strict: true,
    noUncheckedIndexedAccess: true,
    exactOptionalPropertyTypes: isOwn,
    noUnusedLocals: isOwn,
    noUnusedParameters: isOwn,
    verbatimModuleSyntax: isOwn,
    noEmit: true,
    skipLibCheck: true,
    jsx: ts.JsxEmit.ReactJSX,
    resolveJsonModule: true,
    target: ts.ScriptTarget.ES2022,
    module: ts.ModuleKind.ESNext,
    moduleResolution: ts.ModuleResolutionKind.Bundler,
    customConditions: ['source'],
    types: ['node'],
    typeRoots: [join(home, 'node_modules/@types')],
    paths: {
      ...(isOwn ? {} : { '@poietra/*': [join(home, 'packages/*/src/index.ts')] }),
      react: [join(home, 'node_modules/@types/react')],
      'react/*': [join(home, 'node_modules/@types/react/*')],
    },
  };
  const host = hostWith(options, files);
  const { directoryExists } = host;
  host.directoryExists = (name) => name.includes('handed-over') || (directoryExists?.(name) ?? true);
  const roots = [...files.keys()].filter((name) => /\.tsx?$/.test(name));
  const program = ts.createProgram([...roots, join(home, 'apps/workbench/src/styles.d.ts')], options, host);
  // What the files import has tests of its own; only they themselves are checked here, which is a fraction of the work.
  const own = roots.map((name) => program.getSourceFile(name));
  const found = [
    ...program.getOptionsDiagnostics(),
    ...program.getGlobalDiagnostics(),
    ...own.flatMap((file) => [...program.getSyntacticDiagnostics(file), ...program.getSemanticDiagnostics(file)]),
  ];
  return found.map(
    ({ file, messageText }) =>
      `${file?.fileName.split('handed-over/')[1] ?? ''}: ${ts.flattenDiagnosticMessageText(messageText, ' ')}`,
  );
}
