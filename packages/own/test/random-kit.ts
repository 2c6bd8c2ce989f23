/** Kits that nobody would write and that the format allows: for whatever is handed over of them has to compile. */
import fc from 'fast-check';
import { builtIn, readKit, type Kit } from '@poietra/core';

/** Names of the language and of the library; parts of a kit may be called so. */
const awkward = [
  'form',
  'Form',
  'class',
  'default',
  'React',
  'a-b',
  'a_b',
  'a.b',
  'A-B',
  'constructor',
  'await',
  'key',
];
/** And those that only a schema may use. */
const odder = [
  ...['value', 'field', '1st', 'é', 'Größe', 'ship to', "it's", '“x”', '日付', 'Record', 'string', 'undefined'],
  ...['ref', 'children', 'Promise', 'Array', '$ref', 'type'],
];
const word = fc.oneof(fc.constantFrom(...awkward, ...odder), fc.string({ minLength: 1, maxLength: 6 }));
const title = fc.oneof(word, fc.constantFrom('A */ b', '`${x}`', '</b>', 'two\nlines', '\\'));
const plainValue = fc.oneof(
  fc.string({ maxLength: 4 }),
  fc.integer({ min: -9, max: 9 }),
  fc.boolean(),
  fc.constant(null),
);

const { schema } = fc.letrec<{ schema: unknown; leaf: unknown; object: unknown }>((tie) => ({
  leaf: fc.oneof(
    fc.record(
      {
        title,
        type: fc.constantFrom('string', 'number', 'integer', 'boolean', 'null'),
        description: title,
        default: plainValue,
        examples: fc.array(plainValue, { maxLength: 1 }),
      },
      { requiredKeys: ['type'] },
    ),
    fc.record({
      type: fc.constant('string'),
      format: fc.constantFrom('date', 'email', 'time', 'uri', 'date-time', 'uuid'),
    }),
    fc.record({ type: fc.uniqueArray(fc.constantFrom('string', 'number', 'null', 'boolean'), { minLength: 1 }) }),
    fc
      .uniqueArray(plainValue, { minLength: 1, maxLength: 4, selector: (one) => JSON.stringify(one) })
      .map((list) => ({ enum: list })),
    plainValue.map((value) => ({ const: value })),
    fc.constant(true),
    fc.constant({ $ref: '#' }),
    fc.constant({ $ref: '#/$defs/part' }),
  ),
  object: fc.record(
    {
      title,
      type: fc.constant('object'),
      properties: fc
        .dictionary(word, tie('schema'), { maxKeys: 4 })
        .map((members) => ({ ...members, marked: { type: 'boolean' } })),
      required: fc.uniqueArray(word, { maxLength: 3 }),
      // What only conflicts with the conditions beside it says nothing about what is drawn.
      additionalProperties: fc.boolean(),
      patternProperties: tie('leaf').map((leaf) => ({ '^x': leaf })),
      // A member of its own: one that is asked for only where it is missing would go in a circle.
      if: fc.constant({ required: ['marked'] }),
      then: fc.record({
        properties: fc.dictionary(word, tie('leaf'), { maxKeys: 2 }),
        required: fc.array(word, { maxLength: 1 }),
      }),
      else: fc.record({ properties: fc.dictionary(word, tie('leaf'), { maxKeys: 2 }) }),
      dependentSchemas: fc.dictionary(
        word,
        fc.record({ properties: fc.dictionary(word, tie('leaf'), { maxKeys: 1 }) }),
        { maxKeys: 1 },
      ),
      allOf: fc.array(fc.record({ properties: fc.dictionary(word, tie('leaf'), { maxKeys: 2 }) }), {
        minLength: 1,
        maxLength: 2,
      }),
    },
    { requiredKeys: ['type', 'properties'] },
  ),
  schema: fc.oneof(
    { depthSize: 'small' },
    tie('leaf'),
    tie('object'),
    fc.record({ type: fc.constant('array'), items: tie('schema') }),
    fc.record({
      type: fc.constant('array'),
      prefixItems: fc.array(tie('leaf'), { minLength: 1, maxLength: 3 }),
      items: fc.boolean(),
    }),
    fc.record({ oneOf: fc.array(tie('object'), { minLength: 1, maxLength: 3 }) }),
    fc.record({ anyOf: fc.array(tie('leaf'), { minLength: 1, maxLength: 3 }) }),
  ),
}));

