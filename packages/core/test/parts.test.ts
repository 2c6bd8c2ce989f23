import fc from 'fast-check';
import {
  copyPart,
  freeName,
  freeNameFor,
  readKit,
  removePart,
  renamePart,
  replaceAt,
  removeAt,
  usesOfPart,
  type Kit,
  type KitEdits,
  type PartKind,
} from '../src/index.js';

const kit: Kit = {
  poietra: 1,
  name: 'Skerry Line',
  inputs: {
    'flat#Day': { family: 'component', package: 'flat', version: '1.0.0', export: 'Day', module: 'flat', css: [] },
  },
  adapters: {
    day: {
      input: 'flat#Day',
      value: { property: 'value' },
      change: { report: 'onChange', path: '/0' },
      focus: { by: 'element' },
    },
  },
  codecs: { pieces: { kind: 'integer', title: 'Pieces' } },
  fields: {
    sailing: { title: 'Sailing day', adapter: 'day', codec: 'pieces' },
    other: { adapter: 'native:text', codec: 'text' },
  },
  groups: {
    party: {
      title: 'Party',
      schema: {
        type: 'object',
        properties: { name: { type: 'string', 'x-poietra': { field: 'sailing', tint: 'warm' } } },
      },
    },
    pair: {
      title: 'Pair',
      schema: { properties: { one: { $ref: 'urn:poietra:group:party#/properties/name' } } },
    },
  },
  forms: {
    form: {
      title: 'Form',
      skin: 'desk',
      schema: {
        type: 'object',
        default: { 'x-poietra': { field: 'sailing' } },
        properties: {
          $ref: { $ref: 'urn:poietra:group:party' },
          field: { type: 'string', 'x-poietra': { skin: 'desk' } },
        },
      },
      hints: { '/properties/field': { field: 'sailing' } },
    },
  },
  skins: { desk: { component: 'flat#Box' } },
  hints: { tint: { schema: { type: 'string' }, does: 'mark' } },
  rules: [{ kind: 'string', use: { adapter: 'day', codec: { kind: 'text' }, field: 'sailing' } }],
  proofs: { day: { now: { version: '1.0.0', time: '2026-01-01T00:00:00Z', adapter: '', verdicts: [] } } },
};
const applied = (of: Kit, edits: KitEdits): Kit =>
  Object.entries(edits).reduce(
    (next, [at, value]) => (value === undefined ? removeAt(next, at) : replaceAt(next, at, value)),
    of,
  );
const places = (kind: PartKind, name: string): string[] => usesOfPart(kit, kind, name).map(({ at }) => at);

describe('uses of a part', () => {
  it.each<[PartKind, string, string[]]>([
    ['adapters', 'day', ['/fields/sailing/adapter', '/rules/0/use/adapter']],
    ['codecs', 'pieces', ['/fields/sailing/codec']],
    [
      'fields',
      'sailing',
      [
        '/groups/party/schema/properties/name/x-poietra/field',
        '/forms/form/hints/~1properties~1field/field',
        '/rules/0/use/field',
      ],
    ],
    ['groups', 'party', ['/forms/form/schema/properties/$ref/$ref', '/groups/pair/schema/properties/one/$ref']],
    ['skins', 'desk', ['/forms/form/schema/properties/field/x-poietra/skin', '/forms/form/skin']],
    ['hints', 'tint', ['/groups/party/schema/properties/name/x-poietra/tint']],
    ['forms', 'form', []],
  ])('of the %s “%s” are told by place', (kind, name, at) => {
    expect(places(kind, name)).toEqual(at);
  });

  it('are told with the title of what uses it', () => {
    expect(usesOfPart(kit, 'codecs', 'pieces')[0]).toMatchObject({ kind: 'fields', title: 'Sailing day' });
  });

  it('pass over values: a default that looks like a hint is none', () => {
    expect(places('fields', 'sailing').some((at) => at.includes('/default/'))).toBe(false);
  });
});

describe('another name', () => {
  const kinds = [
    ['adapters', 'day'],
    ['codecs', 'pieces'],
    ['fields', 'sailing'],
    ['groups', 'party'],
    ['forms', 'form'],
    ['skins', 'desk'],
    ['hints', 'tint'],
  ] as const;

  it('carries every use along, and back again gives the kit as it was', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...kinds),
        fc.constantFrom('form2', 'class', 'default', 'x.y-z'),
        ([kind, from], to) => {
          const there = applied(kit, renamePart(kit, kind, from, to));
          expect(usesOfPart(there, kind, to)).toHaveLength(usesOfPart(kit, kind, from).length);
          expect(usesOfPart(there, kind, from)).toEqual([]);
          expect(readKit(there)).toMatchObject({ ok: true, gaps: [] });
          expect(JSON.stringify(applied(there, renamePart(there, kind, to, from)))).toBe(JSON.stringify(kit));
        },
      ),
    );
  });

  it('takes the proof of an adapter along', () => {
    expect(applied(kit, renamePart(kit, 'adapters', 'day', 'night')).proofs).toHaveProperty('night');
  });

  it('is refused where another part has it, and where it is none', () => {
    expect(() => renamePart(kit, 'fields', 'sailing', 'other')).toThrow('There is another “other” among the fields.');
    expect(() => renamePart(kit, 'fields', 'sailing', '1a')).toThrow('starts with a letter');
    expect(() => renamePart(kit, 'codecs', 'pieces', 'text')).toThrow('“text” is a built-in codec');
    expect(freeNameFor(kit, 'codecs', 'text')).toBe('text-2');
    expect(() => renamePart(kit, 'fields', 'nothing', 'a')).toThrow('There is no “nothing”');
  });
});

describe('copies and removal', () => {
  it('makes a copy with a name and a title of its own, which nothing uses yet', () => {
    const { name, edits } = copyPart(kit, 'fields', 'sailing');
    const next = applied(kit, edits);
    expect(name).toBe('copy-of-sailing-day');
    expect(next.fields[name]).toMatchObject({ title: 'Copy of Sailing day', adapter: 'day' });
    expect(usesOfPart(next, 'fields', name)).toEqual([]);
  });

  it('takes an adapter away with its proof', () => {
    const next = applied(kit, removePart(kit, 'adapters', 'day'));
    expect([next.adapters, next.proofs]).toEqual([{}, {}]);
  });

  it('gives names that can be had, of any words', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 100 }), (words) => {
        const name = freeName(words, kit.forms);
        expect(() => renamePart(kit, 'forms', 'form', name)).not.toThrow();
      }),
    );
    expect(freeName('Form', kit.forms)).toBe('form-2');
    expect(freeName('Ålesund – Bodø', {})).toBe('alesund-bod');
  });
});
