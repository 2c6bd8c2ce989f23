/** Which input and codec each kind of place gets, what it begins with, and how a plan is walked: as tables. */
import {
  compileSchema,
  fitted,
  knownNodes,
  makePlan,
  planAt,
  startOf,
  type HintsBeside,
  type PlanNode,
  type PlanRules,
} from '../src/index.js';
import { choiceText, labelFrom } from '../src/plan/words.js';
import { isOfKind } from '../src/plan/kinds.js';

const rootOf = (schema: unknown, hints?: HintsBeside, rules?: PlanRules): PlanNode =>
  makePlan(compileSchema(schema), hints, rules).root;
const member = (schema: object, rules?: PlanRules): PlanNode => {
  const found = planAt(rootOf({ properties: { a: schema } }, {}, rules), '/a');
  if (!found) throw new Error('The plan has no member.');
  return found;
};
/** What is drawn, in short: kind, input, codec with options, texts to choose from. */
const drawn = (node: PlanNode): unknown =>
  node.kind === 'field'
    ? [node.use.adapter, node.codec.kind, ...(node.codec.options ? [node.codec.options] : [])]
    : node.kind;
const many = (count: number): number[] => Array.from({ length: count }, (_, i) => i);
const hinted = (hints: object, schema: object = { type: 'string' }): object => ({ ...schema, 'x-poietra': hints });
const titled = { type: 'string', oneOf: many(4).map((n) => ({ const: `b${n}`, title: `Berth ${n}` })) };
const remote = { from: '/c{?q}', search: 'q' };

it('choices of a list’s items are those of its branches, with their titles, also behind a reference', () => {
  for (const items of [titled, { anyOf: titled.oneOf }, { $ref: '#/$defs/berth' }]) {
    const schema = { properties: { a: { type: 'array', uniqueItems: true, items } }, $defs: { berth: titled } };
    expect(planAt(rootOf(schema), '/a')).toMatchObject({
      choices: many(4).map((n) => ({ value: `b${n}`, text: `Berth ${n}` })),
    });
  }
});

