/** What verdicts do not show: which way a pattern is matched, what an engine is made of, what rules amount to. */
import { LimitReached } from '../../src/json/index.js';
import { compileSchema } from '../../src/schema/compile.js';
import { changedPaths } from '../../src/schema/copies.js';
import { dialects, everyDialect } from '../../src/schema/dialects.js';
import { newest } from '../../src/schema/dialect.js';
import { engineOf } from '../../src/schema/engine.js';
import { readGraph } from '../../src/schema/graph.js';
import { isHostname, isInternationalHostname } from '../../src/schema/hostnames.js';
import { acceptsLeaf, leafOf } from '../../src/schema/leaf.js';
import { loadEngine } from '../../src/schema/load-engine.js';
import { outputOf, type OutputUnit } from '../../src/schema/output.js';
import { compilePattern } from '../../src/schema/pattern/index.js';

describe('a pattern is left to the platform only while its work has a bound', () => {
  /** The guarded matcher has no step here, so it gives up on anything. */
  const isGuarded = (source: string, length: number): boolean => {
    try {
      compilePattern(source, 0).test('a'.repeat(length));
      return false;
    } catch (error) {
      if (error instanceof LimitReached) return true;
      throw error;
    }
  };
  // [pattern, length of the text up to which the platform does it]
  test.each([
    ['a', 499_999],
    ['a$', 499_999],
    ['^a*$', 499_999],
    ['^a*a*$', 706],
    ['(^a*a*)', 706],
    ['(?:^a*a*|^a*)', 705],
    ['a*a*', 78],
    ['$a*a*', 78],
    ['(?:^a*a*|b)', 78],
    ['(?:b|^a*a*)', 78],
    ['a*', 706],
    ['^(?:a*){2}$', 706],
    ['^(?=a*)b', 499_998],
    ['^(a*)\\1', 706],
  ])('%s is, up to %i characters', (source, most) => {
    expect([isGuarded(source, most), isGuarded(source, most + 1)]).toEqual([false, true]);
  });
  test.each(['^a', '^a{2,5}', '^(?:a|b)', '(^a)', '^(?:)'])('%s always is', (source) =>
    expect(isGuarded(source, 600_000)).toBe(false),
  );
  test('a choice costs what its branches cost together', () => {
    expect([isGuarded('^(?:a*a*|a*a*)', 498), isGuarded('^(?:a*a*|a*a*)', 500)]).toEqual([false, true]);
  });
  test('without the flag for Unicode it is read as before it', () => {
    expect([compilePattern('^\\-$').test('-'), compilePattern('^\\-$').source]).toEqual([true, '^\\-$']);
    expect(() => compilePattern('(')).toThrow(SyntaxError);
  });
});

