import {
  codecsOf,
  compileSchema,
  expressionsOf,
  loadExpressions,
  makePlan,
  openForm,
  referencesIn,
  type Expressions,
  type Form,
} from '../src/index.js';

let language: Expressions;
beforeAll(async () => {
  language = await loadExpressions();
});

const open = (schema: unknown, values?: unknown, hidden?: 'drop' | 'keep'): Form => {
  const compiled = compileSchema(schema);
  const { root } = makePlan(compiled);
  return openForm({
    schema,
    compiled,
    codecs: codecsOf(root),
    expressions: language,
    ...expressionsOf(root),
    ...(values === undefined ? {} : { values }),
    ...(hidden ? { hidden } : {}),
  });
};

describe('an expression', () => {
  const ask = (text: string, form: unknown = {}, here: unknown = {}) =>
    language.read(text).ask({ form, here, value: 3 });
  it('mixes whole and decimal numbers, as JSON does', () => {
    expect(ask('form.weight * 2 + 1', { weight: 1.5 })).toEqual({ value: 4 });
    expect(ask('size(form.lines)', { lines: [1, 2] })).toEqual({ value: 2 });
    expect(ask('value + 1')).toEqual({ value: 4 });
  });
  it('adds up, rounds and joins', () => {
    const form = {
      lines: [
        { weight: 1200.4, kind: 'timber' },
        { weight: 0.25, kind: 'fish' },
      ],
    };
    expect(ask('round(form.lines.map(l, l.weight).sum(), 1)', form)).toEqual({ value: 1200.7 });
    expect(ask('form.lines.map(l, l.kind).joined(", ")', form)).toEqual({ value: 'timber, fish' });
  });
  it('says what is not there yet, and what is wrong with it', () => {
    expect(ask('form.weight * 2')).toHaveProperty('missing');
    expect(ask('form.weight *', {})).toHaveProperty('trouble');
    expect(ask('form.name * 2', { name: 'Grey Plover' })).toHaveProperty('trouble');
  });
  it('reaches nothing but its scope', () => {
    for (const text of ['globalThis', 'form.constructor', 'form.__proto__', 'process.exit(1)'])
      expect(ask(text)).not.toHaveProperty('value');
  });
  it('tells where it looks, also in the middle of a chain', () => {
    expect(referencesIn('form.cargo.map(l, l.weight).sum() > here.limit && "form.no" != value')).toEqual([
      ['form', '/cargo'],
      ['here', '/limit'],
      ['value', ''],
    ]);
  });
});

describe('computed values', () => {
  const schema = {
    properties: {
      lines: {
        type: 'array',
        items: {
          properties: {
            pieces: { type: 'integer' },
            each: { type: 'number' },
            weight: { type: 'number', 'x-poietra': { computed: 'here.pieces * here.each' } },
          },
        },
      },
      total: { type: 'number', 'x-poietra': { computed: 'form.lines.map(l, l.?weight.orValue(0.0)).sum()' } },
      heavy: { type: 'boolean', 'x-poietra': { computed: 'form.total > 1000' } },
    },
  };
  it('follow what they depend on, through lists and through each other', () => {
    const form = open(schema, { lines: [{ pieces: 2, each: 400 }] });
    expect(form.sent()).toEqual({ lines: [{ pieces: 2, each: 400, weight: 800 }], total: 800, heavy: false });
    form.list('/lines').add({ pieces: 1, each: 300.5 });
    expect(form.valueAt('/total')).toBe(1100.5);
    expect(form.valueAt('/heavy')).toBe(true);
    form.field('/lines/0/pieces').report('1');
    expect(form.valueAt('/total')).toBe(700.5);
    form.list('/lines').remove(0);
    expect(form.sent()).toEqual({ lines: [{ pieces: 1, each: 300.5, weight: 300.5 }], total: 300.5, heavy: false });
  });
  it('are read only', () => {
    const form = open(schema, { lines: [{}] });
    expect([
      form.field('/total').readOnly,
      form.field('/lines/0/weight').readOnly,
      form.field('/lines/0/each').readOnly,
    ]).toEqual([true, true, false]);
  });
  it('that depend on each other are told, and not computed', () => {
    const form = open({
      properties: {
        a: { type: 'number', 'x-poietra': { computed: 'form.b + 1' } },
        b: { type: 'number', 'x-poietra': { computed: 'form.a + 1' } },
        c: { type: 'number', 'x-poietra': { computed: '2 + 1' } },
      },
    });
    expect(form.troubles.map(({ at }) => at)).toEqual(['/a', '/b']);
    expect(form.troubles[0]?.says).toContain('/b');
    expect(form.sent()).toEqual({ c: 3 });
  });
});

describe('a condition', () => {
  const schema = {
    properties: {
      hazardous: { type: 'boolean' },
      class: { type: 'string', 'x-poietra': { condition: 'form.hazardous' } },
    },
  };
  it('drops what it hides, or keeps it, by the form’s setting', () => {
    const values = { hazardous: false, class: '3' };
    expect(open(schema, values).sent()).toEqual({ hazardous: false });
    expect(open(schema, values, 'keep').sent()).toEqual(values);
    expect(open(schema, { ...values, hazardous: true }).sent()).toEqual({ hazardous: true, class: '3' });
  });
});
