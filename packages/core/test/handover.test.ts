import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { handOver, readKit, standaloneSchema, typesFor, type Kit } from '../src/index.js';

const home = join(__dirname, '../../..');
const demo = (): Kit => {
  const read = readKit(JSON.parse(readFileSync(join(home, 'demo/kit.json'), 'utf8')));
  if (!read.ok) throw new Error(read.problems.map(({ at, message }) => `${at}: ${message}`).join('\n'));
  return read.kit;
};

it('gives source for every adapter, codec and form of the demo kit', () => {
  const paths = handOver(demo()).map(({ path }) => path);
  expect(paths).toEqual(
    expect.arrayContaining([
      'adapters/day-picker.ts',
      'codecs/calendar-date.ts',
      'codecs/calendar-date.test.ts',
      'fields.ts',
      'forms/freight-booking-short.tsx',
      'forms/freight-booking-short.schema.json',
      'kit.json',
    ]),
  );
});

it('gives source that compiles under strict, against the libraries and the packages of the project', () => {
  const files = new Map(handOver(demo()).map(({ path, text }) => [join(home, 'demo/project/handed-over', path), text]));
  const options: ts.CompilerOptions = {
    strict: true,
    noUncheckedIndexedAccess: true,
    exactOptionalPropertyTypes: false,
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
    paths: { '@poietra/*': [join(home, 'packages/*/src/index.ts')], react: [join(home, 'node_modules/@types/react')] },
  };
  const host = ts.createCompilerHost(options);
  const { readFile, fileExists, getSourceFile, directoryExists } = host;
  host.fileExists = (name) => files.has(name) || fileExists(name);
  host.readFile = (name) => files.get(name) ?? readFile(name);
  host.directoryExists = (name) => name.includes('handed-over') || (directoryExists?.(name) ?? true);
  host.getSourceFile = (name, language, ...rest) => {
    const text = files.get(name);
    return text === undefined ? getSourceFile(name, language, ...rest) : ts.createSourceFile(name, text, language);
  };
  const roots = [...files.keys()].filter((name) => /\.tsx?$/.test(name));
  const program = ts.createProgram([...roots, join(home, 'apps/workbench/src/styles.d.ts')], options, host);
  const found = ts.getPreEmitDiagnostics(program).filter(({ file }) => file?.fileName.includes('handed-over'));
  expect(
    found.map(
      ({ file, messageText }) =>
        `${file?.fileName.split('handed-over/')[1] ?? ''}: ${ts.flattenDiagnosticMessageText(messageText, ' ')}`,
    ),
  ).toEqual([]);
}, 60_000);

it('never says any', () => {
  for (const { path, text } of handOver(demo())) if (/\.tsx?$/.test(path)) expect(text).not.toMatch(/\bany\b(?! )/);
});

it('writes types for what schemas say: required, optional, conditional, choices, lists, definitions', () => {
  const schema = {
    type: 'object',
    required: ['kind'],
    properties: {
      kind: { enum: ['a', 'b'] },
      lines: { type: 'array', items: { $ref: '#/$defs/line' } },
      'odd name': { type: ['integer', 'null'] },
    },
    then: { properties: { hazardClass: { type: 'string' } } },
    $defs: { line: { type: 'object', properties: { next: { $ref: '#/$defs/line' } } } },
  };
  expect(typesFor(schema, 'Booking')).toBe(`export interface Booking {
  readonly kind: 'a' | 'b';
  readonly lines?: readonly Line[];
  readonly 'odd name'?: number | null;
  readonly hazardClass?: string;
}

export interface Line {
  readonly next?: Line;
}`);
});

it('makes a schema stand alone, with groups within groups as definitions', () => {
  const groups = {
    party: { title: 'Party', schema: { properties: { address: { $ref: 'urn:poietra:group:address' } } } },
    address: { title: 'Address', schema: { type: 'object' } },
  };
  expect(standaloneSchema({ properties: { a: { $ref: 'urn:poietra:group:party' } } }, groups)).toEqual({
    properties: { a: { $ref: '#/$defs/party' } },
    $defs: { party: { properties: { address: { $ref: '#/$defs/address' } } }, address: { type: 'object' } },
  });
});
