/** What is begun with, what is inferred, what vocabularies bring, and the standard's output: as tables. */
import { compileSchema, inferSchema, outputOf, startValue } from '../../src/index.js';
import { dialects } from '../../src/schema/dialects.js';

describe('the smallest value', () => {
  it.each<[schema: object, value: unknown]>([
    [{ type: 'number' }, 0],
    [{ type: 'number', minimum: 0 }, 0],
    [{ type: 'number', minimum: 2 }, 2],
    [{ type: 'number', minimum: 2.5 }, 2.5],
    [{ type: 'number', maximum: -2 }, -2],
    [{ type: 'number', maximum: 0 }, 0],
    [{ type: 'number', exclusiveMinimum: 0 }, 1],
    [{ type: 'number', exclusiveMinimum: 2 }, 3],
    [{ type: 'number', exclusiveMaximum: 0 }, -1],
    [{ type: 'number', exclusiveMaximum: -2 }, -3],
    [{ type: 'number', exclusiveMinimum: 2, exclusiveMaximum: 3 }, 2.5],
    [{ type: 'number', exclusiveMinimum: 2, maximum: 3 }, 2.5],
    [{ type: 'number', minimum: 1, exclusiveMinimum: 1, maximum: 4 }, 2.5],
    [{ type: 'number', maximum: -1, exclusiveMaximum: -1, minimum: -4 }, -2.5],
    [{ type: 'number', minimum: 2, exclusiveMaximum: 3 }, 2],
    [{ type: 'integer', minimum: 2.5 }, 3],
    [{ type: 'integer', exclusiveMinimum: 2 }, 3],
    [{ type: 'integer', maximum: -2.5 }, -3],
    [{ type: 'integer', exclusiveMaximum: -2 }, -3],
    [{ type: 'number', multipleOf: 0.5, exclusiveMinimum: 0.5 }, 1],
    [{ type: 'number', multipleOf: 5, minimum: 3 }, 5],
    [{ type: 'number', multipleOf: 5, maximum: -3 }, -5],
    [{ type: 'integer', multipleOf: 4, minimum: 8 }, 8],
    [{ type: 'string' }, ''],
    [{ type: 'string', minLength: 3 }, 'xxx'],
    [{ type: 'string', minLength: 5000 }, 'x'.repeat(1000)],
    [{ type: 'boolean' }, false],
    [{ type: 'null' }, null],
    [{ type: 'array' }, []],
    [{ type: 'array', minItems: 2, items: { type: 'integer', minimum: 1 } }, [1, 1]],
    [{ type: 'array', minItems: 2, prefixItems: [{ const: 'a' }, { type: 'boolean' }] }, ['a', false]],
    [{ type: 'array', minItems: 1000 }, Array.from({ length: 100 }, () => null)],
    [{ type: 'object', properties: { a: { type: 'string' } } }, {}],
    [{ properties: { a: { type: 'string' }, b: { type: 'boolean' } }, required: ['b'] }, { b: false }],
    [{ required: ['a'] }, { a: null }],
    [{ allOf: [{ required: ['a'] }, { properties: { a: { const: 7 } } }] }, { a: 7 }],
    [{ const: { a: 1 } }, { a: 1 }],
    [{ enum: ['only'] }, 'only'],
    [{ default: 4, type: 'number' }, 4],
    [{ properties: { a: { default: 4 } } }, { a: 4 }],
  ])('of %j', (schema, value) => expect(startValue(compileSchema(schema))).toEqual(value));
});

