import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  builtIn,
  compileSchema,
  fillDefaults,
  makePlan,
  openPlan,
  plainMakers,
  planAt,
  planFields,
  type Condition,
  type Form,
  type HintsBeside,
  type Kit,
  type Makers,
  type PlanNode,
  type PlanRules,
} from '../src/index.js';
import { standaloneSchema, writeForm } from '../src/handover/index.js';
import { celExpressions, readWritten, type ReadyForm } from '../src/written/index.js';
import { checksSource } from '../src/handover/written-form.js';
import { loadWithChecks, loadWritten, writtenText } from './written.js';

interface Source {
  readonly schema: unknown;
  readonly hints?: HintsBeside | undefined;
  readonly rules?: PlanRules;
}
const kit = JSON.parse(readFileSync(join(__dirname, '../../../demo/kit.json'), 'utf8')) as Kit;
const party = { type: 'object', required: ['name'], properties: { name: { type: 'string', minLength: 2 } } };
const sources: Readonly<Record<string, Source>> = {
  ...Object.fromEntries(
    Object.entries(kit.forms).map(([name, { schema, hints }]): [string, Source] => [
      `the demo kit’s ${name}`,
      {
        schema: standaloneSchema(schema, kit.groups, kit.documents),
        hints,
        rules: { fields: kit.fields, codecs: kit.codecs, ...(kit.rules ? { choose: kit.rules } : {}) },
      },
    ]),
  ),
  conditions: {
    schema: {
      type: 'object',
      properties: {
        kind: { enum: ['dry', 'reefer'] },
        mass: { type: ['number', 'null'], minimum: 1 },
        tags: { type: 'array', items: { type: 'string', pattern: '^[a-z]+$' }, minItems: 1 },
      },
      if: { properties: { kind: { const: 'reefer' } }, required: ['kind'] },
      then: { properties: { degrees: { type: 'integer' } }, required: ['degrees'] },
      else: { properties: { cover: { type: 'string' } } },
      dependentSchemas: { mass: { properties: { unit: { enum: ['kg', 't'] } }, required: ['unit'] } },
      allOf: [{ if: { required: ['mass'] }, then: { required: ['kind'] } }],
    },
  },
  'choices and kinds': {
    schema: {
      type: 'object',
      required: ['pay'],
      properties: {
        pay: {
          oneOf: [
            {
              title: 'By account',
              type: 'object',
              required: ['account'],
              properties: { way: { const: 'account' }, account: party },
            },
            {
              title: 'By card',
              type: 'object',
              required: ['number'],
              properties: { way: { const: 'card' }, number: { type: 'string' } },
            },
          ],
        },
        note: { type: ['string', 'integer', 'array'] },
        port: { anyOf: [{ type: 'string', minLength: 3 }, { type: 'null' }] },
        side: {
          oneOf: [
            { const: 'p', title: 'Port' },
            { const: 's', title: 'Starboard' },
          ],
        },
      },
    },
    hints: { '/properties/port': { label: 'Port of call' } },
  },
  'members of any name, tuples, what contains itself': {
    schema: {
      $defs: {
        box: {
          type: 'object',
          properties: { mark: { type: 'string' }, inside: { type: 'array', items: { $ref: '#/$defs/box' } } },
        },
      },
      type: 'object',
      properties: {
        form: { $ref: '#/$defs/box' },
        class: { type: 'array', prefixItems: [{ type: 'string' }, { type: 'integer' }], items: false },
        rates: { type: 'object', additionalProperties: { type: 'number', minimum: 0 }, required: ['base'] },
        ['__proto__']: { type: 'string' },
      },
    },
  },
  'defaults, constants, texts of every sort': {
    schema: {
      type: 'object',
      title: "It's */ `${1}` \u2028",
      required: ['version', 'mode'],
      properties: {
        version: { const: 3 },
        mode: { enum: ['a', 'b'], default: 'b', description: '*/ ${x}' },
        open: { type: 'boolean', default: false },
        inner: { type: 'object', properties: { at: { type: 'string', format: 'date', default: '2026-11-27' } } },
        secret: { type: 'string', writeOnly: true },
      },
    },
  },
  'expressions, rules, checks': {
    schema: {
      type: 'object',
      properties: { a: { type: 'number' }, b: { type: 'number' }, sum: { type: 'number' }, why: { type: 'string' } },
    },
    hints: {
      '/properties/sum': { computed: 'form.a + form.b' },
      '/properties/why': { condition: 'has(form.sum) && form.sum > 10.0' },
      '': { rules: [{ holds: 'form.a < form.b', message: 'a has to be less than b.' }] },
    },
  },
};

