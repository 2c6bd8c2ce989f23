import {
  codecsOf,
  compileSchema,
  labelFrom,
  makePlan,
  openForm,
  planAt,
  planFields,
  type PlanRules,
} from '../src/index.js';

const plan = (schema: unknown, hints = {}, rules: PlanRules = {}) => makePlan(compileSchema(schema), hints, rules);
const root = (schema: unknown, hints = {}, rules: PlanRules = {}) => plan(schema, hints, rules).root;

it('chooses fields by type, format and choices', () => {
  const fields = planFields(
    root({
      properties: {
        a: { type: 'string' },
        b: { type: 'integer' },
        c: { type: 'boolean' },
        d: { type: 'string', format: 'date' },
        e: { enum: [1, 2] },
        f: { type: 'string', format: 'email' },
        g: {},
      },
    }),
  );
  expect(fields.map(({ at, field }) => [at, field.use.adapter, field.codec.kind])).toEqual([
    ['/a', 'native:text', 'text'],
    ['/b', 'native:number', 'integer'],
    ['/c', 'native:checkbox', 'boolean'],
    ['/d', 'native:date', 'date'],
    ['/e', 'native:radios', 'same'],
    ['/f', 'native:email', 'text'],
    ['/g', 'native:textarea', 'json'],
  ]);
});

it('takes its rules from the kit before its own', () => {
  const rules: PlanRules = {
    choose: [{ kind: 'string', format: 'date', use: { adapter: 'day-picker', codec: { kind: 'date' } } }],
  };
  expect(
    planFields(root({ properties: { d: { type: 'string', format: 'date' } } }, {}, rules))[0]?.field.use.adapter,
  ).toBe('day-picker');
});

it('lets a named field bring its words, and the form have the last one', () => {
  const rules: PlanRules = {
    fields: { date: { adapter: 'day-picker', codec: 'date', label: 'Date', hint: 'When', suffix: 'noon' } },
  };
  const [own, said] = planFields(
    root(
      {
        properties: {
          a: { 'x-poietra': { field: 'date' } },
          b: { title: 'Out', 'x-poietra': { field: 'date', hint: 'Other' } },
        },
      },
      {},
      rules,
    ),
  );
  expect([own?.field.label, own?.field.hint, own?.field.hints.suffix]).toEqual(['Date', 'When', 'noon']);
  expect([said?.field.label, said?.field.hint]).toEqual(['Out', 'Other']);
});

it('takes hints beside the schema by JSON Pointer, before those inside', () => {
  const schema = { properties: { a: { type: 'string', 'x-poietra': { label: 'inside' } }, b: { type: 'string' } } };
  const group = root(schema, { '': { order: ['b'] }, '/properties/a': { label: 'beside' } });
  expect(group.kind === 'group' && group.children.map(({ name, label }) => [name, label])).toEqual([
    ['b', 'B'],
    ['a', 'beside'],
  ]);
});

it('marks what is there only under conditions, and leaves them for the form to watch', () => {
  const schema = {
    type: 'object',
    properties: { kind: { enum: ['sea', 'air'] } },
    if: { properties: { kind: { const: 'sea' } }, required: ['kind'] },
    then: { properties: { deck: { type: 'number' } } },
  };
  const made = plan(schema);
  const deck = planAt(made.root, '/deck')!;
  const form = openForm({ schema, compiled: made.compiled, codecs: codecsOf(made.root) });
  const isThere = () => deck.when.some((conditions) => form.holds('/deck', conditions));
  expect(isThere()).toBe(false);
  form.field('/kind').report('sea');
  expect(isThere()).toBe(true);
});

it('opens a schema that contains itself only as far as it is read', () => {
  const made = root({
    $id: 'https://skerry.example/place',
    type: 'object',
    properties: { name: { type: 'string' }, inside: { $ref: '#' } },
  });
  expect(planAt(made, '/inside/inside/inside/name')?.kind).toBe('field');
});

it('makes lists of items, with their limits', () => {
  const list = planAt(
    root({
      properties: {
        lines: { type: 'array', minItems: 1, maxItems: 5, items: { properties: { kind: { type: 'string' } } } },
      },
    }),
    '/lines',
  );
  expect(list).toMatchObject({ kind: 'list', least: 1, most: 5 });
  expect(list?.kind === 'list' && list.item.kind).toBe('group');
});

it('lets null be what an emptied field means, where the schema takes null', () => {
  expect(planFields(root({ properties: { a: { type: ['string', 'null'] } } }))[0]?.field.codec.options).toEqual({
    empty: 'null',
  });
});

it('makes labels from names', () =>
  expect(['collectionDate', 'hazard_class', 'name'].map(labelFrom)).toEqual([
    'Collection date',
    'Hazard class',
    'Name',
  ]));
