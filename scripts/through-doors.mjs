/**
 * Inside the sources each room has one door; in what is built, each file imports from the files themselves. Bundlers that
 * divide by whole files then take no file along that only stands behind the same door.
 */
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';

const rooms = ['core', 'react'];

export async function throughDoors(home) {
  const { default: ts } = await import('typescript');
  const dist = (room) => join(home, 'packages', room, 'dist');
  const files = new Map(
    rooms.flatMap((room) =>
      readdirSync(dist(room), { recursive: true })
        .filter((file) => file.endsWith('.js'))
        .map((file) => [join(dist(room), file), undefined]),
    ),
  );

  /** The file that an import leads to, if it is one of ours. */
  const led = (specifier, from) => {
    const [, room, below = 'index'] = /^@poietra\/(core|react)(?:\/(\w+))?$/.exec(specifier) ?? [];
    const paths = room
      ? [join(dist(room), `${below}.js`), join(dist(room), below, 'index.js')]
      : specifier.startsWith('.')
        ? [join(dirname(from), specifier)]
        : [];
    return paths.find((path) => files.has(path));
  };

  const read = (path) => {
    const known = files.get(path);
    if (known) return known;
    const text = readFileSync(path, 'utf8');
    const source = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, false, ts.ScriptKind.JS);
    const found = { text, imports: [], exported: new Map(), stars: [] };
    files.set(path, found);
    for (const statement of source.statements) {
      const target = statement.moduleSpecifier && led(statement.moduleSpecifier.text, path);
      if (ts.isImportDeclaration(statement)) {
        const names = statement.importClause?.namedBindings;
        if (!target || statement.importClause?.name || !names || !ts.isNamedImports(names)) continue;
        found.imports.push({
          start: statement.getStart(source),
          end: statement.end,
          target,
          names: names.elements.map(({ name, propertyName }) => [(propertyName ?? name).text, name.text]),
        });
      } else if (ts.isExportDeclaration(statement)) {
        if (!statement.exportClause) found.stars.push(...(target ? [target] : []));
        else if (ts.isNamedExports(statement.exportClause))
          for (const { name, propertyName } of statement.exportClause.elements)
            found.exported.set(name.text, { local: (propertyName ?? name).text, target });
      }
    }
    return found;
  };

  /** Where a name is declared that a file gives, and what it is called there. */
  const declared = (path, name) => {
    const { exported, imports, stars } = read(path);
    const own = exported.get(name);
    if (!own) {
      for (const star of stars) {
        const behind = declared(star, name);
        if (behind) return behind;
      }
      return undefined;
    }
    if (own.target) return declared(own.target, own.local);
    for (const { target, names } of imports) {
      const imported = names.find(([, local]) => local === own.local);
      if (imported) return declared(target, imported[0]);
    }
    return [path, name];
  };

  const specifier = (from, to) => {
    for (const room of rooms) {
      if (from.startsWith(dist(room)) || !to.startsWith(dist(room))) continue;
      return `@poietra/${room}/parts/${relative(dist(room), to).replaceAll('\\', '/')}`;
    }
    const path = relative(dirname(from), to).replaceAll('\\', '/');
    return path.startsWith('.') ? path : `./${path}`;
  };

  for (const path of files.keys()) {
    const { text, imports } = read(path);
    let written = text;
    for (const { start, end, target, names } of [...imports].reverse()) {
      const byFile = new Map();
      for (const [name, local] of names) {
        const [file, own] = declared(target, name) ?? [target, name];
        byFile.set(file, [...(byFile.get(file) ?? []), own === local ? own : `${own} as ${local}`]);
      }
      const lines = [...byFile].map(([file, some]) => `import { ${some.join(', ')} } from "${specifier(path, file)}";`);
      // As many lines as before, so that the map to the source stays right.
      const rest = written.slice(start, end).split('\n').length - 1;
      written = `${written.slice(0, start)}${lines.join(' ')}${'\n'.repeat(rest)}${written.slice(end)}`;
    }
    if (written !== text) writeFileSync(path, written);
  }
}

if (process.argv[1] === import.meta.filename) await throughDoors(join(import.meta.dirname, '..'));
