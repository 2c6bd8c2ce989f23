import { compilePattern, compileSchema, LimitReached, loadSchema, metaSchema, SchemaError } from '../../src/index.js';

const nest = (levels: number, wrap: (inner: unknown) => unknown, inner: unknown = 1): unknown => {
  let value = inner;
  for (let i = 0; i < levels; i++) value = wrap(value);
  return value;
};

describe('hostile material ends in a verdict or a clear error', () => {
  it('references that go round in circles', () => {
    const compiled = compileSchema({
      $ref: '#/$defs/a',
      $defs: { a: { $ref: '#/$defs/b' }, b: { $ref: '#/$defs/a' } },
    });
    expect(compiled.accepts(1)).toBe(false);
    expect(compiled.validate(1).problems).toMatchObject([
      { keyword: 'limit', message: expect.stringContaining('refers to itself without end') as string },
    ]);
  });
  it('a value nested ten thousand levels deep', () => {
    const compiled = compileSchema({ type: 'object', properties: { a: { $ref: '#' } }, additionalProperties: false });
    const deep = nest(10_000, (a) => ({ a }), {});
    expect(compiled.validate(deep)).toMatchObject({ valid: false, problems: [{ keyword: 'limit' }] });
    expect(compiled.accepts(nest(300, (a) => ({ a }), {}))).toBe(true);
    expect(compileSchema({ enum: [[1]], uniqueItems: true }).accepts(deep)).toBe(false);
    expect(compileSchema({ uniqueItems: true }).validate([deep, deep]).valid).toBe(false);
  });
  it('a schema nested ten thousand levels deep', () => {
    expect(() => compileSchema(nest(10_000, (not) => ({ not }), true))).toThrow(LimitReached);
  });
  // Takes seconds: no part of `npm run mutate`.
  (process.env['MUTATE_ONE_IN'] ? it.skip : it)('a million members', () => {
    const wide = Object.fromEntries(Array.from({ length: 1_000_000 }, (_, i) => [`m${i}`, i]));
    expect(
      compileSchema({ type: 'object', additionalProperties: { type: 'integer' }, minProperties: 1e6 }).accepts(wide),
    ).toBe(true);
    expect(
      compileSchema({ type: 'object', additionalProperties: { type: 'string' }, maxProperties: 5 }).accepts(wide),
    ).toBe(false);
  });
  it('names that belong to every object', () => {
    const compiled = compileSchema(
      JSON.parse(
        '{"properties": {"__proto__": {"type": "string"}, "constructor": {"type": "number"}}, "required": ["toString"], "additionalProperties": false}',
      ),
    );
    expect(compiled.accepts({})).toBe(false);
    expect(compiled.accepts(JSON.parse('{"__proto__": "x", "constructor": 1, "toString": 1}'))).toBe(false);
    expect(
      compileSchema(JSON.parse('{"properties": {"__proto__": {"type": "string"}}}')).accepts(
        JSON.parse('{"__proto__": 1}'),
      ),
    ).toBe(false);
    expect(compileSchema({ dependentRequired: { constructor: ['a'] } }).accepts({})).toBe(true);
    expect(({} as Record<string, unknown>)['polluted']).toBeUndefined();
  });
  it('lone surrogates, and huge and tiny numbers', () => {
    expect(compileSchema({ type: 'string', minLength: 2, maxLength: 2, pattern: '^..$' }).accepts('\ud800x')).toBe(
      true,
    );
    expect(compileSchema({ maxLength: 1 }).accepts('\u{1F6A2}')).toBe(true);
    expect(compileSchema({ multipleOf: 0.01 }).accepts(19.99)).toBe(true);
    expect(compileSchema({ multipleOf: 1e-300 }).accepts(1e300)).toBe(true);
    expect(compileSchema({ multipleOf: 3 }).accepts(1e308)).toBe(1e308 % 3 === 0);
  });
  it('a schema changed after it was compiled', () => {
    const raw = { properties: { a: { type: 'string' } } };
    const compiled = compileSchema(raw);
    raw.properties.a.type = 'number';
    expect(compiled.accepts({ a: 'x' })).toBe(true);
  });
});

