/** Just inside and just outside of each keyword: alone, as a member, as an item, behind a reference, by every way of asking. */
import { compileSchema, type CompiledSchema } from '../../src/index.js';

type Row = readonly [schema: unknown, good: readonly unknown[], bad: readonly unknown[]];

const hat = '🎩';
const rows: Readonly<Record<string, Row>> = {
  'a text': [{ type: 'string' }, ['', 'a'], [0, null, true, [], {}]],
  'a number': [{ type: 'number' }, [0, -1.5, 1e300], ['0', null, false, [], {}]],
  'a whole number': [{ type: 'integer' }, [0, -3, 2.0], [0.5, '1', null, true]],
  'a mark': [{ type: 'boolean' }, [true, false], [0, 1, 'true', null]],
  nothing: [{ type: 'null' }, [null], [0, '', false, [], {}]],
  'an object': [{ type: 'object' }, [{}, { a: 1 }], [[], null, 'a', 0]],
  'a list': [{ type: 'array' }, [[], [1]], [{}, null, 'a', 0]],
  'one of two kinds': [{ type: ['string', 'null'] }, ['a', null], [0, false, {}]],
  'a whole number or a text': [{ type: ['integer', 'string'] }, [1, 'a'], [1.5, null]],

  'a least length': [{ type: 'string', minLength: 2 }, ['ab', 'abc', hat + hat], ['', 'a', hat]],
  'a least length of one': [{ type: 'string', minLength: 1 }, ['a', hat], ['']],
  'a least length of none': [{ type: 'string', minLength: 0 }, ['', 'a'], [0]],
  'a most length': [{ type: 'string', maxLength: 2 }, ['', 'ab', hat + hat], ['abc', hat + hat + hat, `${hat}ab`]],
  'a most length of none': [{ type: 'string', maxLength: 0 }, [''], ['a', hat]],
  'a length between': [
    { type: 'string', minLength: 2, maxLength: 3 },
    ['ab', 'abc', hat + hat, hat + hat + hat, `${hat}a`],
    ['a', 'abcd', hat, hat + hat + hat + hat, 7],
  ],
  'a length without a kind': [{ minLength: 2, maxLength: 2 }, ['ab', 1, null, []], ['a', 'abc']],

  'a least': [{ type: 'number', minimum: 2 }, [2, 2.1], [1.9, -2, '2']],
  'a most': [{ type: 'number', maximum: 2 }, [2, 1.9, -3], [2.1, '2']],
  'a number between': [{ type: 'number', minimum: 2, maximum: 3 }, [2, 3], [1.99, 3.01]],
  'a whole number between': [{ type: 'integer', minimum: -1, maximum: 1 }, [-1, 0, 1], [-2, 2, 0.5]],
  'limits that are left out': [{ type: 'number', exclusiveMinimum: 2, exclusiveMaximum: 4 }, [2.1, 3.9], [2, 4, 1, 5]],
  'a limit without a kind': [{ minimum: 2, maximum: 2 }, [2, 'a', null], [1, 3]],
  steps: [{ type: 'number', multipleOf: 0.1 }, [0, 0.3, 1.1, -0.7], [0.35, 1.01]],
  'steps of many': [{ multipleOf: 7 }, [0, 14, -7, 'a'], [1, 6, 8]],

  'a choice': [{ enum: ['a', 1, null, true] }, ['a', 1, null, true], ['b', 2, false, '1', {}]],
  'a choice of objects': [{ enum: [{ a: [1] }, 'x'] }, [{ a: [1] }, 'x'], [{ a: [2] }, { a: [1], b: 1 }, {}, 'y']],
  'a choice of lists': [{ enum: [[1, 2], []] }, [[1, 2], []], [[2, 1], [1], null]],
  'one value': [{ const: 'a' }, ['a'], ['b', null, ['a']]],
  'one object': [{ const: { a: 1, b: [] } }, [{ b: [], a: 1 }], [{ a: 1 }, { a: 1, b: [0] }]],
  'a choice of a kind': [{ type: 'string', enum: ['a', 1] }, ['a'], [1, 'b']],

  'a pattern': [{ type: 'string', pattern: '^a+$' }, ['a', 'aaa'], ['', 'b', 'ab']],
  'a pattern somewhere': [{ pattern: 'b' }, ['abc', 5], ['ac']],
  'a date': [{ format: 'date' }, ['2024-02-29', 7], ['2023-02-29', '2024-2-1', '']],

  'a needed member': [{ required: ['a'] }, [{ a: null }, 'x', []], [{}, { b: 1 }]],
  'two needed members': [{ type: 'object', required: ['a', 'b'] }, [{ a: 1, b: 1 }], [{ a: 1 }, { b: 1 }, {}]],
  'named members': [
    { properties: { a: { type: 'string' }, b: { type: 'number' } } },
    [{}, { a: '' }, { b: 1, c: {} }, []],
    [{ a: 1 }, { a: '', b: '' }, { b: null }],
  ],
  'no other members': [
    { properties: { a: {} }, additionalProperties: false },
    [{}, { a: 1 }],
    [{ b: 1 }, { a: 1, b: 1 }],
  ],
  'other members of a kind': [
    { properties: { a: {} }, additionalProperties: { type: 'number' } },
    [{ a: 'x', b: 1 }, {}],
    [{ a: 'x', b: 'x' }],
  ],
  'members by pattern': [
    { patternProperties: { '^n': { type: 'number' } }, additionalProperties: { type: 'string' } },
    [{ n1: 1, a: 'x' }, {}],
    [{ n1: 'x' }, { a: 1 }],
  ],
  'names of members': [{ propertyNames: { maxLength: 2 } }, [{ ab: 1 }, {}, 'abc'], [{ abc: 1 }]],
  'numbers of members': [
    { minProperties: 1, maxProperties: 2 },
    [{ a: 1 }, { a: 1, b: 1 }, []],
    [{}, { a: 1, b: 1, c: 1 }],
  ],
  'members that need others': [
    { dependentRequired: { a: ['b', 'c'] } },
    [{}, { b: 1 }, { a: 1, b: 1, c: 1 }],
    [{ a: 1 }, { a: 1, b: 1 }],
  ],
  'members that bring a schema': [
    { dependentSchemas: { a: { required: ['b'] } } },
    [{}, { b: 1 }, { a: 1, b: 1 }],
    [{ a: 1 }],
  ],

  items: [{ items: { type: 'number' } }, [[], [1, 2], {}], [['a'], [1, 'a'], [null]]],
  'items in places': [
    { prefixItems: [{ type: 'number' }, { type: 'string' }], items: { type: 'boolean' } },
    [[], [1], [1, 'a'], [1, 'a', true]],
    [['a'], [1, 1], [1, 'a', 'b'], [1, 'a', true, 1]],
  ],
  'no items beyond': [{ prefixItems: [{}], items: false }, [[], [1]], [[1, 2]]],
  'numbers of items': [{ minItems: 1, maxItems: 2 }, [[1], [1, 2], 'a'], [[], [1, 2, 3]]],
  'different items': [
    { uniqueItems: true },
    [[], [1, '1', true, null], [{ a: 1 }, { a: 2 }], [[1], [2]], [0, false]],
    [
      [1, 1],
      ['a', 'b', 'a'],
      [
        { a: 1, b: 2 },
        { b: 2, a: 1 },
      ],
      [[1], [1]],
    ],
  ],
  'something among the items': [
    { contains: { type: 'number' }, minContains: 2, maxContains: 3 },
    [[1, 2], ['a', 1, 2, 3], {}],
    [[], [1], [1, 2, 3, 4], ['a', 1]],
  ],
  'something or nothing among the items': [
    { contains: { const: 1 }, minContains: 0, maxContains: 1 },
    [[], [1], [2]],
    [[1, 1]],
  ],
  'one among the items': [{ contains: { const: 1 } }, [[1], [2, 1]], [[], [2]]],

  'all of': [{ allOf: [{ minimum: 1 }, { maximum: 2 }] }, [1, 2, 'a'], [0, 3]],
  'any of': [{ anyOf: [{ type: 'string' }, { minimum: 5 }] }, ['a', 5, null], [4]],
  'one of': [{ oneOf: [{ minimum: 1 }, { maximum: 3 }] }, [0, 4], [1, 2, 3, 'a']],
  'one of three': [{ oneOf: [{ const: 1 }, { const: 2 }, { type: 'string' }] }, [1, 2, 'a'], [3, null]],
  not: [{ not: { type: 'string' } }, [1, null], ['a', '']],
  'not not': [{ not: { not: { type: 'string' } } }, ['a'], [1]],
  'if it is, then': [
    { if: { required: ['a'] }, then: { required: ['b'] }, else: { required: ['c'] } },
    [{ a: 1, b: 1 }, { c: 1 }],
    [{ a: 1 }, {}, { a: 1, c: 1 }],
  ],
  'if alone': [{ if: { const: 1 } }, [1, 2], []],
  'then without else': [{ if: { minimum: 5 }, then: { maximum: 6 } }, [1, 5, 6], [7]],
  'else without then': [{ if: { minimum: 5 }, else: { maximum: 2 } }, [9, 2], [3]],

  'nothing that was not asked': [
    { properties: { a: {} }, anyOf: [{ properties: { b: {} }, required: ['b'] }, true], unevaluatedProperties: false },
    [{}, { a: 1 }, { a: 1, b: 1 }],
    [{ c: 1 }, { a: 1, b: 1, c: 1 }],
  ],
  'nothing that only one asked who failed': [
    {
      type: 'object',
      oneOf: [
        { properties: { a: { const: 1 } }, required: ['a'] },
        { properties: { b: { const: 2 } }, required: ['b'] },
      ],
      unevaluatedProperties: false,
    },
    [{ a: 1 }, { b: 2 }],
    [{ a: 1, b: 3 }, { a: 1, c: 1 }, {}],
  ],
  'no items that were not asked': [
    { prefixItems: [{}], contains: { type: 'string' }, unevaluatedItems: false },
    [[1, 'a'], ['a'], [1, 'a', 'b']],
    [
      [1, 'a', 2],
      [1, 2],
    ],
  ],
  'members that were not asked, of a kind': [
    { allOf: [{ properties: { a: {} } }], unevaluatedProperties: { type: 'number' } },
    [{ a: 'x', b: 1 }],
    [{ a: 'x', b: 'x' }],
  ],

  'other kinds than those that are asked about': [
    {
      anyOf: [{ type: 'string', minLength: 2 }, { type: 'number', minimum: 3 }, { const: true }, { type: 'null' }],
      unevaluatedProperties: false,
      unevaluatedItems: false,
    },
    ['ab', 3, true, null],
    ['a', 2, false, [1], { a: 1 }],
  ],
  'needed members that are not named': [
    { type: 'object', properties: { a: { type: 'string' } }, required: ['a', 'b'], additionalProperties: false },
    [],
    [{ a: 'x' }, { a: 'x', b: 1 }, { b: 1 }],
  ],
  'needed members among named ones': [
    {
      type: 'object',
      properties: { a: { type: 'string' }, b: { type: 'number' } },
      required: ['a'],
      additionalProperties: false,
    },
    [{ a: 'x' }, { a: 'x', b: 1 }],
    [{ b: 1 }, { a: 1 }, { a: 'x', c: 1 }, {}],
  ],
  everything: [true, [1, null, {}, [], ''], []],
  'nothing at all': [false, [], [1, null, {}, [], '']],
  'by a reference': [{ $ref: '#/$defs/a', $defs: { a: { minimum: 2 } } }, [2, 'x'], [1]],
  'by a reference and more': [{ $ref: '#/$defs/a', maximum: 3, $defs: { a: { minimum: 2 } } }, [2, 3], [1, 4]],
  'by a name': [{ $ref: '#here', $defs: { a: { $anchor: 'here', type: 'string' } } }, ['a'], [1]],
  'a tree': [
    {
      $ref: '#/$defs/node',
      $defs: { node: { properties: { v: { type: 'number' }, next: { $ref: '#/$defs/node' } } } },
    },
    [{}, { v: 1, next: { v: 2, next: {} } }],
    [{ v: 'x' }, { next: { next: { v: null } } }],
  ],
};

