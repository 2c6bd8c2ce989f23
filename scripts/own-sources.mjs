/**
 * Takes the source of the libraries apart, statement by statement, for hand-overs that stand on their own: what a kit
 * needs is put together again from it (`core/src/handover/own.ts`), and nothing else. Written by the build into
 * `packages/own/dist/sources.json`.
 */
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';

const home = join(import.meta.dirname, '..');
const rooms = ['core', 'react', 'own'];
/** What hand-overs import of the libraries: their doors by room, and single files. */
const roots = {
  core: [
    ...['makeCodec', 'runCase', 'codecFromCode', 'Case', 'Codec', 'CodecCode', 'CodecDescription'],
    ...['AdapterDescription', 'Form', 'HintsBeside', 'Outcome', 'OwnHintUse', 'PlanRules', 'Problem'],
    ...['loadWords', 'SendDescription', 'SendOptions'],
  ],
  react: ['prepareForm'],
  own: ['asComponent', 'InputComponent', 'InputHandle', 'InputProps'],
};
const inside = { 'codec/plain.ts': ['codecBy'] };
/** The doors, each with its file. */
const doorFiles = {
  core: 'core/src/index.ts',
  'core/written': 'core/src/written/index.ts',
  'core/written/checks': 'core/src/written/checks.ts',
  'core/written/whole': 'core/src/written/whole.ts',
  react: 'react/src/index.ts',
  'react/written': 'react/src/written.ts',
  own: 'own/src/index.ts',
};
const target = join(home, 'packages/own/dist/sources.json');

const folders = { react: 'react', own: 'plain' };

/** `packages/core/src/codec/dates.ts` is handed over as `codec/dates.ts`, `packages/react/src/adapt.tsx` as `react/adapt.tsx`. */
function pathOf(file) {
  const [, room, path] = /^packages\/([a-z]+)\/src\/(.+)$/.exec(relative(home, file).replaceAll('\\', '/')) ?? [];
  return room === undefined ? undefined : room === 'core' ? path : `${folders[room]}/${path}`;
}

