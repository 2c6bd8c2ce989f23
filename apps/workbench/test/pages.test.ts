import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { compileSchema, type Kit } from '@poietra/core';
import { fieldSample, usesOfField } from '../src/pages/fields/field-uses.js';
import { lineFor } from '../src/pages/inputs/use-stand.js';
import { inputTitle } from '../src/parts/names.js';

jest.mock('../src/parts/stand-frame.js', () => ({}));
const kit = JSON.parse(readFileSync(join(__dirname, '../../../demo/kit.json'), 'utf8')) as Kit;

it('a field’s uses are found in schemas, in hints beside them, and in groups', () => {
  expect(usesOfField('pieces', kit)).toEqual([
    { to: '/groups/cargo-line', text: 'Cargo line (group)' },
    { to: '/forms/freight-booking-short', text: 'Freight booking (short)' },
  ]);
  expect(usesOfField('party-name', kit)).toEqual([]);
  const hinted: Kit = {
    ...kit,
    groups: { p: { title: 'P', schema: { properties: { a: { 'x-poietra': { field: 'party-name' } } } } } },
    forms: { f: { title: 'F', schema: {}, hints: { '/a': { field: 'party-name' } } } },
  };
  expect(usesOfField('party-name', hinted).map(({ to }) => to)).toEqual(['/groups/p', '/forms/f']);
});

it('a field is drawn by a schema of its codec’s kind', () => {
  const sample = compileSchema(fieldSample('pieces', { ...kit.fields['pieces']!, required: true }, kit));
  expect([sample.accepts({ pieces: 3 }), sample.accepts({ pieces: '3' }), sample.accepts({})]).toEqual([
    true,
    false,
    false,
  ]);
  expect(compileSchema(fieldSample('x', { adapter: 'native:text', codec: 'json' }, kit)).accepts({ x: [1] })).toBe(
    true,
  );
});

it('the value line shows each station, and where the way breaks', () => {
  const line = lineFor({ $is: 'Date', value: '2026-12-01T00:00:00.000' }, { kind: 'date' });
  expect([line.shown.text, line.held.text, line.sent.text, line.broken]).toEqual([
    'Date 2026-12-01 00:00',
    'Date 2026-12-01 00:00',
    '"2026-12-01"',
    undefined,
  ]);
  expect(lineFor('12a', { kind: 'integer' })).toMatchObject({
    shown: { text: '"12a"' },
    held: { kind: 'undefined' },
    broken: '“12a” is no number: “a” does not belong in one.',
  });
});

it('inputs are called by what tells them apart', () => {
  const input = { id: '', package: 'tide', version: '', module: '', properties: [], events: [], methods: [], css: [] };
  expect([
    inputTitle({ ...input, family: 'element', tag: 'tide-box', export: 'TideBox' }),
    inputTitle({ ...input, family: 'component', export: 'default' }),
    inputTitle({ ...input, family: 'widget', export: 'create' }),
    inputTitle({ ...input, family: 'component', export: 'Picker' }),
  ]).toEqual(['<tide-box>', 'tide', 'tide.create', 'Picker']);
});
