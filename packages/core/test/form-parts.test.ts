/** The parts of a form by themselves, and what only shows where several of them meet. */
import {
  compileSchema,
  loadExpressions,
  openForm,
  type Expressions,
  type Form,
  type FormOptions,
} from '../src/index.js';
import { Beginning } from '../src/form/beginning.js';
import { FormDocument } from '../src/form/document.js';
import { normalWhileTyping } from '../src/form/normal.js';
import { asksExpressions, asksParts, asksServers } from '../src/form/asked.js';
import { formParts } from '../src/form/parts.js';
import { openPrepared } from '../src/form/prepare.js';
import { makeCodec } from '../src/codec/index.js';

let expressions: Expressions;
beforeAll(async () => {
  expressions = await loadExpressions();
});
beforeEach(() => void jest.spyOn(console, 'warn').mockImplementation(() => undefined));
const open = (schema: object, more: Partial<FormOptions> = {}): Form => openForm({ schema, expressions, ...more });
const object = (properties: object, more: object = {}): object => ({ type: 'object', properties, ...more });
const text = { type: 'string' };
const whole = { type: 'integer' };
const soon = (milliseconds = 10): Promise<void> => new Promise((resolve) => setTimeout(resolve, milliseconds));

describe('what a form has fetched', () => {
  test.each([
    ['{}', false],
    ['{"type":"string","title":"one of"}', false],
    ['{"type":"array"}', true],
    ['{"items":{}}', true],
    ['{"prefixItems":[]}', true],
    ['{"oneOf":[]}', true],
    ['{"anyOf":[]}', true],
    ['{"type":["string","null"]}', true],
    ['{"default":1}', true],
    ['{"x-poietra":{"input":"list"}}', true],
    ['{"codec":{"kind":"normal"}}', true],
    ['{"rules":[]}', true],
    ['{"check":{}}', true],
    ['{"computed":"1"}', true],
  ])('for %s more is fetched: %s', (schema, is) => {
    expect([asksParts, asksExpressions, asksServers].some((asks) => asks(schema))).toBe(is);
  });
  test('whether expressions and servers are asked', () => {
    expect(['"condition":', '"computed":', '"rules":', '"conditions":'].map(asksExpressions)).toEqual([
      true,
      true,
      true,
      false,
    ]);
    expect(['"check":', '"checks":'].map(asksServers)).toEqual([true, false]);
  });
  test('a form opened with them fills in, moves and computes; one without leaves a value as it is', () => {
    const schema = object({ list: { type: 'array', items: whole, default: [1] }, sum: whole, name: text });
    const compiled = compileSchema(schema);
    const form = openPrepared(
      compiled,
      { expressions, computed: [{ at: '/sum', text: 'size(form.list)' }] },
      formParts,
    );
    expect(form.sent()).toEqual({ list: [1], sum: 1 });
    form.list('/list').add(2);
    expect(form.field('/list').sent).toEqual([1, 2]);
    const bare = openPrepared(compiled, {});
    bare.field('/name').report('12');
    expect(bare.sent()).toEqual({ name: '12' });
    expect(() => bare.list('/list').add(2)).toThrow('No list.');
  });
});

