/** Edges of the form that only its own tests reach: what is left alone, told, or put back, and where it ends. */
import {
  loadExpressions,
  makeCodec,
  openForm,
  readProblemDetails,
  type Expressions,
  type Form,
  type FormOptions,
  type Outcome,
} from '../src/index.js';

let expressions: Expressions;
let warned: jest.SpyInstance;
beforeAll(async () => {
  expressions = await loadExpressions();
});
beforeEach(() => {
  warned = jest.spyOn(console, 'warn').mockImplementation(() => undefined);
});
const open = (schema: object, more: Partial<FormOptions> = {}): Form => openForm({ schema, expressions, ...more });
const object = (properties: object, more: object = {}): object => ({ type: 'object', properties, ...more });
const text = { type: 'string' };
const accept = (): Promise<Outcome> => Promise.resolve({ kind: 'accepted', answer: undefined });
const soon = (milliseconds = 10): Promise<void> => new Promise((resolve) => setTimeout(resolve, milliseconds));

describe('another option', () => {
  const shapes = {
    oneOf: [
      object({
        kind: { const: 'crate' },
        size: object({ wide: text, high: text }),
        marks: { type: 'array', items: text },
      }),
      object({ kind: { const: 'sack' }, size: object({ wide: text }), marks: { type: 'array', items: text } }),
    ],
  };
  const chooser = { key: '#/oneOf', pick: () => 0 };
  it.each([
    [
      'what stood there deeper down comes back beside what is new',
      { size: { wide: '2' } },
      { size: { wide: '2', high: '3' }, kind: 'crate', marks: ['a'] },
    ],
    [
      'an empty list gives way to the one that was left',
      { marks: [] },
      { marks: ['a'], kind: 'crate', size: { wide: '1', high: '3' } },
    ],
    ['a list with entries stays', { marks: ['b'] }, { marks: ['b'], kind: 'crate', size: { wide: '1', high: '3' } }],
    ['nothing is no value', undefined, { kind: 'crate', size: { wide: '1', high: '3' }, marks: ['a'] }],
    ['a value of another kind has the last word', 'none', 'none'],
  ])('left and taken again: %s', (_name, value, wanted) => {
    const form = open(shapes, { values: { kind: 'crate', size: { wide: '1', high: '3' }, marks: ['a'] } });
    form.choose('', chooser, 1, { kind: 'sack' });
    expect(form.sent()).toEqual({ kind: 'sack' });
    form.choose('', chooser, 0, value);
    expect(form.sent()).toEqual(wanted);
  });
  it('a text that could not be parsed comes back only where nothing else stands', () => {
    const counts = { oneOf: [object({ count: { type: 'integer' } }), object({ other: text })] };
    const form = open(counts);
    form.field('/count').report('4x');
    form.choose('', chooser, 1, {});
    form.choose('', chooser, 0, {});
    expect(form.field('/count').shown).toBe('4x');
    form.choose('', chooser, 1, {});
    form.choose('', chooser, 0, { count: 7 });
    expect([form.field('/count').shown, form.sent()]).toEqual(['7', { count: 7 }]);
  });
});

