import fc from 'fast-check';
import ts from 'typescript';
import { compileSchema, type Kit } from '../src/index.js';
import { adapterSource, handOver, type HandoverFile } from '../src/handover/index.js';

const bare: Kit = {
  poietra: 1,
  name: 'Skerry',
  inputs: {},
  adapters: {},
  codecs: {},
  fields: {},
  groups: {},
  forms: {},
};
const form = (title: string, schema: unknown = { type: 'object', properties: {} }) => ({ title, schema });

const sources = (kit: Kit): HandoverFile[] => handOver(kit).filter(({ path }) => /\.tsx?$/.test(path));
const parse = ({ path, text }: HandoverFile): ts.SourceFile =>
  ts.createSourceFile(
    path,
    text,
    ts.ScriptTarget.ES2022,
    true,
    path.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
  );
const syntaxErrors = (file: ts.SourceFile): unknown[] =>
  (file as unknown as { parseDiagnostics: { messageText: unknown }[] }).parseDiagnostics.map(
    ({ messageText }) => messageText,
  );

/** The names that a module imports and declares at its top. */
function declared(file: ts.SourceFile): string[] {
  return file.statements.flatMap((one): string[] => {
    if (ts.isImportDeclaration(one)) {
      const { name, namedBindings } = one.importClause ?? {};
      const inner = !namedBindings
        ? []
        : ts.isNamespaceImport(namedBindings)
          ? [namedBindings.name.text]
          : namedBindings.elements.map((element) => element.name.text);
      return [...(name ? [name.text] : []), ...inner];
    }
    if (ts.isVariableStatement(one)) return one.declarationList.declarations.map(({ name }) => name.getText());
    return (ts.isFunctionDeclaration(one) || ts.isInterfaceDeclaration(one) || ts.isTypeAliasDeclaration(one)) &&
      one.name
      ? [one.name.text]
      : [];
  });
}
/** Whether `boom` is called or drawn anywhere; a part of the kit may be called so. */
function explodes(node: ts.Node): boolean {
  const isCall = ts.isCallExpression(node) && node.expression.getText() === 'boom';
  const isDrawn = ts.isJsxSelfClosingElement(node) && node.tagName.getText() === 'boom';
  return isCall || isDrawn || (ts.forEachChild(node, (child) => explodes(child) || undefined) ?? false);
}
const twice = (names: readonly string[]): string[] => names.filter((name, i) => names.indexOf(name) !== i);

it('parts whose names come to the same in source are called differently', () => {
  const codec = { kind: 'text' };
  const kit = {
    ...bare,
    codecs: { 'a-b': codec, a_b: codec, 'A b': codec },
    forms: { form: form('Form'), Form: form('Form'), 'a b': form('a') },
  };
  const files = sources(kit);
  expect(twice(files.map(({ path }) => path.toLowerCase()))).toEqual([]);
  expect(files.flatMap((file) => twice(declared(parse(file))))).toEqual([]);
  expect(files.find(({ path }) => path === 'fields.ts')?.text).toMatch(/'a-b': aB,\n.*'a_b': aBOwn,\n.*'A b': aBOwn2,/);
  expect(files.find(({ path }) => path === 'forms/form.tsx')?.text).toContain('export function FormRecordForm(');
});

it.each(['__proto__', '../../etc', 'con', '', '*/ x', 'class', 'import'])(
  'a part called “%s” has a file and a name',
  (name) => {
    const part = (one: unknown): Record<string, never> =>
      Object.defineProperty({}, name, { value: one, enumerable: true });
    const files = sources({ ...bare, codecs: part({ kind: 'text', cases: [{ shown: 'a' }] }), forms: part(form('x')) });
    for (const file of files) {
      expect(file.path).toMatch(/^(codes|fields|index)\.ts$|^(codecs|forms)\/[\w-]+(\.test|\.types|\.plan\.d)?\.tsx?$/);
      expect(syntaxErrors(parse(file))).toEqual([]);
    }
  },
);

