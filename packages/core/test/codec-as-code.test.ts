import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import ts from 'typescript';
import { builtIn, codecFromCode, makeCodec, type CodecCode, type CodecDescription } from '../src/index.js';
import { codecAsCode, type OwnSources } from '../src/handover/index.js';
import { troublesOf } from './compiled.js';

const sources = JSON.parse(readFileSync(join(__dirname, '../../own/dist/sources.json'), 'utf8')) as OwnSources;
const folder = mkdtempSync(join(tmpdir(), 'poietra-codec-'));
afterAll(() => rmSync(folder, { recursive: true }));
let count = 0;
const source = (codec: CodecDescription): string => String(codecAsCode(codec, sources).options?.['source']);
/** The code as it runs; what it is compiled with is no matter here. */
function living(codec: CodecDescription): CodecCode {
  const file = join(folder, `codec-${count++}.cjs`);
  writeFileSync(file, ts.transpile(source(codec), { module: ts.ModuleKind.CommonJS, target: ts.ScriptTarget.ES2022 }));
  return createRequire(file)(file) as CodecCode;
}

const codecs: readonly CodecDescription[] = [
  ...Object.keys(builtIn)
    .filter((kind) => kind !== 'code')
    .map((kind) => ({ kind })),
  { kind: 'number', options: { locale: 'nb-NO' } },
  { kind: 'money', options: { digits: 0 } },
  { kind: 'quantity', options: { units: { kg: 1, t: 1000 } } },
  { kind: 'date', options: { shows: 'text' } },
  { kind: 'time', options: { offset: '+01:00' } },
  { kind: 'list', options: { separator: ';' } },
  { kind: 'parts', options: { names: ['first', 'last'], at: 'last' } },
  { kind: 'steps', options: { steps: [{ do: 'trim' }, { do: 'upper' }] } },
];
const shown = fc.oneof(
  fc.constantFrom(
    '12',
    '1 234,5',
    '2.5 t',
    '2026-11-26',
    '09:15',
    'on',
    'a; b',
    'Anna Maria Holm',
    '{"a":1}',
    '-',
    ' ',
  ),
  fc.string(),
  fc.double(),
  fc.boolean(),
  fc.date({ min: new Date('0001-01-02'), max: new Date('9999-12-30') }),
  fc.jsonValue(),
);

describe.each(codecs)('$kind $options', (codec) => {
  it('does the same as code, on values of every kind', () => {
    const [own, code] = [makeCodec(codec), codecFromCode(living(codec))];
    fc.assert(
      fc.property(shown, (value) => {
        const [one, other] = [own.parse(value), code.parse(value)];
        expect(other.ok).toBe(one.ok);
        if (!one.ok || !other.ok) return;
        expect(other.held).toEqual(one.held);
        if (one.held === undefined) return;
        expect(code.show(other.held)).toEqual(own.show(one.held));
        expect(code.serialise(other.held)).toEqual(own.serialise(one.held));
        expect(code.revive(code.serialise(other.held))).toEqual(own.revive(own.serialise(one.held)));
      }),
    );
  });
});

it('compiles under strict, and imports nothing', () => {
  const files = codecs.map((codec, i) => ({ path: `codecs/c${i}.ts`, text: source(codec) }));
  for (const { text } of files) expect(text).not.toMatch(/^import|^export \* from/m);
  expect(troublesOf(files)).toEqual([]);
});

it('keeps cases, title and what an emptied input means; code is none to begin with', () => {
  const codec = { kind: 'text', title: 'Note', cases: [{ shown: 'a' }], options: { empty: 'null' } };
  expect(codecAsCode(codec, sources)).toMatchObject({
    kind: 'code',
    title: 'Note',
    cases: [{ shown: 'a' }],
    options: { empty: 'null' },
  });
  expect(() => codecAsCode({ kind: 'code' }, sources)).toThrow(TypeError);
});