export async function ownSources() {
  const { default: ts } = await import('typescript');
  const { options } = ts.parseJsonConfigFileContent(
    { compilerOptions: JSON.parse(readFileSync(join(home, 'tsconfig.json'), 'utf8')).compilerOptions },
    ts.sys,
    home,
  );
  const program = ts.createProgram(
    Object.values(doorFiles).map((file) => join(home, 'packages', file)),
    { ...options, customConditions: ['source'] },
  );
  const checker = program.getTypeChecker();
  const isTyped = (node) => ts.isInterfaceDeclaration(node) || ts.isTypeAliasDeclaration(node);
  const files = {};
  const doors = {};

  /** The statement that declares what a name means, as `[path, statement]`; a whole file where it is imported as such. */
  const declared = (symbol) => {
    const meant = symbol && symbol.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(symbol) : symbol;
    return (meant?.declarations ?? []).flatMap((one) => {
      const file = one.getSourceFile();
      const path = pathOf(file.fileName);
      if (path === undefined) return [];
      // A member of a type or a class is no name of the module.
      const holder = ts.isBindingElement(one) ? one.parent.parent : one;
      const at = ts.isVariableDeclaration(holder) ? holder.parent.parent : holder;
      return at.parent === file && !ts.isImportDeclaration(at) ? [[path, at, meant.name]] : [];
    });
  };
  const moduleOf = (specifier) => {
    const symbol = checker.getSymbolAtLocation(specifier);
    return symbol?.valueDeclaration && ts.isSourceFile(symbol.valueDeclaration) ? symbol.valueDeclaration : undefined;
  };

  const read = (file) => {
    const path = pathOf(file.fileName);
    const statements = file.statements.filter((one) => !ts.isImportDeclaration(one));
    const first = file.statements[0];
    const head = first && /^\s*(\/\*\*[\s\S]*?\*\/)\s*\n/.exec(file.text.slice(first.pos, first.getStart()))?.[1];
    /** Imports from outside, by the name that is used here. */
    const outside = new Map();
    for (const one of file.statements) {
      if (!ts.isImportDeclaration(one)) continue;
      const module = one.moduleSpecifier.text;
      const { importClause: clause } = one;
      if (!clause) continue;
      if (module.endsWith('.json')) outside.set(clause.name.text, { module, document: true });
      else if (!module.startsWith('.') && !module.startsWith('@poietra/'))
        for (const specifier of clause.namedBindings?.elements ?? [])
          outside.set(specifier.name.text, {
            module,
            name: (specifier.propertyName ?? specifier.name).text,
            type: clause.isTypeOnly || specifier.isTypeOnly,
          });
    }
    const parts = statements.map((statement, i) => {
      const uses = new Map();
      const from = new Map();
      const fetched = [];
      const use = (path, name, isType, local) => uses.set(`${path}#${local}`, [path, name, isType, local]);
      const visit = (node) => {
        if (ts.isCallExpression(node) && node.expression.kind === ts.SyntaxKind.ImportKeyword) {
          const module = moduleOf(node.arguments[0]);
          const to = module && pathOf(module.fileName);
          if (to === undefined) from.set(node.arguments[0].text, { module: node.arguments[0].text, fetched: true });
          else fetched.push(to);
        }
        // What stands behind a dot is a member of something that is had already, as of a file that was fetched.
        const isMember =
          (ts.isPropertyAccessExpression(node.parent) && node.parent.name === node) ||
          (ts.isPropertyAssignment(node.parent) && node.parent.name === node);
        if (ts.isIdentifier(node) && !isMember) {
          const given = outside.get(node.text);
          const symbol = ts.isShorthandPropertyAssignment(node.parent)
            ? checker.getShorthandAssignmentValueSymbol(node.parent)
            : checker.getSymbolAtLocation(node);
          const isImported = symbol?.declarations?.some((one) => ts.isImportSpecifier(one) || ts.isImportClause(one));
          if (given && isImported) from.set(node.text, given);
          else
            for (const [path, at, name] of declared(symbol))
              if (at !== statement) use(path, name, isTyped(at), node.text);
        }
        ts.forEachChild(node, visit);
      };
      const names = [];
      let again;
      if (ts.isExportDeclaration(statement)) {
        again = (statement.exportClause?.elements ?? []).flatMap((element) =>
          declared(checker.getSymbolAtLocation(element.name)).map(([path, at, name]) => [
            path,
            name,
            isTyped(at),
            element.name.text,
          ]),
        );
        names.push(...again.map(([, , , name]) => name));
      } else {
        visit(statement);
        if (ts.isVariableStatement(statement))
          for (const { name } of statement.declarationList.declarations)
            if (ts.isIdentifier(name)) names.push(name.text);
            else names.push(...name.elements.map((element) => element.name.text));
        else if (statement.name) names.push(statement.name.text);
      }
      const text =
        i === 0 && head && statements[0] === file.statements[0]
          ? statement.getText()
          : statement
              .getFullText()
              .replace(/^\s*\n/, '')
              .trim();
      return {
        names,
        ...(again ? { again } : { text }),
        ...(uses.size > 0 ? { uses: [...uses.values()] } : {}),
        ...(from.size > 0 ? { from: [...from].map(([local, given]) => ({ local, ...given })) } : {}),
        ...(fetched.length > 0 ? { fetched } : {}),
      };
    });
    files[path] = { ...(head ? { head } : {}), parts };
  };

  for (const file of program.getSourceFiles())
    if (pathOf(file.fileName) !== undefined && !file.isDeclarationFile) read(file);
  // What the libraries’ doors give, and where it stands.
  for (const [room, file] of Object.entries(doorFiles)) {
    const index = program.getSourceFile(join(home, 'packages', file));
    doors[room] = Object.fromEntries(
      checker.getExportsOfModule(checker.getSymbolAtLocation(index)).flatMap((symbol) =>
        declared(symbol)
          .slice(0, 1)
          .map(([path, at, name]) => [symbol.name, [path, name, isTyped(at)]]),
      ),
    );
  }
  /** What the doors of a hand-over can ask for; all that these do not lead to stays here. */
  const kept = {};
  const documents = {};
  const keep = (path, name) => {
    const file = files[path];
    for (const part of file?.parts ?? []) {
      if (kept[path]?.has(part) || !(part.names.includes(name) || part.names.length === 0)) continue;
      (kept[path] ??= new Set()).add(part);
      for (const [to, wanted] of [...(part.uses ?? []), ...(part.again ?? [])]) keep(to, wanted);
      for (const to of part.fetched ?? [])
        for (const { names } of files[to].parts) for (const one of names) keep(to, one);
      for (const { module, document } of part.from ?? [])
        if (document) {
          const at = join(dirname(path), module).replaceAll('\\', '/');
          documents[at] = readFileSync(join(home, 'packages/core/src', at), 'utf8');
        }
    }
  };
  for (const room of ['core/written', 'core/written/checks', 'core/written/whole', 'react/written'])
    roots[room] = Object.keys(doors[room]);
  for (const [room, names] of Object.entries(roots)) for (const name of names) keep(...doors[room][name]);
  for (const [path, names] of Object.entries(inside)) for (const name of names) keep(path, name);
  for (const [path, file] of Object.entries(files)) {
    if (!kept[path]) delete files[path];
    else file.parts = file.parts.filter((part) => kept[path].has(part));
  }
  for (const [room, names] of Object.entries(doors))
    doors[room] = Object.fromEntries(Object.entries(names).filter(([, [path]]) => files[path]));
  const versions = Object.fromEntries(
    rooms.flatMap((room) =>
      Object.entries(JSON.parse(readFileSync(join(home, `packages/${room}/package.json`), 'utf8')).dependencies ?? {}),
    ),
  );
  const skin = readFileSync(join(home, 'packages/react/src/skin.css'), 'utf8');
  mkdirSync(dirname(target), { recursive: true });
  writeFileSync(target, JSON.stringify({ doors, files, documents, versions, skin }));
}

if (process.argv[1] === import.meta.filename) await ownSources();
