import { effect } from '@preact/signals-core';
import { compileSchema, makeCodec, openForm, type Codec, type Form, type Outcome } from '../src/index.js';

const schema = {
  type: 'object',
  properties: {
    name: { type: 'string', minLength: 2 },
    pieces: { type: 'integer' },
    lines: {
      type: 'array',
      items: { type: 'object', properties: { kind: { type: 'string' }, count: { type: 'integer' } } },
    },
    marks: { type: 'array', items: { type: 'string' } },
  },
};
const accepted: Outcome = { kind: 'accepted', answer: null };
const open = (values?: unknown): Form => openForm({ schema, ...(values === undefined ? {} : { values }) });

beforeEach(() => void jest.spyOn(console, 'warn').mockImplementation(() => undefined));

describe('what is typed while sending', () => {
  it('is a change against what was sent', async () => {
    const form = open({ name: 'Torsund' });
    let answer: (outcome: Outcome) => void = () => undefined;
    const done = form.submit(() => new Promise((resolve) => (answer = resolve)));
    form.field('/name').report('Torsund Fish');
    answer(accepted);
    await done;
    expect([form.changed, form.field('/name').changed]).toEqual([true, true]);
    form.restart();
    expect(form.sent()).toEqual({ name: 'Torsund' });
  });
  it('leaves the form sending until the answer comes', () => {
    const form = open({ name: 'Torsund' });
    void form.submit(() => new Promise(() => undefined));
    form.field('/name').report('Torsund Fish');
    expect(form.status).toBe('sending');
  });
});

describe('a send that gives no outcome', () => {
  it.each<[string, () => unknown]>([
    ['nothing', () => Promise.resolve()],
    ['another thing', () => Promise.resolve({ ok: true })],
    ['a thrown text', () => Promise.reject(new Error('no connection'))],
    ['nothing at once', () => undefined],
  ])('%s: it has failed, says why, and can be sent again', async (_, give) => {
    const form = open({ name: 'Torsund' });
    expect((await form.submit(give as never)).kind).toBe('failed');
    expect([form.status, form.message === undefined]).toEqual(['failed', false]);
    expect((await form.submit(() => Promise.resolve(accepted))).kind).toBe('accepted');
  });
  it('refuses without a list of problems: the form is refused as a whole', async () => {
    const form = open({ name: 'Torsund' });
    await form.submit(() => Promise.resolve({ kind: 'refused', message: 'No.' } as never));
    expect([form.status, form.message]).toEqual(['refused', 'No.']);
  });
});

describe('changed', () => {
  it('does not look at the order of members', () => {
    const form = open({ name: 'Torsund', pieces: 1 });
    form.put('', { pieces: 1, name: 'Torsund' });
    expect(form.changed).toBe(false);
  });
  it('is told to those who follow it, also after acceptance', async () => {
    const form = open({ name: 'Torsund', pieces: 1 });
    const seen: boolean[][] = [];
    effect(() => void seen.push([form.changed, form.field('/name').changed]));
    form.field('/name').report('Hareby');
    await form.submit(() => Promise.resolve(accepted));
    form.field('/name').report('Torsund');
    form.field('/name').report('Hareby');
    expect(seen).toEqual([
      [false, false],
      [true, true],
      [false, false],
      [true, true],
      [false, false],
    ]);
  });
  it('is so of a list whose entries changed places, until they are back', () => {
    const form = open({ marks: ['a', 'b'] });
    form.list('/marks').move(0, 1);
    expect([form.changed, form.field('/marks/0').changed, form.field('/name').changed]).toEqual([true, true, false]);
    form.list('/marks').move(0, 1);
    expect(form.changed).toBe(false);
    form.list('/marks').add('c');
    expect([form.changed, form.field('/marks/0').changed]).toEqual([true, false]);
    form.list('/marks').remove(2);
    expect(form.changed).toBe(false);
  });
  it('is false of an untouched form that is restored', () => {
    const first = open({ name: 'Torsund' });
    expect(openForm({ schema, values: { name: 'Torsund' }, restore: first.snapshot() }).changed).toBe(false);
  });
  it('is true of a text that could not be parsed', () => {
    const form = open({ pieces: 1 });
    form.field('/pieces').report('1x');
    expect(form.changed).toBe(true);
    form.field('/pieces').report('1');
    expect(form.changed).toBe(false);
  });
});

