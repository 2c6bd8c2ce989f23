import {
  builtIn,
  compileSchema,
  knownNodes,
  loadExpressions,
  loadMakers,
  makePlan,
  openPlan,
  openPrepared,
  prepareCodecs,
  preparePlan,
  prepareSchema,
  type FormSource,
  type HintsBeside,
  type PlanNode,
} from '../src/index.js';
import { enginePartsOf, standardFormats } from '../src/schema/index.js';
import { basicKeywords, order } from '../src/schema/engine.js';
import type { Family } from '../src/schema/keywords/context.js';
import { loadEngine } from '../src/schema/load-engine.js';
import { wholeEngine } from '../src/schema/whole-engine.js';
import * as checking from '../src/written/checks.js';

describe('the engine that a schema asks for', () => {
  it('knows every keyword that the whole one knows, in its order', async () => {
    expect([...wholeEngine.keywords.keys()]).toEqual(order);
    for (const keyword of order) {
      const { keywords, english } = await loadEngine({ properties: { inner: { [keyword]: true } } });
      expect([...keywords.keys()]).toContain(keyword);
      expect(english[keyword]).toBe(wholeEngine.english[keyword]);
      expect(order.filter((name) => keywords.has(name))).toEqual([...keywords.keys()]);
    }
  });
  it('has no more than that', async () => {
    const { keywords, patternOf, late, formats } = await loadEngine({
      type: 'object',
      properties: { a: { minLength: 2 } },
    });
    expect(['pattern', 'items', 'oneOf', 'format', 'dependentRequired'].filter((name) => keywords.has(name))).toEqual(
      [],
    );
    expect([patternOf, late, formats]).toEqual([undefined, undefined, {}]);
  });
  it('can be put together ahead of parts that hold every keyword and every format', () => {
    for (const keyword of order) {
      const parts = enginePartsOf({ [keyword]: true });
      const families = parts?.keywords.map((name) => (checking as unknown as Record<string, Family>)[name]) ?? [];
      const isKnown =
        basicKeywords.has(keyword) || keyword === 'format' || families.some((one) => one && keyword in one.keywords);
      expect([keyword, isKnown]).toEqual([keyword, true]);
    }
    for (const format of Object.keys(standardFormats)) {
      const [name = ''] = enginePartsOf({ format })?.formats ?? [];
      expect((checking as unknown as Record<string, object>)[name]).toHaveProperty([format]);
    }
  });
  it('is the whole one where schemas are spoken of, or a dialect of somebody’s own', async () => {
    expect(await loadEngine({ $ref: 'https://json-schema.org/draft/2020-12/schema' })).toBe(wholeEngine);
    expect(await loadEngine({ $schema: 'https://skerry.example/dialect' })).toBe(wholeEngine);
    expect(await loadEngine({ $schema: 'http://json-schema.org/draft-07/schema#' })).not.toBe(wholeEngine);
  });
  it('looks through other documents, and does not go round in what contains itself', async () => {
    const { keywords } = await loadEngine({ $ref: 'urn:port' }, { documents: { 'urn:port': { pattern: '^[A-Z]' } } });
    expect(keywords.has('pattern')).toBe(true);
    const circle: Record<string, unknown> = {};
    circle['properties'] = { circle };
    await expect(prepareSchema(circle)).rejects.toThrow();
  });
});

it('makers are fetched for every kind of codec', async () => {
  for (const kind of Object.keys(builtIn)) expect(Object.keys(await loadMakers(new Set([kind])))).toContain(kind);
  expect(Object.keys(await loadMakers(undefined)).sort()).toEqual(Object.keys(builtIn).sort());
});

it('a prepared form parses, checks and sends, with what it was prepared with alone', async () => {
  const schema = {
    type: 'object',
    required: ['pieces'],
    properties: { pieces: { type: 'integer', minimum: 1 }, collection: { type: 'string', format: 'date' } },
  };
  const compiled = await prepareSchema(schema, { assertFormats: true });
  const { root } = makePlan(compiled);
  expect(knownNodes(root)?.map(({ name }) => name)).toEqual(['', 'pieces', 'collection']);
  const form = openPrepared(compiled, { codecs: await prepareCodecs(root) });
  expect(form.problems().map(({ at, message }) => [at, message])).toEqual([['/pieces', 'Is needed.']]);
  form.field('/pieces').report('1,5');
  expect(form.field('/pieces').problems[0]?.message).toContain('1,5');
  form.field('/pieces').report('0');
  expect(form.problems().map(({ message }) => message)).toEqual(['Has to be 1 or more.']);
  form.field('/pieces').report('12');
  form.field('/collection').report('2026-11-24');
  expect([form.problems(), form.sent()]).toEqual([[], { pieces: 12, collection: '2026-11-24' }]);
  expect(form.ask('/pieces', 'value + 1')).toEqual({ missing: 'Expressions are not loaded.' });
});

