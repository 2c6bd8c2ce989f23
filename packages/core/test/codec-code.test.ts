import { codecFromCode, makeCodec, readKit, runCase, type Kit } from '../src/index.js';
import { handOver } from '../src/handover/index.js';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

/** Crossings are typed as “sk 214” and held as their number. */
const crossing = {
  parse(shown: unknown): number {
    const found = /^\s*sk\s*(\d+)\s*$/i.exec(String(shown));
    if (!found) throw new Error('Write it like SK 214.');
    return Number(found[1]);
  },
  show: (held: unknown) => `SK ${String(held)}`,
};

describe('a codec made of code', () => {
  const codec = codecFromCode(crossing);
  it('goes all the way', () => {
    expect(runCase(codec, { shown: 'sk 214', held: 214, sent: 214, again: 'SK 214' }).passed).toBe(true);
  });
  it('refuses with the words of the Error that it throws', () => {
    expect(codec.parse('214')).toEqual({ ok: false, reason: 'Write it like SK 214.' });
  });
  it('knows nothing of nothing', () => {
    expect(codec.parse('')).toEqual({ ok: true, held: undefined });
    expect(codec.show(undefined)).toBe('');
    expect(codec.serialise(undefined)).toBeUndefined();
  });
  it('never throws, whatever is wrong in it', () => {
    const broken = codecFromCode({
      parse: (shown) => (shown as { a: { b: string } }).a.b,
      show: (held) => (held as { a: { b: string } }).a.b,
      revive: () => {
        throw new RangeError('too far');
      },
    });
    expect(broken.parse(12)).toMatchObject({ ok: false, reason: expect.stringContaining('parse fails') as unknown });
    expect(broken.show(12)).toBe('');
    expect(broken.revive(12)).toMatchObject({ ok: false, reason: expect.stringContaining('too far') as unknown });
    const strict = codecFromCode({ ...crossing, show: (held) => (held as { a: { b: string } }).a.b }, { faults: true });
    expect(() => strict.show(12)).toThrow('show fails');
    expect(strict.parse('x')).toMatchObject({ ok: false });
  });
  it('says the line of its own file', () => {
    const error = new TypeError('no');
    error.stack = 'TypeError: no\n    at parse (http://127.0.0.1/stand/code/0a1b.js:7:12)';
    const codecOf = codecFromCode({
      show: String,
      parse: () => {
        throw error;
      },
    });
    expect(codecOf.parse('x')).toEqual({ ok: false, reason: 'parse fails in line 7: no' });
  });
  it('holds only what can be sent', () => {
    const dates = codecFromCode({ parse: () => new Map(), show: () => '' });
    expect(dates.parse('x')).toMatchObject({ reason: expect.stringContaining('no form in JSON') as unknown });
    const sent = codecFromCode({
      parse: (shown) => new Date(String(shown)),
      show: (held) => (held as Date).toISOString(),
      serialise: (held) => (held as Date).getTime(),
      revive: (value) => new Date(Number(value)),
    });
    expect(runCase(sent, { shown: '2026-11-23T09:15:00.000Z', sent: 1795425300000 }).passed).toBe(true);
  });
  it('is found by its name, and says so where it is not', () => {
    const description = { kind: 'code', options: { code: 'crossing', empty: 'null' } };
    const found = makeCodec(description, { crossing });
    expect(found.parse('')).toEqual({ ok: true, held: null });
    expect(makeCodec(description).parse('SK 214')).toMatchObject({
      reason: expect.stringContaining('not at hand') as unknown,
    });
    // Nothing inherited is taken for code.
    expect(makeCodec({ kind: 'code', options: { code: 'constructor' } }, {}).parse('x')).toMatchObject({ ok: false });
  });
});

it('is handed over as its own module, which the forms use', () => {
  const demo = JSON.parse(readFileSync(join(__dirname, '../../../demo/kit.json'), 'utf8')) as Kit;
  const source =
    'export function parse(shown: unknown) { return shown }\nexport function show(held: unknown) { return held }\n';
  const read = readKit({ ...demo, codecs: { ...demo.codecs, crossing: { kind: 'code', options: { source } } } });
  if (!read.ok) throw new Error('The kit is broken.');
  const files = new Map(handOver(read.kit).map(({ path, text }) => [path, text]));
  expect(files.get('codecs/crossing.code.ts')).toBe(source);
  expect(files.get('codes.ts')).toContain("import * as crossing from './codecs/crossing.code.js'");
  expect(files.get('fields.ts')).not.toContain('export function');
});