describe('a pattern that backtracks for ever', () => {
  it.each([
    ['^(a+)+$', `${'a'.repeat(40)}!`],
    ['(a|aa)+$', `${'a'.repeat(60)}!`],
    ['(.*)*x', 'a'.repeat(200)],
    ['^(\\w+\\s?)*$', `${'word '.repeat(30)}!`],
    ['a*a*a*a*a*b', 'a'.repeat(400)],
  ])('%s ends', (pattern, text) => {
    expect(compileSchema({ pattern }).accepts(text)).toBe(false);
  });
  it('is given up with words where it can refer back, after a number of steps', () => {
    expect(compileSchema({ pattern: '^((a+)+)\\1$' }).validate(`${'a'.repeat(60)}!`).problems[0]?.message).toMatch(
      /needs more than 200000 steps/,
    );
  });
  it('gives the same verdicts as the platform where both can answer', () => {
    const patterns = [
      '^a?b*$',
      '(ab|a)(bc|c)?$',
      '^(?:x{2,3}y?)+$',
      '[^\\d\\s]+\\d',
      '^(?=.*\\d)(?!.*z)\\w{3,}$',
      '(?<=k)l+',
      '\\bdeck\\b',
      '^\\p{L}+$',
      'a{2}',
      '^(a(b)?)+$',
      '\\u{1F6A2}',
      '(?<x>a)\\k<x>',
      '^.*?,$',
    ];
    const texts = [
      '',
      'a',
      'ab',
      'abc',
      'abcc',
      'xx',
      'xxxyxx',
      'x1',
      'ab1',
      'zz1',
      'kll',
      'on deck now',
      'Ternskär',
      'aa',
      'aab',
      '\u{1F6A2}',
      'a,b,',
      'abab',
    ];
    for (const source of patterns) {
      // A limit of work so small that the platform's own matcher is never chosen for repeated parts.
      const guarded = compilePattern(source);
      for (const text of texts) {
        expect([source, text, guarded.test(text)]).toEqual([source, text, new RegExp(source, 'u').test(text)]);
        const long = `${text}${'~'.repeat(3000)}`;
        expect([source, text, guarded.test(long)]).toEqual([source, text, new RegExp(source, 'u').test(long)]);
      }
    }
  });
});

describe('references', () => {
  it('that lead nowhere are named with the place they stand', () => {
    const error = (() => {
      try {
        compileSchema({ properties: { a: { $ref: '#/$defs/gone' }, b: { $ref: 'https://skerry.example/port' } } });
      } catch (thrown) {
        return thrown;
      }
      return undefined;
    })();
    expect(error).toBeInstanceOf(SchemaError);
    expect((error as SchemaError).problems.map(({ at, message }) => `${at}: ${message}`).sort()).toEqual([
      '/properties/a/$ref: The reference “#/$defs/gone” leads to a place that is not there.',
      '/properties/b/$ref: The reference “https://skerry.example/port” leads to the document https://skerry.example/port, which is not at hand.',
    ]);
  });
  it('are loaded when somebody hands in a loader, across drafts and through each other', async () => {
    const documents: Record<string, unknown> = {
      'https://skerry.example/port': {
        $schema: 'http://json-schema.org/draft-07/schema#',
        definitions: { code: { type: 'string' } },
        properties: { code: { $ref: '#/definitions/code', minLength: 99 }, place: { $ref: 'place' } },
      },
      'https://skerry.example/place': {
        $schema: 'http://json-schema.org/draft-04/schema#',
        maximum: 5,
        exclusiveMaximum: true,
      },
    };
    const asked: string[] = [];
    const load = (uri: string) => (
      asked.push(uri),
      uri in documents ? Promise.resolve(documents[uri]) : Promise.reject(new Error('No such document.'))
    );
    const compiled = await loadSchema({ $ref: 'https://skerry.example/port' }, load);
    expect(asked).toEqual(['https://skerry.example/port', 'https://skerry.example/place']);
    expect([
      compiled.accepts({ code: 'x', place: 4 }),
      compiled.accepts({ place: 5 }),
      compiled.accepts({ code: 1 }),
    ]).toEqual([true, false, false]);
    await expect(loadSchema({ $ref: 'https://skerry.example/gone' }, load)).rejects.toThrow(
      'which is not at hand. No such document.',
    );
  });
  it('a schema can itself be checked against the built-in meta-schema of its draft', () => {
    for (const uri of [
      'http://json-schema.org/draft-04/schema',
      'http://json-schema.org/draft-07/schema',
      'https://json-schema.org/draft/2020-12/schema',
    ]) {
      const meta = compileSchema({ $ref: uri });
      expect(meta.accepts(metaSchema(uri))).toBe(true);
      expect(meta.validate({ properties: { a: { minLength: -1 } } }).problems.map(({ at }) => at)).toEqual([
        '/properties/a/minLength',
      ]);
    }
  });
});

