/** Every piece of TypeScript in the README files and the docs compiles; those of the core alone are run, and do what they say. */
import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import ts from 'typescript';
import * as core from '@poietra/core';

const home = resolve(import.meta.dirname, '../../..');
const files = [
  'README.md',
  'packages/core/README.md',
  'packages/react/README.md',
  ...['docs', 'docs/guide'].flatMap((folder) =>
    readdirSync(join(home, folder)).flatMap((name) => (name.endsWith('.md') ? [`${folder}/${name}`] : [])),
  ),
];

interface Piece {
  readonly file: string;
  readonly line: number;
  readonly kind: string;
  readonly code: string;
}
const pieces = files.flatMap((file): Piece[] => {
  const text = readFileSync(join(home, file), 'utf8');
  return [...text.matchAll(/^```(tsx?)\n(.*?)^```$/gms)].map(([, kind = '', code = ''], i) => ({
    file,
    line: text.slice(0, [...text.matchAll(/^```(tsx?)\n/gm)][i]?.index).split('\n').length,
    kind,
    code,
  }));
});

/** What the pieces take as given: the application around them. */
const given = `
declare const schema: { readonly type: 'object' };
declare const send: (sent: unknown) => Promise<Core.Outcome>;
declare const SuiteField: import('react').ElementType, SuiteButton: import('react').ElementType, SuitePanel: import('react').ElementType;
declare const post: (sent: unknown) => Promise<unknown>;
`;
/** A piece as a module of its own; what it uses of ours without saying so is imported. */
function moduleOf({ code }: Piece): string {
  const imported = new Set(
    [...code.matchAll(/import \{([^}]*)\}/g)].flatMap(([, names = '']) =>
      names.split(/,\s*/).map((name) => name.trim()),
    ),
  );
  const react = ['FormScope', 'Place', 'usePlace', 'DrawnForm', 'PlannedForm'];
  const used = (name: string): boolean => new RegExp(`(?<![.\\w])${name}\\b`).test(code) && !imported.has(name);
  const fromCore = Object.keys(core).filter(used);
  const fromReact = react.filter(used);
  const form = /\bform\b/.test(code) && !/const form\b/.test(code) ? 'declare const form: Core.Form;\n' : '';
  return `import type * as Core from '@poietra/core';
${fromCore.length > 0 ? `import { ${fromCore.join(', ')} } from '@poietra/core';` : ''}
${fromReact.length > 0 ? `import { ${fromReact.join(', ')} } from '@poietra/react';` : ''}
${given}${form}${code}
export {};`;
}

it('finds them', () => expect(pieces.length).toBeGreaterThan(35));

it('links lead to files and headings that are there', () => {
  const anchorsIn = (path: string): string[] =>
    [...readFileSync(path, 'utf8').matchAll(/^#+ (.+)$/gm)].map(([, title = '']) =>
      title
        .toLowerCase()
        .replace(/[^\p{L}\p{N} -]/gu, '')
        .replaceAll(' ', '-'),
    );
  const dead = files.flatMap((file) =>
    [...readFileSync(join(home, file), 'utf8').matchAll(/\]\((?!https?:)([^)#]*)(?:#([^)]+))?\)/g)].flatMap(
      ([whole, to = '', anchor]) => {
        const path = to === '' ? join(home, file) : join(home, file, '..', to);
        return existsSync(path) && (anchor === undefined || anchorsIn(path).includes(anchor))
          ? []
          : [`${file}: ${whole}`];
      },
    ),
  );
  expect(dead).toEqual([]);
});

it('compiles every piece under strict', () => {
  const { config } = ts.readConfigFile(join(home, 'tsconfig.json'), (path) => ts.sys.readFile(path)) as {
    config: unknown;
  };
  const { options } = ts.parseJsonConfigFileContent(config, ts.sys, home);
  const virtual = new Map(
    pieces.map((piece, i) => [join(home, `packages/react/test/docs-${i}.${piece.kind}`), moduleOf(piece)] as const),
  );
  const host = ts.createCompilerHost(options);
  const { getSourceFile, fileExists, readFile } = host;
  host.fileExists = (path) => virtual.has(path) || fileExists(path);
  host.readFile = (path) => virtual.get(path) ?? readFile(path);
  host.getSourceFile = (path, ...rest) => {
    const text = virtual.get(path);
    return text === undefined ? getSourceFile(path, ...rest) : ts.createSourceFile(path, text, ts.ScriptTarget.ESNext);
  };
  const program = ts.createProgram(
    [...virtual.keys(), join(home, 'apps/workbench/src/styles.d.ts')].filter(
      (path) => virtual.has(path) || existsSync(path),
    ),
    { ...options, noEmit: true, noUnusedLocals: false, noUnusedParameters: false },
    host,
  );
  const wrong = [...virtual.keys()].flatMap((path, i) => {
    const source = program.getSourceFile(path);
    return [...program.getSemanticDiagnostics(source), ...program.getSyntacticDiagnostics(source)].map(
      ({ messageText }) => `${pieces[i]?.file}:${pieces[i]?.line} ${ts.flattenDiagnosticMessageText(messageText, ' ')}`,
    );
  });
  expect(wrong).toEqual([]);
});

const runnable = pieces.filter(({ kind, code }) => kind === 'ts' && /openForm|openPlan/.test(code));

it.each(runnable.map((piece) => [`${piece.file}:${piece.line}`, piece] as const))(
  '%s does what it says',
  async (_, { code }) => {
    // “expression; // value” is a claim where the value is one.
    const claimed = code
      .replace(/^import .*$/gm, '')
      .replace(
        /^(?!\s*(?:const|let|\/\/))\s*(.+?); \/\/ ((?:'|\[|\{|-?\d|true$|false$|undefined$).*)$/gm,
        'claims.push([$1, ($2)]);',
      );
    const { outputText } = ts.transpileModule(`const run = async () => {\n${claimed}\n};`, {
      compilerOptions: { target: ts.ScriptTarget.ESNext },
    });
    const claims: [unknown, unknown][] = [];
    const names = Object.keys(core);
    // The text is our own documentation's; a module of Node's would run it among other objects than the tests'.
    // eslint-disable-next-line no-new-func, @typescript-eslint/no-implied-eval
    const make = new Function(...names, 'claims', `${outputText}\nreturn run;`) as (
      ...args: unknown[]
    ) => () => Promise<void>;
    await make(...names.map((name) => core[name as keyof typeof core]), claims)();
    expect(claims.length).toBeGreaterThan(0);
    for (const [seen, wanted] of claims) expect(seen).toEqual(wanted);
  },
);

describe('Numbers in the README', () => {
  const readme = readFileSync(join(home, 'README.md'), 'utf8');
  it.each([
    ['checks in two stands', core.contract.length],
    ['kinds of codecs', Object.keys(core.builtIn).length],
  ])('%s', (words, count) => {
    expect(readme).toContain(`${count} ${words}`);
  });
});
