/** The compiler over files that lie nowhere. Of what lies on disk each is read once for all of a test's programs. */
import ts from 'typescript';

const parsed = new Map<string, ts.SourceFile | undefined>();

export function hostWith(options: ts.CompilerOptions, files: ReadonlyMap<string, string>): ts.CompilerHost {
  const host = ts.createCompilerHost(options);
  const { readFile, fileExists, getSourceFile } = host;
  host.fileExists = (name) => files.has(name) || fileExists(name);
  host.readFile = (name) => files.get(name) ?? readFile(name);
  host.getSourceFile = (name, language, ...rest) => {
    const text = files.get(name);
    if (text !== undefined) return ts.createSourceFile(name, text, language);
    if (!parsed.has(name)) parsed.set(name, getSourceFile(name, language, ...rest));
    return parsed.get(name);
  };
  return host;
}
