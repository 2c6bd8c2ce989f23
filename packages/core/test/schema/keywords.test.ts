import { compileSchema, english, messageFor } from '../../src/index.js';

const problems = (schema: unknown, value: unknown, dialect?: string) =>
  compileSchema(schema, { assertFormats: true, ...(dialect === undefined ? {} : { dialect }) })
    .validate(value)
    .problems.map(({ at, keyword, schemaAt, message }) => ({ at, keyword, schemaAt, message }));
const draft4 = 'http://json-schema.org/draft-04/schema#';
const draft7 = 'http://json-schema.org/draft-07/schema#';

/** One row for each thing that can be said: schema, value, keyword, words. */
it.each<[unknown, unknown, string, string]>([
  [{ type: 'integer' }, 1.5, 'type', 'Has to be a whole number, but is a number.'],
  [{ type: ['string', 'null'] }, 5, 'type', 'Has to be a text or nothing (null), but is a whole number.'],
  [{ type: 'object' }, [], 'type', 'Has to be a group of members, but is a list.'],
  [{ type: 'boolean' }, 'on', 'type', 'Has to be yes or no, but is a text.'],
  [{ enum: ['ALD', 'BRE'] }, 'XXX', 'enum', '“XXX” is none of: “ALD”, “BRE”.'],
  [{ enum: [1, 2, 3, 4, 5, 6, 7, 8, 9] }, 0, 'enum', 'Has to be one of 9 values (1, 2, 3, 4, 5 …).'],
  [{ enum: [{ a: 1 }, [1]] }, { a: 2 }, 'enum', 'Has to be {"a":1} or [1].'],
  [{ const: 'SK' }, 'sk', 'const', 'Has to be “SK”, but is “sk”.'],
  [{ const: { a: [1] } }, { a: [2] }, 'const', 'Has to be {"a":[1]}.'],
  [{ multipleOf: 0.5 }, 0.7, 'multipleOf', 'Has to be a multiple of 0.5.'],
  [{ multipleOf: 1 }, 0.7, 'multipleOf', 'Has to be a whole number.'],
  [{ maximum: 5 }, 6, 'maximum', 'Has to be 5 or less.'],
  [{ exclusiveMaximum: 5 }, 5, 'exclusiveMaximum', 'Has to be less than 5.'],
  [{ minimum: 5 }, 4, 'minimum', 'Has to be 5 or more.'],
  [{ exclusiveMinimum: 5 }, 5, 'exclusiveMinimum', 'Has to be more than 5.'],
  [{ maxLength: 1 }, 'ab', 'maxLength', 'Has to be at most 1 character long, but has 2.'],
  [{ minLength: 3 }, 'ab', 'minLength', 'Has to be at least 3 characters long, but has 2.'],
  [{ minLength: 1 }, '', 'minLength', 'Must not be empty.'],
  [{ pattern: '^\\d{4}$' }, 'x', 'pattern', 'Needs 4 digits.'],
  [{ pattern: '^\\d+$' }, 'x', 'pattern', 'Needs digits only.'],
  [{ pattern: '^SK \\d+' }, 'x', 'pattern', 'Does not have the expected form (pattern ^SK \\d+).'],
  [{ format: 'email' }, 'x', 'format', 'Has to be an e-mail address.'],
  [{ format: 'date' }, 'tomorrow', 'format', 'Has to be a date, like 2026-11-23.'],
  [{ maxItems: 1 }, [1, 2], 'maxItems', 'Has to have at most 1 entry, but has 2.'],
  [{ minItems: 2 }, [1], 'minItems', 'Has to have at least 2 entries, but has 1.'],
  [{ uniqueItems: true }, [1, { a: 1 }, { a: 1 }], 'uniqueItems', 'Entries 2 and 3 are the same.'],
  [{ contains: { const: 1 } }, [2], 'contains', 'Has no entry of the kind that is needed.'],
  [
    { contains: { const: 1 }, minContains: 2 },
    [1],
    'minContains',
    'Has to have at least 2 entries of the kind that is needed, but has 1.',
  ],
  [
    { contains: { const: 1 }, maxContains: 1 },
    [1, 1],
    'maxContains',
    'Has to have at most 1 entries of that kind, but has more.',
  ],
  [{ maxProperties: 0 }, { a: 1 }, 'maxProperties', 'Has to have at most 0 members, but has 1.'],
  [{ minProperties: 1 }, {}, 'minProperties', 'Has to have at least 1 member, but has 0.'],
  [{ required: ['name'] }, {}, 'required', '“name” is missing.'],
  [
    { dependentRequired: { a: ['b'] } },
    { a: 1 },
    'dependentRequired',
    '“b” is missing; it is needed because “a” is given.',
  ],
  [
    { propertyNames: { maxLength: 1 } },
    { ab: 1 },
    'propertyNames',
    'The name “ab” is not allowed here: Has to be at most 1 character long, but has 2.',
  ],
  [{ anyOf: [{ type: 'string' }, { type: 'null' }] }, 1, 'anyOf', 'Has to be a text or nothing (null).'],
  [
    { oneOf: [{ minimum: 1 }, { minimum: 2 }] },
    3,
    'oneOf',
    'Fits 2 of the forms that are allowed here, but has to fit exactly one.',
  ],
  [{ not: { type: 'string' } }, 'x', 'not', 'Has a form that is not allowed here.'],
  [false, 1, 'false', 'Is not allowed here.'],
])('%j says of %j: %s', (schema, value, keyword, message) => {
  expect(problems(schema, value)).toMatchObject([{ keyword, message }]);
});

