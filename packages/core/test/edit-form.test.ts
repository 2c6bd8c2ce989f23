import { editForm, lookUp, replaceAt, type FormEdit, type Kit } from '../src/index.js';
import { bareKit } from './bare-kit.js';

const kit = {
  ...bareKit,
  groups: { party: { title: 'Party', schema: { properties: { name: { type: 'string' } } } } },
  forms: {
    booking: {
      title: 'Booking',
      schema: {
        required: ['pieces'],
        properties: {
          consignor: { $ref: 'urn:poietra:group:party' },
          pieces: { type: 'integer' },
          weight: { type: 'number' },
        },
      },
    },
  },
} as unknown as Kit;

/** The schema of the form, or of the group, after an edit. */
function after(schemaAt: string, edit: FormEdit, from: Kit = kit): Record<string, unknown> {
  const edits = editForm(from, 'booking', schemaAt, edit);
  expect(Object.keys(edits)).toHaveLength(1);
  return Object.values(edits)[0] as Record<string, unknown>;
}
const withPort = (port: unknown): Kit =>
  replaceAt(replaceAt(kit, '/forms/booking/schema/properties/port', port), '/forms/booking/schema/$defs', {
    'a/port': { enum: ['ALD', 'BRE'] },
  });
const names = (schema: Record<string, unknown>): string[] => Object.keys(schema['properties'] as object);

describe('an edit on the sheet is the smallest change that says it', () => {
  it('words, rules, hints; an empty one takes it away', () => {
    expect(after('/properties/pieces', { do: 'label', text: 'How many' })).toMatchObject({
      properties: { pieces: { type: 'integer', title: 'How many' } },
    });
    expect(after('/properties/pieces', { do: 'rule', keyword: 'maximum', value: 5 })).toMatchObject({
      properties: { pieces: { maximum: 5 } },
    });
    expect(after('/properties/pieces', { do: 'condition', text: 'form.weight > 1.0' })).toMatchObject({
      properties: { pieces: { 'x-poietra': { condition: 'form.weight > 1.0' } } },
    });
    const titled = replaceAt(kit, '/forms/booking/schema/properties/pieces/title', 'How many');
    expect(after('/properties/pieces', { do: 'label', text: '' }, titled)).toEqual(kit.forms['booking']?.schema);
  });
  it('the text of a choice, where its values stand; taken away, all is as it was', () => {
    const schemas: readonly [unknown, at: string, said: unknown][] = [
      [{ enum: ['ALD', 'BRE'] }, '/properties/port/x-poietra/words', { BRE: 'Brevik' }],
      [{ type: 'array', items: { enum: ['ALD', 'BRE'] } }, '/properties/port/x-poietra/words', { BRE: 'Brevik' }],
      [{ type: 'array', items: { $ref: '#/$defs/a~1port' } }, '/properties/port/x-poietra/words', { BRE: 'Brevik' }],
      [{ $ref: '#/$defs/a~1port' }, '/$defs/a~1port/x-poietra/words', { BRE: 'Brevik' }],
      [{ oneOf: [{ const: 'ALD', title: 'Aldervik' }, { const: 'BRE' }] }, '/properties/port/oneOf/1/title', 'Brevik'],
      [{ type: 'array', items: { anyOf: [{ const: 'BRE' }] } }, '/properties/port/items/anyOf/0/title', 'Brevik'],
      [{ anyOf: [{ enum: ['BRE'] }, { const: 'ALD' }] }, '/properties/port/anyOf/0/title', 'Brevik'],
    ];
    for (const [port, at, said] of schemas) {
      const own = withPort(port);
      const named = after('/properties/port', { do: 'choice', value: 'BRE', text: 'Brevik' }, own);
      expect(lookUp(named, at)).toEqual(said);
      const next = replaceAt(own, '/forms/booking/schema', named);
      for (const text of ['', 'BRE'])
        expect(after('/properties/port', { do: 'choice', value: 'BRE', text }, next)).toEqual(
          own.forms['booking']?.schema,
        );
    }
    for (const port of [
      { type: 'string' },
      { $ref: '#/properties/port' },
      { enum: ['TOR'] },
      { oneOf: [{ type: 'null' }] },
    ])
      expect(() => after('/properties/port', { do: 'choice', value: 'BRE', text: 'Brevik' }, withPort(port))).toThrow(
        'stand elsewhere',
      );
  });
  it('of what is said by a hint changes that hint, in the schema or beside it: nothing is edited unheard', () => {
    const inSchema = withPort({
      enum: ['BRE'],
      'x-poietra': { label: 'Port', hint: 'Where', words: { ALD: 'Aldervik' } },
    });
    expect(after('/properties/port', { do: 'label', text: 'Quay' }, inSchema)).toMatchObject({
      properties: { port: { 'x-poietra': { label: 'Quay' } } },
    });
    expect(
      lookUp(
        after('/properties/port', { do: 'choice', value: 'BRE', text: 'Brevik' }, inSchema),
        '/properties/port/x-poietra/words',
      ),
    ).toEqual({ ALD: 'Aldervik', BRE: 'Brevik' });
    const beside = replaceAt(inSchema, '/forms/booking/hints', {
      '/properties/port': { hint: 'Beside', words: { BRE: 'Breda' }, layout: 'row', span: 6 },
    });
    const hintsAfter = (edit: FormEdit) => {
      const edits = editForm(beside, 'booking', '/properties/port', edit);
      expect(Object.keys(edits)).toEqual(['/forms/booking/hints']);
      return (edits['/forms/booking/hints'] as Record<string, unknown>)['/properties/port'];
    };
    expect(hintsAfter({ do: 'hint', text: 'Here' })).toMatchObject({ hint: 'Here' });
    expect(hintsAfter({ do: 'choice', value: 'BRE', text: 'Brevik' })).toMatchObject({ words: { BRE: 'Brevik' } });
    expect(hintsAfter({ do: 'layout', layout: undefined })).not.toHaveProperty('layout');
    expect(hintsAfter({ do: 'span', span: 3, width: 'narrow' })).toMatchObject({ span: { wide: 6, narrow: 3 } });
    // All hints of the schema at once: what stands beside it is another's, and stays.
    expect(editForm(beside, 'booking', '/properties/port', { do: 'hints', hints: { span: 4 } })).toEqual({
      '/forms/booking/schema': expect.objectContaining({
        properties: expect.objectContaining({ port: { enum: ['BRE'], 'x-poietra': { span: 4 } } }) as unknown,
      }) as unknown,
    });
  });
  it('required, in the object around; the last one takes the list away', () => {
    expect(after('/properties/weight', { do: 'required', is: true })['required']).toEqual(['pieces', 'weight']);
    expect(after('/properties/pieces', { do: 'required', is: false })).not.toHaveProperty('required');
  });
  it('order, by a step or before a named one, and not beyond the ends', () => {
    expect(names(after('/properties/weight', { do: 'move', by: -1 }))).toEqual(['consignor', 'weight', 'pieces']);
    expect(names(after('/properties/weight', { do: 'place', before: 'consignor' }))).toEqual([
      'weight',
      'consignor',
      'pieces',
    ]);
    expect(names(after('/properties/weight', { do: 'move', by: 1 }))).toEqual(['consignor', 'pieces', 'weight']);
    const hinted = replaceAt(kit, '/forms/booking/schema/x-poietra/order', ['weight', 'pieces', 'consignor']);
    expect(after('/properties/pieces', { do: 'move', by: -1 }, hinted)['x-poietra']).toEqual({
      order: ['pieces', 'weight', 'consignor'],
    });
  });
  it('a member more, a member less', () => {
    expect(after('', { do: 'add', name: 'berth', schema: { type: 'string' } })).toMatchObject({
      properties: { berth: { type: 'string' } },
    });
    const less = after('/properties/pieces', { do: 'remove' });
    expect([names(less), less['required']]).toEqual([['consignor', 'weight'], undefined]);
  });
  it('of a group goes to the group, so that it reaches every place', () => {
    const edits = editForm(kit, 'booking', 'urn:poietra:group:party#/properties/name', { do: 'label', text: 'Firm' });
    expect(edits).toEqual({ '/groups/party/schema': { properties: { name: { type: 'string', title: 'Firm' } } } });
  });
  it('that cannot be made is told', () => {
    expect(() => editForm(kit, 'booking', '', { do: 'remove' })).toThrow('no named member');
    expect(() => editForm(kit, 'booking', '', { do: 'add', name: 'pieces', schema: {} })).toThrow('already');
    expect(() => editForm(kit, 'booking', '', { do: 'add', name: '__proto__ x', schema: {} })).toThrow('A name starts');
    expect(() => editForm(kit, 'booking', '/properties/gone', { do: 'label', text: 'x' })).toThrow('yes or no');
  });
});

