import fc from 'fast-check';
import {
  compileSchema,
  fillDefaults,
  formatPointer,
  inferSchema,
  replaceAt,
  removeAt,
  SchemaError,
  startValue,
} from '../../src/index.js';

/** Schemas with everything that a change somewhere can make true or false somewhere else. */
const leaf = fc.oneof(
  fc.record({ type: fc.constantFrom('string', 'integer', 'number', 'boolean', 'null') }),
  fc.record({ type: fc.constant('string'), minLength: fc.integer({ min: 0, max: 3 }) }),
  fc.record({ enum: fc.uniqueArray(fc.constantFrom(1, 2, 'a', 'b', true, null), { minLength: 1 }) }),
  fc.record({ const: fc.constantFrom(1, 'a', false) }),
  fc.record({ minimum: fc.integer({ min: -2, max: 2 }), multipleOf: fc.constantFrom(1, 2, 0.5) }),
  fc.boolean(),
);
const names = ['a', 'b', 'c', 'constructor'];
const { schema } = fc.letrec<{ schema: unknown }>((tie) => ({
  schema: fc.oneof(
    { maxDepth: 4, withCrossShrink: true },
    leaf,
    fc.record(
      {
        type: fc.constantFrom('object', ['object', 'array']),
        properties: fc.dictionary(fc.constantFrom(...names), tie('schema'), { maxKeys: 3 }),
        required: fc.uniqueArray(fc.constantFrom(...names), { maxLength: 2 }),
        additionalProperties: tie('schema'),
        patternProperties: fc.dictionary(fc.constantFrom('^a', 'b$'), tie('schema'), { maxKeys: 1 }),
        minProperties: fc.integer({ min: 0, max: 2 }),
        dependentRequired: fc.constant({ a: ['b'] }),
        dependentSchemas: fc.dictionary(fc.constantFrom('a', 'b'), tie('schema'), { maxKeys: 1 }),
        propertyNames: fc.constant({ maxLength: 9 }),
        unevaluatedProperties: tie('schema'),
      },
      { requiredKeys: [] },
    ),
    fc.record(
      {
        items: tie('schema'),
        prefixItems: fc.array(tie('schema'), { minLength: 1, maxLength: 2 }),
        uniqueItems: fc.boolean(),
        maxItems: fc.integer({ min: 0, max: 3 }),
        contains: tie('schema'),
        unevaluatedItems: tie('schema'),
      },
      { requiredKeys: [] },
    ),
    fc.record({ allOf: fc.array(tie('schema'), { minLength: 1, maxLength: 2 }) }),
    fc.record({ anyOf: fc.array(tie('schema'), { minLength: 1, maxLength: 3 }) }),
    fc.record({ oneOf: fc.array(tie('schema'), { minLength: 1, maxLength: 3 }) }),
    fc.record({ not: tie('schema') }),
    fc.record({ if: tie('schema'), then: tie('schema'), else: tie('schema') }, { requiredKeys: ['if'] }),
    fc.constant({ $ref: '#' }),
  ),
}));
const value = fc.letrec<{ value: unknown }>((tie) => ({
  value: fc.oneof(
    { maxDepth: 4 },
    fc.constantFrom(0, 1, 2, 1.5, 'a', 'b', '', true, false, null),
    fc.dictionary(fc.constantFrom(...names), tie('value'), { maxKeys: 3 }),
    fc.array(tie('value'), { maxLength: 3 }),
  ),
})).value;

/** Every place in a value, and one beside each object. */
function places(of: unknown, at: readonly string[] = []): string[] {
  const inside =
    typeof of === 'object' && of !== null
      ? Object.entries(of).flatMap(([name, member]) => places(member, [...at, name]))
      : [];
  return [
    formatPointer(at),
    ...(typeof of === 'object' && of !== null && !Array.isArray(of) ? [formatPointer([...at, 'b'])] : []),
    ...inside,
  ];
}
const edits = fc.array(fc.record({ where: fc.nat(), to: fc.option(value, { nil: undefined }) }), {
  minLength: 1,
  maxLength: 6,
});