describe('the input and the codec of a place', () => {
  it.each<[string, object, unknown]>([
    ['a text', { type: 'string' }, ['native:text', 'text']],
    ['a whole number', { type: 'integer' }, ['native:number', 'integer']],
    ['a number', { type: 'number' }, ['native:number', 'number']],
    ['a mark', { type: 'boolean' }, ['native:checkbox', 'boolean']],
    ['a mark that has to be set', { type: 'boolean', const: true }, ['native:checkbox', 'boolean']],
    ['nothing or a text', { type: ['string', 'null'] }, ['native:text', 'text', { empty: 'null' }]],
    ['a number, whole or not', { type: ['integer', 'number'] }, ['native:number', 'integer']],
    ['a text or a number', { type: ['string', 'integer'] }, 'chooser'],
    ['three kinds', { type: ['integer', 'number', 'string'] }, 'chooser'],
    ['four choices', { enum: many(4) }, ['native:radios', 'same']],
    ['five choices', { enum: many(5) }, ['native:select', 'same']],
    ['fifteen choices', { enum: many(15) }, ['native:select', 'same']],
    ['sixteen choices', { enum: many(16) }, ['native:combobox', 'same']],
    ['some of four', { type: 'array', uniqueItems: true, items: { enum: many(4) } }, ['native:checks', 'same']],
    ['some of four with titles', { type: 'array', uniqueItems: true, items: titled }, ['native:checks', 'same']],
    [
      'some of two shapes',
      { type: 'array', uniqueItems: true, items: { oneOf: [{ type: 'object' }, { type: 'string' }] } },
      'list',
    ],
    ['some of sixteen', { type: 'array', uniqueItems: true, items: { enum: many(16) } }, ['native:listbox', 'same']],
    ['a list of choices, each as often as one likes', { type: 'array', items: { enum: many(4) } }, 'list'],
    ['a list of texts without one twice', { type: 'array', uniqueItems: true, items: { type: 'string' } }, 'list'],
    ['a pass phrase', { type: 'string', writeOnly: true }, ['native:password', 'text']],
    ['lines', hinted({ lines: 4 }), ['native:textarea', 'text']],
    ['lines that are no number', hinted({ lines: 'four' }), ['native:text', 'text']],
    ['choices of a server', hinted({ remote }), ['native:combobox', 'chosen']],
    [
      'choices of a server, or another text',
      hinted({ remote: { ...remote, free: true } }),
      ['native:combobox', 'same'],
    ],
    ['free said wrongly', hinted({ remote: { ...remote, free: 'yes' } }), ['native:combobox', 'chosen']],
    [
      'several of a server',
      hinted({ remote }, { type: 'array', uniqueItems: true, items: { enum: ['a', 'b'] } }),
      ['native:listbox', 'same'],
    ],
    ['a file', { type: 'string', contentEncoding: 'base64' }, ['native:file', 'file', { sends: 'base64' }]],
    [
      'a file of a kind and size',
      { type: 'string', contentEncoding: 'base64', contentMediaType: 'image/png', maxLength: 400 },
      ['native:file', 'file', { sends: 'base64', mediaType: 'image/png', most: 300 }],
    ],
    [
      'a box by name, with the codec of the kind',
      hinted({ input: 'text' }, { type: 'integer' }),
      ['native:text', 'integer'],
    ],
    ['a box by name for a text', hinted({ input: 'search' }), ['native:search', 'text']],
    ['a box by name for a mark', hinted({ input: 'checkbox' }, { type: 'boolean' }), ['native:checkbox', 'boolean']],
    ['anything', {}, ['native:textarea', 'json']],
    ['a list, said by its entries alone', { items: { type: 'string' } }, 'list'],
    ['a tuple, said by its entries alone', { prefixItems: [{ type: 'string' }] }, 'group'],
    ['a group of no members yet', { properties: {} }, 'group'],
    ['a list or an object', { type: ['array', 'object'], items: {}, properties: { b: {} } }, 'chooser'],
  ])('%s', (_, schema, wanted) => expect(drawn(member(schema))).toEqual(wanted));

  const rules: PlanRules = {
    fields: {
      own: { adapter: 'day', codec: 'mine', label: 'Day', hint: 'Own hint', prefix: 'on' },
      plain: { adapter: 'day', codec: 'text' },
    },
    codecs: { mine: { kind: 'date', options: { shows: 'text' } } },
  };
  it('is that of a field of the kit, with its codec and its words', () => {
    const own = member(hinted({ field: 'own' }), rules);
    expect(drawn(own)).toEqual(['day', 'date', { shows: 'text' }]);
    expect([own.label, own.hint, own.hints.prefix, 'suffix' in own.hints]).toEqual(['Day', 'Own hint', 'on', false]);
    expect(drawn(member(hinted({ field: 'plain' }), rules))).toEqual(['day', 'text']);
    expect(member(hinted({ field: 'own' }, { title: 'Said', description: 'There' }), rules)).toMatchObject({
      label: 'Said',
      hint: 'There',
    });
    expect(drawn(member(hinted({ field: 'gone' }), rules))).toEqual(['native:text', 'text']);
    expect(drawn(member(hinted({ field: 'gone' })))).toEqual(['native:text', 'text']);
  });
  it('has the choices in words', () => {
    const choices = (schema: object): unknown => (member(schema) as { choices?: unknown }).choices;
    expect(choices({ enum: ['a', 1, null, true] })).toEqual([
      { value: 'a', text: 'a' },
      { value: 1, text: '1' },
      { value: null, text: 'nothing' },
      { value: true, text: 'yes' },
    ]);
    expect(choices(hinted({ words: { a: 'First' } }, { enum: ['a', 'b'] }))).toEqual([
      { value: 'a', text: 'First' },
      { value: 'b', text: 'b' },
    ]);
    expect(choices({ type: 'array', uniqueItems: true, items: { enum: ['x'] } })).toEqual([{ value: 'x', text: 'x' }]);
  });
  it('has one value only where nobody could choose', () => {
    const fixed = (schema: object): unknown => (member(schema) as { fixed?: unknown }).fixed;
    expect(fixed({ const: 'pallet' })).toEqual({ value: 'pallet' });
    expect(fixed({ enum: [3] })).toEqual({ value: 3 });
    expect(fixed({ enum: ['a', 'b'] })).toBeUndefined();
    expect(fixed({ const: true })).toBeUndefined();
  });
});

describe('labels and texts', () => {
  it.each([
    ['collectionDate', 'Collection date'],
    ['collection_date', 'Collection date'],
    ['collection--date', 'Collection date'],
    ['row2Seat', 'Row2 seat'],
    ['_a', 'A'],
    ['ETA', 'Eta'],
  ])('%s is %s', (name, words) => expect(labelFrom(name)).toBe(words));
  it.each([
    [false, 'no'],
    [{ a: 1 }, '{"a":1}'],
    [2.5, '2.5'],
  ])('%j is told as %s', (value, text) => expect(choiceText(value, {})).toBe(text));
  it('a title, a hint beside the schema, and one in it, in this order of weakness', () => {
    const schema = { properties: { a: { title: 'Title', 'x-poietra': { label: 'In' } }, b: { title: 'Title' } } };
    const root = rootOf(schema, { '/properties/a': { label: 'Beside' } });
    expect([planAt(root, '/a')?.label, planAt(root, '/b')?.label]).toEqual(['Beside', 'Title']);
  });
  it.each<[unknown, 'null' | 'array' | 'object' | 'integer' | 'number' | 'boolean' | 'string', boolean]>([
    [null, 'null', true],
    [undefined, 'null', false],
    [[], 'array', true],
    [{}, 'array', false],
    [{}, 'object', true],
    [[], 'object', false],
    [1, 'integer', true],
    [1.5, 'number', true],
    ['1', 'number', false],
    [true, 'boolean', true],
    ['', 'string', true],
    ['', 'boolean', false],
  ])('%j of the kind %s: %s', (value, kind, isOf) => expect(isOfKind(value, kind)).toBe(isOf));
});

