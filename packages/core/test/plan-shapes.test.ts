import {
  codecsOf,
  compileSchema,
  makePlan,
  openForm,
  planAt,
  remoteAddress,
  remoteChoices,
  startOf,
  type PlanNode,
} from '../src/index.js';

const root = (schema: unknown): PlanNode => makePlan(compileSchema(schema)).root;
const member = (schema: unknown): PlanNode | undefined => planAt(root({ properties: { a: schema } }), '/a');

describe('oneOf and anyOf mean', () => {
  it('a list of values with words, where each branch is one', () => {
    const node = member({ oneOf: [{ const: 'ALD', title: 'Aldervik' }, { const: 'BRE' }] });
    expect(node).toMatchObject({
      kind: 'field',
      choices: [
        { value: 'ALD', text: 'Aldervik' },
        { value: 'BRE', text: 'BRE' },
      ],
    });
  });
  it('that nothing is allowed, where one branch is null', () => {
    expect(member({ anyOf: [{ type: 'string' }, { type: 'null' }] })).toMatchObject({
      kind: 'field',
      codec: { kind: 'text', options: { empty: 'null' } },
    });
    expect(member({ anyOf: [{ type: 'null' }, { type: 'object', properties: { b: {} } }] })?.kind).toBe('group');
  });
  it('nothing to draw, where the branches only ask', () => {
    const node = root({
      properties: { a: { type: 'string' }, b: { type: 'string' } },
      anyOf: [{ required: ['a'] }, { required: ['b'] }],
    });
    expect(node.kind).toBe('group');
  });
  it('a chooser, with labels from titles, fixed members, references or kinds', () => {
    const node = root({
      $defs: { coldGoods: { type: 'object', properties: { t: {} } } },
      oneOf: [
        { title: 'Goods', type: 'object', properties: {} },
        { type: 'object', properties: { kind: { const: 'roll-on' } } },
        { $ref: '#/$defs/coldGoods' },
        { type: 'number' },
        true,
      ],
    });
    expect(node.kind === 'chooser' && node.options.map(({ label }) => label)).toEqual([
      'Goods',
      'Roll on',
      'Cold goods',
      'Number',
      'Choice 5',
    ]);
  });
});

it('a choice of kinds takes null for emptiness, and a whole number for a number', () => {
  expect(member({ type: ['string', 'null'] })?.kind).toBe('field');
  expect(member({ type: ['integer', 'number'] })?.kind).toBe('field');
  const node = member({ type: ['string', 'integer', 'array'], items: { type: 'string' } });
  expect(node?.kind === 'chooser' && node.options.map((one) => one.node.kind)).toEqual(['field', 'field', 'list']);
  expect(node?.kind === 'chooser' && [node.pick(3), node.pick('x'), node.pick([])]).toEqual([1, 0, 2]);
});

it('a schema that contains itself is planned without end, and opened on demand', () => {
  const node = root({
    $ref: '#/$defs/node',
    $defs: { node: { type: 'object', properties: { next: { $ref: '#/$defs/node' } } } },
  });
  const next = planAt(node, '/next');
  expect(node.kind === 'group' && node.again).toBe(false);
  expect(next?.kind === 'group' && next.again).toBe(true);
  expect(planAt(node, '/next/next/next')?.kind).toBe('group');
});

it('a new entry starts from defaults, fixed values, or the emptiest value', () => {
  expect(
    startOf(
      root({
        type: 'object',
        required: ['kind'],
        properties: { kind: { const: 'goods' }, weight: { type: 'number' } },
      }),
    ),
  ).toEqual({
    kind: 'goods',
  });
  expect(
    [{ type: 'string' }, { type: 'boolean' }, { type: 'array', items: {} }, { type: 'number', default: 3 }].map((one) =>
      startOf(root(one)),
    ),
  ).toEqual(['', false, [], 3]);
});