/** Texts that would like to be code. */
const hostile = fc.oneof(
  fc.constantFrom(
    'A */ boom(); /*',
    '*\/ boom() /*',
    "'; boom(); '",
    '"; boom(); "',
    '`${boom()}`',
    '${boom()}',
    '\u2028boom()',
    '\nboom();\n',
    '</script><boom/>',
    '} boom() {',
    '\\',
    '__proto__',
    'constructor',
    'class',
    'form',
  ),
  fc.string({ maxLength: 12 }),
);
const schema = fc
  .record({ title: hostile, member: hostile, value: hostile, hint: hostile, definition: hostile })
  .map(({ title, member, value, hint, definition }) => ({
    title,
    type: 'object',
    properties: {
      [`m${member}`]: { title, enum: [value], 'x-poietra': { label: hint, hint } },
      other: { $ref: '#/$defs/d' },
    },
    $defs: { d: { title: definition, type: 'string' } },
  }));
const kits = fc
  .record({
    name: hostile,
    codecs: fc.dictionary(hostile, fc.record({ title: hostile, note: hostile }), { maxKeys: 3 }),
    forms: fc.dictionary(hostile, fc.tuple(hostile, schema, hostile), { maxKeys: 3 }),
    adapters: fc.dictionary(hostile, hostile, { maxKeys: 2 }),
  })
  .map(({ name, codecs, forms, adapters }): Kit => ({
    ...bare,
    name,
    inputs: {
      in: { family: 'component', package: 'p', version: '1', export: 'Input', module: name, css: [name] } as never,
    },
    adapters: Object.fromEntries(
      Object.entries(adapters).map(([one, text]) => [
        one,
        {
          input: 'in',
          value: { property: text },
          change: { report: text, path: '/0' },
          focus: { by: 'element' },
          constants: { [`k${text}`]: text },
        } as never,
      ]),
    ),
    codecs: Object.fromEntries(
      Object.entries(codecs).map(([one, { title, note }]) => [
        one,
        { kind: 'text', title, options: { [`o${note}`]: note }, cases: [{ shown: title, note }] },
      ]),
    ),
    forms: Object.fromEntries(
      Object.entries(forms).map(([one, [title, own, message]]) => [
        one,
        { title, schema: own, hints: {}, language: 'nb', messages: { nb: { required: message } } },
      ]),
    ),
  }));

it('law: whatever a kit is called and holds, its source parses, declares each name once, and no text of it is code', () => {
  fc.assert(
    fc.property(kits, (kit) => {
      for (const one of Object.values(kit.forms)) compileSchema(one.schema);
      for (const file of sources(kit)) {
        const parsed = parse(file);
        expect([file.path, syntaxErrors(parsed)]).toEqual([file.path, []]);
        expect([file.path, twice(declared(parsed))]).toEqual([file.path, []]);
        expect([file.path, explodes(parsed)]).toEqual([file.path, false]);
      }
    }),
    { numRuns: 150 },
  );
});

describe('the source of one adapter', () => {
  const adapter = {
    input: 'native#text',
    value: { property: 'value', empty: '' },
    change: { report: 'input', path: '/0/target/value' },
    focus: { by: 'element' },
  };
  const kit = {
    ...bare,
    adapters: Object.fromEntries(['Berth number', 'berth-number', 'class'].map((name) => [name, adapter])),
  } as unknown as Kit;

  it.each(['Berth number', 'berth-number', 'class'])(
    'is the file that is handed over, whatever it is called: %s',
    (name) => {
      const source = adapterSource(kit, name);
      expect(source).toContain("adapt('input'");
      expect(handOver(kit).filter(({ path, text }) => path.startsWith('adapters/') && text === source)).toHaveLength(1);
    },
  );

  it('is empty where the kit has none of that name', () => {
    expect(adapterSource(kit, 'constructor')).toBe('');
  });
});
