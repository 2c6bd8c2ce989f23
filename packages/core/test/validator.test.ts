import fc from 'fast-check';
import { join } from 'node:path';
import { compileSchema, type Verdict } from '../src/index.js';
import { writeValidator, type ValidatorOptions } from '../src/handover/index.js';
import { documents, drafts, files, home, read, type Group } from './schema/suite.js';

interface Validator {
  accepts(value: unknown): boolean;
  validate(value: unknown): Verdict;
}
/** The module as an application would have it; tests do not run as modules. */
function load(text: string): Validator {
  // eslint-disable-next-line no-new-func, @typescript-eslint/no-implied-eval, @typescript-eslint/no-unsafe-call
  return new Function(
    `${text.replaceAll('export function', 'function')}\nreturn { accepts, validate };`,
  )() as Validator;
}
const written = (schema: unknown, options?: ValidatorOptions): Validator => load(writeValidator(schema, options));

describe('validators written out', () => {
  it.each(drafts)(
    '%s: every required test of the official suite, in the engine’s own words',
    (draft, dialect) => {
      const folder = join(home, 'tests', draft);
      const failed: string[] = [];
      let count = 0;
      for (const path of files(folder)) {
        if (path.startsWith(join(folder, 'optional'))) continue;
        for (const { description, schema, tests } of read(path) as Group[]) {
          const needed = JSON.stringify(schema).includes('localhost') ? documents : {};
          const options = { dialect, documents: needed };
          const [own, engine] = [written(schema, options), compileSchema(schema, options)];
          for (const { description: what, data, valid } of tests) {
            count++;
            if (own.accepts(data) !== valid) failed.push(`${path} | ${description} | ${what}`);
            expect(own.validate(data)).toEqual(engine.validate(data));
          }
        }
      }
      console.info(`written out ${draft}: ${count - failed.length} of ${count} required tests`);
      expect(failed).toEqual([]);
      expect(count).toBeGreaterThan(500);
    },
    120_000,
  );

  it('import nothing, and export just two functions', () => {
    const text = writeValidator({ type: 'string' });
    expect(text).not.toMatch(/^\s*import\b/m);
    expect(text.match(/^export \w+ \w+/gm)).toEqual(['export function accepts', 'export function validate']);
  });
  it('are written as functions of their own where the way to a schema does not matter', () => {
    const text = writeValidator({
      type: 'object',
      required: ['a'],
      properties: { a: { type: 'integer', minimum: 1 } },
    });
    expect(text).toContain('Number.isInteger(x0) && x0 >= 1');
    expect(text).not.toContain('return compiled.accepts(value)');
    expect(writeValidator({ unevaluatedProperties: false })).toContain('return compiled.accepts(value)');
  });
  it('check formats where that is asked for', () => {
    const schema = { type: 'string', format: 'date' };
    expect([written(schema).accepts('tide'), written(schema, { assertFormats: true }).accepts('tide')]).toEqual([
      true,
      false,
    ]);
  });
  it('hold no text of a schema as code', () => {
    const boom = '*/ throw new Error("boom"); /*';
    const own = written({
      title: boom,
      properties: { [boom]: { enum: [boom, '\u2028'] }, __proto__x: {} },
      required: [boom],
    });
    expect([own.accepts({ [boom]: boom }), own.accepts({ [boom]: 'x' }), own.accepts({})]).toEqual([
      true,
      false,
      false,
    ]);
  });
  it('take inherited members for none', () => {
    const own = written({ required: ['toString'], properties: { constructor: { type: 'string' } } });
    expect([own.accepts({}), own.accepts({ toString: 1 }), own.accepts({ toString: 1, constructor: 2 })]).toEqual([
      false,
      true,
      false,
    ]);
  });
  it('end on what has no end', () => {
    const own = written({ $ref: '#/$defs/a', $defs: { a: { $ref: '#/$defs/b' }, b: { $ref: '#/$defs/a' } } });
    expect([own.accepts(1), own.validate(1).problems.map(({ keyword }) => keyword)]).toEqual([false, ['limit']]);
  });
  it('refuse a schema that is wrong, as the engine does', () =>
    expect(() => writeValidator({ $ref: '#/nowhere' })).toThrow('leads to a place that is not there'));

  const leaf = fc.constantFrom<unknown>(
    { type: 'string', minLength: 2 },
    { type: ['integer', 'null'], maximum: 5 },
    { enum: [1, 'x', { a: 1 }] },
    { const: null },
    { pattern: '^a' },
    true,
    false,
    {},
    { multipleOf: 0.1 },
    { uniqueItems: true, minItems: 1 },
  );
  const schemas = fc.letrec((tie) => ({
    schema: fc.oneof(
      { maxDepth: 3 },
      leaf,
      fc.record(
        {
          type: fc.constantFrom('object', 'array', ['object', 'array']),
          properties: fc.dictionary(fc.constantFrom('a', 'b', 'constructor'), tie('schema'), { maxKeys: 2 }),
          required: fc.constantFrom(['a'], ['constructor', 'z']),
          additionalProperties: tie('schema'),
          patternProperties: fc.dictionary(fc.constantFrom('^a', 'b$'), tie('schema'), { maxKeys: 1 }),
          propertyNames: leaf,
          prefixItems: fc.array(tie('schema'), { minLength: 1, maxLength: 2 }),
          items: tie('schema'),
          contains: leaf,
          minContains: fc.constantFrom(0, 1, 2),
          dependentRequired: fc.constant({ a: ['b'] }),
          dependentSchemas: fc.dictionary(fc.constantFrom('a', 'b'), tie('schema'), { maxKeys: 1 }),
        },
        { requiredKeys: [] },
      ),
      fc.record(
        {
          allOf: fc.array(tie('schema'), { minLength: 1, maxLength: 2 }),
          anyOf: fc.array(tie('schema'), { minLength: 1, maxLength: 2 }),
          oneOf: fc.array(tie('schema'), { minLength: 1, maxLength: 3 }),
          not: tie('schema'),
          if: tie('schema'),
          then: tie('schema'),
          else: tie('schema'),
        },
        { requiredKeys: [] },
      ),
    ),
  })).schema;
  const values = fc.oneof(
    fc.jsonValue(),
    fc.dictionary(
      fc.constantFrom('a', 'b', 'ab', 'constructor', 'z'),
      fc.constantFrom<unknown>(1, 'x', 'aa', null, [], { a: 1 }, 6, [1, 1]),
    ),
    fc.array(fc.constantFrom<unknown>(1, 'x', 'aa', null, { a: 1 }, 0.3), { maxLength: 4 }),
  );
  it('law: their verdict is the engine’s, for any schema and value', () => {
    fc.assert(
      fc.property(schemas, fc.array(values, { minLength: 1, maxLength: 8 }), (schema, all) => {
        const [own, engine] = [written(schema), compileSchema(schema)];
        for (const value of all) expect(own.accepts(value)).toBe(engine.accepts(value));
      }),
      { numRuns: 400 },
    );
  });
});