describe('dialects', () => {
  const words = (uri: string): readonly string[] => [...(everyDialect.standard(uri)?.keywords ?? [])].sort();
  const later = ['2019-09', '2020-12'].map((draft) => words(`https://json-schema.org/draft/${draft}/schema`));

  test('there are five, and one of an empty fragment is the same', () => {
    expect(dialects.map(({ draft }) => draft)).toEqual([4, 6, 7, 2019, 2020]);
    expect(everyDialect.standard('http://json-schema.org/draft-07/schema#')?.draft).toBe(7);
    expect(everyDialect.standard('urn:own')).toBeUndefined();
  });
  test('2019-09 and 2020-12 differ in what was renamed', () => {
    const [before = [], after = []] = later;
    expect(before.filter((name) => !after.includes(name))).toEqual(['$recursiveAnchor', '$recursiveRef']);
    expect(after.filter((name) => !before.includes(name))).toEqual(['$dynamicAnchor', '$dynamicRef', 'prefixItems']);
  });
  test.each([
    ['applicator', 'unevaluatedItems'],
    ['validation', 'maxContains'],
    ['meta-data', 'deprecated'],
    ['format', 'format'],
    ['content', 'contentSchema'],
    ['core', '$defs'],
  ])('2019-09 has what its vocabulary “%s” brings: %s', (vocabulary, keyword) => {
    expect(later[0]).toContain(keyword);
    const own = everyDialect.fromMetaSchema(
      'urn:own',
      { $vocabulary: { [`https://json-schema.org/draft/2019-09/vocab/${vocabulary}`]: true } },
      { ...newest, draft: 2019 },
    );
    expect([own.uri, own.draft, own.keywords.has(keyword), own.keywords.has('$anchor')]).toEqual([
      'urn:own',
      2019,
      true,
      vocabulary === 'core',
    ]);
  });
  test('a meta-schema before vocabularies, or without any, is as its parent', () => {
    const old = everyDialect.standard('http://json-schema.org/draft-07/schema');
    if (!old) throw new Error('There is no draft 7.');
    const asked = { $vocabulary: { 'https://json-schema.org/draft/2020-12/vocab/core': true } };
    expect(everyDialect.fromMetaSchema('urn:own', asked, old)).toEqual({ ...old, uri: 'urn:own' });
    expect(everyDialect.fromMetaSchema('urn:own', {}, newest)).toEqual({ ...newest, uri: 'urn:own' });
  });
  test('formats are asserted by the vocabulary that says so, in 2019-09 where it is required', () => {
    const asserts = (name: string, isRequired: boolean): boolean =>
      everyDialect.fromMetaSchema(
        'urn:own',
        { $vocabulary: { [`https://json-schema.org/draft/${name}`]: isRequired } },
        newest,
      ).formatAsserted;
    expect(asserts('2020-12/vocab/format-assertion', false)).toBe(true);
    expect(asserts('2020-12/vocab/format-annotation', true)).toBe(false);
    expect([asserts('2019-09/vocab/format', true), asserts('2019-09/vocab/format', false)]).toEqual([true, false]);
  });
});

describe('what is fetched for a schema', () => {
  const keywords = async (schema: unknown): Promise<string[]> => [...(await loadEngine(schema)).keywords.keys()];
  const basic = [...engineOf([]).keywords.keys()];

  test.each(['$id', 'id', '$ref', '$dynamicRef', '$recursiveRef'])(
    '%s that leads elsewhere needs addresses',
    async (name) => {
      expect((await loadEngine({ items: { [name]: 'other.json' } })).resolveUri).toBeDefined();
      expect((await loadEngine({ items: { [name]: '#/items' } })).resolveUri).toBeUndefined();
      expect((await loadEngine({ items: { [name]: 7 } })).resolveUri).toBeUndefined();
    },
  );
  test('what is known from outside needs them, too', async () => {
    expect((await loadEngine(true, { uri: 'urn:own' })).resolveUri).toBeDefined();
    expect((await loadEngine(true, { documents: { 'urn:other': true } })).resolveUri).toBeDefined();
    expect((await loadEngine(true)).resolveUri).toBeUndefined();
  });
  test('a schema of basic keywords has no others', async () => {
    expect(await keywords({ type: 'object', properties: { a: { type: 'string' } }, colour: 'red' })).toEqual(basic);
  });
  test.each([
    ['anyOf', ['anyOf'], ['pattern', 'unevaluatedItems']],
    ['pattern', ['pattern'], ['anyOf', 'unevaluatedItems']],
    ['contentMediaType', ['pattern'], ['anyOf', 'unevaluatedItems']],
    ['$dynamicRef', ['$dynamicRef'], ['anyOf', 'pattern']],
  ])('%s brings its family and no other', async (word, there, notThere) => {
    const all = await keywords({ properties: { [word]: word === 'anyOf' ? [true] : '#' } });
    expect([there.filter((one) => !all.includes(one)), notThere.filter((one) => all.includes(one))]).toEqual([[], []]);
  });
  test('what is judged after all others is fetched where it is asked for', async () => {
    expect((await loadEngine({ unevaluatedItems: false })).late).toBeDefined();
    expect((await loadEngine({ items: { unevaluatedProperties: false } })).late).toBeDefined();
    expect((await loadEngine({ items: { pattern: 'a' } })).late).toBeUndefined();
  });
  test('an older draft brings the dialects, at any depth; the newest does not', async () => {
    const $schema = 'http://json-schema.org/draft-07/schema#';
    expect((await loadEngine({ $defs: { old: { $schema } } })).dialects).toBeDefined();
    expect((await loadEngine(true, { dialect: $schema })).dialects).toBeDefined();
    expect((await loadEngine({ $schema: newest.uri })).dialects).toBeUndefined();
  });
  test('what is about schemas, or of a dialect of one’s own, brings everything', async () => {
    const all = await keywords({ $ref: 'https://json-schema.org/draft/2020-12/schema' });
    expect(all.length).toBeGreaterThan(basic.length);
    expect(await keywords({ $schema: 'urn:own' })).toEqual(all);
  });
});