function ready({ schema, hints = {}, rules = {} }: Source): {
  written: ReadyForm;
  arrive: () => void;
  plan: ReturnType<typeof makePlan>;
} {
  let arrive!: () => void;
  const arrived = new Promise<void>((done) => (arrive = done));
  const form = loadWithChecks({ schema, hints, rules }, arrived);
  const plan = makePlan(compileSchema(schema, { assertFormats: true }), hints, rules);
  return { written: readWritten(form, { rules }), arrive, plan };
}
/** Until what was fetched has been taken in. */
const soon = (): Promise<void> => new Promise((done) => setTimeout(done, 20));

const condition = ({ up, about }: Condition): unknown => [
  up,
  about.kind === 'if' ? about.holds : about.kind === 'present' ? about.name : [about.choice.id, about.index],
];
/** What is drawn of a part, and what it leads to. */
function shape(node: PlanNode, depth = 7): unknown {
  const { facts, given: _given, schemaAt: _schemaAt, when, ...own } = node;
  const { title: _title, description: _description, hints: _hints, ...said } = facts;
  const base = {
    ...own,
    facts: said,
    when: when.some((one) => one.length === 0) ? [[]] : when.map((one) => one.map(condition)),
  };
  if (depth === 0) return node.name;
  switch (node.kind) {
    case 'field':
      return base;
    case 'list':
      return { ...base, item: shape(node.item, depth - 1) };
    case 'chooser':
      return {
        ...base,
        pick: undefined,
        kinds: undefined,
        options: node.options.map((one) => [one.label, shape(one.node, depth - 1)]),
      };
    case 'group': {
      const { children, more } = node;
      const other = ['base', 'ownName', 'form'].map((name) => more?.(name));
      return {
        ...base,
        children: children.map((child) => shape(child, depth - 1)),
        more: other.map((one) => one && shape(one, Math.min(depth, 2) - 1)),
      };
    }
  }
}

describe.each(Object.entries(sources))('written out: %s', (_name, source) => {
  it('draws what the planner would have drawn', () => {
    const { written, plan } = ready(source);
    expect(shape(written.plan.root)).toEqual(shape(plan.root));
  });

  it('law: holds, tells and sends what a form on the compiled schema does', async () => {
    const { written, plan, arrive } = ready(source);
    arrive();
    const places = planFields(plan.root, '', 5).map(({ at }) => at.replaceAll('*', '0'));
    const raw = fc.constantFrom<unknown>(
      '',
      'x',
      'yy',
      '4',
      '4x',
      '2026-11-27',
      true,
      false,
      3,
      null,
      'reefer',
      'a',
      'p',
      ['x'],
    );
    const isDrawn = (form: Form, at: string): boolean =>
      planAt(plan.root, at, (where, chooser) => form.chosen(where, chooser))?.kind === 'field';
    const edits = fc.array(fc.tuple(fc.constantFrom(...places), raw), { maxLength: 8 });
    await fc.assert(
      fc.asyncProperty(edits, async (changes) => {
        const expressions = celExpressions();
        const forms: Form[] = [written.open(), openPlan(plan, { expressions })];
        // A person changes what is drawn; what nobody draws has no codec of the plan's.
        for (const form of forms)
          for (const [at, value] of changes) if (isDrawn(form, at)) form.field(at).report(value);
        await soon();
        const [own, whole] = forms.map((form) => ({
          sent: form.sent(),
          problems: form.problems(),
          left: form.leftOver,
          aside: form.aside,
          places: places.map((at) => {
            const { inForce, required, shown, held, readOnly, problems } = form.field(at);
            return { at, inForce, required, readOnly, problems, ...(isDrawn(form, at) ? { shown, held } : {}) };
          }),
          changed: form.changed,
        }));
        expect(own).toEqual(whole);
      }),
      { numRuns: 25 },
    );
  });
});

