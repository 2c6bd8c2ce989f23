/** Expressions that were written out mean what the language means by them, whatever they are asked of. */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { celExpressions } from '../src/expression/cel.js';
import { writtenExpressions, type Expressions, type Scope } from '../src/expression/index.js';
import * as functions from '../src/expression/functions.js';
import { logic } from '../src/expression/logic.js';
import { loops } from '../src/expression/loops.js';
import { optionals } from '../src/expression/members.js';
import { operators } from '../src/expression/operators.js';
import { expressionsSource } from '../src/handover/expression-source.js';

const language = celExpressions();
const parts = { writtenExpressions, logic, loops, optionals, operators, ...functions };
/** Texts as an application runs them; nothing where one of them is left to the language. */
function written(texts: readonly string[]): Expressions | undefined {
  const source = expressionsSource(texts, '')?.text;
  if (source === undefined) return undefined;
  const folder = mkdtempSync(join(tmpdir(), 'poietra-expressions-'));
  const file = join(folder, 'written.cjs');
  writeFileSync(file, `module.exports = ({ ${Object.keys(parts).join(', ')} }) => ${source};`);
  const made = createRequire(file)(file) as (given: typeof parts) => Expressions;
  rmSync(folder, { recursive: true });
  return made(parts);
}
/** The language tells types that are known only as they are computed as `dyn<…>`, and has no size for an empty list. */
const plainly = (said: object): unknown =>
  JSON.parse(
    JSON.stringify(said)
      .replace(/dyn<((?:[^<>]|<(?:[^<>]|<[^<>]*>)*>)*)>/g, '$1')
      .replace('size undefined', 'size 0')
      .replaceAll('list<T>', 'list<dyn>'),
  );
function expectSame(text: string, own: Expressions, scope: Scope): void {
  const said = own.read(text).ask(scope);
  expect({ text, scope, said: plainly(said) }).toEqual({
    text,
    scope,
    said: plainly(language.read(text).ask(scope)),
  });
  expect(own.read(text).references).toEqual(language.read(text).references);
}

const scopes: readonly Scope[] = [
  {
    form: { a: 2, b: 'x', c: true, l: [{ n: 1, s: 'x' }, { n: 2.5 }], o: { a: 'y' }, m: [1, 2] },
    here: { a: 0 },
    value: 3,
  },
  { form: { a: null, b: '', c: false, l: [], o: {}, m: ['x', 'y'] }, here: ['x'], value: null },
  { form: { l: { n: 1 }, o: null, m: [null, 3] }, here: undefined, value: 'x' },
  { form: undefined, here: 4, value: [] },
];

it('a function takes what it speaks of, not what a text in it says', () => {
  const source = expressionsSource(["form.a == 'here is a value'"], '')?.text ?? '';
  expect(source).toContain('({ form }, cel) =>');
});

describe('each kind of expression', () => {
  it.each([
    'form.a + 1',
    'form.a - 0.5',
    'form.a * form.a',
    'form.a / 0',
    'form.a % 2',
    '7 / 2',
    '7 % 4',
    '1 / 0',
    '1 % 0',
    '-form.a',
    '-3',
    '9223372036854775807 + 1',
    '2 * -3',
    'form.b + "!"',
    'form.m + form.m',
    'form.a + form.b',
    'form.o + 1',
    'form.l + 1',
    'form.m + "x"',
    'form.a == 2',
    'form.c == 1',
    '1 == form.c',
    'form.m == 1',
    'value == 0',
    'form.b == 0',
    'form.c in [1]',
    '"1" == form.a',
    'form.a == 2.0',
    '2 == form.a',
    'form.a != "2"',
    'form.o == form.o',
    'form.m == [1, 2]',
    'form.m == ["x", "y"]',
    'form.o == here',
    'form.l == form.l',
    'form.a == null',
    'null == value',
    'form.c == true',
    'form.b == "x"',
    'form.a < 3',
    'form.a >= 2',
    'form.b < "y"',
    'form.c > false',
    'form.b <= 3',
    '1 < 2',
    '2.5 > form.a',
    'form.b in ["x", "y"]',
    'form.a in form.m',
    '"a" in form.o',
    'form.a in form.o',
    '2 in form.m == true',
    'value in form.m',
    'form.a in [1, 2]',
    'form.c && form.a > 1',
    'form.c || form.a > 1',
    'form.z && false',
    'form.z || true',
    'true || form.z',
    'form.z && true',
    'form.c && form.a',
    'form.a && form.c',
    'form.a || form.b',
    '!form.c',
    '!form.a',
    '!(form.a > 1) && form.c',
    'form.c ? form.a : form.b',
    'form.a ? 1 : 2',
    'form.c ? "a" : "b"',
    'form.l[0].n',
    'form.l[5]',
    'form.m[-1]',
    'form.m[1]',
    'form["a"]',
    'form.o["a"]',
    'form.m["x"]',
    'form.l.n',
    'form.a.b',
    'form.b.c',
    'form.?a.orValue(7)',
    'form.?z.?y.orValue("none")',
    'form.?o.a.orValue("none")',
    'form.?l[?0].n.orValue(9)',
    'form.?l[?7].n.orValue(9)',
    'form.?a.orValue(form.z)',
    'form.b.?c.orValue(1)',
    'form.m.?c.orValue(1)',
    'has(form.a)',
    'has(form.o.a)',
    'has(form.z.y)',
    'has(form.b.c)',
    'has(form.m.x)',
    'has(here.a)',
    'has(form.l.n.x)',
    'has(form.a.b.c)',
    'size(form.l)',
    'form.l.size() > 1',
    'size(form.b)',
    'form.b.size()',
    'form.o.size()',
    'size(form.a)',
    'size(value)',
    'size("äö😀")',
    'form.b.contains("x")',
    'form.b.startsWith(form.b)',
    'form.b.endsWith("")',
    'form.b.matches("^x+$")',
    'form.b.matches("(")',
    '"^(" + form.b',
    ' " a ".trim()',
    'form.b.upperAscii()',
    'form.b.lowerAscii()',
    'form.b.split("x")',
    'form.b.contains(form.a)',
    'form.a.contains("x")',
    'string(form.a)',
    'string(form.c)',
    'string(form.z)',
    'string(3)',
    'double(form.b)',
    'double("2.5")',
    'double(" 2")',
    'double("")',
    'int(form.a)',
    'int(2.9)',
    'round(form.a / 3.0, 2)',
    'round(form.a * 1.5)',
    'form.m.sum()',
    'form.l.map(x, x.n).sum()',
    'form.m.joined(", ")',
    'form.m.joined(form.b)',
    'form.l.map(l, l.?n.orValue(0.0)).sum()',
    'form.l.map(x, x.n * 2)',
    'form.l.filter(x, x.n > 1).size()',
    'form.l.filter(x, x.n)',
    'form.l.all(x, x.n > 0)',
    'form.l.exists(x, x.s == "x")',
    'form.l.exists(x, x.z)',
    'form.l.all(x, has(x.s))',
    'form.l.exists_one(x, x.n > 1)',
    'form.l.exists(x, x)',
    'form.l.all(x, x.s)',
    'form.a.map(x, x)',
    'form.o.all(k, k == "a")',
    'form.l.map(form, form.n)',
    'form.l.exists(x, form.m.exists(y, x.n == y))',
    'form.l.map(x, form.m.map(x, x))',
    '[form.a, form.z, form.b]',
    '[1, form.a]',
    '[form.z, form.a + form.b]',
    '[]',
    'form.m == []',
    'value == 3 || here.a == 0',
    'form',
    'here',
    'value',
    '"it’s \\"so\\" */ \'"',
  ])('%s', (text) => {
    const own = written([text]);
    if (!own) throw new Error('It is left to the language.');
    for (const scope of scopes) expectSame(text, own, scope);
  });
});

