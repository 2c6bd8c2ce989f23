import { EditorState } from '@codemirror/state';
import type { Kit } from '@poietra/core';
import { hintsOffers, schemaOffers } from '../src/parts/json-offers.js';
import { placeAt, rangeOf } from '../src/parts/json-places.js';

const text = `{
  // What the harbour master asks for.
  "properties": {
    "pieces": { "type": "integer", "minimum": 1 },
    "a/b": { "enum": ["dry", "reefer"] }
  },
  "required": ["pieces"]
}`;
const state = EditorState.create({ doc: text });
const cut = (pointer: string): string | undefined => {
  const range = rangeOf(state, pointer);
  return range && text.slice(range.from, range.to);
};

describe('a place in a text', () => {
  it('stands with its name, in lists alone', () => {
    expect(cut('/properties/pieces/minimum')).toBe('"minimum": 1');
    expect(cut('/properties/a~1b/enum/1')).toBe('"reefer"');
    expect(cut('/required/0')).toBe('"pieces"');
    expect(cut('')).toBe(text);
  });
  it('that is not there, or in another document, has no range', () => {
    expect(cut('/properties/weight')).toBeUndefined();
    expect(cut('/required/4')).toBeUndefined();
    expect(cut('urn:poietra:group:party#/properties/name')).toBeUndefined();
  });
  it('is found around the caret, and whether a name is to stand there', () => {
    expect(placeAt(state, text.indexOf('integer'))).toMatchObject({ at: '/properties/pieces/type', isName: false });
    expect(placeAt(state, text.indexOf('"minimum"') + 1)).toMatchObject({
      at: '/properties/pieces/minimum',
      isName: true,
    });
    expect(placeAt(state, text.indexOf('reefer'))).toMatchObject({ at: '/properties/a~1b/enum/1' });
  });
  it('is found in a text that is not whole yet', () => {
    const broken = EditorState.create({ doc: '{"properties": {"port": {"ty' });
    expect(placeAt(broken, broken.doc.length)).toMatchObject({ names: ['properties', 'port', 'ty'], isName: true });
    expect(rangeOf(broken, '/properties/port')).toBeDefined();
  });
});

describe('what may be written', () => {
  const kit = {
    fields: { 'pick-up': { adapter: 'calendar', codec: 'date' } },
    groups: { party: { title: 'Party', schema: {} } },
    skins: { desk: {} },
    hints: { tide: { schema: { enum: ['low', 'high'] }, does: 'words' } },
  } as unknown as Kit;
  const inSchema = schemaOffers(kit);

  it('in a schema are keywords, kinds, formats and the kit’s groups', () => {
    expect(inSchema(['properties', 'port'], true)).toEqual(expect.arrayContaining(['type', '$ref', 'x-poietra']));
    expect(inSchema(['properties'], true)).toEqual([]);
    expect(inSchema(['properties', 'port', 'type'], false)).toContain('integer');
    expect(inSchema(['properties', 'port', 'type', '0'], false)).toContain('null');
    expect(inSchema(['properties', 'port', 'format'], false)).toContain('date-time');
    expect(inSchema(['properties', 'port', '$ref'], false)).toEqual(['urn:poietra:group:party']);
    expect(inSchema(['title'], false)).toEqual([]);
  });
  it('in hints are hints, the kit’s own included, and what each may be', () => {
    expect(inSchema(['x-poietra'], true)).toEqual(expect.arrayContaining(['label', 'layout', 'tide']));
    expect(inSchema(['x-poietra', 'tide'], false)).toEqual(['low', 'high']);
    expect(inSchema(['x-poietra', 'field'], false)).toEqual(['pick-up']);
    expect(inSchema(['x-poietra', 'skin'], false)).toEqual(['plain', 'compact', 'desk']);
    expect(inSchema(['x-poietra', 'layout'], false)).toContain('grid');
  });
  it('beside a schema are first the places that it has', () => {
    const schema = { properties: { 'a/b': { type: 'string' }, lines: { items: { properties: { weight: {} } } } } };
    const beside = hintsOffers(kit, schema);
    expect(beside([], true)).toEqual([
      '',
      '/properties/a~1b',
      '/properties/lines',
      '/properties/lines/items',
      '/properties/lines/items/properties/weight',
    ]);
    expect(beside(['/properties/lines'], true)).toContain('tide');
    expect(beside(['/properties/lines', 'tide'], false)).toEqual(['low', 'high']);
    expect(beside([], false)).toEqual([]);
  });
});
