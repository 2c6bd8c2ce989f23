import {
  compileSchema,
  dissolveGroup,
  groupEffects,
  kitDocuments,
  makeGroup,
  placesOfGroup,
  type Kit,
} from '../src/index.js';
import { bareKit } from './bare-kit.js';

const booking = {
  type: 'object',
  required: ['name', 'pieces'],
  properties: { name: { type: 'string' }, email: { type: 'string' }, pieces: { type: 'integer' } },
};
const kit: Kit = {
  ...bareKit,
  groups: { port: { title: 'Port', schema: { type: 'object', properties: { code: { type: 'string' } } } } },
  forms: {
    booking: { title: 'Booking', schema: booking },
    route: {
      title: 'Route',
      schema: {
        properties: {
          from: { $ref: 'urn:poietra:group:port', title: 'From' },
          to: { $ref: 'urn:poietra:group:port', title: 'To' },
        },
      },
    },
  },
};
const applied = (edits: Readonly<Record<string, unknown>>): Kit => {
  const next = structuredClone(kit) as unknown as Record<string, Record<string, Record<string, unknown>>>;
  for (const [at, value] of Object.entries(edits)) {
    const [, kind = '', name = '', member] = at.split('/');
    if (member) next[kind]![name]![member] = value;
    else if (value === undefined) delete next[kind]![name];
    else next[kind]![name] = value as Record<string, unknown>;
  }
  return next as unknown as Kit;
};
const sample = { name: 'Aldervik Timber', email: 'a@b.no', pieces: 3 };
const accepts = (of: Kit, form: string, value: unknown): boolean =>
  compileSchema(of.forms[form]?.schema, { documents: kitDocuments(of) }).accepts(value);

describe('a group taken out of a form', () => {
  const made = applied(makeGroup(kit, 'booking', '', ['name', 'email'], { name: 'party', title: 'Party' }));
  it('has the fields with what was required of them, and the form takes the same JSON as before', () => {
    expect(made.groups['party']?.schema).toEqual({
      type: 'object',
      required: ['name'],
      properties: { name: { type: 'string' }, email: { type: 'string' } },
    });
    expect(accepts(made, 'booking', sample)).toBe(true);
    expect(accepts(made, 'booking', { pieces: 3 })).toBe(false);
    expect(accepts(made, 'booking', { name: 'x' })).toBe(false);
  });
  it('dissolved again, leaves the form as it was', () => {
    const back = { ...made, ...{} };
    const edits = dissolveGroup(back, 'party');
    const schema = edits['/forms/booking/schema'] as typeof booking;
    expect(edits['/groups/party']).toBeUndefined();
    expect(new Set(schema.required)).toEqual(new Set(booking.required));
    expect(schema.properties).toEqual(booking.properties);
    expect(schema).not.toHaveProperty('allOf');
  });
  it('cannot be made of what is not there', () => {
    const party = { name: 'party', title: 'Party' };
    expect(() => makeGroup(kit, 'booking', '', ['tide'], party)).toThrow('There is no field “tide”');
    expect(() => makeGroup(kit, 'booking', '/nowhere', ['name'], party)).toThrow('There is no object');
    expect(() => makeGroup(kit, 'booking', '', [], party)).toThrow('at least one');
  });
});

it('a group used twice is dissolved in both places, which keep their own titles', () => {
  expect(placesOfGroup(kit, 'port').map(({ at }) => at)).toEqual(['/properties/from', '/properties/to']);
  const edits = dissolveGroup(kit, 'port');
  expect(edits['/forms/route/schema']).toEqual({
    properties: {
      from: { type: 'object', properties: { code: { type: 'string' } }, title: 'From' },
      to: { type: 'object', properties: { code: { type: 'string' } }, title: 'To' },
    },
  });
});

it('a change to a group tells what it does to the records of each form that uses it', () => {
  const stricter = { type: 'object', required: ['code'], properties: { code: { type: 'string', maxLength: 3 } } };
  const records = {
    route: {
      'R-1': { from: { code: 'ALD' }, to: { code: 'TOR' } },
      'R-2': { from: { code: 'Brennholm' }, to: { code: 'TOR' } },
      'R-3': { from: {}, to: { code: 'TOR' } },
      'R-4': { from: { code: 7 } },
    },
    booking: { 'B-1': sample },
  };
  const effects = groupEffects(kit, 'port', stricter, records);
  expect(effects).toMatchObject([{ form: 'route', title: 'Route', fitting: 2 }]);
  expect(effects[0]?.broken.map(({ record, at }) => [record, at])).toEqual([
    ['R-2', '/from/code'],
    ['R-3', '/from'],
  ]);
});
