import { equalJson, type Kit } from '@poietra/core';
import fc from 'fast-check';
import { meaningOf, mended, plainText, textOf, withTexts } from '../src/store/written.js';

const text = `{
  // What the harbour asks first.
  "type": "object",
  "properties": {
    "vessel": { "type": "string" }, // by name
    /* draught in metres */
    "draught": {"type":"number",   "minimum": 0},
    "berth": { "enum": ["A", "B"] }
  },
  "required": ["vessel"]
}
`;
const before = meaningOf(text) as Record<string, unknown>;
const after = (change: (schema: typeof before & { properties: Record<string, unknown> }) => void): unknown => {
  const copy = structuredClone(before) as typeof before & { properties: Record<string, unknown> };
  change(copy);
  return copy;
};

describe('a text with comments', () => {
  it('means what it says without them, and says where it breaks', () => {
    expect(before).toMatchObject({ type: 'object', required: ['vessel'] });
    expect(() => meaningOf('{ // x\n "a": }')).toThrow('line 2, column 7: a value is missing here');
  });
  it('is shown as long as it means the value, member for member', () => {
    expect(textOf(before, text)).toBe(text);
    expect(textOf({ ...before, title: 'x' }, text)).toBe(plainText({ ...before, title: 'x' }));
  });
  it('keeps all else when a rule changes', () => {
    const next = after(({ properties }) => (properties['draught'] = { type: 'number', minimum: 2 }));
    expect(mended(text, before, next)).toBe(text.replace('"minimum": 0', '"minimum": 2'));
  });
  it('takes comments along when members change their order', () => {
    const { vessel, draught, berth } = before['properties'] as Record<string, unknown>;
    const next = after((schema) => (schema.properties = { draught, berth, vessel }));
    const mendedText = mended(text, before, next) ?? '';
    expect(meaningOf(mendedText)).toEqual(next);
    expect(mendedText).toMatch(/\/\* draught in metres \*\/\s+"draught": {"type":"number", {3}"minimum": 0},/);
    expect(mendedText).toMatch(/"vessel": { "type": "string" } \/\/ by name/);
  });
  it('adds and removes entries of a list where they stand', () => {
    const next = after((schema) => (schema['required'] = ['vessel', 'berth']));
    expect(mended(text, before, next)?.startsWith(text.slice(0, text.indexOf('"required"')))).toBe(true);
    expect(meaningOf(mended(text, before, next) ?? '')).toEqual(next);
  });
  it('always means what it has to mean, whatever the edit', () => {
    fc.assert(
      fc.property(fc.jsonValue(), fc.jsonValue(), (from, to) => {
        const changed = mended(plainText(from), from, to);
        expect(changed === undefined || equalJson(meaningOf(changed), to)).toBe(true);
      }),
    );
  });
});

it('an edit of a schema brings that of its text along, and a text given at once is taken', () => {
  const kit = {
    forms: { harbour: { title: 'Harbour', schema: before, written: { schema: text } } },
  } as unknown as Kit;
  const next = after((schema) => (schema['title'] = 'Call'));
  const places = withTexts(kit, { '/forms/harbour/schema': next });
  expect(meaningOf(String(places['/forms/harbour/written/schema']))).toEqual(next);
  expect(String(places['/forms/harbour/written/schema'])).toContain('// What the harbour asks first.');
  const given = { '/forms/harbour/schema': next, '/forms/harbour/written/schema': '{}' };
  expect(withTexts(kit, given)).toEqual(given);
});
