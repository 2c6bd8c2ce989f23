/** What hints may say, as a JSON Schema: it completes and checks them where they are written, as text or in a form. */

const words = (description: string): Record<string, unknown> => ({ type: 'string', description });
const expression = (description: string): Record<string, unknown> => ({
  type: 'string',
  description: `${description} An expression in CEL: form.MEMBER, here.MEMBER, value.`,
});
const columns = { type: 'integer', minimum: 1, maximum: 12 };

/** One object of hints: the value of `x-poietra`. Members that it does not know may be a kit's own. */
export const hintsSchema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: 'Hints',
  type: 'object',
  properties: {
    label: words('What it is called, in place of the title.'),
    hint: words('What helps to fill it in, in place of the description.'),
    placeholder: words('Stands in the input while it is empty.'),
    prefix: words('Stands before the input.'),
    suffix: words('Stands after the input.'),
    field: words('A field of the kit, by name.'),
    input: words('One of HTML’s own inputs or boxes: radios, checks, listbox, combobox, range, password, file …'),
    order: {
      type: 'array',
      items: { type: 'string' },
      description: 'Members in this order; the others follow.',
    },
    layout: { enum: ['stack', 'row', 'grid', 'tabs', 'table', 'steps'], description: 'How members or entries stand.' },
    span: {
      description: 'Columns of twelve in a grid.',
      oneOf: [
        { title: 'One width', ...columns },
        {
          title: 'By the width of the group',
          type: 'object',
          properties: { narrow: columns, medium: columns, wide: columns },
          additionalProperties: false,
        },
      ],
    },
    fold: { enum: ['open', 'closed'], description: 'A section that folds, and how it stands at first.' },
    lines: { type: 'integer', minimum: 1, maximum: 60, description: 'Several lines of text.' },
    words: {
      type: 'object',
      additionalProperties: { type: 'string' },
      description: 'Texts for the values of an enumeration.',
    },
    skin: words('Another skin for this place: plain, compact, or one of the kit’s.'),
    hidden: { type: 'boolean', description: 'Not drawn.' },
    condition: expression('The place is there where this holds.'),
    computed: expression('Gives the value.'),
    rules: {
      type: 'array',
      description: 'What has to hold beside the schema.',
      items: {
        title: 'Rule',
        type: 'object',
        properties: {
          holds: expression('Has to give true.'),
          message: words('What is told where it does not hold.'),
          tells: {
            type: 'array',
            items: { type: 'string', format: 'json-pointer' },
            description: 'Where it is told: pointers below this place. Without them, at the place itself.',
          },
        },
        required: ['holds', 'message'],
      },
    },
    check: {
      type: 'object',
      description: 'A server is asked whether the value is good.',
      properties: {
        from: { type: 'string', description: 'URI template of the question; {value} is the value.' },
        good: { type: 'string', format: 'json-pointer', description: 'Where the answer says true or false.' },
        reason: { type: 'string', format: 'json-pointer', description: 'Where the answer says why not.' },
        message: words('What is told where the answer does not say why.'),
        failing: { enum: ['pass', 'hold'], description: 'Where no answer can be had: let pass, or hold up sending.' },
        variables: {
          type: 'object',
          additionalProperties: { type: 'string', format: 'json-pointer' },
          description: 'Where values of variables stand in the form.',
        },
      },
      required: ['from'],
    },
    tells: {
      type: 'array',
      items: { type: 'string' },
      description: 'Keywords in the order in which their problems are told: required, pattern, minLength …',
    },
    normal: {
      enum: ['leaving', 'typing'],
      description: 'When a text is shown in its normal form: on leaving, or while it is typed.',
    },
    messages: {
      type: 'object',
      additionalProperties: { type: 'string' },
      description: 'What to say instead, by keyword.',
    },
    remote: {
      type: 'object',
      description: 'Values to choose from that a server gives.',
      properties: {
        from: { type: 'string', description: 'URI template of their address.' },
        list: { type: 'string', format: 'json-pointer', description: 'Where the list stands in the answer.' },
        key: { type: 'string', format: 'json-pointer', description: 'Where the key stands in an item.' },
        text: { type: 'string', format: 'json-pointer', description: 'Where the text stands in an item.' },
        search: { type: 'string', description: 'The variable that takes what is typed.' },
        variables: {
          type: 'object',
          additionalProperties: { type: 'string', format: 'json-pointer' },
          description: 'Where values of variables stand in the form.',
        },
        free: { type: 'boolean', description: 'What was typed counts as a value, too.' },
        one: { type: 'string', description: 'URI template with {key}: the item of a stored key.' },
        next: {
          type: 'string',
          format: 'json-pointer',
          description: 'Where the answer says the address of its next part.',
        },
      },
      required: ['from'],
    },
  },
} as const;

/** The same with the hint keywords of a kit's own. */
export function hintsSchemaWith(own: Readonly<Record<string, { readonly schema: unknown }>> = {}): unknown {
  const more = Object.fromEntries(Object.entries(own).map(([name, { schema }]) => [name, schema]));
  return { ...hintsSchema, properties: { ...more, ...hintsSchema.properties } };
}
