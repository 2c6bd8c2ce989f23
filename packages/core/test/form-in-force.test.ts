import { effect } from '@preact/signals-core';
import fc from 'fast-check';
import {
  compileSchema,
  loadExpressions,
  openForm,
  type Expressions,
  type Form,
  type FormOptions,
} from '../src/index.js';

let expressions: Expressions;
beforeAll(async () => {
  expressions = await loadExpressions();
});
beforeEach(() => void jest.spyOn(console, 'warn').mockImplementation(() => undefined));

const hazard = {
  type: 'object',
  properties: { hazardous: { type: 'boolean' }, note: { type: 'string' } },
  if: { properties: { hazardous: { const: true } }, required: ['hazardous'] },
  then: {
    required: ['class'],
    properties: { class: { type: 'string', minLength: 2 }, units: { type: 'integer' } },
  },
};
const send = () => {
  const sent: unknown[] = [];
  return {
    sent,
    send: (value: unknown) => (sent.push(value), Promise.resolve({ kind: 'accepted', answer: null } as const)),
  };
};
async function sentOf(form: Form): Promise<unknown> {
  const wire = send();
  await form.submit(wire.send);
  return wire.sent[0] ?? form.problems().map(({ at }) => at);
}
const withCondition = (condition: string, more: Partial<FormOptions> = {}): Form =>
  openForm({
    schema: {
      type: 'object',
      required: ['class'],
      properties: {
        hazardous: { type: 'boolean' },
        class: { type: 'string', minLength: 2 },
        lines: {
          type: 'array',
          items: { type: 'object', properties: { cold: { type: 'boolean' }, low: { type: 'integer', minimum: 5 } } },
        },
      },
    },
    expressions,
    conditions: [{ at: '/class', text: condition }],
    ...more,
  });

describe('what a condition takes away does not count', () => {
  it('a required member behind a false condition of hints', async () =>
    expect(await sentOf(withCondition('form.hazardous'))).toEqual({}));
  it('an invalid value', async () => {
    const form = openForm({ schema: hazard, values: { hazardous: true, class: 'x' } });
    expect(form.problems().map(({ at }) => at)).toEqual(['/class']);
    form.field('/hazardous').report(false);
    expect(form.problems()).toEqual([]);
    expect(await sentOf(form)).toEqual({ hazardous: false });
  });
  it('a text that cannot be parsed', async () => {
    const form = openForm({ schema: hazard, values: { hazardous: true, class: '33' } });
    form.field('/units').report('4x');
    form.field('/hazardous').report(false);
    expect(await sentOf(form)).toEqual({ hazardous: false });
  });
  it('in an entry of a list', async () => {
    const form = withCondition('true', {
      conditions: [{ at: '/lines/*/low', text: 'here.cold' }],
      values: {
        class: '33',
        lines: [
          { cold: false, low: 1 },
          { cold: true, low: 7 },
        ],
      },
    });
    expect(await sentOf(form)).toEqual({ class: '33', lines: [{ cold: false }, { cold: true, low: 7 }] });
  });
  it('in a branch that is not chosen', async () => {
    const form = openForm({
      schema: {
        oneOf: [
          { properties: { kind: { const: 'car' }, plate: { type: 'string', minLength: 4 } }, required: ['kind'] },
          { properties: { kind: { const: 'bike' }, wheels: { type: 'integer' } }, required: ['kind'] },
        ],
      },
      values: { kind: 'car', plate: 'x' },
    });
    expect(form.problems().map(({ at }) => at)).toEqual(['/plate']);
    form.field('/kind').report('bike');
    expect(await sentOf(form)).toEqual({ kind: 'bike' });
    form.field('/kind').report('car');
    expect(form.field('/plate').shown).toBe('x');
  });
  it('unless it is needed all the same', async () => {
    const needed = { anyOf: [{ required: ['form'] }, { properties: { form: { type: 'string' }, note: {} } }] };
    const form = openForm({ schema: { ...needed, required: ['form'] }, values: { form: '7' } });
    expect(form.field('/form').inForce).toBe(true);
    expect(await sentOf(form)).toEqual({ form: '7' });
    expect(form.troubles).toEqual([]);
  });
  it('where it depends on what is itself out of force', async () => {
    const form = openForm({
      schema: {
        properties: { a: { type: 'boolean' } },
        allOf: [
          {
            if: { properties: { a: { const: true } }, required: ['a'] },
            then: { properties: { b: { type: 'boolean' } } },
          },
          { if: { required: ['b'] }, then: { properties: { c: { type: 'string', minLength: 3 } }, required: ['c'] } },
        ],
      },
      values: { a: true, b: true, c: 'x' },
    });
    expect(form.problems().map(({ at }) => at)).toEqual(['/c']);
    form.field('/a').report(false);
    expect(await sentOf(form)).toEqual({ a: false });
    form.field('/a').report(true);
    expect(form.sent()).toEqual({ a: true, b: true, c: 'x' });
  });
  it('where it depends on a computed value', async () => {
    const form = openForm({
      schema: {
        properties: {
          pieces: { type: 'integer' },
          heavy: { type: 'boolean' },
          crane: { type: 'string', minLength: 9 },
        },
      },
      expressions,
      computed: [{ at: '/heavy', text: 'form.pieces > 5' }],
      conditions: [{ at: '/crane', text: 'form.heavy' }],
      values: { pieces: 9, crane: 'x' },
    });
    expect(form.problems().map(({ at }) => at)).toEqual(['/crane']);
    form.field('/pieces').report('2');
    expect(await sentOf(form)).toEqual({ pieces: 2, heavy: false });
  });
});

