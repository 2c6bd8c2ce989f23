/** Files that every program reads are parsed for the first one: the language's and the framework's are as much as all else together. */
import ts from 'typescript';

const parsed = new Map<string, ts.SourceFile | undefined>();
const isOfAll = (file: string): boolean => /\/(typescript\/lib|@types\/react|csstype)\/[^/]+\.d\.ts$/.test(file);

/** What a program asks for its files. */
export function hostFor(options: ts.CompilerOptions): ts.CompilerHost {
  const host = ts.createCompilerHost(options);
  const parse = host.getSourceFile.bind(host);
  host.getSourceFile = (name, language, ...rest) => {
    if (!isOfAll(name)) return parse(name, language, ...rest);
    // An install may put others in their place.
    const key = `${name} ${ts.sys.getModifiedTime?.(name)?.getTime() ?? 0}`;
    if (!parsed.has(key)) parsed.set(key, parse(name, language, ...rest));
    return parsed.get(key);
  };
  return host;
}