describe('what a new entry begins with', () => {
  it.each<[string, object, unknown]>([
    ['its default', { type: 'string', default: 'a' }, 'a'],
    ['its only value', { const: 'pallet' }, 'pallet'],
    ['an empty text', { type: 'string' }, ''],
    ['no number', { type: 'number' }, null],
    ['a mark that is not set', { type: 'boolean' }, false],
    ['no entries', { type: 'array', items: { type: 'string' } }, []],
    ['a group', { type: 'object', properties: { a: { type: 'string' } } }, {}],
    ['anything', {}, null],
    ['a tuple without entries', { prefixItems: [{ type: 'string' }] }, []],
    [
      'a group with what is fixed in it',
      { properties: { kind: { const: 'x' }, n: {} }, required: ['kind'] },
      { kind: 'x' },
    ],
    ['a group without what is fixed, but may be left out', { properties: { kind: { const: 'x' } } }, {}],
    [
      'the first of several shapes',
      { oneOf: [{ properties: { k: { const: 1 } }, required: ['k'] }, { type: 'string' }] },
      { k: 1 },
    ],
    [
      'the first value of an option of values',
      { oneOf: [{ enum: ['a', 'b'] }, { type: 'object', properties: { n: {} } }] },
      'a',
    ],
  ])('%s', (_, schema, wanted) => expect(startOf(member(schema))).toEqual(wanted));
});

describe('what of a value another shape can take over', () => {
  const shape = {
    type: 'object',
    properties: {
      kind: { const: 'box' },
      mass: { type: 'number' },
      count: { type: ['string', 'integer'], enum: ['few', 2, 3] },
      lines: { type: 'array', items: { type: 'string' } },
      pair: { prefixItems: [{ type: 'string' }] },
      inner: { properties: { name: { type: 'string' } } },
      either: { oneOf: [{ type: 'string' }, { type: 'object', properties: { deep: { type: 'string' } } }] },
    },
    required: ['kind', 'inner'],
  };
  it.each<[string, unknown, unknown]>([
    ['nothing', undefined, { kind: 'box' }],
    ['no object', [1], { kind: 'box' }],
    ['another fixed value', { kind: 'pallet' }, { kind: 'box' }],
    ['a value of the kind', { mass: 2 }, { kind: 'box', mass: 2 }],
    ['a value of another kind', { mass: '2' }, { kind: 'box' }],
    ['a list', { lines: ['a'] }, { kind: 'box', lines: ['a'] }],
    ['no list', { lines: 'a' }, { kind: 'box', lines: [] }],
    ['a tuple', { pair: ['a'] }, { kind: 'box', pair: ['a'] }],
    ['no tuple', { pair: 1 }, { kind: 'box', pair: [] }],
    ['a group', { inner: { name: 'a', other: 1 } }, { kind: 'box', inner: { name: 'a' } }],
    ['an option', { either: { deep: 'a', other: 1 } }, { kind: 'box', either: { deep: 'a' } }],
    ['a member that is not named', { other: 1 }, { kind: 'box' }],
    ['a value of the second of its kinds', { count: 2 }, { kind: 'box', count: 2 }],
    ['a value of neither', { count: true }, { kind: 'box' }],
    ['what is needed and not there is not made up', { inner: undefined }, { kind: 'box' }],
  ])('%s', (_, value, wanted) => expect(fitted(member(shape), value)).toEqual(wanted));
  it('names of one’s own stay where any may stand', () => {
    const map = member({ properties: { a: { type: 'string' } }, additionalProperties: { type: 'integer' } });
    expect(fitted(map, { a: 'x', own: 1, __proto__: 2 })).toEqual({ a: 'x', own: 1 });
  });
  it('a member that has a name of the form’s own is fitted by it alone', () => {
    const map = member({
      properties: { a: { type: 'string' } },
      additionalProperties: { type: 'integer' },
    });
    expect(fitted(map, { a: 1, own: 2 })).toEqual({ own: 2 });
  });
  it('what contains itself is looked through six levels deep, and taken as it is below', () => {
    const root = rootOf({ properties: { inner: { $ref: '#' }, n: { type: 'number' } } });
    const deep = (levels: number): unknown => ({ stray: true, ...(levels > 0 && { inner: deep(levels - 1) }) });
    const levels: boolean[] = [];
    for (let at = fitted(root, deep(9)) as { stray?: true; inner?: unknown } | undefined; at; at = at.inner as never)
      levels.push(at.stray === true);
    expect(levels).toEqual([...many(7).map(() => false), true, true, true]);
  });
  it('what contains itself ends', () => {
    const root = rootOf({ properties: { inner: { $ref: '#' }, n: { type: 'number' } } });
    const value = many(12).reduce<unknown>((inner) => ({ n: 1, inner }), {});
    expect(fitted(root, value)).toEqual(value);
  });
});