describe('a document', () => {
  const never = (): boolean => false;
  test.each<[string, unknown, string, unknown, unknown, string]>([
    ['a member', { a: 1 }, '/b', 2, { a: 1, b: 2 }, '/b'],
    ['objects on the way, told at the outermost', {}, '/a/b/c', 1, { a: { b: { c: 1 } } }, '/a'],
    ['from nothing', undefined, '/a', 1, { a: 1 }, ''],
    ['over what is no object', { a: 1 }, '/a/b', 2, { a: { b: 2 } }, '/a'],
    ['over null', { a: null }, '/a/b', 2, { a: { b: 2 } }, '/a'],
    ['the whole', { a: 1 }, '', 2, 2, ''],
    ['taking away what is not there', { a: 1 }, '/b/c', undefined, { a: 1 }, '/b/c'],
    ['taking away below null', { a: null }, '/a/c', undefined, { a: null }, '/a/c'],
    ['taking away the last member', { a: { b: { c: 1 } }, d: 1 }, '/a/b/c', undefined, { d: 1 }, '/a'],
    ['taking away one of two', { a: { b: 1, c: 2 } }, '/a/b', undefined, { a: { c: 2 } }, '/a/b'],
    ['taking away the last of the whole', { a: 1 }, '/a', undefined, {}, '/a'],
    ['an entry stays as an object', [{ a: 1 }], '/0/a', undefined, [{}], '/0/a'],
    ['an entry is emptied in its place', [1, 2], '/0', undefined, [null, 2], '/0'],
  ])('%s', (_, before, at, value, after, changed) => {
    const document = new FormDocument(structuredClone(before));
    expect([document.write(at, value, never, never), document.root]).toEqual([changed, after]);
  });
  test('keeps what has to be there, and makes lists where they belong', () => {
    const document = new FormDocument({ a: { b: { c: 1 } } });
    expect(document.write('/a/b/c', undefined, (at) => at === '/a', never)).toBe('/a/b');
    expect(document.root).toEqual({ a: {} });
    document.write('/a/l/0', 7, never, (at) => at === '/a/l');
    expect(document.root).toEqual({ a: { l: [7] } });
  });
});

describe('where a form began', () => {
  test.each<[string, unknown, string, unknown, boolean]>([
    ['a member as it was', { a: 1 }, '/a', 1, false],
    ['another', { a: 1 }, '/a', 2, true],
    ['a list of as many', { a: [1, 2] }, '/a', [1, 3], true],
    ['the same list', { a: [1, 2] }, '/a', [1, 2], false],
    ['a longer list', { a: [1] }, '/a', [1, 2], true],
    ['a list in place of an object', { a: {} }, '/a', [], true],
    ['an object in place of a list', { a: [] }, '/a', {}, true],
    ['null in place of an object', { a: {} }, '/a', null, true],
    ['an object in place of null', { a: null }, '/a', {}, true],
    ['deep down', { a: { b: [{ c: 1 }] } }, '/a/b/0/c', 2, true],
    ['nothing in place of something', { a: { b: 1 } }, '/a/b', undefined, true],
  ])('%s', (_, begun, at, value, isLeft) => {
    const now = new FormDocument(structuredClone(begun));
    const beginning = new Beginning(now);
    beginning.take(structuredClone(begun), undefined);
    expect(beginning.isLeft).toBe(false);
    const before = now.read(at);
    const keeps = (): boolean => true;
    now.write(at, value, keeps, keeps);
    beginning.note(at);
    expect([beginning.isLeft, beginning.isLeftAt(at)]).toEqual([isLeft, isLeft]);
    // Back again, told at another depth: nothing is left.
    now.write(at, before, keeps, keeps);
    beginning.note(isLeft ? at.slice(0, at.lastIndexOf('/')) : at);
    expect(beginning.isLeft).toBe(false);
  });
  test('two members that differ come back one by one', () => {
    const now = new FormDocument({ a: { x: 1, y: 1 }, l: [1, 2] });
    const beginning = new Beginning(now);
    beginning.take({ a: { x: 1, y: 1 }, l: [1, 2] }, undefined);
    const put = (at: string, value: unknown): boolean => {
      now.write(
        at,
        value,
        () => true,
        () => false,
      );
      beginning.note(at);
      return beginning.isLeft;
    };
    expect([put('/a/x', 2), put('/a/y', 2), put('/a/x', 1), put('/a/y', 1)]).toEqual([true, true, true, false]);
    expect([put('/l', [1]), put('/l/0', 1), put('/l', [1, 2])]).toEqual([true, true, false]);
  });
});

