import { kitSchema } from '../src/kit/kit.js';
import { z } from 'zod';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  compileSchema,
  mentionedAdapters,
  ownHintsOf,
  readKit,
  readKitText,
  strayMembers,
  writeKit,
  type Kit,
} from '../src/index.js';
import { usedAdapters } from '../src/handover/index.js';

const home = join(__dirname, '../../..');
const text = readFileSync(join(home, 'demo/kit.json'), 'utf8');
const demo = (): Record<string, Record<string, Record<string, unknown>>> => JSON.parse(text) as never;
const problemsOf = (value: unknown) => {
  const reading = readKit(value);
  return reading.ok ? [] : reading.problems.map(({ at, message }) => `${at}: ${message}`);
};

const bareKit = { poietra: 1, name: 'Skerry', inputs: {}, adapters: {}, codecs: {}, fields: {}, groups: {}, forms: {} };

it('reads the demo kit, and writes it as it was', () => {
  const reading = readKitText(text);
  expect(reading.ok && writeKit(reading.kit)).toBe(text);
});

it('keeps members that it does not know', () => {
  const kit: Record<string, unknown> & ReturnType<typeof demo> = { ...demo(), later: { x: { y: 1 } } };
  kit['fields']!['pieces']!['colour'] = 'blue';
  const reading = readKit(kit);
  expect(reading.ok && JSON.parse(writeKit(reading.kit))).toEqual(kit);
});

describe('what was deleted under something that uses it', () => {
  const gapsOf = (value: unknown) => {
    const reading = readKit(value);
    return reading.ok ? reading.gaps.map(({ at, message }) => `${at}: ${message}`) : ['refused'];
  };
  it('is a gap, told by its place; the kit is read all the same', () => {
    expect(gapsOf(demo())).toEqual([]);
    const kit = demo();
    kit['fields']!['pieces']!['adapter'] = 'gone';
    kit['fields']!['pieces']!['codec'] = 'lost';
    expect(gapsOf(kit)).toEqual([
      '/fields/pieces/adapter: There is no adapter “gone” in the kit.',
      '/fields/pieces/codec: There is no codec “lost”.',
    ]);
    const { party: _, ...groups } = demo()['groups'] as unknown as Record<string, unknown>;
    expect(gapsOf({ ...demo(), groups })).toEqual(
      expect.arrayContaining([
        expect.stringMatching(/^\/forms\/freight-booking-short\/schema\/properties\/consignor\/\$ref: /),
      ]),
    );
  });
  it('does not hide what is wrong beside it', () => {
    const schema = { properties: { from: { $ref: 'urn:poietra:group:gone' }, name: { type: 'txt' } } };
    expect(problemsOf({ ...bareKit, forms: { odd: { title: 'Odd', schema } } })).toEqual([
      '/forms/odd/schema/properties/name/type: “type” names no type of JSON: "txt".',
    ]);
  });
});

describe('a broken kit is refused with the place named', () => {
  it('where the text is no JSON', () => {
    const reading = readKitText('{\n  "poietra": 1,\n  oops\n}');
    expect(reading).toEqual({
      ok: false,
      problems: [{ at: '', message: 'This is no JSON: it breaks off at line 3, column 3.', line: 3, column: 3 }],
    });
    expect(readKitText('{').ok).toBe(false);
  });
  it('where it is something else', () => {
    expect(problemsOf({ name: 'x' })).toEqual([
      '/poietra: This is no kit file: it has no member “poietra” with the version.',
    ]);
    expect(problemsOf({ ...demo(), poietra: 99 })).toEqual([
      '/poietra: The file was written by a newer Poietra (format 99; this one reads up to 1).',
    ]);
  });
  it('where a member has the wrong shape', () => {
    const kit = demo();
    kit['adapters']!['day-picker']!['change'] = { report: 'onSelect', path: 'first' };
    expect(problemsOf(kit)).toEqual([
      '/adapters/day-picker/change/path: starts with the argument’s number, like /0/target/value',
    ]);
  });
  it('where a part has a name that cannot be one', () =>
    expect(readKit({ ...bareKit, forms: { 'ship to': { title: 'Ship to', schema: {} } } })).toEqual({
      ok: false,
      problems: [
        {
          at: '/forms/ship to',
          message: 'a name starts with a letter and has only letters, digits, ".", "_" and "-", at most 64',
        },
      ],
    }));
  it('where a member is missing or of another kind, in words', () => {
    const read = readKit({ ...bareKit, inputs: [], forms: undefined });
    expect(read.ok ? [] : read.problems).toEqual([
      { at: '/inputs', message: 'It has to be an object.' },
      { at: '/forms', message: 'It is missing: it has to be an object.' },
    ]);
  });
  it('where a schema is wrong or refers to what is not there', () => {
    const kit = demo();
    kit['groups']!['party']!['schema'] = { properties: { name: { type: 'txt' } } };
    expect(problemsOf(kit)[0]).toBe('/groups/party/schema/properties/name/type: “type” names no type of JSON: "txt".');
  });
  it('where it is nested without end', () => {
    let deep: unknown = {};
    for (let i = 0; i < 5000; i++) deep = { deep };
    expect(problemsOf({ ...demo(), deep })).toEqual([': The document is nested deeper than 500 levels.']);
  });
});

