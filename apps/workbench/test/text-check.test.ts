import { textCheck } from '../src/workers/text-check.js';
import { schemaOffers, hintsOffers } from '../src/parts/json-offers.js';
import type { Kit } from '@poietra/core';

const kit = {
  poietra: 1,
  name: 'Skerry Line',
  inputs: {},
  adapters: {},
  codecs: {},
  fields: { 'collection-date': { adapter: 'native:date', codec: 'date' } },
  groups: { party: { title: 'Party', schema: { type: 'object' } } },
  forms: {},
  hints: { tide: { schema: { type: 'string' }, does: 'words' } },
} as unknown as Kit;

describe('a text is checked', () => {
  it('as a schema: what is no JSON by its position, what is no schema by its place', () => {
    expect(textCheck.schema('{"type": "object"', {})).toMatchObject({
      faults: [{ range: { from: 17 }, message: 'No JSON yet: line 1, column 18: a closing brace is missing.' }],
    });
    const { faults } = textCheck.schema('{"properties": {"pieces": {"minimum": "one"}}}', {});
    expect(faults[0]).toMatchObject({ at: '/properties/pieces/minimum' });
    expect(textCheck.schema('{"$ref": "urn:poietra:group:party"}', {}).faults[0]?.message).toMatch(/not at hand/);
    const documents = { 'urn:poietra:group:party': { type: 'object' } };
    expect(textCheck.schema('{"$ref": "urn:poietra:group:party"}', documents).faults).toEqual([]);
  });
  it('as hints: places are pointers, members are as their schema says, the kit’s own included', () => {
    expect(textCheck.hints('{"/properties/pieces": {"span": 6, "tide": "low"}}', kit.hints ?? {}).faults).toEqual([]);
    expect(textCheck.hints('{"/properties/pieces": {"fold": "half"}}', {}).faults[0]).toMatchObject({
      at: '/~1properties~1pieces/fold',
    });
    expect(textCheck.hints('{"/a": {"tide": 3}}', kit.hints ?? {}).faults[0]).toMatchObject({ at: '/~1a/tide' });
    expect(textCheck.hints('{"pieces": {}}', {}).faults).not.toEqual([]);
  });
  it('and told from the one that anybody would write', () => {
    expect(textCheck.json('{\n  "a": 1\n}').isPlain).toBe(true);
    expect(textCheck.json('{ "a": 1 }').isPlain).toBe(false);
    expect(textCheck.json('{\n  "a": 1 // one\n}')).toEqual({ faults: [], isPlain: false });
  });
  it('and ends where a schema is nested too deep', () => {
    const deep = '{"not":'.repeat(5000) + 'true' + '}'.repeat(5000);
    expect(textCheck.schema(deep, {}).faults[0]?.message).toMatch(/deep|levels|stack/i);
  });
});

describe('what may be written at a place', () => {
  const offers = schemaOffers(kit);
  it('of a schema: keywords, kinds, formats, groups; nothing where names are one’s own', () => {
    expect(offers([], true)).toEqual(expect.arrayContaining(['properties', 'minLength', 'x-poietra']));
    expect(offers(['properties'], true)).toEqual([]);
    expect(offers(['properties', 'pieces', 'type'], false)).toContain('integer');
    expect(offers(['properties', 'pieces', 'format'], false)).toContain('date');
    expect(offers(['items', '$ref'], false)).toEqual(['urn:poietra:group:party']);
  });
  it('of hints: their names, with those of the kit’s own, and the values that they take', () => {
    expect(offers(['properties', 'pieces', 'x-poietra'], true)).toEqual(expect.arrayContaining(['layout', 'tide']));
    expect(offers(['x-poietra', 'remote'], true)).toContain('from');
    expect(offers(['x-poietra', 'field'], false)).toEqual(['collection-date']);
    expect(offers(['x-poietra', 'layout'], false)).toContain('grid');
  });
  it('of hints beside a schema: first its places', () => {
    const beside = hintsOffers(kit, {
      properties: { cargo: { items: { properties: { weight: {} } } }, 'a/b': {} },
    });
    expect(beside([], true)).toEqual([
      '',
      '/properties/cargo',
      '/properties/cargo/items',
      '/properties/cargo/items/properties/weight',
      '/properties/a~1b',
    ]);
    expect(beside(['/properties/cargo'], true)).toContain('layout');
  });
});