describe('an entry that is moved takes along', () => {
  const list = object({ lines: { type: 'array', items: object({ count: { type: 'integer' }, note: text }) } });
  it('what was typed, refused and visited in it, and what it held', () => {
    const form = open(list, { values: { lines: [{ count: 1 }, { count: 2 }] } });
    const lines = form.list('/lines');
    form.field('/lines/0/count').report('1x');
    form.field('/lines/0/note').report('first');
    form.field('/lines/0/note').leave();
    lines.move(0, 1);
    expect(form.field('/lines/1/count').shown).toBe('1x');
    expect(form.field('/lines/0/count').shown).toBe('2');
    expect([form.field('/lines/1/note').visited, form.field('/lines/0/note').visited]).toEqual([true, false]);
    expect(form.problems().map(({ at }) => at)).toEqual(['/lines/1/count']);
    lines.move(1, 0);
    expect([form.field('/lines/0/count').shown, form.field('/lines/1/count').shown]).toEqual(['1x', '2']);
    expect(form.problems().map(({ at }) => at)).toEqual(['/lines/0/count']);
  });
  it('refusals of the server, each under its new place', async () => {
    const form = open(list, { values: { lines: [{ count: 1 }, { count: 2 }] } });
    await form.submit(() =>
      Promise.resolve({
        kind: 'refused',
        problems: [{ at: '/lines/0/count', keyword: 'refused', schemaAt: '', params: {}, message: 'Too few.' }],
      }),
    );
    form.list('/lines').move(0, 1);
    expect(form.field('/lines/1/count').problems.map(({ at, message }) => [at, message])).toEqual([
      ['/lines/1/count', 'Too few.'],
    ]);
    expect(form.field('/lines/0/count').problems).toEqual([]);
  });
});

describe('changed', () => {
  const schema = object({ a: { type: 'array', items: text }, b: object({ c: text, d: object({ e: text }) }) });
  const begun = { a: ['x', 'y'], b: { c: '1', d: { e: '2' } } };
  it.each<[string, (form: Form) => void, string[]]>([
    [
      'a member deep down, there and back',
      (form) => (form.field('/b/d/e').report('3'), form.field('/b/d/e').report('2')),
      [],
    ],
    [
      'one of two members back',
      (form) => (form.field('/b/d/e').report('3'), form.field('/b/c').report('4'), form.field('/b/c').report('1')),
      ['/b', '/b/d', '/b/d/e'],
    ],
    ['an entry more', (form) => form.list('/a').add('z'), ['/a']],
    ['an entry more and away again', (form) => (form.list('/a').add('z'), form.list('/a').remove(2)), []],
    ['two entries that change places', (form) => form.list('/a').move(0, 1), ['/a', '/a/0', '/a/1']],
  ])('%s', (_name, edit, wanted) => {
    const form = open(schema, { values: begun });
    edit(form);
    const places = ['/a', '/a/0', '/a/1', '/b', '/b/c', '/b/d', '/b/d/e'];
    expect(places.filter((at) => form.field(at).changed)).toEqual(wanted);
    expect(form.changed).toBe(wanted.length > 0);
  });
});

describe('the only value that a place may have', () => {
  const born = (properties: object, required: string[]): unknown => open(object(properties, { required })).sent();
  it('is there from the start where it is needed', () => {
    expect(born({ kind: { const: 'crate' } }, ['kind'])).toEqual({ kind: 'crate' });
    expect(born({ kind: { enum: ['crate'] } }, ['kind'])).toEqual({ kind: 'crate' });
    expect(born({ kind: { const: 'crate' } }, [])).toEqual({});
  });
  it('is none of several, and never a mark that a person has to set', () => {
    expect(born({ kind: { enum: ['crate', 'sack'] } }, ['kind'])).toEqual({});
    expect(born({ agreed: { const: true } }, ['agreed'])).toEqual({});
  });
  it('comes with a condition that turns, whether somebody looks or not, and not over what stands there', () => {
    const schema = {
      ...object({ cold: { type: 'boolean' } }),
      if: { properties: { cold: { const: true } }, required: ['cold'] },
      then: object(
        { store: object({ deck: { const: 'car' }, note: text }, { required: ['deck'] }) },
        { required: ['store'] },
      ),
    };
    const form = open(schema);
    form.field('/cold').report(true);
    expect(form.sent()).toEqual({ cold: true, store: { deck: 'car' } });
    form.field('/store/note').report('n');
    form.field('/cold').report(false);
    expect(form.sent()).toEqual({ cold: false });
    form.field('/cold').report(true);
    expect(form.sent()).toEqual({ cold: true, store: { deck: 'car', note: 'n' } });
  });
  it('ends where a schema requires itself', () => {
    const schema = { $ref: '#/$defs/a', $defs: { a: object({ a: { $ref: '#/$defs/a' } }, { required: ['a'] }) } };
    expect(JSON.stringify(open(schema).sent()).match(/"a"/g)?.length).toBeLessThan(30);
  });
});