describe('the graph of a schema', () => {
  const other = {
    $id: 'https://own.test/other',
    properties: { a: { $ref: 'part' } },
    $defs: { part: { $id: 'part', type: 'string' } },
  };
  test('tells of the documents that were reached, not of the schema or of parts with an address', () => {
    const schema = { $id: 'https://own.test/form', properties: { a: { $ref: 'other' } } };
    const { documents } = readGraph(schema, {
      uri: 'https://own.test/form',
      documents: { 'https://own.test/other': other },
    });
    expect(documents).toEqual({ 'https://own.test/form': schema, 'https://own.test/other': other });
    expect(readGraph({ properties: { a: true } }, {}).documents).toEqual({});
  });
  test('leads from a node to those below it', () => {
    const { root, below } = readGraph({ properties: { 'a/b': { items: { type: 'string' } } } }, {});
    const node = below(root, 'properties', 'a/b', 'items');
    expect([node.at, node.raw, node.accepts('x', undefined as never)]).toEqual([
      '/properties/a~1b/items',
      { type: 'string' },
      true,
    ]);
  });
});

describe('the leaf that rules amount to', () => {
  const leaf = (schema: unknown): unknown => leafOf(readGraph(schema, {}).root.rules);
  test.each<[unknown, object | undefined]>([
    [{ type: 'string' }, { kind: 'text', isFree: true, least: -Infinity, most: Infinity }],
    [
      { type: 'string', minLength: 0 },
      { kind: 'text', isFree: true, most: Infinity },
    ],
    [
      { type: 'string', minLength: 2 },
      { kind: 'text', isFree: false, least: 2, most: Infinity },
    ],
    [
      { type: 'string', maxLength: 0 },
      { kind: 'text', isFree: false, least: -Infinity, most: 0 },
    ],
    [{ type: 'string', pattern: 'a' }, undefined],
    [
      { type: 'number', minimum: 1, maximum: 3 },
      { kind: 'number', least: 1, most: 3, isFree: false },
    ],
    [{ type: 'integer' }, { kind: 'whole', isFree: true }],
    [{ type: 'integer', multipleOf: 2 }, undefined],
    [{ type: 'boolean' }, { kind: 'flag', least: 0, most: 0 }],
    [{ type: 'boolean', enum: [true] }, undefined],
    [{ type: 'null' }, undefined],
    [{ type: ['string', 'number'] }, undefined],
    [{ enum: ['a', 1, null, true] }, { kind: 'choice', allowed: new Set(['a', 1, null, true]), isFree: false }],
    [{ enum: ['a', { b: 1 }] }, undefined],
    [{ enum: ['a'], minLength: 1 }, undefined],
    [{ const: 'a' }, undefined],
    [{ required: ['a'] }, undefined],
    [true, undefined],
  ])('of %j', (schema, amounts) => {
    const found = leaf(schema);
    if (amounts === undefined) expect(found).toBeUndefined();
    else expect(found).toMatchObject(amounts);
  });
  test.each<[unknown, unknown[], unknown[]]>([
    [
      { type: 'string', minLength: 2, maxLength: 3 },
      ['ab', '😀😀', '😀😀😀', 'abc'],
      ['a', '😀', 'abcd', '😀😀😀😀', 12],
    ],
    [{ type: 'string', minLength: 1 }, ['a', '😀'], ['']],
    [{ type: 'number', minimum: 1, maximum: 2 }, [1, 1.5, 2], [0.9, 2.1, '1']],
    [{ type: 'integer', minimum: 1, maximum: 2 }, [1, 2], [1.5, 0, 3, '1']],
    [{ type: 'boolean' }, [true, false], ['true', 0, null]],
    [{ enum: ['a', null] }, ['a', null], ['b', undefined]],
  ])('of %j is asked', (schema, right, wrong) => {
    const found = leaf(schema) as Parameters<typeof acceptsLeaf>[0];
    expect(right.filter((value) => !acceptsLeaf(found, value))).toEqual([]);
    expect(wrong.filter((value) => acceptsLeaf(found, value))).toEqual([]);
  });
});