describe('a plan for which everything is fetched', () => {
  const text = { type: 'string' };
  const object = (properties: object): object => ({ type: 'object', properties });
  const sources: readonly [string, FormSource, Readonly<Record<string, unknown>>][] = [
    ['plain fields', { schema: object({ name: text, done: { type: 'boolean' } }) }, { '/name': 'Ada' }],
    ['a number alone', { schema: object({ pieces: { type: 'integer' } }) }, { '/pieces': '12' }],
    ['a list and a default', { schema: object({ tags: { type: 'array', items: text, default: ['salt'] } }) }, {}],
    ['members that may be nothing', { schema: object({ note: { type: ['string', 'null'] } }) }, { '/note': 'x' }],
    ['a choice', { schema: { oneOf: [object({ a: text }), object({ b: text })] } }, { '/a': 'x' }],
    [
      'a computed value',
      {
        schema: object({ a: { type: 'number' }, b: { type: 'number' } }),
        hints: { '/properties/b': { computed: 'form.a * 2.0' } },
      },
      { '/a': '4' },
    ],
    [
      'a box of a hint',
      { schema: object({ a: text }), hints: { '/properties/a': { input: 'textarea' } } },
      { '/a': 'x' },
    ],
    [
      'a draft before',
      { schema: { $schema: 'http://json-schema.org/draft-07/schema#', ...object({ a: text }) } },
      { '/a': 'x' },
    ],
    ['a schema of schemas', { schema: { $ref: 'https://json-schema.org/draft/2020-12/schema' } }, { '/title': 'x' }],
    [
      'documents',
      {
        schema: { $ref: 'urn:port' },
        compile: { documents: { 'urn:port': object({ port: { enum: ['Hamn', 'Vik'] } }) } },
      },
      { '/port': 'Vik' },
    ],
  ];
  /** Everything of a plan that a form is drawn from. */
  const seen = (root: PlanNode): unknown =>
    knownNodes(root)?.map(({ name, kind, label, hints, required, schemaAt, ...more }) => [
      [name, kind, label, hints, required, schemaAt],
      'use' in more ? [more.use, more.codec, more.choices] : Object.keys(more).sort(),
    ]);
  const { env } = process;
  afterEach(() => {
    process.env = env;
  });

  it.each(sources)(
    'has what one with everything at hand has, in production and not: %s',
    async (_, source, entered) => {
      const { schema, hints, compile } = source;
      const compiled = compileSchema(schema, { assertFormats: true, ...compile });
      const whole = makePlan(compiled, hints);
      const expected = openPlan(whole, { expressions: await loadExpressions() });
      for (const mode of ['test', 'production']) {
        process.env = { ...env, NODE_ENV: mode };
        const { plan, opener } = await preparePlan(source);
        const form = (await opener())();
        expect(seen(plan.root)).toEqual(seen(whole.root));
        for (const one of mode === 'test' ? [form, expected] : [form])
          for (const [at, shown] of Object.entries(entered)) one.field(at).report(shown);
        expect([form.sent(), form.problems()]).toEqual([expected.sent(), expected.problems()]);
        expect(Object.keys(entered).filter((at) => form.field(at).sent === undefined)).toEqual([]);
      }
    },
  );
  it('says what is wrong with a schema that contains itself, and with hints that do', async () => {
    const circle: Record<string, unknown> = {};
    circle['properties'] = { circle };
    await expect(preparePlan({ schema: circle })).rejects.toThrow('deep');
    await expect(preparePlan({ schema: true, hints: circle as HintsBeside })).rejects.toThrow('circular');
  });
  it('tells a developer what hints say that nobody reads, and in production does not look', async () => {
    const source = { schema: object({ a: text }), hints: { '/properties/b': { label: 'B' } } };
    const said = jest.spyOn(console, 'warn').mockImplementation(() => undefined);
    await preparePlan(source);
    expect(said).toHaveBeenCalledWith(expect.stringContaining('/properties/b'));
    said.mockClear();
    process.env = { ...env, NODE_ENV: 'production' };
    await preparePlan(source);
    expect(said).not.toHaveBeenCalled();
  });
});
