import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { compileSchema, kitDocuments, makePlan, type Kit } from '@poietra/core';
import { fieldSample } from '../src/pages/fields/field-sample.js';
import { readTyped } from '../src/parts/read-typed.js';
import { fromSettings, settingsOf, settingsSchema } from '../src/pages/forms/settings.js';
import { sketch } from '../src/pages/forms/sketch-marks.js';
import { lineFor } from '../src/parts/line-for.js';
import { inputTitle } from '../src/parts/names.js';

jest.mock('../src/parts/stand-frame.js', () => ({}));
const kit = JSON.parse(readFileSync(join(__dirname, '../../../demo/kit.json'), 'utf8')) as Kit;

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

describe('what one begins a form with', () => {
  it.each([
    ['JSON', '{"port":"ALD"}', { port: 'ALD' }],
    ['JSON with comments', '{ // where\n"port": "ALD" }', { port: 'ALD' }],
    ['YAML', 'port: ALD\ndepth: 4\n', { port: 'ALD', depth: 4 }],
  ])('is read as %s', (_, text, value) => {
    expect(readTyped(text)).toEqual({ ok: true, value });
  });
  it('is read as several samples, one a line', () => {
    expect(readTyped('{"a":1}\n{"a":2}\n')).toEqual({ ok: true, value: { a: 1 }, several: [{ a: 1 }, { a: 2 }] });
  });
  it.each(['{"a":', 'a: [', '&a [*a, *a, *b]', ''])('is refused with a reason: %j', (text) => {
    expect(readTyped(text)).toMatchObject({ ok: false, reason: expect.any(String) as string });
  });
});

describe('a form’s settings', () => {
  const forms = Object.entries(kit.forms);
  it.each(forms)('of %s are shown as they are, and shown unchanged mean the same', (_, form) => {
    const settings = settingsOf(form);
    expect(compileSchema(settingsSchema(['suite'])).validate(settings).problems).toEqual([]);
    const { send, tell, hidden, skin, language, messages } = form;
    const told = fromSettings(settings);
    expect(settingsOf({ ...form, ...told })).toEqual(settings);
    expect(told.send).toEqual(send);
    expect({ tell: 'leave', hidden: 'drop', skin: 'plain', ...defined(told) }).toMatchObject(
      defined({ tell, hidden, skin, language, messages }),
    );
  });
  it('without an address send nowhere, and with one have a key', () => {
    expect(fromSettings({ address: '', sending: { key: 'number' } }).send).toBeUndefined();
    expect(fromSettings({ address: '/a' }).send).toEqual({ path: '/a', key: 'id' });
    expect(fromSettings({ address: '/a', sending: { methods: {}, token: {} } }).send).toEqual({
      path: '/a',
      key: 'id',
    });
  });
});
const defined = (value: object): object => JSON.parse(JSON.stringify(value)) as object;

describe('a small drawing', () => {
  it.each(Object.entries(kit.forms))('of %s lies on its sheet, fields behind no other', (_, { schema, hints }) => {
    const compiled = compileSchema(schema, { documents: kitDocuments(kit) });
    const { marks, height } = sketch(makePlan(compiled, hints, { fields: kit.fields, codecs: kit.codecs }), 200, 1000);
    const fields = marks.filter(({ kind }) => ['field', 'choice', 'tick'].includes(kind));
    expect(fields.length).toBeGreaterThan(3);
    for (const { x, y, width, height: own } of marks)
      expect([x >= 0, x + width <= 200.5, y >= 0, y + own <= height + 0.5]).toEqual([true, true, true, true]);
    const crossing = fields.filter((a, i) =>
      fields.some(
        (b, j) => i < j && a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height,
      ),
    );
    expect(crossing).toEqual([]);
  });
  it('of a schema that contains itself comes to an end', () => {
    const schema = { type: 'object', properties: { a: { $ref: '#' }, b: { type: 'array', items: { $ref: '#' } } } };
    expect(sketch(makePlan(compileSchema(schema)), 200, 60).height).toBeLessThanOrEqual(60);
  });
});