describe('what is out of force is kept', () => {
  it('and stands there again, parsed or not', () => {
    const form = openForm({ schema: hazard, values: { hazardous: true, class: '33', units: 4 } });
    form.field('/units').report('4x');
    form.field('/class').report('34');
    form.field('/hazardous').report(false);
    expect([form.field('/class').inForce, form.field('/class').shown, form.field('/class').sent]).toEqual([
      false,
      '34',
      undefined,
    ]);
    form.field('/hazardous').report(true);
    expect([form.field('/class').shown, form.field('/units').shown]).toEqual(['34', '4x']);
    expect(form.sent()).toEqual({ hazardous: true, class: '34' });
  });
  it('can be edited meanwhile, and is sent too where the setting says so', () => {
    const form = openForm({ schema: hazard, values: { hazardous: false, class: '33' }, hidden: 'keep' });
    form.field('/class').report('35');
    expect(form.sent()).toEqual({ hazardous: false, class: '35' });
    expect(form.field('/class').held).toBe('35');
  });
  it('is in a snapshot, with the branch that was chosen', () => {
    const schema = { oneOf: [{ type: 'string' }, { type: 'string', maxLength: 2 }, { type: 'integer' }] };
    const chooser = { key: '#/oneOf', pick: () => 0 };
    const form = openForm({ schema });
    form.choose('', chooser, 2, 5);
    const again = openForm({ schema, restore: JSON.parse(JSON.stringify(form.snapshot())) as never });
    expect([again.chosen('', chooser), again.sent()]).toEqual([2, 5]);
  });
  it('of a branch that was left comes back with it', () => {
    const schema = {
      oneOf: [
        { properties: { plate: { type: 'string' }, axles: { type: 'integer' } } },
        { properties: { name: { type: 'string' } } },
      ],
    };
    const chooser = { key: '#/oneOf', pick: () => 0 };
    const form = openForm({ schema, values: { plate: 'LE 4' } });
    form.field('/axles').report('2x');
    form.choose('', chooser, 1, {});
    form.field('/name').report('Ternskär');
    expect(form.sent()).toEqual({ name: 'Ternskär' });
    form.choose('', chooser, 0, {});
    expect([form.sent(), form.field('/axles').shown]).toEqual([{ plate: 'LE 4' }, '2x']);
    form.choose('', chooser, 1, {});
    expect(form.sent()).toEqual({ name: 'Ternskär' });
  });
  it('moves with its entry', () => {
    const form = withCondition('true', {
      conditions: [{ at: '/lines/*/low', text: 'here.cold' }],
      values: { class: '33', lines: [{ cold: false, low: 6 }] },
    });
    const list = form.list('/lines');
    list.add({ cold: true, low: 9 }, 0);
    form.field('/lines/1/cold').report(true);
    expect(form.valueAt('/lines')).toEqual([
      { cold: true, low: 9 },
      { cold: true, low: 6 },
    ]);
  });
  it('and told to those who follow it', () => {
    const form = openForm({ schema: hazard });
    const seen: unknown[] = [];
    effect(() => void seen.push(form.field('/class').inForce));
    form.field('/hazardous').report(true);
    form.field('/hazardous').report(false);
    expect(seen).toEqual([false, true, false]);
  });
});