describe('a written form whose schema has not come yet', () => {
  const source: Source = sources['conditions']!;
  it('is filled, and its conditions hold, while nothing is told', () => {
    const { written } = ready(source);
    const form = written.open();
    form.field('/kind').report('reefer');
    expect([form.field('/degrees').inForce, form.field('/degrees').required, form.field('/cover').inForce]).toEqual([
      true,
      true,
      false,
    ]);
    expect(form.problems()).toEqual([]);
    expect(form.sent()).toEqual({ kind: 'reefer' });
  });
  it('tells everything as soon as it comes', async () => {
    const { written, arrive } = ready(source);
    const form = written.open();
    form.field('/kind').report('reefer');
    form.field('/degrees').leave();
    const told = form.field('/degrees');
    expect(told.shownProblems).toEqual([]);
    arrive();
    await soon();
    expect(told.shownProblems.map(({ message }) => message)).toEqual(['Is needed.']);
    expect(form.problems().map(({ at }) => at)).toEqual(['/degrees']);
  });
  it('waits with sending, and sends nothing that is wrong', async () => {
    const { written, arrive } = ready(source);
    const form = written.open();
    form.field('/kind').report('reefer');
    const sent: unknown[] = [];
    const done = form.submit((value) => {
      sent.push(value);
      return Promise.resolve({ kind: 'accepted', answer: undefined });
    });
    await soon();
    expect([form.status, sent]).toEqual(['sending', []]);
    arrive();
    expect((await done).kind).toBe('invalid');
    form.field('/degrees').report('4');
    expect((await form.submit((value) => Promise.resolve({ kind: 'accepted', answer: sent.push(value) }))).kind).toBe(
      'accepted',
    );
    expect(sent).toEqual([{ kind: 'reefer', degrees: 4 }]);
  });
  it('sends nothing where it cannot be fetched, says why, and tries again', async () => {
    const warn = jest.spyOn(console, 'warn').mockImplementation();
    let fails = true;
    const form = readWritten(
      loadWritten(writtenText({ schema: { type: 'object' } }), () =>
        fails ? Promise.reject(new Error('The network is gone.')) : Promise.resolve({ type: 'object' }),
      ),
    ).open();
    await soon();
    expect(form.troubles.map(({ says }) => says)).toEqual([expect.stringContaining('The network is gone.')]);
    const send = jest.fn().mockResolvedValue({ kind: 'accepted' });
    expect(await form.submit(send)).toEqual({ kind: 'failed', message: 'The network is gone.' });
    expect([form.status, form.message, send.mock.calls]).toEqual(['failed', 'The network is gone.', []]);
    fails = false;
    expect((await form.submit(send)).kind).toBe('accepted');
    warn.mockRestore();
  });
  it('is asked at once by a form that is opened later', async () => {
    const { written, arrive } = ready(source);
    arrive();
    written.open();
    await soon();
    expect(
      written
        .open({ values: { kind: 'reefer' } })
        .problems()
        .map(({ at }) => at),
    ).toEqual(['/degrees']);
  });
});

it('a value that fits no branch speaks for the one that the compiled schema would name, once that has come', async () => {
  const schema = {
    oneOf: [
      {
        type: 'object',
        required: ['a', 'b', 'c'],
        properties: { a: { type: 'string' }, b: { type: 'string' }, c: { type: 'string' } },
      },
      { type: 'object', required: ['a', 'z'], properties: { a: { type: 'string' }, z: { type: 'string' } } },
    ],
  };
  const { written, arrive } = ready({ schema });
  const form = written.open({ values: { a: 'x' } });
  const { root } = written.plan;
  if (root.kind !== 'chooser') throw new Error('No chooser.');
  expect(form.chosen('', root)).toBe(0);
  arrive();
  await soon();
  expect(form.chosen('', root)).toBe(1);
});

it('a new record begins with what the defaults make of it, also of what the application begins with', () => {
  const source = sources['defaults, constants, texts of every sort']!;
  const { written, plan } = ready(source);
  expect(written.open().sent()).toEqual(openPlan(plan).sent());
  expect(written.open({ begin: { inner: {} } }).sent()).toEqual(openPlan(plan, { begin: { inner: {} } }).sent());
  expect(fillDefaults(plan.compiled, {})).toEqual({ mode: 'b', open: false });
});

