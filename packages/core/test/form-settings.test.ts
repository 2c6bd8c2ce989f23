import { effect } from '@preact/signals-core';
import {
  codecKind,
  compileSchema,
  factsOf,
  makeCodec,
  openForm,
  pointerOf,
  readProblemDetails,
  type Outcome,
} from '../src/index.js';

const schema = {
  type: 'object',
  required: ['name'],
  properties: {
    name: { type: 'string', minLength: 2 },
    pieces: { type: 'integer' },
    party: { type: 'object', properties: { email: { type: 'string' }, phone: { type: 'string' } } },
    fixed: { type: 'string', readOnly: true },
  },
};

describe('when problems are told', () => {
  const told = (tell: 'leave' | 'change' | 'submit') => {
    const field = openForm({ schema, tell }).field('/name');
    const seen = [field.shownProblems.length];
    field.report('x');
    seen.push(field.shownProblems.length);
    field.leave();
    seen.push(field.shownProblems.length);
    return seen;
  };
  it('is a setting: on leaving, on change, on sending', () => {
    expect(told('leave')).toEqual([0, 0, 1]);
    expect(told('change')).toEqual([0, 1, 1]);
    expect(told('submit')).toEqual([0, 0, 0]);
  });
  it('all are told once sending was tried', async () => {
    const form = openForm({ schema, tell: 'submit' });
    await form.submit(() => Promise.resolve({ kind: 'accepted', answer: null }));
    expect(form.field('/name').shownProblems).toHaveLength(1);
  });
  it('in the words of the form, where it has its own', () => {
    const form = openForm({ schema, messages: { required: 'Mangler.', minLength: 'Minst {limit} tegn.' } });
    const name = form.field('/name');
    expect(name.problems[0]?.message).toBe('Mangler.');
    name.report('x');
    expect(name.problems[0]?.message).toBe('Minst 2 tegn.');
  });
});

describe('a field', () => {
  it('can be written from outside, in held values', () => {
    const form = openForm({ schema });
    const pieces = form.field('/pieces');
    pieces.report('x');
    pieces.write(7);
    expect([pieces.shown, pieces.held, pieces.sent, pieces.problems]).toEqual(['7', 7, 7, []]);
  });
  it('is read only where the schema says so', () =>
    expect([openForm({ schema }).field('/fixed').readOnly, openForm({ schema }).field('/name').readOnly]).toEqual([
      true,
      false,
    ]));
  it('gives the focus to what was attached last, and to nothing after it was taken off', () => {
    const field = openForm({ schema }).field('/name');
    const [first, second] = [jest.fn(), jest.fn()];
    field.attach({ focus: first });
    const off = field.attach({ focus: second });
    field.focus();
    off();
    field.focus();
    expect([first.mock.calls.length, second.mock.calls.length]).toEqual([1, 1]);
  });
  it('knows whether it differs from where it began', () => {
    const field = openForm({ schema, values: { name: 'Torsund' } }).field('/name');
    expect(field.changed).toBe(false);
    field.report('Torsun');
    expect(field.changed).toBe(true);
    field.report('Torsund');
    expect(field.changed).toBe(false);
  });
  it('of a whole group follows its members, and they follow it', () => {
    const form = openForm({ schema, values: { party: { email: 'a' } } });
    const [party, email] = [form.field('/party'), form.field('/party/email')];
    email.report('b');
    expect(party.held).toEqual({ email: 'b' });
    party.write({ email: 'c', phone: 'd' });
    expect([email.held, form.field('/party/phone').held]).toEqual(['c', 'd']);
  });
  it('takes the codec that its schema speaks for, where none is given', () => {
    expect(
      (['string', 'integer', 'number', 'boolean', 'array'] as const).map((type) =>
        codecKind({ ...factsOf([]), kinds: [type] }),
      ),
    ).toEqual(['text', 'integer', 'number', 'boolean', 'same']);
    expect(codecKind({ ...factsOf([]), kinds: ['null', 'integer'] })).toBe('integer');
  });
});

