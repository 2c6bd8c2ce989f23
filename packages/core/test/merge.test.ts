import fc from 'fast-check';
import { mergeKits, takeThere, type Kit } from '../src/index.js';
import { bareKit as empty } from './bare-kit.js';

const form = (title: string, properties: Readonly<Record<string, unknown>> = {}): Kit['forms'][string] => ({
  title,
  schema: { type: 'object', properties },
});
const base: Kit = {
  ...empty,
  forms: { booking: form('Booking', { pieces: { type: 'integer' }, port: { type: 'string' } }), claim: form('Claim') },
};
const put = (name: string, one: Kit['forms'][string]): Kit => ({ ...base, forms: { ...base.forms, [name]: one } });

it('what was done on either side is there, each part told by who did it', () => {
  const { kit, differences } = mergeKits(base, put('claim', form('Damage')), put('visit', form('Visit')));
  expect(kit.forms).toEqual({ ...base.forms, claim: form('Damage'), visit: form('Visit') });
  expect(differences.map(({ at, by }) => `${at} ${by}`)).toEqual(['/forms/claim here', '/forms/visit there']);
});

it('two edits inside one part are both kept, and no conflict', () => {
  const here = put('booking', form('Freight booking', { pieces: { type: 'integer' }, port: { type: 'string' } }));
  const there = put(
    'booking',
    form('Booking', { pieces: { type: 'integer', minimum: 1 }, ro: true, port: { type: 'string' } }),
  );
  const { kit, differences } = mergeKits(base, here, there);
  expect(kit.forms['booking']).toEqual(
    form('Freight booking', { pieces: { type: 'integer', minimum: 1 }, ro: true, port: { type: 'string' } }),
  );
  expect(Object.keys((kit.forms['booking']!.schema as { properties: object }).properties)).toEqual([
    'pieces',
    'ro',
    'port',
  ]);
  expect(differences).toMatchObject([{ at: '/forms/booking', by: 'both', conflicts: [] }]);
});

it('where both say something else the side here stands, and the place is named', () => {
  const there = put('booking', form('Shipment'));
  const { kit, differences } = mergeKits(base, put('booking', form('Freight')), there);
  expect(kit.forms['booking']!.title).toBe('Freight');
  expect(differences[0]!.conflicts).toEqual(['/forms/booking/title']);
  expect(takeThere(kit, there, ['/forms/booking/title']).forms['booking']!.title).toBe('Shipment');
});

it('what one side took away and the other changed is a conflict, and can be taken away after all', () => {
  const { claim: _, ...rest } = base.forms;
  const there = { ...base, forms: rest };
  const { kit, differences } = mergeKits(base, put('claim', form('Damage')), there);
  expect(kit.forms).toHaveProperty('claim');
  expect(differences).toMatchObject([{ at: '/forms/claim', by: 'both', conflicts: ['/forms/claim'] }]);
  expect(takeThere(kit, there, ['/forms/claim']).forms).toEqual(rest);
});

it('another order of members is a change like any other', () => {
  const turned = put('booking', form('Booking', { port: { type: 'string' }, pieces: { type: 'integer' } }));
  expect(JSON.stringify(mergeKits(base, base, turned).kit)).toBe(JSON.stringify(turned));
});

it('without a common state nothing that only one side has is lost, and what differs is a conflict', () => {
  const { kit, differences } = mergeKits(undefined, put('visit', form('Visit')), put('claim', form('Damage')));
  expect(Object.keys(kit.forms).sort()).toEqual(['booking', 'claim', 'visit']);
  expect(kit.forms['claim']!.title).toBe('Claim');
  expect(differences.map(({ at, conflicts }) => [at, conflicts])).toEqual([
    ['/forms/claim', ['/forms/claim/title']],
    ['/forms/visit', []],
  ]);
});

describe('laws', () => {
  const leaf = fc.oneof(fc.integer(), fc.string(), fc.boolean(), fc.constant(null));
  const { value } = fc.letrec<{ value: unknown }>((tie) => ({
    value: fc.oneof(
      { depthSize: 'small', withCrossShrink: true },
      leaf,
      fc.dictionary(fc.constantFrom('a', 'b', '__proto__', 'x/y'), tie('value'), { noNullPrototype: true }),
      fc.array(tie('value'), { maxLength: 3 }),
    ),
  }));
  const kits = fc
    .dictionary(fc.constantFrom('booking', 'claim', 'visit'), value, { noNullPrototype: true })
    .map((forms) => ({ ...empty, forms }) as unknown as Kit);
  const text = (kit: Kit): string => JSON.stringify(kit);

  it('a side that did nothing changes nothing, and two that did the same agree', () => {
    fc.assert(
      fc.property(kits, kits, (was, now) => {
        expect(text(mergeKits(was, now, was).kit)).toBe(text(now));
        expect(mergeKits(was, was, now).kit).toEqual(now);
        expect(mergeKits(was, now, now).differences).toEqual([]);
      }),
    );
  });
  it('without conflicts it does not matter which side is here', () => {
    fc.assert(
      fc.property(kits, kits, kits, (was, one, other) => {
        const merged = mergeKits(was, one, other);
        if (merged.differences.every(({ conflicts }) => conflicts.length === 0))
          expect(mergeKits(was, other, one).kit).toEqual(merged.kit);
      }),
    );
  });
  it('taking the other side at all conflicts leaves none', () => {
    fc.assert(
      fc.property(kits, kits, kits, (was, one, other) => {
        const merged = mergeKits(was, one, other);
        const taken = takeThere(
          merged.kit,
          other,
          merged.differences.flatMap(({ conflicts }) => conflicts),
        );
        const again = mergeKits(other, taken, other);
        expect(again.differences.flatMap(({ conflicts }) => conflicts)).toEqual([]);
      }),
    );
  });
});