describe('where a problem is', () => {
  it('is told in the value and in the schema, names escaped', () => {
    expect(problems({ properties: { 'a/b': { items: { type: 'string' } } } }, { 'a/b': ['x', 5] })).toMatchObject([
      { at: '/a~1b/1', schemaAt: '/properties/a~1b/items/type' },
    ]);
  });
  it('is told of patterns, further members and further items', () => {
    const schema = { patternProperties: { '^n': { type: 'number' } }, additionalProperties: false };
    expect(problems(schema, { n1: 'x', other: 1 })).toMatchObject([
      { at: '/n1', schemaAt: '/patternProperties/^n/type' },
      { at: '/other', schemaAt: '/additionalProperties' },
    ]);
    expect(problems({ prefixItems: [{ type: 'string' }], items: { type: 'number' } }, [1, 'x'])).toMatchObject([
      { at: '/0', schemaAt: '/prefixItems/0/type' },
      { at: '/1', schemaAt: '/items/type' },
    ]);
  });
  it('is told after the address of another document', () => {
    const documents = { 'https://skerry.example/port': { type: 'string' } };
    expect(
      compileSchema({ properties: { from: { $ref: 'https://skerry.example/port' } } }, { documents }).validate({
        from: 1,
      }).problems,
    ).toMatchObject([{ at: '/from', schemaAt: 'https://skerry.example/port#/type' }]);
  });
  it('is in the branch that holds', () => {
    const schema = { if: { required: ['a'] }, then: { required: ['b'] }, else: { required: ['c'] } };
    expect(problems(schema, { a: 1 })).toMatchObject([{ schemaAt: '/then/required' }]);
    expect(problems(schema, {})).toMatchObject([{ schemaAt: '/else/required' }]);
  });
  it('is in what nobody else has looked at', () => {
    const schema = {
      properties: { a: true },
      anyOf: [{ properties: { b: { type: 'string' } }, required: ['b'] }, true],
      unevaluatedProperties: { type: 'number' },
    };
    expect(problems(schema, { a: 'x', b: 'x', c: 'x' })).toMatchObject([
      { at: '/c', schemaAt: '/unevaluatedProperties/type' },
    ]);
    expect(
      problems({ prefixItems: [true], contains: { type: 'string' }, unevaluatedItems: false }, [1, 'x', 2]),
    ).toMatchObject([{ at: '/2' }]);
  });
});