describe('the whole', () => {
  it('can be followed at any place', () => {
    const form = openForm({ schema });
    const seen: unknown[] = [];
    const stop = effect(() => void seen.push(JSON.stringify(form.valueAt('/party'))));
    form.field('/party/email').report('a');
    form.field('/name').report('Hareby');
    stop();
    expect(seen).toEqual([undefined, '{"email":"a"}']);
  });
  it('keeps what hidden branches hold, where the setting says so', () => {
    const conditional = {
      properties: { a: { type: 'boolean' } },
      if: { properties: { a: { const: true } }, required: ['a'] },
      then: { properties: { b: { type: 'string' } } },
    };
    expect(openForm({ schema: conditional, values: { a: false, b: 'x' } }).sent()).toEqual({ a: false });
    expect(openForm({ schema: conditional, values: { a: false, b: 'x' }, hidden: 'keep' }).sent()).toEqual({
      a: false,
      b: 'x',
    });
  });
  it('is sent once, however often the button is pressed', async () => {
    const form = openForm({ schema, values: { name: 'Torsund' } });
    let answer: (outcome: Outcome) => void = () => undefined;
    const send = jest.fn(() => new Promise<Outcome>((resolve) => (answer = resolve)));
    const first = form.submit(send);
    expect(form.status).toBe('sending');
    expect((await form.submit(send)).kind).toBe('failed');
    answer({ kind: 'accepted', answer: null });
    await first;
    expect([send.mock.calls.length, form.status]).toEqual([1, 'accepted']);
  });
  it('tells refusals of places that have no field, too', () => {
    const form = openForm({ schema, values: { name: 'Torsund' } });
    form.refuse(
      [{ at: '/party/email', keyword: 'server', schemaAt: '', params: {}, message: 'Not reachable.' }],
      'Refused',
    );
    expect([form.status, form.message, form.problems().map(({ message }) => message)]).toEqual([
      'refused',
      'Refused',
      ['Not reachable.'],
    ]);
    form.restart();
    expect(form.problems()).toEqual([]);
  });
  it('does not change the values it was given', () => {
    const values = { name: 'Torsund', party: { email: 'a' } };
    const form = openForm({ schema, values });
    form.field('/party/email').report('b');
    expect(values).toEqual({ name: 'Torsund', party: { email: 'a' } });
    form.load(values);
    form.field('/name').report('x');
    expect(values.name).toBe('Torsund');
  });
  it('shares a compiled schema that was handed in', () => {
    const compiled = compileSchema(schema);
    expect(openForm({ schema, compiled }).schema).toBe(compiled);
  });
});

it('a list of dates carries each with its codec', () => {
  const date = makeCodec({ kind: 'date' });
  const form = openForm({
    schema: { properties: { days: { type: 'array', items: { type: 'string', format: 'date' } } } },
    codecs: (at) => (at.startsWith('/days/') ? date : undefined),
    values: { days: ['2026-12-01', '2026-12-02'] },
  });
  form.list('/days').move(1, 0);
  form.list('/days').add('2026-12-24', 1);
  expect([form.field('/days/0').held, form.field('/days/1').held]).toEqual([
    new Date(2026, 11, 2),
    new Date(2026, 11, 24),
  ]);
  form.field('/days/2').report(null);
  // The entry stays where it is while somebody types into it; taking it away is another matter.
  expect(form.sent()).toEqual({ days: ['2026-12-02', '2026-12-24', null] });
  form.list('/days').remove(2);
  expect(form.sent()).toEqual({ days: ['2026-12-02', '2026-12-24'] });
});

it('a typed path is a pointer, and may only walk', () => {
  interface Booking {
    readonly lines?: readonly { readonly 'a/b': string }[];
  }
  expect(pointerOf<Booking>((booking) => booking.lines[3]?.['a/b'])).toBe('/lines/3/a~1b');
  expect(() => pointerOf<Booking>((booking) => String(booking.lines))).toThrow('A path names members');
});

it.each<[string, unknown, object]>([
  [
    'a full answer',
    {
      title: 'Refused',
      detail: 'One field.',
      status: 422,
      errors: [
        { pointer: '#/a%20b', detail: 'Bad.' },
        { pointer: '/c', title: 'Worse.' },
      ],
    },
    {
      title: 'Refused',
      detail: 'One field.',
      status: 422,
      problems: [
        { at: '/a b', message: 'Bad.' },
        { at: '/c', message: 'Worse.' },
      ],
    },
  ],
  [
    'foreign members',
    { errors: [5, { detail: 'no place' }, { pointer: '/a' }], status: 'x' },
    { title: 'The server refused.', problems: [{ at: '/a', message: 'The server refused this value.' }] },
  ],
  ['nothing at all', undefined, { problems: [] }],
])('problem details are read from %s', (_, answer, expected) =>
  expect(readProblemDetails(answer)).toMatchObject(expected),
);
