/** Small living examples, one for each capability of forms, set in the world of Skerry Line. */
import type { FormDescription } from '@poietra/core';

export interface Example {
  readonly id: string;
  readonly shows: string;
  readonly form: FormDescription;
}

const ports = [
  { const: 'ALD', title: 'Aldervik' },
  { const: 'BRE', title: 'Brennholm' },
  { const: 'TOR', title: 'Torsund' },
  { const: 'LSU', title: 'Little Sule' },
  { const: 'HAR', title: 'Hareby' },
];
const object = (properties: Record<string, unknown>, more: Record<string, unknown> = {}): unknown => ({
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  type: 'object',
  properties,
  ...more,
});
const example = (
  id: string,
  title: string,
  shows: string,
  schema: unknown,
  more: Partial<FormDescription> = {},
): Example => ({ id, shows, form: { title, schema, ...more } });

export const examples: readonly Example[] = [
  example(
    'kinds',
    'A ship’s papers',
    'Kinds and formats choose the box: text, whole number, number, yes or no, date, e-mail.',
    object(
      {
        name: { title: 'Ship', type: 'string', examples: ['Grey Plover'] },
        built: { title: 'Built', type: 'integer', minimum: 1900 },
        draught: { title: 'Draught in metres', type: 'number' },
        inspected: { title: 'Inspected', type: 'string', format: 'date' },
        office: { title: 'Office', type: 'string', format: 'email' },
        inService: { title: 'In service', type: 'boolean', default: true },
      },
      { required: ['name'] },
    ),
  ),
  example(
    'choices',
    'Where to',
    'Values to choose from: radio buttons for a few, a list for some, a box that searches for many; words from titles.',
    object({
      port: { title: 'Port', oneOf: ports },
      deck: { title: 'Deck', enum: ['upper', 'lower'] },
      berth: { title: 'Berth', enum: Array.from({ length: 40 }, (_, i) => `Berth ${i + 1}`) },
    }),
  ),
  example(
    'several',
    'What is on board',
    'Any number of values: a list without repetitions becomes check marks, or a list that scrolls.',
    object({
      meals: { title: 'Meals', type: 'array', uniqueItems: true, items: { enum: ['breakfast', 'soup', 'dinner'] } },
      islands: {
        title: 'Islands',
        type: 'array',
        uniqueItems: true,
        minItems: 1,
        items: { enum: ports.map((one) => one.title) },
      },
    }),
  ),
  example(
    'one-of',
    'What travels',
    'One of several shapes: a chooser draws the one that is meant, and what fits both is kept.',
    object({
      cargo: {
        title: 'Cargo',
        oneOf: [
          {
            title: 'Goods',
            type: 'object',
            required: ['sort', 'weight'],
            properties: {
              sort: { const: 'goods' },
              label: { title: 'Label', type: 'string' },
              weight: { title: 'Weight', type: 'number' },
            },
          },
          {
            title: 'Vehicle',
            type: 'object',
            required: ['sort', 'plate'],
            properties: {
              sort: { const: 'vehicle' },
              label: { title: 'Label', type: 'string' },
              plate: { title: 'Number plate', type: 'string' },
            },
          },
        ],
      },
    }),
  ),
  example(
    'kinds-mixed',
    'A tide mark',
    'Several kinds: a person says which one; null is an emptied box.',
    object({
      mark: { title: 'Mark', type: ['number', 'string'] },
      remark: { title: 'Remark', type: ['string', 'null'] },
    }),
  ),
  example(
    'condition-schema',
    'Hazardous goods',
    'A condition of the schema: if this, then that is asked for, too.',
    object(
      { hazardous: { title: 'Hazardous goods', type: 'boolean' } },
      {
        if: { properties: { hazardous: { const: true } }, required: ['hazardous'] },
        then: { required: ['class'], properties: { class: { title: 'Hazard class', enum: ['2', '3', '8'] } } },
      },
    ),
  ),
  example(
    'condition-expression',
    'A long vehicle',
    'A condition as an expression: the place is there where it holds.',
    object({
      length: { title: 'Length in metres', type: 'number' },
      escort: { title: 'Who guides it on board', type: 'string', 'x-poietra': { condition: 'form.length > 12.0' } },
    }),
  ),
  example(
    'computed',
    'What it weighs',
    'Computed values: asked again when what they depend on changes, also through lists.',
    object({
      lines: {
        title: 'Cargo',
        type: 'array',
        items: {
          title: 'Line',
          type: 'object',
          properties: { pieces: { title: 'Pieces', type: 'integer' }, each: { title: 'Each, kg', type: 'number' } },
        },
        'x-poietra': { layout: 'table' },
      },
      total: {
        title: 'Total, kg',
        type: 'number',
        'x-poietra': { computed: 'form.lines.map(l, l.?pieces.orValue(0.0) * l.?each.orValue(0.0)).sum()' },
      },
    }),
  ),
  example(
    'list',
    'Cargo lines',
    'A list: entries are added, doubled, moved by keys and by hand, taken away and put back.',
    object({
      lines: {
        title: 'Cargo lines',
        type: 'array',
        minItems: 1,
        maxItems: 5,
        items: {
          title: 'Line',
          type: 'object',
          required: ['what'],
          properties: {
            what: { title: 'What', type: 'string' },
            pieces: { title: 'Pieces', type: 'integer', minimum: 1 },
          },
        },
      },
    }),
  ),
  example(
    'list-tabs',
    'Travellers',
    'The same behind tabs, each counting what is wrong inside.',
    object({
      travellers: {
        title: 'Travellers',
        type: 'array',
        items: {
          title: 'Traveller',
          type: 'object',
          required: ['name'],
          properties: {
            name: { title: 'Name', type: 'string' },
            cabin: { title: 'Cabin', enum: ['none', 'inside', 'outside'] },
          },
        },
        'x-poietra': { layout: 'tabs' },
      },
    }),
  ),
  example(
    'lists-nested',
    'A loading plan',
    'Lists inside lists, without limit.',
    object({
      decks: {
        title: 'Decks',
        type: 'array',
        items: {
          title: 'Deck',
          type: 'object',
          properties: {
            name: { title: 'Name', type: 'string' },
            lanes: {
              title: 'Lanes',
              type: 'array',
              items: { title: 'Lane', type: 'object', properties: { metres: { title: 'Metres', type: 'number' } } },
            },
          },
        },
      },
    }),
  ),
  example(
    'map',
    'Measured',
    'A map: members under names of one’s own, renamed where they stand.',
    object({ readings: { title: 'Readings', type: 'object', additionalProperties: { type: 'number' } } }),
  ),
  example(
    'tuple',
    'A position',
    'A tuple: each position of the list has its own label and rules.',
    object({
      position: {
        title: 'Position',
        type: 'array',
        prefixItems: [
          { title: 'Degrees north', type: 'number', minimum: -90, maximum: 90 },
          { title: 'Degrees east', type: 'number', minimum: -180, maximum: 180 },
        ],
        minItems: 2,
      },
    }),
  ),
  example('recursion', 'A chain of ports', 'A schema that contains itself is opened on demand, level after level.', {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Port of call',
    type: 'object',
    properties: { port: { title: 'Port', oneOf: ports }, next: { $ref: '#', title: 'Next port of call' } },
  }),
  example(
    'anything',
    'Notes of any shape',
    'What cannot be drawn better is a box for JSON, with its checks.',
    object({ notes: { title: 'Notes', description: 'Any JSON.' }, title: { title: 'Title', type: 'string' } }),
  ),
  example(
    'layout-grid',
    'A berth',
    'A grid of twelve columns: spans by the width of the group, not of the window.',
    object({
      name: { title: 'Name', type: 'string', 'x-poietra': { span: { medium: 8, wide: 6 } } },
      depth: { title: 'Depth', type: 'number', 'x-poietra': { span: { medium: 4, wide: 3 } } },
      length: { title: 'Length', type: 'number', 'x-poietra': { span: { medium: 12, wide: 3 } } },
    }),
    { hints: { '': { layout: 'grid' } } },
  ),
  example(
    'layout-tabs',
    'Out and back',
    'Sections behind tabs, and one that folds.',
    object({
      out: {
        title: 'Out',
        type: 'object',
        required: ['date'],
        properties: { date: { title: 'Date', type: 'string', format: 'date' } },
      },
      back: {
        title: 'Back',
        type: 'object',
        properties: {
          date: { title: 'Date', type: 'string', format: 'date' },
          more: {
            title: 'More',
            type: 'object',
            properties: { note: { title: 'Note', type: 'string' } },
            'x-poietra': { fold: 'closed' },
          },
        },
      },
    }),
    { hints: { '': { layout: 'tabs' } } },
  ),
  example(
    'remote',
    'A crossing',
    'Values that the server gives: they depend on other fields, are searched while one types, and are told where they fail.',
    object({
      port: {
        title: 'Port',
        type: 'string',
        'x-poietra': { remote: { from: '/company/ports{?search}', search: 'search', key: '/code', text: '/name' } },
      },
      departure: {
        title: 'Departure',
        description: 'Answered deep inside, and in parts; searched in full.',
        type: 'string',
        'x-poietra': {
          remote: {
            from: '/company/departures{?search}',
            search: 'search',
            list: '/data/departures',
            key: '/id',
            text: '/sails/words',
            next: '/page/next',
          },
        },
      },
      from: { title: 'From', oneOf: ports, 'x-poietra': { input: 'select' } },
      to: { title: 'To', oneOf: ports, 'x-poietra': { input: 'select' } },
      date: { title: 'Date', type: 'string', format: 'date' },
      number: {
        title: 'Crossing',
        type: 'string',
        'x-poietra': { remote: { from: '/company/crossings{?from,to,date}', key: '/number', text: '/number' } },
      },
    }),
  ),
  example(
    'messages',
    'En fører',
    'Messages by keyword and language, and words of one’s own for one field.',
    object(
      {
        name: { title: 'Navn', type: 'string', minLength: 3 },
        plate: {
          title: 'Skilt',
          type: 'string',
          pattern: '^[A-Z]{2} \\d{5}$',
          'x-poietra': { messages: { pattern: 'Skriv det som AB 12345.' } },
        },
      },
      { required: ['name', 'plate'] },
    ),
    {
      tell: 'change',
      language: 'nb',
      messages: { nb: { required: 'Må fylles ut.', minLength: 'Minst {limit} tegn.' } },
    },
  ),
  example(
    'files',
    'Photographs',
    'Files as text, with their kind and size limited by the schema.',
    object({
      photo: {
        title: 'Photo',
        description: 'A PNG of up to 100 kB.',
        type: 'string',
        contentEncoding: 'base64',
        contentMediaType: 'image/png',
        maxLength: 136_000,
      },
      papers: {
        title: 'Papers',
        type: 'array',
        maxItems: 3,
        items: { title: 'Paper', type: 'string', contentEncoding: 'base64' },
      },
    }),
  ),
  example(
    'boxes',
    'At the desk',
    'Boxes by hint: a range, a colour, a secret, several lines, a telephone number.',
    object({
      wind: { title: 'Wind, Beaufort', type: 'integer', minimum: 0, maximum: 12, 'x-poietra': { input: 'range' } },
      colour: { title: 'Colour on the deck plan', type: 'string', 'x-poietra': { input: 'color' } },
      code: { title: 'Gate code', type: 'string', writeOnly: true },
      notes: { title: 'Notes', type: 'string', 'x-poietra': { lines: 4 } },
      call: { title: 'Call', type: 'string', 'x-poietra': { input: 'tel' } },
    }),
  ),
  example(
    'read-only',
    'A saved booking',
    'Read only, no longer used, fixed: shown for what they are.',
    object(
      {
        number: { title: 'Number', type: 'string', readOnly: true, default: 'FB-1001' },
        fax: { title: 'Fax', type: 'string', deprecated: true },
        line: { title: 'Line', const: 'Skerry Line' },
      },
      { required: ['line'] },
    ),
  ),
  example(
    'own-hint',
    'Low water',
    'A hint of the kit’s own: it declares what the hint does to the drawing, and it works at once.',
    object({
      length: { title: 'Deck length', type: 'number', 'x-poietra': { tide: 'long vehicles board first at low water' } },
    }),
  ),
  example(
    'rule',
    'A ship on charter',
    'A rule across fields: an expression that has to hold, told at both of them, and listed once.',
    object(
      {
        from: { title: 'From', type: 'string', format: 'date' },
        until: { title: 'Until', type: 'string', format: 'date' },
      },
      {
        'x-poietra': {
          layout: 'row',
          rules: [
            { holds: 'value.until >= value.from', message: 'It ends before it begins.', tells: ['/until', '/from'] },
          ],
        },
      },
    ),
    { tell: 'change' },
  ),
  example(
    'check',
    'A reference of one’s own',
    'A check that asks a server while one goes on: FB-1001 is taken. Sending waits for the answer.',
    object({
      reference: {
        title: 'Reference',
        type: 'string',
        minLength: 3,
        'x-poietra': {
          check: { from: '/company/references/{value}', good: '/free', reason: '/why', failing: 'hold' },
        },
      },
    }),
    { tell: 'change' },
  ),
  example(
    'order-of-problems',
    'The gate code',
    'What is told first: needed, then digits only, then exactly four; the others on demand.',
    object(
      {
        code: {
          title: 'Gate code',
          type: 'string',
          allOf: [{ minLength: 4, maxLength: 4 }, { pattern: '^[0-9]*$' }],
          'x-poietra': {
            tells: ['required', 'pattern', 'minLength', 'maxLength'],
            messages: { pattern: 'Digits only.', minLength: 'Exactly four digits.', maxLength: 'Exactly four digits.' },
          },
        },
      },
      { required: ['code'] },
    ),
    { tell: 'change' },
  ),
  example(
    'pages',
    'A day out',
    'Several pages: next asks only for its own, back keeps everything, and the last one shows it all.',
    object(
      {
        traveller: {
          title: 'Who travels',
          type: 'object',
          required: ['name'],
          properties: {
            name: { title: 'Name', type: 'string' },
            cabin: { title: 'With a cabin', type: 'boolean' },
          },
        },
        way: { title: 'Where to', type: 'object', properties: { port: { title: 'Port', oneOf: ports } } },
        notes: { title: 'Notes', type: 'string', 'x-poietra': { lines: 3 } },
      },
      { required: ['traveller'], 'x-poietra': { layout: 'steps' } },
    ),
  ),
  example(
    'old-draft',
    'An old paper',
    'Every draft from 4 on: here draft 4, with its own way to say “more than”.',
    {
      $schema: 'http://json-schema.org/draft-04/schema#',
      type: 'object',
      required: ['weight'],
      properties: {
        weight: { title: 'Weight', type: 'number', minimum: 0, exclusiveMinimum: true },
        kind: { title: 'Kind', type: 'string', enum: ['fish', 'timber'] },
      },
    },
    { tell: 'change' },
  ),
];