test('a text is normal while it is typed only where something behind it would keep it', () => {
  const slug = makeCodec({ kind: 'slug' });
  const shown = (raw: string): string => {
    const parsed = slug.parse(raw);
    return String(parsed.ok ? slug.show(parsed.held) : '');
  };
  expect(['a ', 'a b', 'A', ' '].map((raw) => normalWhileTyping(slug, raw, shown(raw)))).toEqual([
    'a-',
    'a-b',
    'a',
    '',
  ]);
  // One that takes no letter cannot be asked that way: what it shows stands.
  const count = makeCodec({ kind: 'integer' });
  expect(normalWhileTyping(count, '12 ', '12')).toBe('12');
});

describe('who has entered something that one option alone has', () => {
  const chooser = { key: '#/oneOf', pick: () => 0 };
  test('stays in it while the value is half typed', () => {
    const form = open({ oneOf: [object({ plate: { ...text, minLength: 5 } }), object({ berth: whole })] });
    form.field('/plate').report('AB');
    expect([form.chosen('', chooser), form.field('/plate').inForce]).toEqual([0, true]);
  });
  test('may be led to another by what both have', () => {
    const form = open({
      oneOf: [
        object({ kind: { enum: ['crate', 'box'] }, size: whole }),
        object({ kind: { const: 'sack' }, weight: whole }),
      ],
    });
    form.put('/kind', 'sack');
    expect([form.field('/weight').inForce, form.field('/size').inForce]).toEqual([true, false]);
  });
  test('takes no option of the place itself: a value tells there', () => {
    const form = open(object({ e: { oneOf: [{ ...text, minLength: 3 }, whole] } }));
    form.put('/e', 5);
    form.put('/e', 'abcd');
    form.put('/e', 6);
    expect(form.problems()).toEqual([]);
  });
});

describe('members of an object that several branches speak of', () => {
  const either = object(
    { kind: { enum: ['gas', 'box'] } },
    {
      oneOf: [
        object({ kind: { const: 'gas' }, cargo: object({ tank: text, seal: text }) }, { required: ['kind'] }),
        object({ kind: { const: 'box' }, cargo: object({ lid: text, seal: text }) }, { required: ['kind'] }),
      ],
    },
  );
  test('are in force with their own branch, those of both with either', () => {
    const form = open(either, { values: { kind: 'gas', cargo: { tank: '3', seal: 'x' } } });
    form.put('/kind', 'box');
    expect(form.sent()).toEqual({ kind: 'box', cargo: { seal: 'x' } });
    form.put('/kind', 'gas');
    expect(form.sent()).toEqual({ kind: 'gas', cargo: { tank: '3', seal: 'x' } });
  });
  test('of a branch that holds for more than one object', () => {
    const form = open(
      object(
        { big: { type: 'boolean' }, cargo: object({ seal: text }) },
        {
          if: { properties: { big: { const: true } }, required: ['big'] },
          then: object({ cargo: object({ crane: text }) }),
          else: object({ cargo: object({ strap: text }) }),
        },
      ),
      { values: { big: true, cargo: { seal: 'x', crane: 'north' } } },
    );
    form.put('/big', false);
    expect(form.sent()).toEqual({ big: false, cargo: { seal: 'x' } });
    form.put('/cargo/strap', '2');
    form.put('/big', true);
    expect(form.sent()).toEqual({ big: true, cargo: { seal: 'x', crane: 'north' } });
  });
});

