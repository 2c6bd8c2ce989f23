import {
  applied,
  appliedBelow,
  compileSchema,
  factsOf,
  holds,
  namedMembers,
  requiring,
  type Applied,
} from '../../src/index.js';

const at = (schema: unknown, ...keys: (string | number)[]): readonly Applied[] =>
  keys.reduce<readonly Applied[]>((place, key) => appliedBelow(place, key), applied(compileSchema(schema).root));
const facts = (schema: unknown, ...keys: (string | number)[]) => factsOf(at(schema, ...keys).map(({ node }) => node));

describe('what is said of a place', () => {
  it('is gathered through references and allOf, the nearest words first', () => {
    const schema = {
      properties: {
        a: { $ref: '#/$defs/text', title: 'Near', allOf: [{ maxLength: 9 }, { maxLength: 5, description: 'Short.' }] },
      },
      $defs: { text: { title: 'Far', type: 'string', minLength: 1, pattern: '^x' } },
    };
    expect(facts(schema, 'a')).toMatchObject({
      title: 'Near',
      description: 'Short.',
      kinds: ['string'],
      limits: { maxLength: 5, minLength: 1 },
      patterns: ['^x'],
    });
  });
  it('narrows kinds and choices', () => {
    expect(facts({ allOf: [{ type: ['string', 'number', 'null'] }, { type: ['number', 'boolean'] }] }).kinds).toEqual([
      'number',
    ]);
    expect(facts({ allOf: [{ type: 'integer' }, { type: 'number' }] }).kinds).toEqual(['integer']);
    expect(facts({ allOf: [{ enum: [1, 2, 3] }, { enum: [2, 3, 4] }] }).allowed).toEqual([2, 3]);
    expect(facts({ const: null }).allowed).toEqual([null]);
  });
  it('keeps marks, examples, content and hints', () => {
    expect(
      facts({
        readOnly: true,
        writeOnly: true,
        deprecated: true,
        uniqueItems: true,
        examples: ['x'],
        default: 0,
        contentEncoding: 'base64',
        contentMediaType: 'image/png',
        'x-poietra': { label: 'L' },
      }),
    ).toMatchObject({
      readOnly: true,
      writeOnly: true,
      deprecated: true,
      uniqueItems: true,
      examples: ['x'],
      default: 0,
      contentEncoding: 'base64',
      contentMediaType: 'image/png',
      hints: { label: 'L' },
    });
    expect(
      facts({ allOf: [{ 'x-poietra': { label: 'inner', span: 6 } }], 'x-poietra': { label: 'outer' } }).hints,
    ).toEqual({ label: 'outer', span: 6 });
  });
  it('takes no notice of members with the wrong kind of value', () => {
    expect(facts(JSON.parse('{"title": 5, "examples": "x", "x-poietra": "y"}'))).toMatchObject({
      examples: [],
      hints: {},
    });
  });
});

describe('members and items', () => {
  it('are found by name, pattern and the rest', () => {
    const schema = {
      properties: { a: { title: 'A' } },
      patternProperties: { '^b': { title: 'B' } },
      additionalProperties: { title: 'rest' },
    };
    expect([facts(schema, 'a').title, facts(schema, 'bc').title, facts(schema, 'x').title]).toEqual(['A', 'B', 'rest']);
    expect(namedMembers(at(schema))).toEqual(['a']);
  });
  it('are found by number', () => {
    const schema = { prefixItems: [{ title: 'first' }], items: { title: 'others' } };
    expect([facts(schema, 0).title, facts(schema, 7).title]).toEqual(['first', 'others']);
    expect(
      facts(
        {
          $schema: 'http://json-schema.org/draft-07/schema#',
          items: [{ title: 'one' }],
          additionalItems: { title: 'more' },
        },
        1,
      ).title,
    ).toBe('more');
  });
  it('are found inside themselves, as deep as one asks', () => {
    const schema = {
      $ref: '#/$defs/place',
      $defs: { place: { properties: { name: { title: 'Name' }, inside: { $ref: '#/$defs/place' } } } },
    };
    expect(facts(schema, 'inside', 'inside', 'inside', 'name').title).toBe('Name');
  });
  it('are found through dynamic references and other resources', () => {
    const schema = {
      $id: 'https://skerry.example/tree',
      $dynamicAnchor: 'node',
      properties: { title: { title: 'T' }, child: { $dynamicRef: '#node' } },
      $defs: { leaf: { $id: 'leaf', title: 'Leaf' } },
      patternProperties: { '^leaf': { $ref: 'leaf' } },
    };
    expect(facts(schema, 'child', 'child', 'title').title).toBe('T');
    expect(facts(schema, 'leaf1').title).toBe('Leaf');
  });
});

describe('conditions', () => {
  const schema = {
    properties: { kind: { enum: ['sea', 'air'] } },
    required: ['kind'],
    if: { properties: { kind: { const: 'sea' } }, required: ['kind'] },
    then: { required: ['deck'], properties: { deck: { title: 'Deck' } } },
    else: { properties: { gate: { title: 'Gate' } } },
    dependentSchemas: { note: { properties: { author: { title: 'Author' } } } },
    oneOf: [
      { properties: { pay: { const: 'cash' } }, required: ['pay'] },
      { properties: { pay: { const: 'card' }, number: { title: 'Number' } }, required: ['pay'] },
    ],
  };
  const isThere = (name: string, value: unknown): boolean =>
    at(schema, name).some(({ when }) => when.every((condition) => holds({ ...condition, up: 0 }, value)));
  it('are kept with what they bring, and told of the place above', () => {
    expect(at(schema, 'deck')).toMatchObject([{ when: [{ up: 1, about: { kind: 'if', holds: true } }] }]);
    expect(at(schema, 'author')).toMatchObject([{ when: [{ about: { kind: 'present', name: 'note' } }] }]);
  });
  it('hold or not, as the value has it', () => {
    expect([
      isThere('deck', { kind: 'sea' }),
      isThere('deck', { kind: 'air' }),
      isThere('gate', { kind: 'air' }),
    ]).toEqual([true, false, true]);
    expect([isThere('author', {}), isThere('author', { note: '' })]).toEqual([false, true]);
    expect([isThere('number', { pay: 'card' }), isThere('number', { pay: 'cash' })]).toEqual([true, false]);
  });
  it('choose the branch that a value names, even where it does not fit yet', () => {
    const choice = {
      oneOf: [
        { properties: { k: { const: 1 }, a: { type: 'string' } }, required: ['k', 'a'] },
        { properties: { k: { const: 2 }, b: { type: 'string' } }, required: ['k', 'b'] },
      ],
    };
    const [member] = at(choice, 'b');
    expect([holds(member!.when[0]!, { k: 2 }), holds(member!.when[0]!, { k: 1 })]).toEqual([true, false]);
  });
  it('say who asks for a member', () => {
    const place = at(schema);
    expect(requiring(place, 'kind').map(({ when }) => when.length)).toEqual([0]);
    expect(requiring(place, 'deck').map(({ when }) => when.length)).toEqual([1]);
    expect(requiring(place, 'gate')).toEqual([]);
  });
  it('that cannot be decided do not hold', () => {
    const circle = {
      if: { $ref: '#/$defs/a' },
      then: { properties: { x: true } },
      $defs: { a: { $ref: '#/$defs/a' } },
    };
    expect(holds(at(circle, 'x')[0]!.when[0]!, {})).toBe(false);
  });
});