describe('recheck', () => {
  it('equals a full run after any sequence of edits, on copies that share', () => {
    fc.assert(
      fc.property(schema, value, edits, (raw, start, steps) => {
        const compiled = compileSchema(raw);
        let now = start;
        expect(compiled.recheck(now, '')).toMatchObject(compiled.validate(now));
        for (const { where, to } of steps) {
          const all = places(now);
          const at = all[where % all.length] ?? '';
          now = to === undefined ? (removeAt(now, at) ?? null) : replaceAt(now, at, to);
          const again = compiled.recheck(now, at);
          const full = compiled.validate(now);
          expect({ valid: again.valid, problems: again.problems }).toEqual({
            valid: full.valid,
            problems: full.problems,
          });
          expect(full.valid).toBe(compiled.accepts(now));
        }
      }),
      { numRuns: 1500 },
    );
  });
  it('equals a full run on a value that is changed in place', () => {
    fc.assert(
      fc.property(
        schema,
        fc.dictionary(fc.constantFrom(...names), value),
        fc.array(fc.tuple(fc.constantFrom(...names), value), { maxLength: 5 }),
        (raw, start, steps) => {
          const compiled = compileSchema(raw);
          compiled.recheck(start, '');
          for (const [name, to] of steps) {
            start[name] = to;
            expect(compiled.recheck(start, formatPointer([name])).problems).toEqual(compiled.validate(start).problems);
          }
        },
      ),
      { numRuns: 500 },
    );
  });
  it('equals a full run also where neither comes to an end', () => {
    const raw = {
      allOf: [{ allOf: [{ allOf: [{ $ref: '#' }, { type: 'string' }] }] }, { type: 'string', minLength: 0 }],
    };
    expect(compileSchema(raw).recheck({}, '').problems).toEqual(compileSchema(raw).validate({}).problems);
  });
  it('names every place where a problem came or went', () => {
    const compiled = compileSchema({ properties: { a: { type: 'string' }, b: { type: 'string' } }, required: ['b'] });
    compiled.recheck({ a: 1, b: 'x' }, '');
    expect([...compiled.recheck({ a: 'x', b: 'x' }, '/a').touched]).toEqual(['/a']);
    expect(compiled.recheck({ a: 'x' }, '/b').touched).toContain('/b');
  });
  it('also finds a change that nobody told of, where a copy does not share', () => {
    const compiled = compileSchema({ properties: { a: { type: 'string' }, b: { type: 'string' } } });
    compiled.recheck({ a: 'x', b: 'x' }, '');
    expect(compiled.recheck({ a: 1, b: 2 }, '/a').problems.map(({ at }) => at)).toEqual(['/a', '/b']);
  });
});

it('filled defaults never turn a valid value invalid, and fill nothing twice', () => {
  const withDefaults = fc
    .record({ raw: schema, given: fc.dictionary(fc.constantFrom(...names), value, { maxKeys: 2 }) })
    .map(({ raw, given }) => ({
      allOf: [raw],
      properties: Object.fromEntries(Object.entries(given).map(([name, to]) => [name, { default: to }])),
    }));
  fc.assert(
    fc.property(withDefaults, value, (raw, start) => {
      const compiled = compileSchema(raw);
      const filled = fillDefaults(compiled, start);
      if (compiled.accepts(start)) expect(compiled.accepts(filled)).toBe(true);
    }),
    { numRuns: 1000 },
  );
  const compiled = compileSchema({
    properties: { a: { default: { x: 1 }, properties: { y: { default: 2 } } }, b: { default: 5 } },
  });
  const once = fillDefaults(compiled, { b: 0 });
  expect(once).toEqual({ a: { x: 1, y: 2 }, b: 0 });
  expect(fillDefaults(compiled, once)).toEqual(once);
});

it('defaults of a schema that contains itself come to an end', () => {
  const raw = { properties: Object.fromEntries(['a', 'b', 'c'].map((name) => [name, { $ref: '#', default: {} }])) };
  expect(JSON.stringify(fillDefaults(compileSchema(raw), {})).length).toBeLessThan(1_000_000);
  expect(startValue(compileSchema({ ...raw, type: 'object', required: ['a', 'b', 'c'] }))).toBeDefined();
});

it('a default that brings a condition into force is followed by the defaults of its branch', () => {
  const compiled = compileSchema({
    properties: { kind: { default: 'sea' } },
    if: { properties: { kind: { const: 'sea' } }, required: ['kind'] },
    then: { properties: { deck: { default: 1 } } },
  });
  expect(fillDefaults(compiled, {})).toEqual({ kind: 'sea', deck: 1 });
});