it('a member that somebody named stays when its own last member goes; one of the schema goes', () => {
  const form = open(object({ known: object({ x: text }) }, { additionalProperties: object({ x: text }) }), {
    values: { known: { x: '1' }, own: { x: '1' } },
  });
  form.field('/known/x').report('');
  form.field('/own/x').report('');
  expect(form.sent()).toEqual({ own: {} });
});

it('is disabled as a whole, and places say so', () => {
  expect(open(object({ a: text }), { disabled: true }).field('/a').disabled).toBe(true);
  expect(open(object({ a: text })).field('/a').disabled).toBe(false);
});

describe('when problems are told', () => {
  const schema = object({ a: { type: 'string', minLength: 3 } });
  const shown = (tell: FormOptions['tell'], act: (form: Form) => void): number => {
    const form = open(schema, { ...(tell ? { tell } : {}) });
    act(form);
    return form.field('/a').shownProblems.length;
  };
  const type = (form: Form): void => form.field('/a').report('x');
  const typeAndLeave = (form: Form): void => (type(form), form.field('/a').leave());
  it.each<[string, FormOptions['tell'], (form: Form) => void, number]>([
    ['typed, told on leaving', 'leave', type, 0],
    ['left, told on leaving', 'leave', typeAndLeave, 1],
    ['typed, told on change', 'change', type, 1],
    ['untouched, told on change', 'change', () => undefined, 0],
    ['left, told on sending', 'submit', typeAndLeave, 0],
    ['nothing said, as on leaving', undefined, typeAndLeave, 1],
  ])('%s', (_name, tell, act, wanted) => expect(shown(tell, act)).toBe(wanted));
});

describe('expressions', () => {
  const numbers = object({
    a: { type: 'integer' },
    b: { type: 'integer' },
    c: { type: 'integer' },
    rows: { type: 'array', items: object({ n: { type: 'integer' }, twice: { type: 'integer' } }) },
  });
  it('look at the form, at what is beside, and at the value itself', () => {
    const form = open(numbers, {
      values: { a: 1, rows: [{ n: 2 }, { n: 5 }] },
      computed: [
        { at: '/b', text: 'form.a + 1' },
        { at: '/rows/*/twice', text: 'here.n * 2' },
      ],
      conditions: [{ at: '/c', text: 'has(form.a) && form.a > 2' }],
    });
    expect(form.sent()).toEqual({
      a: 1,
      b: 2,
      rows: [
        { n: 2, twice: 4 },
        { n: 5, twice: 10 },
      ],
    });
    form.field('/rows/1/n').report('6');
    form.field('/a').report('3');
    expect(form.sent()).toEqual({
      a: 3,
      b: 4,
      rows: [
        { n: 2, twice: 4 },
        { n: 6, twice: 12 },
      ],
    });
    expect([form.field('/b').readOnly, form.field('/rows/0/twice').readOnly, form.field('/rows/0/n').readOnly]).toEqual(
      [true, true, false],
    );
    expect(form.field('/c').inForce).toBe(true);
  });
  it('that lead round in a circle are told, each with what it depends on, and not run; others are', () => {
    const form = open(numbers, {
      values: { a: 1 },
      computed: [
        { at: '/a', text: 'form.b' },
        { at: '/b', text: 'form.a' },
        { at: '/c', text: 'form.a' },
      ],
    });
    expect(form.troubles.map(({ at, says }) => [at, says])).toEqual([
      ['/a', 'The computed value at /a depends on itself, by way of /b. It is not computed.'],
      ['/b', 'The computed value at /b depends on itself, by way of /a. It is not computed.'],
    ]);
    expect(form.sent()).toEqual({ a: 1, c: 1 });
  });
  it('without the language are told once, and nothing is computed', () => {
    const form = openForm({ schema: numbers, computed: [{ at: '/b', text: 'form.a' }] });
    expect(form.troubles).toEqual([
      { at: '', says: 'Its expressions cannot be read: the option “expressions” was not given.' },
    ]);
    expect(warned).toHaveBeenCalledWith(expect.stringContaining('The form: Its expressions'));
    expect(openForm({ schema: numbers }).troubles).toEqual([]);
    form.field('/a').report('1');
    expect(form.sent()).toEqual({ a: 1 });
  });
  it('that cannot be asked, or give what cannot be held, say where', () => {
    const form = open(object({ a: text, n: { type: 'integer' }, day: { type: 'string', format: 'date' } }), {
      values: { a: 'x' },
      codecs: { '/n': makeCodec({ kind: 'number', options: { whole: true } }) },
      computed: [
        { at: '/n', text: 'form.a' },
        { at: '/day', text: 'form.a + 1' },
      ],
    });
    expect(form.troubles.map(({ at }) => at).sort()).toEqual(['/day', '/n']);
    expect(form.troubles.find(({ at }) => at === '/n')?.says).toMatch(/^What was computed cannot be held: ./);
    expect(form.troubles.find(({ at }) => at === '/day')?.says).toMatch(
      /^The expression “form\.a \+ 1” cannot be asked: ./,
    );
  });
});