describe('computed values', () => {
  const rows = object({
    rows: { type: 'array', items: object({ a: whole, b: whole, c: whole }) },
    rate: whole,
    g: object({ x: whole }),
  });
  const told = (computed: Readonly<Record<string, string>>): string[] =>
    open(rows, {
      computed: Object.entries(computed).map(([at, expression]) => ({ at, text: expression })),
      values: { rows: [{ a: 1 }] },
    }).troubles.flatMap(({ says }) => /computed value at (.*)\. It is not computed/.exec(says)?.[1] ?? []);
  test.each<[Record<string, string>, string[]]>([
    [
      { '/rows/*/a': 'here.b', '/rows/*/b': 'here.a' },
      ['/rows/*/a depends on itself, by way of /rows/*/b', '/rows/*/b depends on itself, by way of /rows/*/a'],
    ],
    [
      { '/rows/*/a': 'form.rows[0].b', '/rows/*/b': 'here.a + form.g.x', '/g/x': 'form.rate' },
      ['/rows/*/a depends on itself, by way of /rows/*/b', '/rows/*/b depends on itself, by way of /rows/*/a'],
    ],
    [{ '/rows/*/a': 'here.b', '/rows/*/b': 'here.c' }, []],
    [{ '/rate': 'form.rate + 1' }, ['/rate depends on itself']],
    [{ '/rate': 'form.g.x' }, []],
  ])('%j in a circle are not computed, and it is said by way of what', (computed, ways) =>
    expect(told(computed)).toEqual(ways),
  );
  test('look from a group at what stands outside of it', () => {
    const form = open(rows, {
      computed: [{ at: '/g/x', text: 'has(form.rate) ? form.rate * 2 : 0' }],
      values: { rate: 2 },
    });
    expect(form.sent()).toEqual({ rate: 2, g: { x: 4 } });
    form.put('/rate', 5);
    expect(form.sent()).toEqual({ rate: 5, g: { x: 10 } });
  });
  test('without the language it is told that it is not loaded, and nothing is changed', () => {
    const form = openForm({ schema: rows, values: { g: { x: 1 } }, computed: [{ at: '/g/x', text: 'form.rate' }] });
    expect([form.sent(), form.troubles.length > 0]).toEqual([{ g: { x: 1 } }, true]);
  });
});

describe('checks', () => {
  const rows = object({ rows: { type: 'array', items: object({ name: { type: ['string', 'null'] } }) } });
  test.each([[''], [null], [undefined]])('of %j nobody asks', async (value) => {
    const ask = jest.fn(() => Promise.resolve(undefined));
    const form = open(rows, { values: { rows: [{ name: 'x' }] }, checks: [{ at: '/rows/*/name', patience: 1, ask }] });
    form.put('/rows/0/name', value);
    await soon();
    expect(ask).not.toHaveBeenCalled();
    form.put('/rows/0/name', 'y');
    await soon();
    expect(ask).toHaveBeenCalledTimes(1);
  });
  test('an answer about what has been typed over is dropped, be it good, bad or a failure', async () => {
    const waiting: { say(words?: string): void; fail(error: Error): void }[] = [];
    const ask = (): Promise<string | undefined> =>
      new Promise((say, fail) => void waiting.push({ say: (words) => say(words), fail }));
    const form = open(object({ name: text }), { checks: [{ at: '/name', patience: 1, ask }] });
    for (const name of ['a', 'b', 'c']) {
      form.put('/name', name);
      await soon();
    }
    waiting[0]?.say('too late');
    waiting[1]?.fail(new Error('too late'));
    await soon();
    expect([form.problems(), form.troubles, form.field('/name').pending]).toEqual([[], [], true]);
    waiting[2]?.say('taken');
    await soon();
    expect([form.problems().map(({ message }) => message), form.field('/name').pending]).toEqual([['taken'], false]);
    // What was answered once is not asked again.
    form.put('/name', 'd');
    form.put('/name', 'c');
    expect(form.problems().map(({ message }) => message)).toEqual(['taken']);
    expect(waiting).toHaveLength(3);
  });
  test('one that waits among two keeps the place waiting', async () => {
    const form = open(object({ name: text }), {
      checks: [
        { at: '/name', patience: 1, ask: () => Promise.resolve('short') },
        { at: '/name', patience: 1, ask: () => new Promise(() => undefined) },
      ],
    });
    form.put('/name', 'a');
    await soon();
    expect([form.problems().map(({ message }) => message), form.field('/name').pending]).toEqual([['short'], true]);
  });
  test('of an entry that is gone nobody waits, and what it said goes with it', async () => {
    const form = open(rows, {
      values: { rows: [{ name: 'x' }, { name: 'y' }] },
      checks: [
        {
          at: '/rows/*/name',
          patience: 1,
          ask: (value) => (value === 'bad' ? Promise.resolve('bad') : new Promise(() => undefined)),
        },
      ],
    });
    form.put('/rows/0/name', 'bad');
    form.put('/rows/1/name', 'never');
    await soon();
    expect(form.problems()).toHaveLength(1);
    form.list('/rows').remove(1);
    form.list('/rows').remove(0);
    const outcome = await form.submit(() => Promise.resolve({ kind: 'accepted', answer: 1 }));
    expect([outcome.kind, form.problems()]).toEqual(['accepted', []]);
  });
});