describe('ways through a plan', () => {
  const root = rootOf({
    properties: {
      lines: { type: 'array', items: { properties: { name: {} } } },
      one: { oneOf: [{ type: 'string' }, { properties: { deep: { type: 'string' } } }] },
      map: { additionalProperties: { type: 'integer' }, properties: { known: { type: 'string' } } },
    },
  });
  it('a list has one plan for all entries, a map one for each name, a chooser that of the option in force', () => {
    expect(planAt(root, '/lines/7/name')).toBe(planAt(root, '/lines/0/name'));
    expect(planAt(root, '/map/own')?.facts.kinds).toEqual(['integer']);
    expect(planAt(root, '/map/known')?.facts.kinds).toEqual(['string']);
    expect(planAt(root, '/one')?.kind).toBe('chooser');
    expect(planAt(root, '/one/deep')?.kind).toBe('field');
    expect(planAt(root, '/one', () => 0)?.kind).toBe('field');
    expect(planAt(root, '/one', () => 1)?.kind).toBe('group');
    expect(planAt(root, '/one/deep', () => 0)).toBeUndefined();
    const asked: string[] = [];
    planAt(root, '/one/deep', (at) => asked.push(at) && 1);
    expect(asked).toEqual(['/one']);
  });
  it('leads nowhere where there is nothing', () => {
    for (const at of ['/nothing', '/lines/0/nothing', '/lines/0/name/deeper', '/one/nothing'])
      expect([at, planAt(root, at)]).toEqual([at, undefined]);
  });
  it('knows every part in advance, unless a person makes more of them', () => {
    const known = (schema: object): number | undefined => knownNodes(rootOf(schema))?.length;
    expect(known({ properties: { a: { type: 'string' }, b: { type: 'array', items: { type: 'string' } } } })).toBe(4);
    expect(known({ oneOf: [{ type: 'string' }, { type: 'object', properties: { a: {} } }] })).toBe(4);
    expect(known({ additionalProperties: { type: 'string' } })).toBeUndefined();
    expect(known({ properties: { a: { additionalProperties: { type: 'string' } } } })).toBeUndefined();
    expect(known({ properties: { inner: { $ref: '#' }, a: { type: 'string' } } })).toBe(3);
    expect(known({ properties: Object.fromEntries(many(1999).map((i) => [`m${i}`, { type: 'string' }])) })).toBe(2000);
    expect(
      known({ properties: Object.fromEntries(many(2000).map((i) => [`m${i}`, { type: 'string' }])) }),
    ).toBeUndefined();
  });
  it('groups that lie deep are opened on demand: three around what may be left out, six around what may not', () => {
    const nested = (depth: number, required: boolean): object =>
      depth === 0
        ? { type: 'object', properties: { end: { type: 'string' } } }
        : { type: 'object', properties: { n: nested(depth - 1, required) }, ...(required ? { required: ['n'] } : {}) };
    const deep = (depth: number, required: boolean): unknown => {
      const node = planAt(rootOf(nested(depth, required)), '/n'.repeat(depth));
      return node?.kind === 'group' && node.onDemand;
    };
    expect([deep(2, false), deep(3, false), deep(3, true), deep(5, true), deep(6, true)]).toEqual([
      false,
      true,
      false,
      false,
      true,
    ]);
  });
  it('a member is drawn in the order of the hint; names that are none are passed over', () => {
    const group = member(hinted({ order: ['c', 'x', 'a'] }, { properties: { a: {}, b: {}, c: {} } }));
    expect(group.kind === 'group' && group.children.map(({ name }) => name)).toEqual(['c', 'a', 'b']);
  });
  it('a map refuses names that the schema does not allow, and remembers those that it does', () => {
    const map = member({
      properties: { a: {} },
      patternProperties: { '^x': { type: 'string' } },
      additionalProperties: false,
    });
    if (map.kind !== 'group') throw new Error('It is a group.');
    expect([map.more?.('a'), map.more?.('b'), map.more?.('x1')?.kind]).toEqual([undefined, undefined, 'field']);
    expect(map.more?.('x1')).toBe(map.more?.('x1'));
  });
});
