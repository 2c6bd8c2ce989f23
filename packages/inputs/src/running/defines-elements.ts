/** Whether a package's script defines elements, of which its types may say nothing; one may only gather what others define. */
import { readFileSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import ts from 'typescript';
import { entriesNamed, hasWhole } from '../modules.js';
import { findPackage, type ProjectPackage } from '../project.js';

/** By the platform's registry, or by a decorator that asks it. */
const defines = /\bcustomElements\b|\bcustomElement\(/;
const mostFiles = 40;
/** From a package's entry to those of what it gathers, and to a file behind each. */
const mostSteps = 2;

export function definesElements({ folder, manifest }: Pick<ProjectPackage, 'folder' | 'manifest'>): boolean {
  let files = entriesOf(folder, manifest);
  const seen = new Set<string>();
  for (let step = 0; step <= mostSteps && files.length > 0; step++) {
    const next: string[] = [];
    for (const file of files) {
      if (seen.has(file) || seen.size >= mostFiles) continue;
      seen.add(file);
      const text = readFileSync(file, 'utf8');
      if (defines.test(text)) return true;
      if (step < mostSteps) next.push(...ledToBy(file, text));
    }
    files = next;
  }
  return false;
}

/** Of a package that cannot be imported as a whole, the entries that define elements, as they are imported (Node, “Subpath exports”). */
export function entriesDefining(pkg: ProjectPackage): string[] {
  if (hasWhole(pkg)) return [];
  const defining = entriesNamed(pkg).filter(({ file }) => {
    const at = fileAt(join(pkg.folder, file));
    return at !== undefined && defines.test(readFileSync(at, 'utf8'));
  });
  return defining.slice(0, mostFiles).map(({ module }) => module);
}

const entriesOf = (folder: string, manifest: ProjectPackage['manifest']): string[] =>
  [manifest['module'], manifest['main']].flatMap((path) =>
    typeof path === 'string' ? (fileAt(join(folder, path)) ?? []) : [],
  );

/** What is named may be a folder (Node, “Folders as modules”). */
const fileAt = (path: string): string | undefined =>
  [path, `${path}.js`, join(path, 'index.js')].find((one) => statSync(one, { throwIfNoEntry: false })?.isFile());

function ledToBy(file: string, text: string): string[] {
  return ts.preProcessFile(text, true, true).importedFiles.flatMap(({ fileName: name }) => {
    if (name.startsWith('.')) return fileAt(join(dirname(file), name)) ?? [];
    // What makes elements defines none, and is larger than all the rest.
    const other = /^(lit|react|react-dom|@lit)\b|^lit-/.test(name) ? undefined : findPackage(dirname(file), name);
    return other ? entriesOf(other.folder, other.manifest) : [];
  });
}