it('does not let a member called __proto__ change anything', () => {
  const reading = readKit(
    JSON.parse(text.replace('"name": "Skerry Line"', '"name": "Skerry Line", "__proto__": {"polluted": true}')),
  );
  expect(reading.ok).toBe(true);
  expect(({} as Record<string, unknown>)['polluted']).toBeUndefined();
});

it('the published schema of the kit file accepts the demo kit, and refuses what the reader refuses', () => {
  const published = compileSchema(JSON.parse(readFileSync(join(home, 'docs/kit.schema.json'), 'utf8')));
  expect(published.validate(JSON.parse(text)).problems).toEqual([]);
  const broken = demo() as unknown as { adapters: Record<string, Record<string, unknown>> };
  delete broken.adapters['day-picker']!['value'];
  expect(published.accepts(broken)).toBe(false);
  expect(readKit(broken as unknown as Kit).ok).toBe(false);
});

it('the published schema is the one that the reader has', () => {
  const published = JSON.parse(readFileSync(join(home, 'docs/kit.schema.json'), 'utf8')) as Record<string, unknown>;
  const { $id: _, title: __, ...rest } = published;
  const withoutNotes = JSON.parse(
    JSON.stringify(rest, (key, value: unknown) =>
      key === 'description' && typeof value === 'string' ? undefined : value,
    ),
  ) as unknown;
  expect(withoutNotes).toEqual(z.toJSONSchema(kitSchema, { io: 'input', unrepresentable: 'any' }));
});

describe('members that the format does not know', () => {
  it('are none in the demo kit', () => expect(strayMembers(demo())).toEqual([]));
  it.each<[string, unknown, string]>([
    ['/codecs/a', { kind: 'text', option: {} }, 'There is no member “option” here. Did you mean “options”?'],
    [
      '/codecs/a',
      { kind: 'text', cases: [{ shown: 1, sned: 1 }] },
      'There is no member “sned” here. Did you mean “sent”?',
    ],
    ['/adapters/a', { value: { property: 'x', emtpy: '' } }, 'There is no member “emtpy” here. Did you mean “empty”?'],
    [
      '/adapters/a',
      { focus: { by: 'inner', selectors: 'a' } },
      'There is no member “selectors” here. Did you mean “selector”?',
    ],
    ['/forms/a', { send: { path: '/a', kye: 'n' } }, 'There is no member “kye” here. Did you mean “key”?'],
    ['', { feilds: {} }, 'There is no member “feilds” here. Did you mean “fields”?'],
  ])('at %s: %j', (at, value, message) => {
    expect(strayMembers(value, at).map((one) => one.message)).toEqual([message]);
  });
  it('names of one’s own, schemas and options are no members of the format', () => {
    expect(strayMembers({ kind: 'x', options: { any: { thing: 1 } } }, '/codecs/a')).toEqual([]);
    expect(strayMembers({ title: 'A', schema: { properties: { any: {} }, own: 1 } }, '/forms/a')).toEqual([]);
    expect(strayMembers({ constants: { any: 1 } }, '/adapters/a')).toEqual([]);
  });
});

describe('the adapters that a form can come to use', () => {
  const kit = demo() as unknown as Kit;
  const mentioned = (schema: unknown, hints = {}, of: Kit = kit) => mentionedAdapters({ schema, hints }, of);
  it('are those of the fields that it names, in the schema or beside it', () => {
    const field = { 'x-poietra': { field: 'collection-date' } };
    expect(mentioned({ properties: { collection: field } })).toEqual(['day-picker']);
    expect(mentioned({}, { '/properties/collection': { field: 'collection-date' } })).toEqual(['day-picker']);
    expect(mentioned({ description: 'collection-date' })).toEqual([]);
  });
  it('and of the groups that it refers to, through other groups as well', () => {
    const schema = { $ref: 'urn:poietra:group:outer' };
    const groups = {
      outer: { title: 'Outer', schema: { properties: { a: { $ref: 'urn:poietra:group:inner' } } } },
      inner: { title: 'Inner', schema: { $ref: 'urn:poietra:group:outer', 'x-poietra': { field: 'collection-date' } } },
    };
    expect(mentioned(schema, {}, { ...kit, groups })).toEqual(['day-picker']);
  });
  it('and of the rules that can fit', () => {
    const rules = [{ format: 'date', use: { adapter: 'day-picker', codec: { kind: 'date' } } }];
    expect(mentioned({ type: 'string', format: 'date' }, {}, { ...kit, rules })).toEqual(['day-picker']);
    expect(mentioned({ type: 'string' }, {}, { ...kit, rules })).toEqual([]);
  });
  it('never miss one that the plan then uses', () => {
    for (const form of Object.values(kit.forms))
      expect(mentionedAdapters(form, kit)).toEqual(expect.arrayContaining(usedAdapters(form, kit)));
  });
});

it('the kit’s own hints say all that was left to be understood', () =>
  expect(
    ownHintsOf({
      hints: {
        tide: { schema: true, does: 'words' },
        rows: { schema: true, does: 'property' },
        size: { schema: true, does: 'property', property: 'maxLength' },
        calm: { schema: true, does: 'mark' },
      },
    }),
  ).toEqual({
    tide: { does: 'words', words: '{value}' },
    rows: { does: 'property', property: 'rows' },
    size: { does: 'property', property: 'maxLength' },
    calm: { does: 'mark' },
  }));
