import { compileSchema } from '@poietra/core';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { ownTypes, schemaOfType } from '../src/index.js';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'poietra-types-'));
  put('package.json', '{"name": "harbour"}');
});
afterEach(() => rmSync(folder, { recursive: true }));
function put(file: string, text: string): void {
  mkdirSync(dirname(join(folder, file)), { recursive: true });
  writeFileSync(join(folder, file), text);
}
/** The schema of the type `Asked` in a source. */
function read(source: string): ReturnType<typeof schemaOfType> {
  put('src/asked.ts', source);
  return schemaOfType(folder, { file: 'src/asked.ts', name: 'Asked' });
}
const bare = (source: string): Record<string, unknown> => {
  const { $schema: _schema, title: _title, ...rest } = read(source).schema;
  return rest;
};
const member = (type: string): unknown =>
  (bare(`export interface Asked { x: ${type} }`)['properties'] as { x: unknown }).x;

it('lists what the project’s own source exports, without generic types and tests', () => {
  put(
    'src/a.ts',
    'export interface Berth { a: 1 } interface Inner {} export type Page<T> = T; export enum Side { Port }',
  );
  put('src/deep/b.tsx', 'export type Buoy = { n: number }; export class Crane { reach = 1 } export const no = 1;');
  put('src/a.test.ts', 'export interface Tried {}');
  expect(ownTypes(folder).map(({ file, name }) => `${name} ${file}`)).toEqual([
    'Berth src/a.ts',
    'Buoy src/deep/b.tsx',
    'Crane src/deep/b.tsx',
    'Side src/a.ts',
  ]);
});

it('a type of another name, or of a file outside, is refused', () => {
  put('src/a.ts', 'export interface Berth {}');
  for (const one of [
    { file: 'src/a.ts', name: 'Quay' },
    { file: '../a.ts', name: 'Berth' },
  ])
    expect(() => schemaOfType(folder, one)).toThrow(/exports no type/);
});

it('an interface becomes an object; what may be missing is not required; its words come along', () => {
  const { schema } = read(`
    /** What a shipper books. */
    export interface Asked {
      /** Three letters.
       *  @pattern ^[A-Z]{3}$ */
      port: string;
      /** @minimum 1 @default 2 */
      pieces?: number;
      note: string | undefined;
      /** @deprecated use note */
      remark?: string | null;
    }`);
  expect(schema).toEqual({
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Asked',
    description: 'What a shipper books.',
    type: 'object',
    required: ['port'],
    properties: {
      port: { type: 'string', description: 'Three letters.', pattern: '^[A-Z]{3}$' },
      pieces: { type: 'number', minimum: 1, default: 2 },
      note: { type: 'string' },
      remark: { type: ['string', 'null'], deprecated: true },
    },
  });
});

it.each([
  ["'a' | 'b'", { enum: ['a', 'b'] }],
  ["'a' | 2 | null", { enum: ['a', 2, null] }],
  ["'only'", { const: 'only' }],
  ['boolean', { type: 'boolean' }],
  ['boolean | null', { type: ['boolean', 'null'] }],
  ['string | number', { anyOf: [{ type: 'string' }, { type: 'number' }] }],
  ['readonly string[]', { type: 'array', items: { type: 'string' } }],
  ['Array<boolean>', { type: 'array', items: { type: 'boolean' } }],
  [
    '[number, string?]',
    { type: 'array', prefixItems: [{ type: 'number' }, { type: 'string' }], minItems: 1, maxItems: 2 },
  ],
  [
    '[string, ...number[]]',
    { type: 'array', prefixItems: [{ type: 'string' }], minItems: 1, items: { type: 'number' } },
  ],
  ['Record<string, number>', { type: 'object', additionalProperties: { type: 'number' } }],
  ["Record<'a' | 'b', 1>", { type: 'object', required: ['a', 'b'], properties: { a: { const: 1 }, b: { const: 1 } } }],
  ["Pick<{ a: 1; b: 2 }, 'a'>", { type: 'object', required: ['a'], properties: { a: { const: 1 } } }],
  ['{ a: 1 } & { b?: 2 }', { type: 'object', required: ['a'], properties: { a: { const: 1 }, b: { const: 2 } } }],
  ["string & { readonly __brand: 'Port' }", { type: 'string' }],
  ['Date', { type: 'string', format: 'date-time' }],
  ['bigint', { type: 'integer' }],
  ['unknown', {}],
])('%s becomes its schema', (type, schema) => expect(member(type)).toEqual(schema));

