import { codecsOf, compileSchema, makePlan, nativeAdapters, openForm, planAt, standardFormats } from '../src/index.js';

/** What a person would enter, by format; any other text elsewhere. */
const texts: Readonly<Record<string, string>> = {
  date: '2026-11-23',
  time: '10:15',
  'date-time': '2026-11-23T10:15',
  email: 'desk@skerry.example',
  'idn-email': 'desk@skerry.example',
  uri: 'https://skerry.example/a',
  iri: 'https://skerry.example/a',
  'uri-reference': '/a',
  'iri-reference': '/a',
  'uri-template': '/a{?b}',
  hostname: 'skerry.example',
  'idn-hostname': 'skerry.example',
  ipv4: '10.0.0.1',
  ipv6: '::1',
  uuid: '123e4567-e89b-12d3-a456-426614174000',
  duration: 'P3D',
  regex: '^a$',
  'json-pointer': '/a',
  'relative-json-pointer': '1/a',
};
const inputs = Object.keys(nativeAdapters);

/** What an input reports when it is used, as far as it can take the place's values. */
function entered(adapter: string, format: string | undefined, schema: { enum?: unknown[]; type?: string }): unknown {
  switch (adapter) {
    case 'date':
      return '2026-11-23';
    case 'time':
      return '10:15';
    case 'datetime-local':
      return '2026-11-23T10:15';
    case 'checkbox':
      return true;
    case 'color':
      return '#112233';
    case 'file':
      return 'data:text/plain;base64,U2tlcnJ5';
    case 'select':
    case 'radios':
    case 'list':
    case 'combobox':
      return schema.enum?.[0];
    case 'checks':
    case 'listbox':
      return ['ALD'];
    case 'number':
    case 'range':
      return '4';
  }
  return schema.type === 'string' ? (texts[format ?? ''] ?? 'Hareby') : '4';
}

const places: [string, Record<string, unknown>][] = [
  ...[undefined, ...Object.keys(standardFormats).filter((format) => format in texts)].map(
    (format): [string, Record<string, unknown>] => [
      format === undefined ? 'a text' : `a text of the format ${format}`,
      { type: 'string', ...(format === undefined ? {} : { format }) },
    ],
  ),
  ['a whole number', { type: 'integer' }],
  ['a number', { type: 'number' }],
  ['a mark', { type: 'boolean' }],
  ['one of several', { enum: ['ALD', 'BRE', 'TOR'] }],
  ['any of several', { type: 'array', uniqueItems: true, items: { enum: ['ALD', 'BRE', 'TOR'] } }],
];

/** The problems that are left when a person has used the input that is drawn. */
function left(
  schema: Record<string, unknown>,
  input: string | undefined,
): { drawn: string; problems: string[]; told: number } {
  const whole = {
    type: 'object',
    properties: { here: input === undefined ? schema : { ...schema, 'x-poietra': { input } } },
  };
  const compiled = compileSchema(whole, { assertFormats: true });
  const plan = makePlan(compiled);
  const node = planAt(plan.root, '/here');
  if (node?.kind !== 'field') return { drawn: node?.kind ?? 'nothing', problems: [], told: plan.troubles.length };
  const drawn = node.use.adapter.replace('native:', '');
  const form = openForm({ schema: whole, compiled, codecs: codecsOf(plan.root) });
  form.field('/here').report(entered(drawn, schema['format'] as string | undefined, schema));
  return {
    drawn,
    problems: [
      ...form.problems().map(({ message }) => message),
      ...(form.field('/here').sent === undefined ? ['Nothing is sent.'] : []),
    ],
    told: plan.troubles.length,
  };
}

describe.each(places)('%s', (_, schema) => {
  it('can be entered validly with the input that the plan chooses', () =>
    expect(left(schema, undefined).problems).toEqual([]));
  it.each(inputs.filter((input) => input !== 'list'))(
    'can be entered validly where a hint names %s, or the hint is told',
    (input) => {
      const { drawn, problems, told } = left(schema, input);
      expect(problems).toEqual([]);
      if (drawn !== input && !(input === 'listbox' && drawn === 'list')) expect(told).toBe(1);
    },
  );
});