describe('members that no schema speaks of', () => {
  const schema = { type: 'object', properties: { name: { type: 'string' } } };
  it('are left over: listed, not sent, kept or taken away', () => {
    const form = openForm({ schema, values: { name: 'Hareby', old: 3 } });
    expect([form.sent(), form.leftOver]).toEqual([{ name: 'Hareby' }, [{ at: '/old', value: 3, isAllowed: true }]]);
    form.keep('/old');
    expect([form.sent(), form.leftOver]).toEqual([{ name: 'Hareby', old: 3 }, []]);
    form.put('/old', undefined);
    expect(form.sent()).toEqual({ name: 'Hareby' });
  });
  it('stop nobody where the schema forbids them, and say so when they are kept', () => {
    const form = openForm({ schema: { ...schema, additionalProperties: false }, values: { name: 'Hareby', old: 3 } });
    expect([form.problems(), form.leftOver[0]?.isAllowed]).toEqual([[], false]);
    form.keep('/old');
    expect(form.problems().map(({ at }) => at)).toEqual(['/old']);
  });
  it('are none where the schema says nothing of members, or asks for them', () => {
    expect(openForm({ schema: { type: 'object' }, values: { any: 1 } }).sent()).toEqual({ any: 1 });
    expect(openForm({ schema: { ...schema, required: ['id'] }, values: { id: 1 } }).sent()).toEqual({ id: 1 });
  });
  it('come back with the record that had them, unchanged', () => {
    const form = openForm({ schema, values: { name: 'Hareby', old: 3 } });
    form.field('/name').report('Torsund');
    form.restart();
    expect([form.snapshot().value, form.changed]).toEqual([{ name: 'Hareby', old: 3 }, false]);
  });
});

it('conditions that depend on each other in a circle are told, and end', () => {
  const form = openForm({
    schema: { properties: { a: { type: 'boolean' }, b: { type: 'boolean' } } },
    expressions,
    conditions: [
      { at: '/a', text: '!has(form.b)' },
      { at: '/b', text: 'has(form.a)' },
    ],
    values: { a: true, b: true },
  });
  expect(form.troubles.map(({ says }) => says)).toEqual([expect.stringContaining('circle')]);
});

/** Members under conditions: an enumeration or a mark decides whether others are there, at the root and in entries. */
const leaf = fc.constantFrom(
  { type: 'string', minLength: 2 },
  { type: 'integer', minimum: 3 },
  { type: 'boolean' },
  { enum: ['x', 'y'] },
);
const names = ['a', 'b', 'c', 'd', 'e'] as const;
const name = fc.constantFrom(...names);
const test = fc.oneof(
  name.map((one) => ({ required: [one] })),
  name.map((one) => ({ properties: { [one]: { const: true } }, required: [one] })),
  name.map((one) => ({ properties: { [one]: { enum: ['x', 4] } } })),
);
const part = fc.record({
  properties: fc.dictionary(name, leaf, { maxKeys: 3 }),
  required: fc.array(name, { maxLength: 1 }),
});
const conditional = fc
  .tuple(
    part,
    fc.array(fc.oneof(fc.record({ if: test, then: part, else: part }), fc.record({ if: test, then: part })), {
      maxLength: 3,
    }),
  )
  .map(([base, allOf]) => ({ type: 'object', ...base, ...(allOf.length > 0 ? { allOf } : {}) }));