describe('a schema from samples', () => {
  const found = (samples: readonly unknown[]): object => {
    const { $schema, ...schema } = inferSchema(samples).schema;
    expect($schema).toBe('https://json-schema.org/draft/2020-12/schema');
    return schema;
  };
  const says = (samples: readonly unknown[], keyword: string): string[] =>
    inferSchema(samples)
      .reasons.filter((one) => one.keyword === keyword)
      .map((one) => `${one.at}: ${one.says} ${one.certainty}`);
  const keyed = (names: readonly string[], value: (i: number) => unknown = (i) => i): object =>
    Object.fromEntries(names.map((name, i) => [name, value(i)]));

  it.each<[samples: readonly unknown[], schema: object]>([
    [[], {}],
    [[undefined], {}],
    [[1], { type: 'integer' }],
    [[1, 1.5], { type: 'number' }],
    [[1, 'a', null, true], { type: ['string', 'integer', 'boolean', 'null'] }],
    [['2026-01-02'], { type: 'string', format: 'date' }],
    [['2026-01-02', 'x'], { type: 'string' }],
    [['07:15:00Z'], { type: 'string', format: 'time' }],
    [['a@skerry.example'], { type: 'string', format: 'email' }],
    [['https://skerry.example/'], { type: 'string', format: 'uri' }],
    [['10.0.0.1'], { type: 'string', format: 'ipv4' }],
    [['::1'], { type: 'string', format: 'ipv6' }],
    [['a', 'b', 'a', 'b', 'a', 'b'], { type: 'string', enum: ['a', 'b'] }],
    // Too few, too different, too long, or not texts alone.
    [['a', 'b', 'a', 'b', 'a'], { type: 'string' }],
    [['a', 'b', 'c', 'a', 'b', 'a'], { type: 'string' }],
    [Array.from({ length: 6 }, () => 'x'.repeat(41)), { type: 'string' }],
    [Array.from({ length: 6 }, () => 'x'.repeat(40)), { type: 'string', enum: ['x'.repeat(40)] }],
    [['a', 'a', 'a', 'a', 'a', 'a', 1], { type: ['string', 'integer'] }],
    [[[]], { type: 'array' }],
    [[[], [1]], { type: 'array', items: { type: 'integer' } }],
    [[{}], { type: 'object' }],
    [[{ a: 1 }, {}], { type: 'object', properties: { a: { type: 'integer' } } }],
    [[keyed(['A1', 'A2', 'A3', 'A4', 'A5'])], { type: 'object', additionalProperties: { type: 'integer' } }],
    [[keyed(['ALD', 'BRE', 'TOR', 'LSU', 'HAR'])], { type: 'object', additionalProperties: { type: 'integer' } }],
  ])('%j', (samples, schema) => {
    const typed = (one: { readonly type?: unknown }): object => ({ ...one, type: [one.type].flat() });
    expect(typed(found(samples))).toEqual(typed(schema));
  });
  it.each<[name: string, sample: object]>([
    ['four names only', keyed(['A1', 'A2', 'A3', 'A4'])],
    ['a name that is a word', keyed(['A1', 'A2', 'A3', 'A4', 'port'])],
    ['capitals that are too many', keyed(['ALD', 'BRE', 'TOR', 'LSU', 'HAREBY'])],
    ['capitals with more behind', keyed(['ALD', 'BRE', 'TOR', 'LSU', 'HARa'])],
    ['one capital', keyed(['ALD', 'BRE', 'TOR', 'LSU', 'H'])],
    ['values of different kinds', keyed(['A1', 'A2', 'A3', 'A4', 'A5'], (i) => (i === 0 ? 'x' : i))],
  ])('has members, not keys: %s', (_name, sample) => expect(found([sample])).toHaveProperty('properties'));
  it('takes ids for keys', () => {
    const ids = [1, 2, 3, 4, 5].map((i) => `a3bb189e-8bf9-3888-9912-ace4e654300${i}`);
    expect(found([keyed(ids)])).toHaveProperty('additionalProperties');
  });
  it('says why', () => {
    expect(says([], 'type')).toEqual([': No sample has a value here, so anything is allowed. 0']);
    expect(says([1], 'type')).toEqual([': The only value is integer. 0.5']);
    expect(says([1, 'a'], 'type')).toEqual([': All 2 values are string or integer. 0.67']);
    expect(says(['2026-01-02'], 'format')).toEqual([': The text is of the form date. 0.5']);
    expect(says(['2026-01-02', '2026-01-03'], 'format')).toEqual([': All 2 texts are of the form date. 0.67']);
    expect(says([[]], 'items')).toEqual([': Every list is empty, so nothing is said of its entries. 0']);
    expect(says([{ a: 1 }], 'required')).toEqual(['/a: It is there in the only sample. 0.5']);
    expect(says([{ a: 1 }, { a: 2 }], 'required')).toEqual(['/a: It is there in all 2 samples. 0.67']);
    expect(says([{ a: 1 }, {}], 'required')).toEqual(['/a: It is missing in 1 of 2 samples. 1']);
    expect(says([keyed(['A1', 'A2', 'A3', 'A4', 'A5'])], 'additionalProperties')).toEqual([
      ': 5 different names with values of one kind: they look like keys rather than members. 0.7',
    ]);
    expect(says(['a', 'b', 'a', 'b', 'a', 'b', 'a', 'a'], 'enum')).toEqual([
      ': 8 texts have only 2 different values. 0.75',
    ]);
  });
});