describe('a check asks', () => {
  const schema = object({ name: { type: 'string' }, count: { type: 'integer', minimum: 3 }, other: text });
  const asking = (at: string, more: object = {}): [Form, unknown[]] => {
    const asked: unknown[] = [];
    const form = open(schema, {
      checks: [{ at, patience: 1, ask: (value: unknown) => (asked.push(value), Promise.resolve(undefined)), ...more }],
    });
    return [form, asked];
  };
  it.each<[string, string, unknown[], unknown[]]>([
    ['of a text', '/name', ['Aldervik'], ['Aldervik']],
    ['not of none', '/name', ['x', ''], []],
    ['not of what could not be parsed', '/count', ['4x'], []],
    ['not of what the schema refuses', '/count', ['2'], []],
    ['of what the schema takes', '/count', ['4'], [4]],
  ])('%s', async (_name, at, reported, wanted) => {
    const [form, asked] = asking(at);
    for (const raw of reported) form.field(at).report(raw);
    await soon(20);
    expect(asked).toEqual(wanted);
  });
  it('not of what the record came with, and again of another value', async () => {
    const asked: unknown[] = [];
    const form = open(schema, {
      values: { name: 'Torsund' },
      checks: [{ at: '/name', patience: 1, ask: (value: unknown) => (asked.push(value), Promise.resolve(undefined)) }],
    });
    await soon(20);
    form.field('/name').report('Hareby');
    await soon(20);
    form.field('/name').report('Torsund');
    await soon(20);
    expect(asked).toEqual(['Hareby']);
  });
  it('anew when what it looks at beside has changed', async () => {
    const [form, asked] = asking('/name', { with: ({ here }: { here: { other?: string } }) => here.other });
    form.field('/name').report('Hareby');
    await soon(20);
    form.field('/other').report('x');
    await soon(20);
    expect(asked).toEqual(['Hareby', 'Hareby']);
    form.field('/other').report('');
    await soon(20);
    // An answer that is known is not asked for.
    expect(asked).toHaveLength(2);
  });
  it('and where it fails and holds sending up, once more with each attempt', async () => {
    let times = 0;
    const failing = (): Promise<undefined> => (times++, Promise.reject(new Error('The line is dead.')));
    const form = open(schema, { checks: [{ at: '/name', patience: 1, failing: 'hold', ask: failing }] });
    form.field('/name').report('Hareby');
    await soon(20);
    expect(form.problems().map(({ message }) => message)).toEqual(['Could not be checked: The line is dead.']);
    expect(await form.submit(accept)).toMatchObject({ kind: 'invalid' });
    expect(await form.submit(accept)).toMatchObject({ kind: 'invalid' });
    expect(times).toBe(3);
  });
  it('and where it fails and lets pass, says so once', async () => {
    let times = 0;
    const failing = (): Promise<undefined> => (times++, Promise.reject(new Error('The line is dead.')));
    const form = open(schema, { checks: [{ at: '/name', patience: 1, ask: failing }] });
    form.field('/name').report('Hareby');
    await soon(20);
    expect(form.troubles).toEqual([{ at: '/name', says: 'Could not be checked: The line is dead. It was let pass.' }]);
    expect(await form.submit(accept)).toMatchObject({ kind: 'accepted' });
    expect(times).toBe(1);
  });
});