const around = (schema: unknown): readonly (readonly [string, unknown, (value: unknown) => unknown])[] => [
  ['alone', schema, (value) => value],
  [
    'as a member',
    { type: 'object', properties: { m: lifted(schema, 'm') }, required: ['m'] },
    (value) => ({ m: value }),
  ],
  ['as an item', { type: 'array', items: lifted(schema, 'i') }, (value) => [value]],
  ['as one of many', { allOf: [lifted(schema, 'o'), true] }, (value) => value],
];
/** A schema with references of its own keeps them: it becomes a resource. */
function lifted(schema: unknown, name: string): unknown {
  const refers = JSON.stringify(schema).includes('"$ref"');
  return refers ? { $id: `https://example.com/${name}`, ...(schema as object) } : schema;
}

function asked(compiled: CompiledSchema, value: unknown): Record<string, boolean> {
  const verdict = compiled.validate(value);
  return {
    accepts: compiled.accepts(value),
    validate: verdict.valid,
    problems: verdict.problems.length === 0,
    recheck: compiled.recheck(value, '').problems.length === 0,
    standard: !('issues' in compiled['~standard'].validate(value)),
  };
}
const all = (verdict: boolean) => ({
  accepts: verdict,
  validate: verdict,
  problems: verdict,
  recheck: verdict,
  standard: verdict,
});

