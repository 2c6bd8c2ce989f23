import {
  compileSchema,
  emptyForm,
  formFromOperation,
  formFromSamples,
  formFromSchema,
  kindOfBeginning,
  makePlan,
  operationsOf,
} from '../src/index.js';

const document = {
  openapi: '3.1.0',
  info: { title: 'Harbour', version: '1' },
  servers: [{ url: 'https://harbour.example/api/' }],
  paths: {
    '/bookings': {
      get: {
        operationId: 'findBookings',
        parameters: [
          { name: 'from', in: 'query', required: true, schema: { type: 'string' }, description: 'A port.' },
          { name: 'X-Trace', in: 'header', schema: { type: 'string' } },
        ],
      },
      post: {
        summary: 'Book a crossing',
        parameters: [{ $ref: '#/components/parameters/Dry' }, { name: 'X-Desk', in: 'header', schema: {} }],
        requestBody: { $ref: '#/components/requestBodies/Booking' },
        responses: {
          201: { content: { 'application/json': {} } },
          400: { content: { 'text/plain': {} } },
          404: { description: 'Says nothing.' },
          409: { $ref: '#/components/responses/Refused' },
          422: { content: { 'application/problem+json; charset=utf-8': {} } },
        },
      },
    },
    '/bookings/{number}': {
      put: { requestBody: { content: { 'application/json': { schema: { type: 'object' } } } } },
      patch: { requestBody: { content: { 'application/merge-patch+json': { schema: { type: 'object' } } } } },
    },
    '/ports/{code}/berths': {
      post: { requestBody: { content: { 'application/json': { schema: true } } } },
    },
    '/ping': { get: {} },
  },
  components: {
    responses: { Refused: { content: { 'application/problem+json': {} } } },
    parameters: { Dry: { name: 'dry', in: 'query', schema: { type: 'boolean' } } },
    requestBodies: {
      Booking: { content: { 'application/json; charset=utf-8': { schema: { $ref: '#/components/schemas/Booking' } } } },
    },
    schemas: {
      Booking: {
        title: 'Booking',
        type: 'object',
        required: ['from'],
        properties: {
          from: { $ref: '#/components/schemas/Port' },
          parts: { type: 'array', items: { $ref: '#/components/schemas/Booking' } },
          extra: { $ref: 'https://elsewhere.example/extra.json' },
        },
      },
      Port: { type: 'string', enum: ['ALD', 'BRE'] },
    },
  },
};
const of = (method: string, path: string) =>
  formFromOperation(
    document,
    operationsOf(document).find((one) => one.method === method && one.path === path)!,
  );

describe('what a document is taken for', () => {
  it.each<[string, unknown]>([
    ['schema', { $schema: 'https://json-schema.org/draft/2020-12/schema' }],
    ['schema', { type: 'object', properties: {} }],
    ['schema', { properties: { a: { type: 'string' } } }],
    ['schema', { allOf: [{ $ref: '#/$defs/a' }] }],
    ['schema', true],
    ['openapi', document],
    ['samples', { type: 'Feature', properties: { name: 'Torsund' } }],
    ['samples', { type: 'object', name: 'A thing that has a type' }],
    ['samples', { name: 'Torsund', properties: { depth: 4 } }],
    ['samples', [{ name: 'Torsund' }]],
    ['samples', 12],
  ])('%s: %j', (kind, value) => {
    expect(kindOfBeginning(value)).toBe(kind);
  });
});

describe('a form that begins', () => {
  it('from nothing has one field, and can be planned', () => {
    const { schema } = emptyForm('Form');
    expect(makePlan(compileSchema(schema)).root.kind).toBe('group');
  });
  it('from a schema takes the title of the schema', () => {
    expect(formFromSchema({ title: ' Tide ' }).form.title).toBe('Tide');
    expect(formFromSchema({ title: 12 }).form.title).toBe('Form');
    expect(formFromSchema({ title: 'Tide' }, { title: 'Ebb' }).form.title).toBe('Ebb');
  });
  it('from samples fits them all, with reasons', () => {
    const samples = [{ port: 'ALD', depth: 4 }, { port: 'BRE' }];
    const { form, reasons, notes } = formFromSamples(samples, 'Port');
    const compiled = compileSchema(form.schema);
    expect(samples.every((one) => compiled.accepts(one))).toBe(true);
    expect([form.title, notes, reasons!.length > 0]).toEqual(['Port', ['Inferred from 2 samples.'], true]);
  });
});