it('a field of the kit is the kit’s: adapter and codec are looked up where they stand', () => {
  const schema = { type: 'object', properties: { mass: { type: 'number', 'x-poietra': { field: 'kg' } } } };
  const rules = { fields: { kg: { adapter: 'scale', codec: 'kilo' } }, codecs: { kilo: { kind: 'number' } } };
  const form = loadWritten(writtenText({ schema, rules }), () => Promise.resolve(schema));
  const changed = { ...rules, fields: { kg: { adapter: 'balance', codec: 'kilo' } } };
  const node = planAt(readWritten(form, { rules: changed }).plan.root, '/mass');
  expect(node?.kind === 'field' && node.use).toEqual({ adapter: 'balance', codec: { kind: 'number' }, field: 'kg' });
  expect(() => readWritten(form).plan.root.kind === 'group' && planAt(readWritten(form).plan.root, '/mass')).toThrow(
    'kg',
  );
});

it.each([
  ['patternProperties', { type: 'object', patternProperties: { '^x-': { type: 'string' } } }],
  ['dynamicRef', { $dynamicAnchor: 'n', type: 'object', properties: { a: { $dynamicRef: '#n' } } }],
  ['way that led', { type: 'object', if: { unevaluatedProperties: false }, then: { required: ['a'] } }],
])('what cannot be written out says why: %s', (word, schema) => {
  const written = writeForm({ schema, rules: {}, file: './x.json' });
  expect('reason' in written && written.reason).toContain(word);
});

it('names what it uses, and nothing else', () => {
  const checks = './form.checks.js';
  const plain = { type: 'object', properties: { a: { type: 'string' } } };
  expect(writtenText({ schema: plain, checks })).not.toContain('import {');
  expect(writtenText({ schema: plain })).toMatch(/^import \{ fetchChecks \} from/m);
  const dated = { type: 'object', properties: { a: { type: 'string', format: 'date' } } };
  expect(writtenText({ schema: dated, checks })).toMatch(/^import \{ dateMaker \} from/m);
});

it.each([
  [
    { type: 'object', properties: { a: { type: 'array', items: {}, 'x-poietra': { layout: 'tabs' } } } },
    ['List', 'Tabs'],
  ],
  [{ type: 'object', properties: { a: { type: 'array', items: {} } } }, ['List']],
  [{ type: 'object', properties: { a: {} }, 'x-poietra': { layout: 'tabs' } }, ['Tabs']],
])('%j is drawn with %j', (schema, wanted) => {
  const written = writeForm({ schema, rules: {}, file: './x.json' });
  expect('drawings' in written && written.drawings.filter((name) => name === 'List' || name === 'Tabs')).toEqual(
    wanted,
  );
});

it.each<[unknown, string | undefined]>([
  [{ type: 'object', required: ['a'] }, '[]'],
  [{ properties: { a: { type: 'string', format: 'date' }, b: { enum: [1] } } }, '[enumerations, format({ ...times })]'],
  [{ properties: { a: { format: 'email' }, b: { format: 'uuid' } } }, '[format({ ...hosts, ...names })]'],
  [{ properties: { a: { format: 'tide' } } }, '[]'],
  [{ $id: 'https://skerry.example/port', minimum: 1 }, '[numbers], { ...far }'],
  [{ $schema: 'http://json-schema.org/draft-07/schema#', minItems: 1 }, '[arrays], { ...older }'],
  [{ $schema: 'https://json-schema.org/draft/2020-12/schema', pattern: 'x' }, '[patterns]'],
  [{ properties: { a: { unevaluatedProperties: false } } }, '[dynamic, unevaluated]'],
  [{ properties: { a: { $ref: 'https://json-schema.org/draft/2020-12/schema' } } }, undefined],
  [{ $schema: 'https://skerry.example/dialect' }, undefined],
])('checks of %j are put together of %s', (schema, families) => {
  const parts = checksSource(schema, [schema], './form.schema.json');
  expect(parts?.split('checkedBy(schema, ')[1]?.trim()).toBe(families && `${families});`);
});

it('there is a maker for every kind of codec, under the name that a hand-over imports', () => {
  const schema = { type: 'object', properties: { one: { type: 'string', 'x-poietra': { field: 'one' } } } };
  for (const kind of Object.keys(builtIn)) {
    const rules = { fields: { one: { adapter: 'native:text', codec: 'own' } }, codecs: { own: { kind } } };
    const { makers = {}, codeMakers } = loadWritten(writtenText({ schema, rules }), () => Promise.resolve(schema));
    const all: Makers = { ...plainMakers, ...makers, ...codeMakers?.({}) };
    expect([kind, typeof all[kind]]).toEqual([kind, 'function']);
  }
});