describe('a vocabulary', () => {
  const of = (draft: string, ...names: string[]) => ({
    $schema: `https://json-schema.org/draft/${draft}/schema`,
    $id: 'https://skerry.example/meta',
    $vocabulary: Object.fromEntries(
      names.map((name) => [`https://json-schema.org/draft/${draft}/vocab/${name}`, true]),
    ),
  });
  const refuses = (meta: object, schema: object, value: unknown): boolean => {
    const options = { documents: { 'https://skerry.example/meta': meta } };
    return !compileSchema({ $schema: 'https://skerry.example/meta', ...schema }, options).accepts(value);
  };
  it.each<[vocabulary: string, draft: string, schema: object, value: unknown]>([
    ['applicator', '2019-09', { items: { maximum: 1 } }, [2]],
    ['applicator', '2020-12', { prefixItems: [false] }, [2]],
    ['applicator', '2020-12', { contains: false }, [2]],
    ['applicator', '2020-12', { if: true, then: false }, 1],
    ['unevaluated', '2020-12', { unevaluatedItems: false }, [2]],
    ['unevaluated', '2020-12', { unevaluatedProperties: false }, { a: 1 }],
    ['validation', '2019-09', { minLength: 2 }, 'a'],
    ['validation', '2020-12', { dependentRequired: { a: ['b'] } }, { a: 1 }],
    ['validation', '2020-12', { const: 2 }, 1],
    ['format-assertion', '2020-12', { format: 'date' }, 'x'],
    ['format', '2019-09', { format: 'date' }, 'x'],
  ])('%s of %s counts where a meta-schema declares it, and not elsewhere: %j', (name, draft, schema, value) => {
    // What is inside has to say something, too.
    const inner = name === 'applicator' && draft === '2019-09' ? ['validation'] : [];
    expect(refuses(of(draft, 'core', ...inner, name), schema, value)).toBe(true);
    expect(refuses(of(draft, 'core', 'meta-data', 'content', ...inner), schema, value)).toBe(false);
  });
  it.each(dialects.map((one) => [one.draft, one] as const))('draft %s knows what is its own', (draft, { keywords }) => {
    const since: Readonly<Record<string, number>> = {
      type: 4,
      required: 4,
      title: 4,
      format: 4,
      const: 6,
      propertyNames: 6,
      if: 7,
      readOnly: 7,
      contentEncoding: 7,
      dependentRequired: 2019,
      deprecated: 2019,
      contentSchema: 2019,
      unevaluatedItems: 2019,
      $anchor: 2019,
      prefixItems: 2020,
      $dynamicRef: 2020,
    };
    const known = Object.keys(since).filter((name) => keywords.has(name));
    expect(known).toEqual(Object.keys(since).filter((name) => (since[name] ?? 0) <= draft));
  });
});

describe('the standard’s output', () => {
  const schema = {
    $id: 'https://skerry.example/booking',
    title: 'Booking',
    properties: { port: { title: 'Port', type: 'string', minLength: 3 }, pieces: { items: { type: 'integer' } } },
    oneOf: [{ required: ['port'], description: 'with a port' }, { required: ['none'] }],
  };
  const compiled = compileSchema(schema);
  it('as a flag says the verdict and nothing else', () => {
    expect(outputOf(compiled, { port: 'ALD' }, 'flag')).toEqual({ valid: true });
    expect(outputOf(compiled, {}, 'flag')).toEqual({ valid: false });
  });
  it('of a good value has the annotations of what was asked', () => {
    const { annotations = [], ...top } = outputOf(compiled, { port: 'ALD', pieces: [1] }, 'basic') as {
      annotations?: readonly Record<string, unknown>[];
    };
    expect(top).toEqual({ valid: true, keywordLocation: '', instanceLocation: '' });
    const told = annotations.map(
      (one) =>
        `${String(one['instanceLocation'])} ${String(one['keywordLocation'])}${'annotation' in one ? `: ${String(one['annotation'])}` : ''}`,
    );
    expect(told).toEqual(
      expect.arrayContaining([
        ' /title: Booking',
        '/port /properties/port/title: Port',
        '/port /properties/port/type',
        '/pieces/0 /properties/pieces/items/type',
        ' /oneOf/0/description: with a port',
      ]),
    );
    // The branch that does not fit says nothing.
    expect(told.join('\n')).not.toContain('/oneOf/1');
    expect(annotations.find((one) => one['keywordLocation'] === '/title')).toMatchObject({
      absoluteKeywordLocation: 'https://skerry.example/booking#/title',
    });
  });
  it('of a bad value has an error for each problem, with its way', () => {
    const { errors = [] } = outputOf(compiled, { port: 'A', pieces: ['x', 'y'] }, 'basic') as {
      errors?: readonly Record<string, unknown>[];
    };
    expect(errors.map((one) => `${String(one['instanceLocation'])} ${String(one['keywordLocation'])}`)).toEqual([
      '/port /properties/port/minLength',
      '/pieces/0 /properties/pieces/items/type',
      '/pieces/1 /properties/pieces/items/type',
    ]);
    expect(errors[0]).toMatchObject({
      valid: false,
      absoluteKeywordLocation: 'https://skerry.example/booking#/properties/port/minLength',
      error: expect.stringContaining('3') as string,
    });
  });
  it('in detail puts those together that have a way in common', () => {
    const detailed = outputOf(compiled, { port: 'A', pieces: ['x', 'y'] }, 'detailed') as {
      errors?: readonly unknown[];
    };
    expect(detailed.errors).toMatchObject([
      { instanceLocation: '/port', keywordLocation: '/properties/port/minLength' },
      { instanceLocation: '/pieces', errors: [{ instanceLocation: '/pieces/0' }, { instanceLocation: '/pieces/1' }] },
    ]);
  });
});