describe('an OpenAPI document', () => {
  it('gives the operations that ask for something', () => {
    expect(operationsOf(document).map(({ method, path, title }) => [method, path, title])).toEqual([
      ['GET', '/bookings', 'findBookings'],
      ['POST', '/bookings', 'Book a crossing'],
      ['PUT', '/bookings/{number}', 'PUT /bookings/{number}'],
      ['PATCH', '/bookings/{number}', 'PATCH /bookings/{number}'],
      ['POST', '/ports/{code}/berths', 'POST /ports/{code}/berths'],
    ]);
  });
  it('gives a body as a schema that stands alone, also one that contains itself', () => {
    const { form, notes } = of('POST', '/bookings');
    const compiled = compileSchema(form.schema, { documents: { 'https://elsewhere.example/extra.json': true } });
    expect(compiled.accepts({ from: 'ALD', parts: [{ from: 'BRE' }] })).toBe(true);
    expect(compiled.accepts({ from: 'ALD', parts: [{ from: 'nowhere' }] })).toBe(false);
    expect(notes).toEqual([
      'Left out, since it is no part of the body: “dry” of the query, header “X-Desk”.',
      'What it refuses (409, 422) comes as problem details: what they say of a field is told there. What it refuses (400) comes otherwise than as problem details (RFC 9457), so it is told for the form as a whole.',
    ]);
  });
  it('leaves references to other documents as they are seen from where it was fetched', () => {
    const asked = {
      ...document,
      paths: {
        '/a': { post: { requestBody: { content: { 'application/json': { schema: { $ref: 'party.json#/x' } } } } } },
      },
    };
    const begun = (base?: string) => formFromOperation(asked, operationsOf(asked)[0]!, { base }).form.schema;
    expect(begun('https://api.skerry.example/v1/openapi.json')).toMatchObject({
      $ref: 'https://api.skerry.example/v1/party.json#/x',
    });
    expect(begun()).toMatchObject({ $ref: 'party.json#/x' });
  });
  it('knows address and key from the paths beside it, and the path of the server', () => {
    expect(of('POST', '/bookings').form.send).toEqual({ path: '/api/bookings', key: 'number' });
    expect(of('PUT', '/bookings/{number}').form.send).toEqual({ path: '/api/bookings', key: 'number' });
  });
  it('says where an address has variables before its end', () => {
    const { form, notes } = of('POST', '/ports/{code}/berths');
    expect(form.send).toBeUndefined();
    expect(notes.join()).toContain('has variables before its end');
  });
  it('makes a form of a query, where there is no body', () => {
    const { schema, send } = of('GET', '/bookings').form as { schema: unknown; send?: unknown };
    expect(schema).toMatchObject({ required: ['from'], properties: { from: { description: 'A port.' } } });
    expect(send).toBeUndefined();
  });
  it('of another version is refused in words', () => {
    expect(() => operationsOf({ openapi: '3.0.3' })).toThrow('It is OpenAPI 3.0.3');
    expect(() => operationsOf([])).toThrow('no member “openapi”');
  });
});

describe('a schema that was fetched', () => {
  const base = 'https://schemas.skerry.example/booking.json';
  const begun = (schema: object): unknown => formFromSchema(schema, { base }).form.schema;
  it('has that address where it refers to others as seen from there', () => {
    expect(begun({ $ref: 'party.json' })).toEqual({ $id: base, $ref: 'party.json' });
    expect(formFromSchema({ $ref: 'party.json' }, { base }).notes.join()).toContain(base);
  });
  it('and otherwise stays as it is', () => {
    for (const schema of [
      { type: 'object' },
      { $ref: 'https://skerry.example/x' },
      { $id: 'urn:own', $ref: '#/$defs/a', $defs: { a: {} } },
    ])
      expect(begun(schema)).toEqual(schema);
  });
});