it.each([
  'form.a +',
  'cargo.a',
  'form.when < timestamp("2026-11-23T00:00:00Z")',
  '{"a": form.a}',
  'form.l.map(x, x.n > 1, x.n)',
  '1u',
  'b"x"',
  'cel.bind(x, form.a, x + x)',
  'form.?a',
  'form.b.substring(1)',
  'optional.of(1).hasValue()',
  '1 == "x"',
  '1e999',
])('%s is left to the language', (text) =>
  expect(text === 'form.?a' ? undefined : expressionsSource([text, 'form.a'], '')).toBeUndefined(),
);

const name = fc.constantFrom('a', 'b', 'c', 'l', 'm', 'o', 'n', 's', 'z');
const { any } = fc.letrec<{ any: string }>((tie) => {
  const any = tie('any');
  const leaf = fc.oneof(
    fc.constantFrom('form', 'here', 'value', 'x', '1', '2', '0.5', '"x"', '""', 'true', 'false', 'null', '[]'),
    fc.tuple(fc.constantFrom('form', 'here', 'x'), name).map(([of, one]) => `${of}.${one}`),
  );
  const made = (parts: TemplateStringsArray, ...given: fc.Arbitrary<string>[]) =>
    fc.tuple(...given).map((texts) => parts.reduce((text, part, i) => `${text}${texts[i - 1] ?? ''}${part}`));
  return {
    any: fc.oneof(
      { depthSize: 'small', withCrossShrink: true },
      leaf,
      made`(${any} ${fc.constantFrom('==', '!=', '+', '-', '*', '/', '%', '<', '<=', '>', '>=', 'in', '&&', '||')} ${any})`,
      made`(form.${name} ${fc.constantFrom('==', '!=', 'in', '<', '+')} ${leaf})`,
      made`(${leaf} ${fc.constantFrom('==', '!=', '>', '-')} form.${name})`,
      made`${any}.${name}`,
      made`${any}[${any}]`,
      made`${any}.?${name}.orValue(${any})`,
      made`(${any} ? ${any} : ${any})`,
      made`form.l.${fc.constantFrom('map', 'filter', 'all', 'exists', 'exists_one')}(x, ${any})`,
      made`form.${name}.${fc.constantFrom('map', 'all', 'exists')}(x, ${any})`,
      made`[${any}, ${any}]`,
      made`!${any}`,
      made`-${any}`,
      made`has(form.${name}.${name})`,
      made`${any}.${fc.constantFrom('size', 'trim', 'upperAscii', 'sum')}()`,
      made`${any}.${fc.constantFrom('contains', 'startsWith', 'joined', 'matches')}(${any})`,
      made`${fc.constantFrom('size', 'string', 'double', 'int', 'round')}(${any})`,
    ),
  };
});

it('law: what is written out says the same as the language, with the same reasons', () => {
  const texts = fc.sample(any, { numRuns: 3000, seed: Number(process.env['SEED'] ?? 1) });
  const both = texts.filter((text) => expressionsSource([text], '') !== undefined);
  const own = written(both);
  if (!own) throw new Error('They are left to the language.');
  expect(both.length).toBeGreaterThan(500);
  for (const text of both) for (const scope of scopes) expectSame(text, own, scope);
});
