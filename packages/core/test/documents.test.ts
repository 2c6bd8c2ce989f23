import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  compileSchema,
  documentUri,
  kitDocuments,
  missingDocuments,
  prepareSchema,
  readKit,
  usesOfDocument,
  type Kit,
} from '../src/index.js';
import { handOver, standaloneSchema } from '../src/handover/index.js';
import { bareKit } from './bare-kit.js';
import { troublesOf } from './compiled.js';

const at = 'https://schemas.skerry.example/';
const party = {
  type: 'object',
  required: ['name'],
  properties: { name: { type: 'string' }, home: { $ref: 'port.json' }, agent: { $ref: '#' } },
};
const port = { $defs: { code: { type: 'string', pattern: '^[A-Z]{3}$' } }, $ref: '#/$defs/code' };
const schema = {
  type: 'object',
  properties: { sender: { $ref: `${at}party.json` }, via: { $ref: `${at}port.json#/$defs/code` } },
};
const kit: Kit = {
  ...bareKit,
  groups: { crate: { title: 'Crate', schema: { properties: { to: { $ref: `${at}port.json` } } } } },
  documents: {
    [`${at}party.json`]: { schema: party },
    [`${at}port.json`]: { schema: port, fetched: '2026-11-26T09:00:00Z' },
  },
  forms: { booking: { title: 'Booking', schema }, plain: { title: 'Plain', schema: { type: 'object' } } },
};
const good = { sender: { name: 'Aldervik Timber', home: 'ALD', agent: { name: 'A' } }, via: 'HAR' };
const bad = [
  { sender: { home: 'ALD' } },
  { sender: { name: 'A', home: 'ald' } },
  { sender: { name: 'A', agent: { name: 1 } } },
  { via: 'H' },
];

it('a kit’s forms and groups refer to documents that it keeps', () => {
  expect(readKit(kit)).toMatchObject({ ok: true });
  const compiled = compileSchema(schema, { documents: kitDocuments(kit) });
  expect([good, ...bad].map((value) => compiled.accepts(value))).toEqual([true, false, false, false, false]);
});

it('a document that is not at hand is a gap at its place; one without an address is refused', () => {
  const { documents: _, ...without } = kit;
  const reading = readKit(without);
  expect(reading.ok ? reading.gaps.map(({ at: place }) => place) : []).toContain(
    '/forms/booking/schema/properties/sender/$ref',
  );
  expect(readKit({ ...kit, documents: { 'a#b': { schema: true } } })).toMatchObject({
    ok: false,
    problems: [{ message: 'is the address of a document, without “#”' }],
  });
});

it('says which documents are missing, and those that a found one leads to once it is there', () => {
  expect(missingDocuments(schema, {})).toEqual([`${at}party.json`, `${at}port.json`]);
  expect(missingDocuments({ $ref: `${at}party.json` }, { [`${at}party.json`]: party })).toEqual([`${at}port.json`]);
  expect(missingDocuments({ $ref: 'sizes.json' }, {})).toEqual(['sizes.json']);
  expect(missingDocuments({ type: 'nothing' }, {})).toEqual([]);
});

it('says who leads to a document, also by way of another', () => {
  const names = (uri: string): string[] => usesOfDocument(kit, uri).map(({ kind, name }) => `${kind}/${name}`);
  expect(names(`${at}port.json`)).toEqual(['groups/crate', 'forms/booking']);
  expect(names(`${at}party.json`)).toEqual(['forms/booking']);
});

it('takes the address of a document, and nothing else, as one', () => {
  expect(documentUri(` ${at}party.json# `)).toBe(`${at}party.json`);
  for (const text of ['', ' ', 'a b', `${at}x#/y`, 'urn:poietra:group:crate'])
    expect(() => documentUri(text)).toThrow();
});

describe('handed over', () => {
  const alone = (form: unknown, documents: Kit['documents'] = kit.documents): unknown =>
    standaloneSchema(form, kit.groups, documents);
  const verdicts = (one: unknown): boolean[] => [good, ...bad].map((value) => compileSchema(one).accepts(value));

  it('a schema brings its documents along, and means the same', async () => {
    expect(verdicts(alone(schema))).toEqual([true, false, false, false, false]);
    const prepared = await prepareSchema(alone(schema));
    expect([good, ...bad].map((value) => prepared.accepts(value))).toEqual([true, false, false, false, false]);
  });
  it('also in an older draft, and beside documents of other drafts', () => {
    const old = { $schema: 'http://json-schema.org/draft-07/schema#', ...schema };
    expect(verdicts(alone(old))).toEqual([true, false, false, false, false]);
    const oldParty = { $schema: 'http://json-schema.org/draft-04/schema#', ...party };
    expect(verdicts(alone(schema, { ...kit.documents, [`${at}party.json`]: { schema: oldParty } }))).toEqual([
      true,
      false,
      false,
      false,
      false,
    ]);
  });
  it('a document with another address of its own is asked for by that', () => {
    const documents = {
      ...kit.documents,
      [`${at}party.json`]: {
        schema: {
          $id: 'https://elsewhere.skerry.example/v2/party',
          ...party,
          properties: { ...party.properties, home: { $ref: `${at}port.json` } },
        },
      },
    };
    expect(verdicts(alone(schema, documents))).toEqual([true, false, false, false, false]);
  });
  it('its names stay apart from definitions and groups of the same name', () => {
    const own = {
      ...schema,
      $defs: { party: { type: 'number' }, crate: { type: 'number' } },
      properties: {
        ...schema.properties,
        n: { $ref: '#/$defs/party' },
        c: { $ref: 'urn:poietra:group:crate' },
        k: { $ref: '#/$defs/crate' },
      },
    };
    const compiled = compileSchema(alone(own));
    expect(compiled.accepts({ ...good, n: 1, k: 2, c: { to: 'ALD' } })).toBe(true);
    expect([{ n: 'x' }, { k: 'x' }, { c: { to: 1 } }].map((value) => compiled.accepts(value))).toEqual([
      false,
      false,
      false,
    ]);
  });
  it('a group is found from inside a document and from inside a resource', () => {
    const documents = {
      'urn:skerry:box': { schema: { properties: { inner: { $ref: 'urn:poietra:group:crate' } } } },
      [`${at}port.json`]: { schema: port },
    };
    const form = {
      properties: {
        box: { $ref: 'urn:skerry:box' },
        part: { $id: 'urn:skerry:part', $ref: 'urn:poietra:group:crate' },
      },
    };
    const compiled = compileSchema(alone(form, documents));
    expect(compiled.accepts({ box: { inner: { to: 'ALD' } }, part: { to: 'HAR' } })).toBe(true);
    expect(compiled.accepts({ box: { inner: { to: 1 } } })).toBe(false);
    expect(compiled.accepts({ part: { to: 1 } })).toBe(false);
  });
  // Takes a compiler: no part of `npm run mutate`.
  (process.env['MUTATE_ONE_IN'] ? it.skip : it)('compiles, with the libraries and on its own', () => {
    const sources = JSON.parse(readFileSync(join(__dirname, '../../own/dist/sources.json'), 'utf8')) as never;
    expect(troublesOf(handOver(kit))).toEqual([]);
    expect(handOver({ ...kit, standsAlone: true }, { own: sources }).map(({ path }) => path)).toContain(
      'forms/booking.validate.js',
    );
  });
});
