import { equalJson } from '@poietra/core';
import fc from 'fast-check';
import { apply, changesFor, merged, type Edit } from '../src/store/changes.js';
import { cellText, readCell } from '../src/parts/cell-text.js';
import { freeName } from '@poietra/core';

const edit = (changes: Edit['changes'], time = 0, merge?: string): Edit => ({
  label: 'x',
  changes,
  time,
  ...(merge ? { merge } : {}),
});

it('an edit and its undo leave the document as it was', () => {
  fc.assert(
    fc.property(
      fc.dictionary(fc.string(), fc.jsonValue()),
      fc.string(),
      fc.option(fc.jsonValue(), { nil: undefined }),
      (document, name, value) => {
        const at = `/${name.replaceAll('~', '~0').replaceAll('/', '~1')}`;
        const step = edit(changesFor(document, { [at]: value }));
        expect(equalJson(apply(apply(document, step, 'forth'), step, 'back'), document)).toBe(true);
      },
    ),
  );
});
it('what changes nothing is no step', () => expect(changesFor({ a: 1 }, { '/a': 1 })).toEqual([]));
it('steps of one kind that follow closely become one, with the first beginning and the last end', () => {
  const [first, second] = [
    edit([{ at: '/a', before: 1, after: 2 }], 0, 'a'),
    edit([{ at: '/a', before: 2, after: 3 }], 500, 'a'),
  ];
  expect(merged(first, second)?.changes).toEqual([{ at: '/a', before: 1, after: 3 }]);
  expect(merged(first, { ...second, time: 5000 })).toBeUndefined();
  expect(merged(first, { ...second, merge: 'b' })).toBeUndefined();
});
it('a cell is read as it is written', () => {
  for (const value of [
    1,
    'x',
    null,
    { $is: 'undefined' },
    { $is: 'Date', value: '2026-12-01T00:00:00.000' },
    { a: [1] },
  ])
    expect(readCell(cellText(value))).toEqual({ ok: true, written: value });
  expect(readCell('12a')).toMatchObject({ ok: false });
});
it('a new thing gets a free name', () =>
  expect([freeName('DayPicker', {}), freeName('Day picker', { 'day-picker': 1 }), freeName('…', {})]).toEqual([
    'day-picker',
    'day-picker-2',
    'new',
  ]));
describe('a step says as little as it can', () => {
  const before = { schema: { title: 'x', properties: { a: { type: 'string' }, b: { minimum: 1 } }, list: [1, 2, 3] } };
  const change = (schema: unknown) => changesFor(before, { '/schema': schema });
  it('one member of a whole is the change of that member', () => {
    expect(change({ title: 'x', properties: { a: { type: 'string' }, b: { minimum: 2 } }, list: [1, 5, 3] })).toEqual([
      { at: '/schema/properties/b/minimum', before: 1, after: 2 },
      { at: '/schema/list/1', before: 2, after: 5 },
    ]);
  });
  it('members that come, go or change their order are said by the object around them', () => {
    const { a, b } = before.schema.properties;
    expect(change({ ...before.schema, properties: { b, a } })).toEqual([
      { at: '/schema/properties', before: { a, b }, after: { b, a } },
    ]);
    expect(change({ ...before.schema, list: [1, 2] })).toEqual([
      { at: '/schema/list', before: [1, 2, 3], after: [1, 2] },
    ]);
  });
  it('steps at the same places become one, at others they stay apart', () => {
    const at = (places: readonly string[], time: number) =>
      edit(
        places.map((one) => ({ at: one, before: time, after: time + 1 })),
        time,
        'text',
      );
    expect(merged(at(['/a', '/b'], 0), at(['/a', '/b'], 500))?.changes).toEqual([
      { at: '/a', before: 0, after: 501 },
      { at: '/b', before: 0, after: 501 },
    ]);
    expect(merged(at(['/a', '/b'], 0), at(['/a'], 500))).toBeUndefined();
    expect(merged(at(['/a'], 0), at(['/b'], 500))).toBeUndefined();
  });
});