describe('a member moved into another group', () => {
  const nested = replaceAt(kit, '/forms/booking/schema/properties/load', {
    type: 'object',
    properties: { length: { type: 'number' } },
  });
  it('stands there as it was, required as it was, and is gone where it stood', () => {
    expect(after('/properties/pieces', { do: 'into', group: '/properties/load' }, nested)).toEqual({
      properties: {
        consignor: { $ref: 'urn:poietra:group:party' },
        weight: { type: 'number' },
        load: {
          type: 'object',
          properties: { length: { type: 'number' }, pieces: { type: 'integer' } },
          required: ['pieces'],
        },
      },
    });
  });
  it('takes the hints beside the schema along', () => {
    const hinted = replaceAt(nested, '/forms/booking/hints', { '/properties/pieces': { label: 'How many' }, '': {} });
    const edits = editForm(hinted, 'booking', '/properties/pieces', { do: 'into', group: '/properties/load' });
    expect(edits['/forms/booking/hints']).toEqual({
      '/properties/load/properties/pieces': { label: 'How many' },
      '': {},
    });
  });
  it('goes neither into itself, nor where its name is taken, nor into another document', () => {
    const into =
      (from: string, group: string, where: Kit = nested) =>
      () =>
        editForm(where, 'booking', from, { do: 'into', group });
    expect(into('/properties/load', '/properties/load')).toThrow(/into itself/);
    expect(into('/properties/pieces', 'urn:poietra:group:party#')).toThrow(/one document into another/);
    const taken = replaceAt(nested, '/forms/booking/schema/properties/load/properties/pieces', true);
    expect(into('/properties/pieces', '/properties/load', taken)).toThrow(/already/);
  });
});

it('a span said for one width leaves those of the others', () => {
  const span = (before: unknown, edit: Omit<Extract<FormEdit, { do: 'span' }>, 'do'>): unknown => {
    const from = replaceAt(kit, '/forms/booking/schema/properties/pieces/x-poietra', { span: before });
    const next = after('/properties/pieces', { do: 'span', ...edit }, from) as {
      properties: { pieces: { 'x-poietra': { span: unknown } } };
    };
    return next.properties.pieces['x-poietra'].span;
  };
  expect(span(6, { span: 4 })).toBe(4);
  expect(span(6, { span: 4, width: 'wide' })).toBe(4);
  expect(span(6, { span: 12, width: 'narrow' })).toEqual({ wide: 6, narrow: 12 });
  expect(span({ narrow: 12, wide: 6 }, { span: 3, width: 'wide' })).toEqual({ narrow: 12, wide: 3 });
});