/** Schemas of every shape, with members of any name. */
export const randomSchemas = fc
  .tuple(schema, schema)
  .map(([root, part]) =>
    typeof root === 'object' && root !== null
      ? { ...root, $defs: { part: typeof part === 'object' ? part : {} } }
      : root,
  );

const bare = { poietra: 1, name: 'Skerry', inputs: {}, adapters: {}, codecs: {}, fields: {}, groups: {}, forms: {} };

/** Ids are of a narrower kind than the names within schemas. */
const id = fc.oneof(fc.constantFrom(...awkward), fc.stringMatching(/^[A-Za-z][\w.-]{0,5}$/));

const escaped = (token: string): string => token.replaceAll('~', '~0').replaceAll('/', '~1');

/** One kit of `size` random forms, with fields, groups and a codec of every kind; every part of it is taken by the reader of kits. */
export function randomKit(seed: number, size: number): Kit {
  const several = <T>(one: fc.Arbitrary<T>, more = 0): T[] => fc.sample(one, { numRuns: size, seed: seed + more });
  const names = [...new Set(several(id))];
  const [schemas, titles, words] = [several(randomSchemas), several(title, 1), several(word, 2)];
  const codecs = Object.keys(builtIn)
    .filter((kind) => kind !== 'code')
    .map((kind, i) => [
      `${names[i % names.length] ?? ''}-${kind}`,
      { kind, title: titles[i % size], cases: [{ shown: '' }] },
    ]);
  const fields = names.map((name, i) => [
    name,
    {
      title: titles[i],
      adapter: `native:${['text', 'number', 'checkbox', 'date', 'textarea', 'select'][i % 6] ?? ''}`,
      codec: codecs[i % codecs.length]?.[0],
      ...(i % 2 === 0 ? { label: titles[i], hint: titles[(i + 1) % size], required: i % 3 === 0 } : {}),
    },
  ]);
  const groups = names.slice(0, 6).map((name, i) => [
    name,
    {
      title: titles[i],
      schema: {
        title: titles[i],
        type: 'object',
        properties: { [words[i] ?? '']: { type: 'string', 'x-poietra': { field: names[i] } } },
        ...(i > 0 ? { required: [words[i - 1]] } : {}),
      },
    },
  ]);
  const forms = names.map((name, i) => [
    name,
    {
      title: titles[i],
      schema:
        i % 3 === 1
          ? { type: 'object', properties: { [words[i] ?? '']: { $ref: `urn:poietra:group:${names[i % 6] ?? ''}` } } }
          : schemas[i],
      ...(i % 3 === 1
        ? { hints: { [`/properties/${escaped(words[i] ?? '')}`]: { label: titles[i], fold: 'closed' } } }
        : {}),
      ...(i % 3 === 0
        ? {
            send: {
              path: `/company/${String(i)}`,
              key: 'id',
              methods: { replace: 'PATCH' },
              methodHeader: 'X-Method',
              token: { path: '/token', member: words[i], header: 'X-Token' },
            },
            accepted: titles[i],
          }
        : {}),
      ...(i % 4 === 0
        ? { messages: { en: { required: titles[i] } }, language: ['de', 'nb', 'en', 'fr'][(i / 4) % 4] }
        : {}),
      ...(i % 5 === 0 ? { tell: 'change', hidden: 'keep' } : {}),
    },
  ]);
  const read = readKit(
    JSON.parse(
      JSON.stringify({
        ...bare,
        name: titles[0],
        codecs: Object.fromEntries(codecs) as Record<string, unknown>,
        fields: Object.fromEntries(fields) as Record<string, unknown>,
        groups: Object.fromEntries(groups) as Record<string, unknown>,
        forms: Object.fromEntries(forms) as Record<string, unknown>,
      }),
    ),
  );
  if (!read.ok) throw new Error(JSON.stringify(read.problems.slice(0, 3)));
  return read.kit;
}