it.each<[string, unknown, unknown]>([
  [
    'required members',
    {
      type: 'object',
      required: ['a', 'n'],
      properties: { a: { type: 'string' }, b: { type: 'string' }, n: { type: 'integer', minimum: 3 } },
    },
    { a: '', n: 3 },
  ],
  ['the first choice', { type: 'object', required: ['k'], properties: { k: { enum: ['x', 'y'] } } }, { k: 'x' }],
  [
    'as many items as are needed',
    { type: 'array', minItems: 2, items: { type: 'number', exclusiveMinimum: 0 } },
    [1, 1],
  ],
  ['a default', { default: { a: 1 } }, { a: 1 }],
  ['texts of the length needed', { type: 'string', minLength: 2 }, 'xx'],
])('the smallest start has %s, and is valid', (_, raw, expected) => {
  const compiled = compileSchema(raw);
  expect(startValue(compiled)).toEqual(expected);
  expect(compiled.accepts(startValue(compiled))).toBe(true);
});

describe('an inferred schema', () => {
  it('accepts its samples', () => {
    fc.assert(
      fc.property(fc.array(fc.jsonValue(), { minLength: 1, maxLength: 5 }), (samples) => {
        const compiled = compileSchema(inferSchema(samples).schema, { assertFormats: true });
        for (const sample of samples) expect(compiled.validate(sample).problems).toEqual([]);
      }),
    );
  });
  it('says what it found, and why', () => {
    const { schema: found, reasons } = inferSchema([
      {
        number: 'SK 214',
        departs: '2026-12-01T07:15:00+01:00',
        deckLeft: 12.5,
        pieces: 3,
        lines: [{ kind: 'timber' }, { kind: 'fish', cooled: true }],
      },
      { number: 'SK 215', departs: '2026-12-01T15:15:00+01:00', deckLeft: 9, pieces: 4, lines: [], note: null },
    ]);
    expect(found).toMatchObject({
      type: 'object',
      required: ['number', 'departs', 'deckLeft', 'pieces', 'lines'],
      properties: {
        number: { type: 'string' },
        departs: { format: 'date-time' },
        deckLeft: { type: 'number' },
        pieces: { type: 'integer' },
        lines: { type: 'array', items: { required: ['kind'], properties: { cooled: { type: 'boolean' } } } },
        note: { type: 'null' },
      },
    });
    expect(reasons.find(({ at, keyword }) => at === '/note' && keyword === 'required')?.says).toBe(
      'It is missing in 1 of 2 samples.',
    );
    expect(reasons.every(({ certainty }) => certainty >= 0 && certainty <= 1)).toBe(true);
  });
  it('sees enumerations and maps', () => {
    expect(inferSchema(['a', 'b', 'a', 'b', 'a', 'b', 'a']).schema).toMatchObject({ enum: ['a', 'b'] });
    expect(inferSchema([{ 'SK 1': 1, 'SK 2': 2, 'SK 3': 3, 'SK 4': 4, 'SK 5': 5 }]).schema).toMatchObject({
      additionalProperties: { type: 'integer' },
    });
  });
});

it('ten thousand random schemas and values end in a verdict or a clear error', () => {
  const keywords = [
    'type',
    'properties',
    'items',
    '$ref',
    'required',
    'enum',
    'pattern',
    'allOf',
    'not',
    'if',
    'then',
    'minimum',
    '$id',
    '$defs',
    'format',
    'multipleOf',
    'dependentRequired',
    '$dynamicRef',
    'unevaluatedProperties',
    '$schema',
  ];
  const noise = fc.letrec<{ any: unknown }>((tie) => ({
    any: fc.oneof(
      { maxDepth: 3 },
      fc.constantFrom('string', '#', '#/x', '[', 'object', '^a', 1, -1, 0, true, null),
      fc.dictionary(fc.constantFrom(...keywords, '__proto__', 'constructor'), tie('any'), { maxKeys: 4 }),
      fc.array(tie('any'), { maxLength: 3 }),
    ),
  })).any;
  fc.assert(
    fc.property(noise, fc.jsonValue({ maxDepth: 3 }), (raw, data) => {
      try {
        const compiled = compileSchema(raw);
        expect(compiled.validate(data).valid).toBe(compiled.accepts(data));
      } catch (error) {
        if (!(error instanceof SchemaError)) throw error;
        expect(error.message).not.toBe('');
      }
    }),
    { numRuns: 10_000 },
  );
});