describe('what an application’s sending gave is read with care', () => {
  const problem = { at: '/a', keyword: 'x', schemaAt: '', params: {}, message: 'No.' };
  it.each<[string, unknown, unknown]>([
    ['nothing', undefined, { kind: 'failed', message: 'Sending gave no outcome.' }],
    ['another kind', { kind: 'done' }, { kind: 'failed', message: 'Sending gave no outcome.' }],
    ['a failure without words', { kind: 'failed' }, { kind: 'failed', message: 'Sending failed.' }],
    ['a failure with words', { kind: 'failed', message: 'No line.' }, { kind: 'failed', message: 'No line.' }],
    ['words that are none', { kind: 'failed', message: 5 }, { kind: 'failed', message: 'Sending failed.' }],
    ['a refusal without problems', { kind: 'refused' }, { kind: 'refused', problems: [] }],
    ['problems that are none', { kind: 'refused', problems: { length: 1 } }, { kind: 'refused', problems: [] }],
    [
      'a problem among what is none',
      {
        kind: 'refused',
        problems: [problem, null, 'x', { at: 5, message: 'x' }, { at: '/a' }, ['/a']],
        message: 'See.',
      },
      { kind: 'refused', problems: [problem], message: 'See.' },
    ],
    [
      'an acceptance',
      { kind: 'accepted', answer: { number: 1 }, more: 1 },
      { kind: 'accepted', answer: { number: 1 } },
    ],
  ])('%s', async (_name, given, wanted) => {
    const form = open(object({ a: text }), { values: { a: 'x' } });
    expect(await form.submit(() => Promise.resolve(given as Outcome))).toEqual(wanted);
    expect(form.status).toBe((wanted as { kind: string }).kind);
  });
  it('while it is being sent, it is not sent again', async () => {
    let end!: (outcome: Outcome) => void;
    const form = open(object({ a: text }), { values: { a: 'x' } });
    const first = form.submit(() => new Promise<Outcome>((resolve) => (end = resolve)));
    await soon(1);
    expect(await form.submit(accept)).toEqual({ kind: 'failed', message: 'It is being sent.' });
    form.field('/a').report('y');
    expect(form.status).toBe('sending');
    end({ kind: 'failed', message: 'No line.' });
    expect(await first).toEqual({ kind: 'failed', message: 'No line.' });
    form.field('/a').report('z');
    expect(form.status).toBe('open');
  });
});

it.each<[string, unknown, unknown]>([
  ['no object', 'no', { title: 'The server refused, and did not say why.', problems: [] }],
  ['empty texts', { title: '', detail: '' }, { title: 'The server refused.', problems: [] }],
  ['texts that are none', { title: 5, detail: ['x'], status: '400' }, { title: 'The server refused.', problems: [] }],
  ['errors that are no list', { title: 'No.', errors: { 0: {} } }, { title: 'No.', problems: [] }],
  [
    'whole',
    {
      title: 'No.',
      detail: 'Twice.',
      status: 409,
      errors: [
        { pointer: '/a', detail: 'Taken.' },
        { pointer: '#/b%20c', title: 'Odd.' },
        { pointer: '#/%', detail: 5 },
        { pointer: 5, detail: 'x' },
        'x',
      ],
    },
    {
      title: 'No.',
      detail: 'Twice.',
      status: 409,
      problems: [
        { at: '/a', keyword: 'server', schemaAt: '', params: {}, message: 'Taken.' },
        { at: '/b c', keyword: 'server', schemaAt: '', params: {}, message: 'Odd.' },
        { at: '/%', keyword: 'server', schemaAt: '', params: {}, message: 'The server refused this value.' },
      ],
    },
  ],
])('problem details: %s', (_name, answer, wanted) => expect(readProblemDetails(answer)).toEqual(wanted));

