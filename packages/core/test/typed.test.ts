/** Types as an application sees them: what is right compiles, and each mistake is refused by the compiler. */
import { join } from 'node:path';
import ts from 'typescript';
import { hostWith } from './parsed.js';

const given = `
import { compileSchema, openForm, type Form, type ValueOf } from '@poietra/core';
const schema = {
  type: 'object',
  required: ['consignor', 'kind'],
  properties: {
    consignor: { type: 'object', required: ['name'], properties: { name: { type: 'string' }, phone: { type: ['string', 'null'] } } },
    kind: { enum: ['box', 'pallet'] },
    pieces: { type: 'integer' },
    hazardous: { type: 'boolean' },
    lines: { type: 'array', items: { $ref: '#/$defs/line' } },
    position: { type: 'array', prefixItems: [{ type: 'number' }, { type: 'number' }], items: false },
    marks: { type: 'object', additionalProperties: { type: 'boolean' } },
    load: {
      oneOf: [
        { type: 'object', required: ['by', 'weight'], properties: { by: { const: 'weight' }, weight: { type: 'number' } } },
        { type: 'object', required: ['by', 'volume'], properties: { by: { const: 'volume' }, volume: { type: 'number' } } },
      ],
    },
    port: { allOf: [{ type: 'object', required: ['key'], properties: { key: { type: 'string' } } }, { type: 'object', properties: { text: { type: 'string' } } }] },
  },
  $defs: { line: { type: 'object', required: ['weight'], properties: { weight: { type: 'number' }, next: { $ref: '#/$defs/line' } } } },
} as const;
type Booking = ValueOf<typeof schema>;
declare const booking: Booking;
declare const form: Form<Booking>;
declare const unknownValue: unknown;
const compiled = compileSchema(schema);
const right: Booking = { consignor: { name: 'Aldervik Timber' }, kind: 'box' };
declare function take<T>(value: T): void;
`;