describe('each draft has its own ways', () => {
  it('draft 4 writes exclusive limits as marks, and ids as id', () => {
    expect(problems({ maximum: 5, exclusiveMaximum: true }, 5, draft4)).toMatchObject([
      { keyword: 'exclusiveMaximum', message: 'Has to be less than 5.' },
    ]);
    expect(
      compileSchema(
        {
          id: 'https://skerry.example/a',
          definitions: { b: { id: 'b', type: 'string' } },
          properties: { b: { $ref: 'b' } },
        },
        { dialect: draft4 },
      ).accepts({ b: 1 }),
    ).toBe(false);
  });
  it('up to draft 7 nothing counts beside a reference', () => {
    const schema = {
      properties: { a: { $ref: '#/definitions/text', maxLength: 1 } },
      definitions: { text: { type: 'string' } },
    };
    expect(compileSchema(schema, { dialect: draft7 }).accepts({ a: 'long' })).toBe(true);
    expect(compileSchema(schema).accepts({ a: 'long' })).toBe(false);
  });
  it('dependencies are lists of names or schemas', () => {
    const schema = { dependencies: { a: ['b'], c: { required: ['d'] } } };
    expect(problems(schema, { a: 1, c: 1 }, draft7).map(({ message }) => message)).toEqual([
      '“b” is missing; it is needed because “a” is given.',
      '“d” is missing.',
    ]);
  });
  it('content is checked in draft 7 when formats are', () => {
    const schema = { contentEncoding: 'base64', contentMediaType: 'application/json' };
    expect(compileSchema(schema, { dialect: draft7, assertFormats: true }).accepts('eyJhIjoxfQ==')).toBe(true);
    expect(problems(schema, 'bm8ganNvbg==', draft7)).toHaveLength(1);
    expect(problems(schema, 'not base64!', draft7)).toHaveLength(1);
    expect(compileSchema(schema, { dialect: draft7 }).accepts('not base64!')).toBe(true);
  });
  it('a document names its own, and a reference crosses from one to the other', () => {
    const documents = {
      'https://skerry.example/old': { $schema: draft4, type: 'number', minimum: 0, exclusiveMinimum: true },
    };
    const compiled = compileSchema(
      {
        $schema: 'https://json-schema.org/draft/2020-12/schema',
        properties: { a: { $ref: 'https://skerry.example/old' }, b: { exclusiveMinimum: 0 } },
      },
      { documents },
    );
    expect([compiled.accepts({ a: 0 }), compiled.accepts({ b: 0 }), compiled.accepts({ a: 1, b: 1 })]).toEqual([
      false,
      false,
      true,
    ]);
  });
});

it.each([
  [{ type: 'txt' }, 'names no type'],
  [{ minimum: '1' }, 'has to be a number'],
  [{ maxLength: -1 }, 'whole number, 0 or more'],
  [{ multipleOf: 0 }, 'greater than 0'],
  [{ required: 'a' }, 'list of names'],
  [{ enum: 'a' }, 'has to be a list'],
  [{ pattern: '(' }, 'is no regular expression'],
  [{ allOf: [] }, 'at least one'],
  [{ properties: [] }, 'has to be an object'],
  [{ items: [{}] }, 'called "prefixItems" since 2020-12'],
  [{ format: 1 }, 'has to be a text'],
  [{ $ref: 1 }, 'has to be a URI reference'],
  [{ not: 5 }, 'is no schema'],
])('a schema that is wrong is told so: %j', (schema, words) => {
  expect(() => compileSchema(schema)).toThrow(words);
});

it('every English message is there, and a keyword without words is named', () => {
  for (const keyword of Object.keys(english)) expect(messageFor({}, keyword, {})).not.toBe('');
  expect(messageFor({}, 'tide', {})).toBe('Does not fit “tide”.');
  expect(messageFor({ tide: 'Wants {height} m, {unknown}.' }, 'tide', { height: 2 })).toBe('Wants 2 m, {unknown}.');
});
