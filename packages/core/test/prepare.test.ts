import { builtIn, knownNodes, loadMakers, makePlan, openPrepared, prepareCodecs, prepareSchema } from '../src/index.js';
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