const sound = [
  `take<Booking>({ consignor: { name: 'A', phone: null }, kind: 'pallet', pieces: 2, hazardous: true })`,
  `take<Booking>({ ...right, lines: [{ weight: 1, next: { weight: 2, next: { weight: 3 } } }] })`,
  `take<Booking>({ ...right, position: [1, 2] }); take<Booking>({ ...right, marks: { wet: true } })`,
  `take<Booking>({ ...right, load: { by: 'volume', volume: 2 } }); take<Booking>({ ...right, port: { key: 'ALD', text: 'Aldervik' } })`,
  `if (compiled.accepts(unknownValue)) take<string>(unknownValue.consignor.name)`,
  `take<number | undefined>(booking.lines?.[0]?.next?.weight)`,
  `if (booking.load?.by === 'weight') take<number>(booking.load.weight)`,
  `form.field((one) => one.consignor.name); form.field((one) => one.lines[0]!.next.weight); form.list((one) => one.lines)`,
  `void form.submit((sent) => Promise.resolve({ kind: 'accepted', answer: sent.consignor.name }))`,
  `take<string>(compileSchema({ type: 'string' })['~standard'].types!.output)`,
  `take<unknown>(compileSchema(unknownValue)['~standard'].types!.output)`,
  `openForm<Booking>({ schema, values: right })`,
];
const mistakes = [
  `take<Booking>({ kind: 'box' })`,
  `take<Booking>({ consignor: {}, kind: 'box' })`,
  `take<Booking>({ consignor: { name: 1 }, kind: 'box' })`,
  `take<Booking>({ consignor: { name: 'A', phone: 1 }, kind: 'box' })`,
  `take<Booking>({ consignor: { name: 'A' }, kind: 'crate' })`,
  `take<Booking>({ consignor: { name: 'A' }, kind: 'box', peices: 1 })`,
  `take<Booking>({ ...right, pieces: '2' })`,
  `take<Booking>({ ...right, hazardous: 'yes' })`,
  `take<Booking>({ ...right, lines: {} })`,
  `take<Booking>({ ...right, lines: [{}] })`,
  `take<Booking>({ ...right, lines: [{ weight: '1' }] })`,
  `take<Booking>({ ...right, lines: [{ weight: 1, next: { weight: '2' } }] })`,
  `take<Booking>({ ...right, lines: [{ weight: 1, next: [] }] })`,
  `take<Booking>({ ...right, position: [1, 2, 3] })`,
  `take<Booking>({ ...right, position: ['1', 2] })`,
  `take<Booking>({ ...right, marks: { wet: 'yes' } })`,
  `take<Booking>({ ...right, load: { by: 'weight', volume: 2 } })`,
  `take<Booking>({ ...right, load: { by: 'length', weight: 2 } })`,
  `take<Booking>({ ...right, load: { by: 'weight' } })`,
  `take<Booking>({ ...right, port: { text: 'Aldervik' } })`,
  `take<Booking>({ ...right, port: { key: 'ALD', text: 1 } })`,
  `take<Booking>(null)`,
  `take<Booking>([])`,
  `booking.kind = 'box'`,
  `booking.consignor.name = 'B'`,
  `take<string>(booking.consignor.phone)`,
  `take<number>(booking.pieces)`,
  `booking.lines[0]`,
  `booking.lines?.push({ weight: 1 })`,
  `booking.consignee`,
  `if (booking.load?.by === 'weight') booking.load.volume`,
  `form.field((one) => one.consignee)`,
  `form.field((one) => one.consignor.nmae)`,
  `form.field((one) => one.lines[0]!.wieght)`,
  `form.list((one) => one.line)`,
  `form.field(3)`,
  `void form.submit((sent) => Promise.resolve({ kind: 'accepted', answer: sent.consignee }))`,
  `void form.submit(() => Promise.resolve({ kind: 'done' }))`,
  `void form.submit(() => ({ kind: 'accepted', answer: 1 }))`,
  `void form.submit(() => Promise.resolve({ kind: 'failed' }))`,
  `form.refuse([{ message: 'No.' }])`,
  `openForm({ values: right })`,
  `openForm({ schema, tell: 'never' })`,
  `openForm({ schema, hidden: 'remove' })`,
  `compileSchema(schema, { dialects: '2020-12' })`,
  `if (compileSchema({ type: 'string' }).accepts(unknownValue)) take<number>(unknownValue)`,
];

const home = join(__dirname, '../../..');
function refused(lines: readonly string[]): boolean[] {
  const text = `${given}\n${lines.map((line) => `{ ${line}; }`).join('\n')}\n`;
  const options: ts.CompilerOptions = {
    ...{ strict: true, noUncheckedIndexedAccess: true, exactOptionalPropertyTypes: true, noEmit: true, types: [] },
    ...{ target: ts.ScriptTarget.ES2022, module: ts.ModuleKind.ESNext, skipLibCheck: true, resolveJsonModule: true },
    ...{ moduleResolution: ts.ModuleResolutionKind.Bundler, customConditions: ['source'] },
    paths: { '@poietra/core': [join(home, 'packages/core/src/index.ts')] },
  };
  const name = join(__dirname, 'typed-values.ts');
  const program = ts.createProgram([name], options, hostWith(options, new Map([[name, text]])));
  const file = program.getSourceFile(name);
  const first = given.split('\n').length;
  const at = program
    .getSemanticDiagnostics(file)
    .map(({ start = 0 }) => (file?.getLineAndCharacterOfPosition(start).line ?? 0) - first);
  return lines.map((_, i) => at.includes(i));
}

it('what is right compiles', () => {
  const verdicts = refused(sound);
  expect(sound.filter((_, i) => verdicts[i])).toEqual([]);
});

it(`each of ${mistakes.length} mistakes is refused`, () => {
  expect(mistakes.length).toBeGreaterThanOrEqual(40);
  const verdicts = refused(mistakes);
  expect(mistakes.filter((_, i) => !verdicts[i])).toEqual([]);
});