it('multi-selects, files and secrets get boxes of their own', () => {
  const adapters = [
    { type: 'array', uniqueItems: true, items: { enum: ['a', 'b'] } },
    { type: 'string', contentEncoding: 'base64', contentMediaType: 'image/png' },
    { type: 'string', writeOnly: true },
    { type: 'string', format: 'date-time' },
    { enum: Array.from({ length: 20 }, (_, i) => i) },
    { type: 'string', 'x-poietra': { input: 'color' } },
  ].map((one) => {
    const node = member(one);
    return node?.kind === 'field' ? node.use.adapter : node?.kind;
  });
  expect(adapters).toEqual([
    'native:checks',
    'native:file',
    'native:password',
    'native:datetime-local',
    'native:combobox',
    'native:color',
  ]);
});

it('a value that fits no branch has the problems of the one that was chosen', () => {
  const side = (name: string) => ({
    title: name,
    type: 'object',
    required: [name],
    properties: { [name]: { type: 'string' } },
  });
  const schema = {
    type: 'object',
    required: ['by'],
    properties: { by: { oneOf: [side('account'), side('card'), side('cash')] } },
  };
  const compiled = compileSchema(schema);
  const plan = makePlan(compiled);
  const form = openForm({ schema, compiled, codecs: codecsOf(plan.root) });
  const chooser = planAt(plan.root, '/by');
  if (chooser?.kind !== 'chooser') throw new Error('A chooser was expected.');
  form.choose('/by', chooser, 2, {});
  // Nothing tells the branches apart, so without the choice the first would be taken.
  expect(form.problems().map(({ at }) => at)).toEqual(['/by/cash']);
  form.choose('/by', chooser, 1, {});
  expect(form.problems().map(({ at }) => at)).toEqual(['/by/card']);
  form.field('/by/card').report('4711');
  expect(form.problems()).toEqual([]);
});

it('a chosen branch decides what is required and what is sent, until the value is replaced', () => {
  const schema = {
    oneOf: [
      { type: 'object', properties: { a: { type: 'string' } }, required: ['a'] },
      { type: 'object', properties: { b: { type: 'string' } }, required: ['b'] },
    ],
  };
  const compiled = compileSchema(schema);
  const form = openForm({ schema, compiled });
  const node = root(schema);
  if (node.kind !== 'chooser') throw new Error('No chooser.');
  const other = makePlan(compiled).root;
  if (other.kind !== 'chooser') throw new Error('No chooser.');
  form.choose('', other, 1, {});
  expect([form.chosen('', other), form.field('/b').required, form.field('/a').required]).toEqual([1, true, false]);
  form.load({ a: 'x' });
  expect(form.chosen('', other)).toBe(0);
});

describe('values from elsewhere', () => {
  const remote = { from: '/company/crossings{?from,to,q}', search: 'q', variables: { to: '/route/to' } };
  it('are asked for with what they depend on', () => {
    const scope = { form: { route: { to: 'TOR' }, from: 'HAR' }, here: { from: 'ALD' }, typed: 'SK 2' };
    expect(remoteAddress(remote, scope)).toBe('/company/crossings?from=ALD&to=TOR&q=SK%202');
    expect(remoteAddress(remote, { ...scope, form: {} })).toBeUndefined();
  });
  it('are asked for at addresses of the web only', () => {
    const scope = { form: {}, here: {}, typed: '' };
    for (const from of ['javascript:alert(1)', '//elsewhere/x', 'data:text/plain,x', 'crossings'])
      expect(remoteAddress({ from }, scope)).toBeUndefined();
  });
  it('are read out of the answer by pointers; what has another shape is left out', () => {
    const answer = { found: [{ id: 1, name: 'Torsund' }, { id: { deep: true } }, null, { id: 2 }] };
    expect(remoteChoices({ from: '', list: '/found', key: '/id', text: '/name' }, answer)).toEqual([
      { value: 1, text: 'Torsund' },
      { value: 2, text: '2' },
    ]);
    expect(remoteChoices({ from: '' }, ['ALD'])).toEqual([{ value: 'ALD', text: 'ALD' }]);
  });
});