describe('an entry of a list', () => {
  const listOf = (items: object, values: unknown[] = []): Form =>
    open(object({ all: { type: 'array', items } }), { values: { all: values } });
  it.each<[string, object, unknown]>([
    ['an object', object({ a: text }), {}],
    ['a list', { type: 'array', items: text }, []],
    ['a text', text, ''],
    ['a mark', { type: 'boolean' }, false],
    ['a number', { type: 'number' }, null],
    ['one of several', { enum: ['a', 'b'] }, null],
    ['several of several', { type: 'array', enum: [['a'], ['b']] }, []],
    ['with a default', { type: 'string', default: 'x' }, 'x'],
    ['of no kind', {}, {}],
  ])('that is new is as empty as it can be: %s', (_name, items, wanted) => {
    const form = listOf(items);
    form.list('/all').add();
    expect(form.sent()).toEqual({ all: [wanted] });
  });
  it('is doubled behind itself, taken out and put back where it was', () => {
    const form = listOf(text, ['a', 'b', 'c']);
    const list = form.list('/all');
    list.duplicate(1);
    expect(form.sent()).toEqual({ all: ['a', 'b', 'b', 'c'] });
    const back = list.remove(3);
    expect(form.sent()).toEqual({ all: ['a', 'b', 'b'] });
    list.remove(0);
    back();
    expect(form.sent()).toEqual({ all: ['b', 'b', 'c'] });
    list.add('d', 1);
    expect(form.sent()).toEqual({ all: ['b', 'd', 'b', 'c'] });
  });
});

it('what is needed beside something else is the matter of the field that is missing', () => {
  const form = open(object({ a: text, b: text }, { dependentRequired: { a: ['b'] } }), { values: { a: 'x' } });
  expect(form.problems().map(({ at, message }) => [at, message])).toEqual([['/b', 'Is needed.']]);
});

describe('a rule', () => {
  const schema = object({
    on: { type: 'boolean' },
    a: { type: 'integer' },
    b: { type: 'integer' },
    rows: { type: 'array', items: object({ a: { type: 'integer' }, b: { type: 'integer' } }) },
  });
  it('without places is told where it stands, in each entry by itself', () => {
    const form = open(schema, {
      values: {
        rows: [
          { a: 1, b: 2 },
          { a: 3, b: 2 },
        ],
      },
      rules: [{ at: '/rows/*', holds: 'value.a < value.b', message: 'Too many.' }],
    });
    expect(form.problems().map(({ at, message }) => [at, message])).toEqual([['/rows/1', 'Too many.']]);
    form.field('/rows/1/b').report('9');
    expect(form.problems()).toEqual([]);
    form.field('/rows/0/a').report('5');
    expect(form.problems().map(({ at }) => at)).toEqual(['/rows/0']);
    form.list('/rows').remove(0);
    expect(form.problems()).toEqual([]);
  });
  it('says nothing out of force, and nothing at places out of force', () => {
    const form = open(schema, {
      values: { on: true, a: 3, b: 2 },
      conditions: [{ at: '/b', text: 'has(form.on) && form.on' }],
      rules: [{ at: '', holds: '!has(form.a) || form.a < 3', message: 'Too many.', tells: ['/b', '/a'] }],
    });
    const told = (): string[] => ['/a', '/b'].filter((at) => form.field(at).problems.length > 0);
    expect(told()).toEqual(['/a', '/b']);
    form.field('/on').report(false);
    expect(told()).toEqual(['/a']);
  });
});
