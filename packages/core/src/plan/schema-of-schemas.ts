/**
 * A schema that describes schemas, for writing them in a form: the keywords that a person reaches for, in the order in
 * which one thinks of them, each with a word of what it does. What it does not name is kept as it stands.
 */
import { hintsSchema } from './hints-schema.js';

/** Three beside each other, two where there is less room. */
const third = { narrow: 6, wide: 4 };
const kindsOfValues = ['string', 'number', 'integer', 'boolean', 'object', 'array', 'null'];
const part = { $ref: '#' };
const text = (title: string, description?: string): Record<string, unknown> => ({
  type: 'string',
  title,
  ...(description === undefined ? {} : { description }),
});
const count = (title: string): Record<string, unknown> => ({
  type: 'integer',
  minimum: 0,
  title,
  'x-poietra': { span: third },
});
const limit = (title: string): Record<string, unknown> => ({ type: 'number', title, 'x-poietra': { span: third } });
const members = (title: string, description: string): Record<string, unknown> => ({
  type: 'object',
  title,
  description,
  additionalProperties: { ...part, title: 'What it is', 'x-poietra': { fold: 'closed' } },
  'x-poietra': { fold: 'open' },
});
const parts = (title: string, description: string): Record<string, unknown> => ({
  type: 'array',
  title,
  description,
  items: part,
  'x-poietra': { fold: 'closed' },
});
/** What only makes sense for values of some kinds is asked for these only. */
const forKind = (kinds: readonly string[], properties: Record<string, unknown>): Record<string, unknown> => ({
  if: {
    required: ['type'],
    properties: { type: { anyOf: [{ enum: kinds }, { type: 'array', contains: { enum: kinds } }] } },
  },
  then: { properties },
});

/** The schema of the form in which schemas are written. */
export const schemaOfSchemas = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: 'Schema',
  type: 'object',
  properties: {
    title: { ...text('Title'), 'x-poietra': { span: { narrow: 6, wide: 8 } } },
    type: {
      title: 'Kind of value',
      oneOf: [
        { title: 'One kind', enum: kindsOfValues },
        { title: 'Several kinds', type: 'array', items: { enum: kindsOfValues }, uniqueItems: true },
      ],
      'x-poietra': { span: { narrow: 6, wide: 4 } },
    },
    description: text('Description', 'Helps to fill it in.'),
    enum: {
      type: 'array',
      title: 'Values to choose from',
      items: { title: 'Value', type: ['string', 'number', 'boolean', 'null'] },
    },
    $ref: text('Refers to', 'A place like #/$defs/party, a group like urn:poietra:group:party, or an address.'),
    default: { title: 'Begins with', description: 'JSON.' },
    examples: { type: 'array', title: 'Examples', items: { title: 'Example', description: 'JSON.' } },
    readOnly: { type: 'boolean', title: 'Can only be read', 'x-poietra': { span: third } },
    writeOnly: { type: 'boolean', title: 'Can only be written', 'x-poietra': { span: third } },
    deprecated: { type: 'boolean', title: 'Not to be used any more', 'x-poietra': { span: third } },
    oneOf: parts('Exactly one of these', 'A person chooses between them.'),
    anyOf: parts('At least one of these', 'A person chooses between them.'),
    allOf: parts('All of these', 'Each holds beside the others.'),
    if: { ...part, title: 'If this holds …' },
    $defs: members('Parts to refer to', 'Each by a name of its own.'),
    'x-poietra': { ...hintsSchema, 'x-poietra': { fold: 'closed' } },
  },
  allOf: [
    forKind(['string'], {
      format: text('Format', 'date, date-time, time, email, uri, uuid …'),
      pattern: text('Pattern', 'A regular expression.'),
      minLength: count('Least characters'),
      maxLength: count('Most characters'),
    }),
    forKind(['number', 'integer'], {
      minimum: limit('Least'),
      maximum: limit('Most'),
      multipleOf: limit('In steps of'),
    }),
    forKind(['array'], {
      items: { ...part, title: 'Each entry' },
      minItems: count('Least entries'),
      maxItems: count('Most entries'),
      uniqueItems: { type: 'boolean', title: 'No entry twice', 'x-poietra': { span: third } },
    }),
    forKind(['object'], {
      properties: members('Members', 'Each by its name.'),
      required: {
        type: 'array',
        title: 'Required members',
        items: text('Name'),
        uniqueItems: true,
        'x-poietra': { layout: 'table' },
      },
      additionalProperties: {
        title: 'Other members',
        oneOf: [
          { title: 'Allowed or not', type: 'boolean' },
          { ...part, title: 'As described' },
        ],
      },
    }),
    {
      if: { required: ['if'] },
      then: { properties: { then: { ...part, title: '… then' }, else: { ...part, title: '… otherwise' } } },
    },
  ],
  'x-poietra': {
    layout: 'grid',
    order: [
      'title',
      'type',
      'description',
      'properties',
      'required',
      'items',
      'format',
      'pattern',
      'minLength',
      'maxLength',
      'minimum',
      'maximum',
      'multipleOf',
      'minItems',
      'maxItems',
      'uniqueItems',
      'enum',
    ],
  },
} as const;