describe('an edit of a list', () => {
  const refused = { at: '/lines/0/kind', keyword: 'server', schemaAt: '', params: {}, message: 'Not carried.' };
  it('carries refusals, half-typed texts and visits to where the entry goes', () => {
    const form = open({ lines: [{ kind: 'timber', count: 3 }, { kind: 'fish' }] });
    form.refuse([refused]);
    form.field('/lines/0/count').report('012');
    form.field('/lines/0/kind').leave();
    form.list('/lines').add({ kind: 'salt' }, 0);
    expect(form.field('/lines/1/count').shown).toBe('012');
    expect(form.field('/lines/1/kind').problems).toMatchObject([{ at: '/lines/1/kind', message: 'Not carried.' }]);
    expect([form.field('/lines/0/kind').visited, form.field('/lines/1/kind').visited]).toEqual([false, true]);
    expect(form.field('/lines/0/kind').problems).toEqual([]);
  });
  it('puts back an entry that was taken away with what was typed into it', () => {
    const form = open({ lines: [{ kind: 'timber' }, { kind: 'fish' }] });
    form.field('/lines/0/count').report('4x');
    const back = form.list('/lines').remove(0);
    back();
    expect([form.field('/lines/0/count').shown, form.field('/lines/1/count').shown]).toEqual(['4x', '']);
  });
  it('keeps the keys of entries; another record has others', () => {
    const form = open({ marks: ['a', 'b'] });
    const [first, second] = form.list('/marks').keys;
    form.list('/marks').move(0, 1);
    expect(form.list('/marks').keys).toEqual([second, first]);
    form.load({ marks: ['c', 'd'] });
    const keys = form.list('/marks').keys;
    expect(keys.filter((key) => key === first || key === second)).toEqual([]);
  });
  it('begins a new entry with what its schema takes', () => {
    const form = open({});
    form.list('/marks').add();
    form.list('/lines').add();
    expect(form.sent()).toEqual({ marks: [''], lines: [{}] });
  });
});

describe('words', () => {
  it('of the schema, of the form and of one place, the nearest winning, also for what is needed and what cannot be parsed', () => {
    const compiled = compileSchema(
      { ...schema, required: ['name', 'pieces'] },
      { messages: { required: 'Feld fehlt.', minLength: 'Zu kurz.' } },
    );
    const form = openForm({
      schema,
      compiled,
      messages: { parse: 'Keine Zahl: {typed}' },
      settingsAt: (at) => (at === '/name' ? { messages: { required: 'Wie heißt es?' } } : undefined),
    });
    form.field('/pieces').report('x');
    expect(form.problems().map(({ at, message }) => `${at} ${message}`)).toEqual([
      '/name Wie heißt es?',
      '/pieces Keine Zahl: x',
    ]);
    expect(openForm({ schema, compiled }).field('/name').problems[0]?.message).toBe('Feld fehlt.');
  });
});

describe('a developer is told', () => {
  it('of a list that is none, and of a value that its codec cannot send', () => {
    const broken: Codec = {
      ...makeCodec({ kind: 'text' }),
      serialise: () => {
        throw new Error('Not this one.');
      },
    };
    const form = openForm({ schema, codecs: { '/name': broken } });
    form.list('/name');
    form.field('/name').write('Hareby');
    expect(form.troubles.map(({ at, says }) => `${at} ${says}`)).toEqual([
      '/name It is used as a list, but its schema takes none. Nothing is changed by it.',
      '/name Cannot be sent: Not this one.',
    ]);
    expect([form.field('/name').shown, form.field('/name').problems.map(({ message }) => message)]).toEqual([
      'Hareby',
      ['Not this one.'],
    ]);
  });
});

it('values are taken as saved; what a form begins with gets the defaults of its schema', () => {
  const withDefault = {
    type: 'object',
    properties: { port: { type: 'string', default: 'ALD' }, name: { type: 'string' } },
  };
  expect(openForm({ schema: withDefault, values: { name: 'a' } }).sent()).toEqual({ name: 'a' });
  expect(openForm({ schema: withDefault, begin: { name: 'a' } }).sent()).toEqual({ name: 'a', port: 'ALD' });
  expect(openForm({ schema: withDefault }).sent()).toEqual({ port: 'ALD' });
});

describe('what became of sending', () => {
  const sent = async (accepted: NonNullable<Parameters<typeof openForm>[0]['accepted']>) => {
    const form = openForm({ schema: {}, accepted });
    await form.submit(() => Promise.resolve({ kind: 'accepted', answer: { number: 'FB-7' } }));
    return form.message;
  };
  it('is told in the form’s own words, with what the server answered', async () => {
    expect(await sent('Booked as {number}.')).toBe('Booked as FB-7.');
    expect(await sent((answer) => JSON.stringify(answer))).toBe('{"number":"FB-7"}');
  });
});
