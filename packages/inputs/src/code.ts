/** Code of a codec: TypeScript that becomes a script of the same lines and columns, so that an error names its place. */
import tsBlankSpace from 'ts-blank-space';
import ts from 'typescript';

/** The code cannot be taken; the message says where and why. */
export class CodeError extends Error {
  override name = 'CodeError';
}

const most = 100_000;

/**
 * The script of a codec's code: types are blanked out, nothing moves.
 * @throws {CodeError} where it is no TypeScript, imports something, or does not export what a codec needs.
 */
export function scriptOf(source: string): string {
  if (source.length > most) throw new CodeError(`It has ${source.length} characters; up to ${most} are read.`);
  const file = ts.createSourceFile('codec.ts', source, ts.ScriptTarget.ES2022, true, ts.ScriptKind.TS);
  const lineOf = (at: number): number => file.getLineAndCharacterOfPosition(at).line + 1;
  const { diagnostics = [] } = ts.transpileModule(source, {
    reportDiagnostics: true,
    compilerOptions: { target: ts.ScriptTarget.ES2022, module: ts.ModuleKind.ESNext },
  });
  const [first] = diagnostics;
  if (first)
    throw new CodeError(`Line ${lineOf(first.start ?? 0)}: ${ts.flattenDiagnosticMessageText(first.messageText, ' ')}`);
  const { importedFiles } = ts.preProcessFile(source, true, true);
  const [imported] = importedFiles;
  if (imported) throw new CodeError(`Line ${lineOf(imported.pos)}: a codec imports nothing; write all it needs here.`);
  let isDynamic: number | undefined;
  const walk = (node: ts.Node): void => {
    if (ts.isCallExpression(node) && node.expression.kind === ts.SyntaxKind.ImportKeyword)
      isDynamic ??= node.getStart();
    ts.forEachChild(node, walk);
  };
  walk(file);
  if (isDynamic !== undefined) throw new CodeError(`Line ${lineOf(isDynamic)}: a codec imports nothing.`);
  const exported = new Set(
    file.statements.flatMap((statement) =>
      ts.isFunctionDeclaration(statement) &&
      statement.modifiers?.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword)
        ? [statement.name?.text]
        : [],
    ),
  );
  for (const name of ['parse', 'show'])
    if (!exported.has(name))
      throw new CodeError(`It exports no function “${name}”. A codec needs: export function ${name}(…) { … }`);
  let unsupported: ts.Node | undefined;
  const script = tsBlankSpace(source, (node) => (unsupported ??= node));
  if (unsupported)
    throw new CodeError(
      `Line ${lineOf(unsupported.getStart(file))}: this part of TypeScript makes code of its own (enum, namespace); write it as plain code.`,
    );
  return script;
}
