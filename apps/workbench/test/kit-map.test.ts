import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Kit } from '@poietra/core';
import { columnsOf, kitMap, mappedKinds, tiedTo, type KitMap } from '../src/pages/map/kit-map.js';

jest.mock('../src/store/project.js', () => ({}));
const kit = JSON.parse(readFileSync(join(__dirname, '../../../demo/kit.json'), 'utf8')) as Kit;
const map = kitMap(kit);

it('has every part once, and links from what is used to what uses it', () => {
  expect(map.parts).toHaveLength(mappedKinds.reduce((sum, kind) => sum + Object.keys(kit[kind]).length, 0));
  expect(map.links).toEqual(
    expect.arrayContaining([
      { from: 'adapters:day-picker', to: 'fields:collection-date' },
      { from: 'codecs:calendar-date', to: 'fields:collection-date' },
      { from: 'fields:collection-date', to: 'forms:freight-booking-short' },
      { from: 'groups:party', to: 'forms:freight-booking-short' },
    ]),
  );
  expect(new Set(map.links.map(({ from, to }) => `${from} ${to}`)).size).toBe(map.links.length);
});

it('a part is tied to all it is made of and all that is made with it, and to nothing beside', () => {
  const tied = tiedTo(map, 'fields:collection-date');
  expect([...tied]).toEqual(
    expect.arrayContaining(['adapters:day-picker', 'codecs:calendar-date', 'forms:freight-booking-short']),
  );
  // Both are in a form with it; neither is made of it.
  expect([tied.has('fields:pieces'), tied.has('groups:party')]).toEqual([false, false]);
});

it('groups in a circle come to an end', () => {
  const circle: KitMap = {
    parts: [],
    links: [
      { from: 'groups:a', to: 'groups:b' },
      { from: 'groups:b', to: 'groups:a' },
    ],
  };
  expect([...tiedTo(circle, 'groups:a')].sort()).toEqual(['groups:a', 'groups:b']);
});

it('columns follow the order of work; what is made of what lies high lies high', () => {
  const part = (id: string) => {
    const [kind = '', name = ''] = id.split(':');
    return { id, kind: kind as 'fields', name, title: name };
  };
  const columns = columnsOf({
    parts: ['adapters:a', 'adapters:b', 'fields:loose', 'fields:of-b', 'fields:of-a'].map(part),
    links: [
      { from: 'adapters:b', to: 'fields:of-b' },
      { from: 'adapters:a', to: 'fields:of-a' },
    ],
  });
  expect(columns.map((column) => column.map(({ name }) => name))).toEqual([
    ['a', 'b'],
    [],
    ['of-a', 'of-b', 'loose'],
    [],
    [],
  ]);
});