describe.each(Object.entries(rows))('%s', (_name, [schema, good, bad]) => {
  it.each(around(schema))('%s', (_where, whole, put) => {
    const compiled = compileSchema(whole, { assertFormats: true });
    for (const value of good) expect([value, asked(compiled, put(value))]).toEqual([value, all(true)]);
    for (const value of bad) expect([value, asked(compiled, put(value))]).toEqual([value, all(false)]);
    // In turns, so that nothing of one value is left for the next.
    for (const value of [...bad, ...good, ...bad])
      expect([value, compiled.accepts(put(value))]).toEqual([value, good.includes(value)]);
  });
});

describe('what is told', () => {
  const told = (schema: unknown, value: unknown) =>
    compileSchema(schema, { assertFormats: true })
      .validate(value)
      .problems.map(({ at, keyword, schemaAt }) => `${at} ${keyword} ${schemaAt}`);

  it.each([
    ['a member that is missing', { required: ['a', 'b'] }, { b: 1 }, [' required /required']],
    [
      'two at once',
      { properties: { a: { type: 'string' }, b: { minimum: 3 } } },
      { a: 1, b: 1 },
      ['/a type /properties/a/type', '/b minimum /properties/b/minimum'],
    ],
    ['the same place twice', { minLength: 3, pattern: '^a' }, 'b', [' minLength /minLength', ' pattern /pattern']],
    ['an item', { items: { type: 'number' } }, [1, 'a', 2, 'b'], ['/1 type /items/type', '/3 type /items/type']],
    [
      'behind a reference',
      { properties: { a: { $ref: '#/$defs/n' } }, $defs: { n: { type: 'number' } } },
      { a: 'x' },
      ['/a type /$defs/n/type'],
    ],
    [
      'a name with a slash',
      { properties: { 'a/b~c': { type: 'number' } } },
      { 'a/b~c': 'x' },
      ['/a~1b~0c type /properties/a~1b~0c/type'],
    ],
    [
      'a member too many',
      { additionalProperties: false, properties: { a: {} } },
      { a: 1, b: 2, c: 3 },
      ['/b false /additionalProperties', '/c false /additionalProperties'],
    ],
    ['twice the same item', { uniqueItems: true }, [1, 2, 1], [' uniqueItems /uniqueItems']],
    ['what must not be', { not: { type: 'string' } }, 'a', [' not /not']],
    ['what follows a condition', { if: { minimum: 1 }, then: { maximum: 2 } }, 3, [' maximum /then/maximum']],
    ['what follows otherwise', { if: { minimum: 1 }, else: { type: 'string' } }, 0, [' type /else/type']],
  ] as const)('%s', (_name, schema, value, expected) => {
    expect(told(schema, value)).toEqual(expected);
  });
});