describe('problems', () => {
  it('of a choice are those of the branch that fits best', () => {
    const compiled = compileSchema({
      oneOf: [
        {
          type: 'object',
          required: ['kind', 'weight'],
          properties: { kind: { const: 'timber' }, weight: { type: 'number' } },
        },
        {
          type: 'object',
          required: ['kind', 'litres'],
          properties: { kind: { const: 'oil' }, litres: { type: 'number' } },
        },
      ],
    });
    expect(
      compiled.validate({ kind: 'oil', litres: 'many' }).problems.map(({ at, message }) => `${at}: ${message}`),
    ).toEqual(['/litres: Has to be a number, but is a text.']);
    expect(
      compileSchema({ anyOf: [{ type: 'string' }, { type: 'integer' }] }).validate(true).problems[0]?.message,
    ).toBe('Has to be a text or a whole number.');
  });
  it('say what, where, and what would do, in words that can be replaced', () => {
    const raw = {
      properties: { code: { pattern: '^[A-Z]{3}$' }, pieces: { maximum: 5 }, port: { enum: ['ALD', 'BRE'] } },
    };
    const value = { code: 'x', pieces: 9, port: 'XXX' };
    expect(compileSchema(raw).validate(value).problems).toMatchObject([
      {
        at: '/code',
        keyword: 'pattern',
        schemaAt: '/properties/code/pattern',
        message: 'Needs 3 capital letters A to Z.',
      },
      { at: '/pieces', keyword: 'maximum', params: { limit: 5 }, message: 'Has to be 5 or less.' },
      { at: '/port', message: '“XXX” is none of: “ALD”, “BRE”.' },
    ]);
    const norwegian = { maximum: 'Kan ikke være mer enn {limit}.' };
    expect(compileSchema(raw, { messages: norwegian }).validate(value).problems[1]?.message).toBe(
      'Kan ikke være mer enn 5.',
    );
  });
  it('in a schema that is wrong are told with their place', () => {
    expect(() => compileSchema({ properties: { a: { type: 'txt', minimum: 'x', pattern: '(' } } })).toThrow(
      /At \/properties\/a\/type: “type” names no type of JSON: "txt"\.\nAt \/properties\/a\/minimum: “minimum” has to be a number\./,
    );
  });
});

it('own formats and own keywords take part', () => {
  const compiled = compileSchema(
    { properties: { crossing: { format: 'crossing' }, pieces: { even: true } } },
    {
      assertFormats: true,
      formats: { crossing: (text) => /^SK \d+$/.test(text) },
      keywords: {
        even: ({ keyword }) => ({
          kind: 'assertion',
          keyword,
          on: 4,
          accepts: (value) => Number(value) % 2 === 0,
          params: () => ({}),
        }),
      },
      messages: { even: 'Has to be even.' },
    },
  );
  expect(compiled.accepts({ crossing: 'SK 214', pieces: 2 })).toBe(true);
  expect(compiled.validate({ crossing: '214', pieces: 3 }).problems.map(({ message }) => message)).toEqual([
    'Has to be of the format “crossing”.',
    'Has to be even.',
  ]);
});
