/**
 * docs/reference.md, written from the doc comments: what each room of the core and the React binding gives to others.
 * `node scripts/reference.mjs` writes it; `--check` says whether it is behind the source.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import prettier from 'prettier';
import ts from 'typescript';

const home = join(import.meta.dirname, '..');
const target = join(home, 'docs/reference.md');
/** In the order in which one meets them; each by its door. */
const doors = [
  ['@poietra/react', 'packages/react/src/index.ts'],
  ['@poietra/react/written', 'packages/react/src/written.ts'],
  ...['form', 'plan', 'words', 'codec', 'schema', 'adapter', 'expression', 'testing', 'handover', 'json'].map(
    (room) => [
      ['form', 'plan', 'codec', 'schema', 'adapter', 'testing', 'handover'].includes(room)
        ? `@poietra/core/${room}`
        : `@poietra/core (${room})`,
      `packages/core/src/${room}/index.ts`,
    ],
  ),
];

const undocumented = [];

export async function reference() {
  const { config } = ts.readConfigFile(join(home, 'tsconfig.json'), ts.sys.readFile);
  const { options } = ts.parseJsonConfigFileContent({ ...config, include: [] }, ts.sys, home);
  const program = ts.createProgram(
    doors.map(([, path]) => join(home, path)),
    options,
  );
  const checker = program.getTypeChecker();
  const chapters = doors.map(([title, path]) => {
    const file = program.getSourceFile(join(home, path));
    const door = checker.getSymbolAtLocation(file);
    const entries = checker
      .getExportsOfModule(door)
      .map((one) => (one.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(one) : one))
      .filter((one) => one.declarations?.length)
      .sort((a, b) => a.name.localeCompare(b.name, 'en'))
      .map((one) => entry(checker, one));
    return `## ${title}\n\n${commentOf(file)}\n\n${entries.join('\n\n')}`;
  });
  if (undocumented.length > 0) throw new Error(`Public, and without a doc comment: ${undocumented.join(', ')}.`);
  const text = `# Reference

Every public name, from its doc comment; written by \`node scripts/reference.mjs\`. The [guide](guide/README.md) says what to begin with. All rooms of the core also come from \`@poietra/core\` itself, but for \`testing\`.

${chapters.join('\n\n')}
`;
  return prettier.format(text, { ...(await prettier.resolveConfig(target)), parser: 'markdown' });
}

/** The comment at the top of a door says what lives there. */
function commentOf(file) {
  const [, words = ''] = /^\/\*\*([\s\S]*?)\*\//.exec(file.text) ?? [];
  return words.replace(/^\s*\* ?/gm, '').trim();
}

function entry(checker, symbol) {
  const [declaration] = symbol.declarations;
  const says = ts.displayPartsToString(symbol.getDocumentationComment(checker)).trim();
  if (says === '') undocumented.push(symbol.name);
  const tags = symbol
    .getJsDocTags(checker)
    .filter(({ name }) => name === 'throws' || name === 'example')
    .map(({ name, text }) => {
      const words = ts.displayPartsToString(text).trim();
      return name === 'example' ? `Example:\n\n\`\`\`js\n${words}\n\`\`\`` : `Throws ${words}`;
    });
  return [`### ${symbol.name}`, `\`\`\`js\n${shape(checker, symbol, declaration)}\n\`\`\``, says, ...tags]
    .filter((part) => part !== '')
    .join('\n\n');
}

/** What it takes and gives, as it would be declared; bodies and private members left out. */
function shape(checker, symbol, declaration) {
  if (ts.isFunctionDeclaration(declaration)) {
    const signatures = checker.getTypeOfSymbol(symbol).getCallSignatures();
    return signatures
      .map(
        (one) =>
          `function ${symbol.name}${checker.signatureToString(one, declaration, ts.TypeFormatFlags.NoTruncation)}`,
      )
      .join('\n');
  }
  if (ts.isVariableDeclaration(declaration)) {
    const type = checker.typeToString(checker.getTypeOfSymbol(symbol), declaration);
    return `const ${symbol.name}: ${type}`;
  }
  if (ts.isClassDeclaration(declaration)) return `class ${symbol.name}`;
  return declaration
    .getText()
    .replace(/^export /, '')
    .replace(/\n\s*\n/g, '\n');
}

if (process.argv[1] === import.meta.filename) {
  const text = await reference();
  if (!process.argv.includes('--check')) writeFileSync(target, text);
  else if (readFileSync(target, 'utf8') !== text) {
    console.error('docs/reference.md is behind the source: node scripts/reference.mjs');
    process.exit(1);
  }
}