describe('rules', () => {
  const rule = { at: '/g', holds: 'value.a < value.b', message: 'Too many.', tells: ['/a', '/b'] };
  const schema = object({ on: { type: 'boolean' }, g: object({ a: whole, b: whole }) });
  const told = (form: Form): unknown => form.problems().map(({ at, message }) => [at, message]);
  test('of a place out of force say nothing; back in force they do', () => {
    const form = open(schema, {
      values: { on: true, g: { a: 2, b: 1 } },
      conditions: [{ at: '/g', text: 'has(form.on) && form.on' }],
      rules: [rule],
    });
    expect(told(form)).toEqual([['/g/a', 'Too many.']]);
    form.put('/on', false);
    expect(told(form)).toEqual([]);
    form.put('/on', true);
    expect(told(form)).toEqual([['/g/a', 'Too many.']]);
  });
  test('that cannot be worked out, or give no yes or no, say nothing of the value', () => {
    const form = open(schema, { values: { g: { a: 2 } }, rules: [rule, { at: '', holds: '1', message: 'Never.' }] });
    expect(told(form)).toEqual([]);
    expect(form.troubles.map(({ says }) => says).join(' ')).toContain('has to give true or false');
  });
  test('that tell of a place out of force tell at the others', () => {
    const form = open(schema, {
      values: { on: false, g: { a: 2, b: 1 } },
      conditions: [{ at: '/g/a', text: 'form.on' }],
      rules: [{ at: '', holds: 'form.on', message: 'Switch it on.', tells: ['/g/a', '/g/b'] }],
    });
    expect(told(form)).toEqual([['/g/b', 'Switch it on.']]);
  });
});

describe('what is kept aside inside what is kept aside', () => {
  test('comes back with it, and is written there meanwhile', () => {
    const schema = object({ on: { type: 'boolean' }, g: object({ inside: { type: 'boolean' }, x: text, y: text }) });
    const form = open(schema, {
      values: { on: true, g: { inside: true, x: 'a', y: 'b' } },
      conditions: [
        { at: '/g', text: 'form.on' },
        { at: '/g/x', text: 'has(form.g.inside) && form.g.inside' },
      ],
    });
    form.put('/on', false);
    expect([form.sent(), form.field('/g/y').inForce, form.field('/g/x').inForce]).toEqual([
      { on: false },
      false,
      false,
    ]);
    form.put('/g/y', 'c');
    expect(form.sent()).toEqual({ on: false });
    form.put('/on', true);
    expect(form.sent()).toEqual({ on: true, g: { inside: true, x: 'a', y: 'c' } });
    form.put('/g/inside', false);
    form.put('/on', false);
    form.put('/on', true);
    expect(form.sent()).toEqual({ on: true, g: { inside: false, y: 'c' } });
    form.put('/g/inside', true);
    expect(form.sent()).toEqual({ on: true, g: { inside: true, x: 'a', y: 'c' } });
  });
});