describe('what differs between a value and a copy that shares the rest', () => {
  const [same, one, two] = [{ deep: 1 }, { x: 1 }, { x: 2 }];
  test.each<[string, unknown, unknown, string[], string[][]]>([
    ['the member that was said', { a: 1, same }, { a: 2, same }, ['a'], [['a']]],
    ['another, too', { a: 1, b: one }, { a: 2, b: two }, ['a'], [['b'], ['a']]],
    ['one that came', { a: 1 }, { a: 2, c: 1 }, ['a'], [['c'], ['a']]],
    ['one that went', { a: 1, c: 1 }, { a: 2 }, ['a'], [['c'], ['a']]],
    [
      'below',
      { a: { b: 1, c: 1 } },
      { a: { b: 2, c: 3 } },
      ['a', 'b'],
      [
        ['a', 'c'],
        ['a', 'b'],
      ],
    ],
    ['changed in place', { a: same }, { a: same }, ['a', 'deep'], [['a', 'deep']]],
    ['a member with all that is in it', {}, { a: { b: 1 } }, ['a', 'b'], [['a']]],
    ['a member that went, with all', { a: { b: 1 } }, {}, ['a', 'b'], [['a']]],
    ['entries', [one, 1, same], [two, 2, same], ['1'], [['0'], ['1']]],
    [
      'entries below',
      { l: [one, 1] },
      { l: [two, 2] },
      ['l', '1'],
      [
        ['l', '0'],
        ['l', '1'],
      ],
    ],
    ['a list that grew, as a whole', { l: [1] }, { l: [1, 2] }, ['l', '1'], [['l']]],
    ['a list that is an object now', { l: [1] }, { l: { 0: 1 } }, ['l', '0'], [['l']]],
    ['a value of another kind', { a: { b: 1 } }, { a: 'b' }, ['a', 'b'], [['a']]],
    ['nothing where something was', { a: { b: 1 } }, { a: null }, ['a', 'b'], [['a']]],
    ['something where nothing was', { a: null }, { a: { b: 1 } }, ['a', 'b'], [['a']]],
    ['all of it', { a: 1 }, { a: 2 }, [], [[]]],
    ['a bare value', 1, 2, ['a'], [[]]],
  ])('%s', (_, before, after, path, paths) => expect(changedPaths(before, after, path)).toEqual(paths));
});