it('an enumeration becomes its values', () => {
  expect(bare("export enum Asked { Port = 'P', Starboard = 'S' }")).toEqual({ enum: ['P', 'S'] });
});

it('types with a name become definitions, also where they contain themselves', () => {
  const { schema } = read(`
    export interface Asked { sender: Party; to?: Party; next?: Asked }
    interface Party { name: string; agent?: Party }`);
  expect(schema['properties']).toEqual({
    sender: { $ref: '#/$defs/Party' },
    to: { $ref: '#/$defs/Party' },
    next: { $ref: '#' },
  });
  const compiled = compileSchema(schema);
  expect(compiled.accepts({ sender: { name: 'A', agent: { name: 'B' } }, next: { sender: { name: 'C' } } })).toBe(true);
  expect(compiled.accepts({ sender: { name: 'A', agent: { name: 1 } } })).toBe(false);
});

it('a union that one member tells apart takes exactly one', () => {
  const source = `export type Asked = { by: 'sea'; port: string } | { by: 'rail'; station: string };`;
  expect(Object.keys(bare(source))).toEqual(['oneOf']);
  expect(Object.keys(bare(`export type Asked = { port: string } | { station: string };`))).toEqual(['anyOf']);
});

it('types of other files and packages are followed, and paths of the project’s own', () => {
  put('tsconfig.json', '{"compilerOptions": {"paths": {"@/*": ["./src/*"]}}}');
  put('src/party.ts', 'export interface Party { name: string }');
  put('node_modules/ports/package.json', '{"name": "ports", "types": "index.d.ts"}');
  put('node_modules/ports/index.d.ts', "export type Port = 'ALD' | 'HAR';");
  expect(
    bare(
      `import type { Party } from '@/party'; import type { Port } from 'ports'; export interface Asked { a: Party; p: Port }`,
    ),
  ).toMatchObject({
    properties: { a: { $ref: '#/$defs/Party' }, p: { enum: ['ALD', 'HAR'] } },
    $defs: { Party: { properties: { name: { type: 'string' } } } },
  });
});

it('what JSON has no word for is left out or widened, and told', () => {
  const { schema, notes } = read(`
    export class Asked {
      private secret = 1;
      name = 'x';
      when: Date = new Date();
      all = new Map<string, string>();
      free: any;
      size: \`\${number}px\` = '1px';
      go(): void {}
    }`);
  expect(Object.keys(schema['properties'] as object)).toEqual(['name', 'when', 'all', 'free', 'size']);
  expect(notes.map(({ at, says }) => `${at} ${says}`)).toEqual([
    '/when JSON has a Date as a text.',
    '/all JSON has no Map; anything is taken.',
    '/free The type says nothing of this value, so anything is taken.',
    '/size Only texts like `${number}px` are meant; the schema takes any text.',
    '/go It is a function, which JSON has not; it is left out.',
  ]);
});

it('a type that asks for ever new ones of itself comes to an end', () => {
  const { schema, notes } = read(
    'type Nested<T> = { v: T; n?: Nested<T[]> }; export interface Asked { all: Nested<string> }',
  );
  expect(compileSchema(schema).accepts({ all: { v: 'a', n: { v: ['b'] } } })).toBe(true);
  expect(notes.some(({ says }) => says.includes('without an end'))).toBe(true);
});