const schemas = fc.oneof(
  conditional,
  fc.tuple(conditional, conditional).map(([outer, row]) => ({
    ...outer,
    properties: { ...outer.properties, rows: { type: 'array', items: row } },
  })),
);
const places = [...names.map((one) => `/${one}`), ...names.map((one) => `/rows/0/${one}`)];
const edits = fc.array(
  fc.tuple(fc.constantFrom(...places), fc.constantFrom('', 'x', 'yy', '4', '1', '4x', true, false)),
  { maxLength: 12 },
);

it('law: it is sent exactly when nothing is wrong that a person can reach, and what is sent fits what is in force', async () => {
  await fc.assert(
    fc.asyncProperty(schemas, edits, async (schema, changes) => {
      const hasRows = 'rows' in schema.properties;
      const compiled = compileSchema(schema, { assertFormats: true });
      const form = openForm({ schema, compiled, values: hasRows ? { rows: [{}] } : {} });
      for (const [at, raw] of changes) if (hasRows || !at.startsWith('/rows')) form.field(at).report(raw);
      const problems = form.problems();
      expect(problems.filter(({ at }) => !form.field(at).inForce)).toEqual([]);
      const wire = send();
      const done = await form.submit(wire.send);
      expect(done.kind).toBe(problems.length === 0 ? 'accepted' : 'invalid');
      expect(wire.sent).toHaveLength(problems.length === 0 ? 1 : 0);
      for (const value of wire.sent) {
        // What is still missing or wrong in it stands only at places that are out of force.
        const wrong = compiled
          .validate(value)
          .problems.map(({ at, keyword, params }) =>
            keyword === 'required' ? `${at}/${String(params['missing'])}` : at,
          );
        expect(wrong.filter((at) => form.field(at).inForce)).toEqual([]);
      }
    }),
    { numRuns: 400 },
  );
});
it('law: after each edit, sent and followed values agree with a form that is opened anew on them', () => {
  fc.assert(
    fc.property(schemas, edits, (schema, changes) => {
      const hasRows = 'rows' in schema.properties;
      const form = openForm({ schema, values: hasRows ? { rows: [{}] } : {} });
      for (const [at, raw] of changes) if (hasRows || !at.startsWith('/rows')) form.field(at).report(raw);
      // Members that are there only while they are not there have no state that lasts; the form says so.
      fc.pre(form.troubles.length === 0);
      const anew = openForm({ schema, values: form.sent() });
      expect(anew.sent()).toEqual(form.sent());
      expect(form.changed).toBe(
        JSON.stringify(form.sent()) !== JSON.stringify(hasRows ? { rows: [{}] } : {}) ||
          Object.keys(form.snapshot().typed).length > 0,
      );
    }),
    { numRuns: 200 },
  );
});

it('what is kept while its place is out of force can be listed, and is not sent', () => {
  const form = openForm({
    schema: {
      properties: { cooled: { type: 'boolean' } },
      if: { properties: { cooled: { const: true } }, required: ['cooled'] },
      then: { properties: { degrees: { type: 'integer' } } },
    },
    values: { cooled: true, degrees: 4 },
  });
  form.field('/cooled').report(false);
  expect([form.aside.map(({ at, value }) => [at, value]), form.sent()]).toEqual([[['/degrees', 4]], { cooled: false }]);
  form.field('/cooled').report(true);
  expect([form.aside, form.sent()]).toEqual([[], { cooled: true, degrees: 4 }]);
});

describe('who enters something that one option alone has', () => {
  const schema = {
    oneOf: [
      { required: ['port'], properties: { port: { type: 'string', enum: ['Aldervik'] } } },
      { required: ['berth'], properties: { berth: { type: 'integer' } } },
    ],
  };
  it('has taken that option, also while the value does not fit it', () => {
    const form = openForm({ schema, values: {} });
    form.field('/port').report('Ald');
    expect([form.field('/port').inForce, form.field('/port').shown]).toEqual([true, 'Ald']);
    expect(form.sent()).toEqual({ port: 'Ald' });
    expect(form.troubles).toEqual([]);
  });
  it('and leaves it when the whole value is replaced', () => {
    const form = openForm({ schema, values: {} });
    form.field('/port').report('Ald');
    form.put('', { berth: 4 });
    expect(form.sent()).toEqual({ berth: 4 });
  });
});