describe('notes of a schema, as the standard puts them out', () => {
  const schema = {
    if: { properties: { a: { const: 1, title: 'One' } } },
    then: { properties: { b: { title: 'Then' } } },
    else: { properties: { b: { title: 'Else' } } },
    dependentSchemas: { b: { properties: { b: { title: 'With it' } } } },
    anyOf: [{ properties: { b: { const: 9, title: 'Nine' } } }, { properties: { b: { title: 'Any' } } }],
  };
  const titles = (value: unknown): unknown => {
    const put = outputOf(compileSchema(schema), value, 'basic') as { annotations?: readonly OutputUnit[] };
    return (put.annotations ?? [])
      .filter(({ keywordLocation }) => keywordLocation.endsWith('/title'))
      .map(({ keywordLocation, instanceLocation, annotation }) => [keywordLocation, instanceLocation, annotation])
      .sort();
  };
  test('those of the branches that hold', () => {
    expect(titles({ a: 1, b: 2 })).toEqual([
      ['/anyOf/1/properties/b/title', '/b', 'Any'],
      ['/dependentSchemas/b/properties/b/title', '/b', 'With it'],
      ['/if/properties/a/title', '/a', 'One'],
      ['/then/properties/b/title', '/b', 'Then'],
    ]);
    expect(titles({ a: 2, b: 9 })).toEqual([
      ['/anyOf/0/properties/b/title', '/b', 'Nine'],
      ['/anyOf/1/properties/b/title', '/b', 'Any'],
      ['/dependentSchemas/b/properties/b/title', '/b', 'With it'],
      ['/else/properties/b/title', '/b', 'Else'],
    ]);
    expect(titles({})).toEqual([]);
  });
});

describe('the branch that a value was meant for', () => {
  const told = (branches: readonly object[], value: unknown): unknown =>
    compileSchema({ oneOf: branches })
      .validate(value)
      .problems.map(({ at, schemaAt }) => [at, schemaAt]);
  const need = (name: string): object => ({ required: [name], properties: { [name]: { type: 'string' } } });
  test('is told by a member that has a value of its own in each, be it one of several, in parts or far inside', () => {
    const by = (kind: object, name: string): object => ({
      ...need(name),
      properties: { kind, [name]: { type: 'string' } },
    });
    expect(
      told([by({ const: 'ship' }, 'berth'), by({ const: 'truck' }, 'plate')], { kind: 'truck', berth: 'x' }),
    ).toEqual([['', '/oneOf/1/required']]);
    expect(
      told([by({ enum: ['ship', 'barge'] }, 'berth'), by({ const: 'truck' }, 'plate')], { kind: 'barge', plate: 'x' }),
    ).toEqual([['', '/oneOf/0/required']]);
    const inParts = (kind: string, name: string): object => ({
      allOf: [{ allOf: [{ properties: { kind: { const: kind } } }] }, need(name)],
    });
    expect(told([inParts('ship', 'berth'), inParts('truck', 'plate')], { kind: 'truck', berth: 'x' })).toEqual([
      ['', '/oneOf/1/allOf/1/required'],
    ]);
  });
});

describe('host names', () => {
  // RFC 3492, section 7.1, and labels long enough that a digit takes several steps.
  test.each([
    'xn--ihqwcrb4cv8a8dqg056pqjye',
    'xn--hxargifdar',
    'xn--bcher-kva',
    'xn--maana-pta',
    'xn--80aaxitdbjk',
    'xn--fsqu00a',
  ])('%s stands for an international label', (label) => expect(isHostname(label)).toBe(true));
  test.each(['xn--', 'xn--a', 'xn--a-', 'xn--!', 'xn--99999999', 'xn--bcher-kv!'])('%s stands for none', (label) =>
    expect(isHostname(label)).toBe(false),
  );
  // 63 characters with “xn--” are the most.
  test.each<[string, boolean]>([
    ['ü'.repeat(57), true],
    ['ü'.repeat(58), false],
    ['aü'.repeat(28), true],
    ['aü'.repeat(29), false],
    ['日本語'.repeat(15), true],
    ['日本語'.repeat(16), false],
    ['カー', true],
    ['का', true],
    ['が〻', false],
    ['a・', false],
    ['・', false],
    ['カ・', true],
    ['a‍', false],
    ['Ü', false],
  ])('%s: %s', (label, is) => expect(isInternationalHostname(label)).toBe(is));
});
