import { loadWords, methodFor, sendTo, type Fetch, type SendDescription, type SendingWords } from '../src/index.js';

const send: SendDescription = { path: '/bookings', key: 'number' };
interface Asked {
  readonly address: string;
  readonly how: { readonly method?: string; readonly headers?: Record<string, string>; readonly body?: string };
}
/** A server that gives these answers in turn; `undefined` is none at all. */
function server(...answers: ({ readonly status: number; readonly json?: unknown } | undefined)[]) {
  const asked: Asked[] = [];
  const fetch: Fetch = (address, how = {}) => {
    asked.push({ address, how });
    const answer = answers.shift();
    if (!answer) return Promise.reject(new TypeError('fetch failed'));
    const { status, json } = answer;
    return Promise.resolve({
      ok: status < 300,
      status,
      json: () => (json === undefined ? Promise.reject(new SyntaxError()) : Promise.resolve(json)),
    });
  };
  return { asked, fetch };
}

describe('a value is sent where its description says', () => {
  it('by POST for a new record, by PUT for one that is named, each with the headers given', async () => {
    const { asked, fetch } = server({ status: 201, json: { number: 7 } }, { status: 200 });
    const made = await sendTo(send, { pieces: 2 }, { fetch, base: 'https://api.example' });
    await sendTo(send, { pieces: 3 }, { fetch, record: 'A/7', headers: { 'If-Match': '"t"' } });
    expect(made).toEqual({ kind: 'accepted', answer: { number: 7 } });
    expect(asked.map(({ address, how }) => [how.method, address, how.body])).toEqual([
      ['POST', 'https://api.example/bookings', '{"pieces":2}'],
      ['PUT', '/bookings/A%2F7', '{"pieces":3}'],
    ]);
    expect(asked[1]?.how.headers).toMatchObject({ 'If-Match': '"t"', 'Content-Type': 'application/json' });
  });
  it('with the token that its server asks for, fetched before', async () => {
    const token = { path: '/token', member: 'value', header: 'X-Token' };
    const { asked, fetch } = server({ status: 200, json: { value: 't-1' } }, { status: 201 });
    await sendTo({ ...send, token }, {}, { fetch });
    expect(asked[1]?.how.headers?.['X-Token']).toBe('t-1');
    const without = server({ status: 200, json: {} });
    const failed = await sendTo({ ...send, token }, {}, { fetch: without.fetch });
    expect(failed.kind === 'failed' && failed.message).toContain('/token gave no “value”.');
    expect(without.asked).toHaveLength(1);
  });
});

describe('what is said where nothing came of it', () => {
  const without = { ...send, token: { path: '/token', member: 'value', header: 'X-Token' } };
  const stopped = { aborted: true };
  const none = { status: 200, json: {} };
  it.each([
    ['no answer', send, {}, undefined, 'The server does not answer. What', 'Serveren svarer ikke. Det'],
    ['it was stopped', send, { signal: stopped }, undefined, 'It was stopped. What', 'Det ble stanset. Det'],
    ['no token', without, {}, none, '/token gave no “value”. What', '/token ga ingen «value». Det'],
  ])('%s, in the words of the form', async (_name, to, options, answer, english, norwegian) => {
    const said = async (words?: SendingWords): Promise<string | undefined> => {
      const outcome = await sendTo(to, {}, { ...options, ...server(answer), words });
      return outcome.kind === 'failed' ? outcome.message : undefined;
    };
    expect(await said()).toContain(english);
    expect(await said((await loadWords('nb'))?.drawn)).toContain(norwegian);
  });
});

describe('what the server answers', () => {
  it('a refusal comes back with the fields that it names', async () => {
    const json = { title: 'Not so', errors: [{ pointer: '#/pieces', detail: 'Too many.' }] };
    const { fetch } = server({ status: 422, json });
    const outcome = await sendTo(send, {}, { fetch });
    expect(outcome).toMatchObject({
      kind: 'refused',
      message: 'Not so',
      problems: [{ at: '/pieces', message: 'Too many.' }],
    });
  });
  it('a fault of the server is a failure, in its own words where it has any', async () => {
    const { fetch } = server({ status: 503, json: { title: 'Closed', detail: 'Until eight.' } }, { status: 500 });
    expect(await sendTo(send, {}, { fetch })).toEqual({ kind: 'failed', message: 'Closed: Until eight.' });
    expect((await sendTo(send, {}, { fetch })).kind).toBe('failed');
  });
  it('no answer is a failure that says so; it is sent again as often as is said, under one key', async () => {
    const dead = server(undefined);
    expect(await sendTo(send, {}, { fetch: dead.fetch })).toEqual({
      kind: 'failed',
      message: 'The server does not answer. What you typed is kept; try again.',
    });
    const late = server(undefined, undefined, { status: 201, json: 1 });
    expect((await sendTo(send, {}, { fetch: late.fetch, retries: 2 })).kind).toBe('accepted');
    const keys = late.asked.map(({ how }) => how.headers?.['Idempotency-Key']);
    expect(keys[0]).toBeTruthy();
    expect(new Set(keys).size).toBe(1);
  });
  it('one that was stopped is not sent again', async () => {
    const { asked, fetch } = server(undefined, { status: 201 });
    const outcome = await sendTo(send, {}, { fetch, retries: 3, signal: { aborted: true } });
    expect(outcome).toMatchObject({ kind: 'failed', message: expect.stringContaining('It was stopped.') as string });
    expect(asked).toHaveLength(1);
  });
});

describe('how a purpose is asked for', () => {
  it.each([
    ['create', 'POST'],
    ['replace', 'PUT'],
    ['change', 'PATCH'],
    ['delete', 'DELETE'],
  ] as const)('%s by %s, unless the form says otherwise', (purpose, method) => {
    expect(methodFor(send, purpose)).toEqual({ method, headers: {} });
    expect(methodFor({ ...send, methods: { [purpose]: 'POST' } }, purpose)).toEqual({ method: 'POST', headers: {} });
  });
  it('by POST and a header where only that passes, and without the header where POST is meant', () => {
    const narrow = { ...send, methodHeader: 'X-Method' };
    expect(methodFor(narrow, 'change')).toEqual({ method: 'POST', headers: { 'X-Method': 'PATCH' } });
    expect(methodFor(narrow, 'create')).toEqual({ method: 'POST', headers: {} });
  });
  it('the header goes along', async () => {
    const { asked, fetch } = server({ status: 200 });
    await sendTo({ ...send, methodHeader: 'X-Method' }, 1, { fetch, record: '7', purpose: 'delete' });
    expect(asked[0]?.how).toMatchObject({ method: 'POST', headers: { 'X-Method': 'DELETE' } });
  });
});

describe('what is sent again', () => {
  it('only as often as is said, and then it has failed', async () => {
    const { asked, fetch } = server(undefined, undefined, undefined, { status: 201 });
    expect((await sendTo(send, {}, { fetch, retries: 2 })).kind).toBe('failed');
    expect(asked).toHaveLength(3);
    expect(asked[0]?.how.headers?.['Idempotency-Key']).toMatch(/^[a-z0-9]{6,}-[a-z0-9]{4,}$/);
  });
  it('has no key where it is sent once', async () => {
    const { asked, fetch } = server({ status: 201 });
    await sendTo(send, {}, { fetch });
    expect(asked[0]?.how.headers).not.toHaveProperty('Idempotency-Key');
  });
});

describe('what is a refusal', () => {
  const problem = { errors: [{ pointer: '#/pieces', detail: 'Too many.' }] };
  it.each([
    ['fields that are named, whatever the status', 400, problem, 'refused'],
    ['a value that cannot be taken, though no field is named', 422, { title: 'Full' }, 'refused'],
    ['a fault without fields is none', 400, { title: 'Bad' }, 'failed'],
  ])('%s', async (_name, status, json, kind) => {
    const { fetch } = server({ status, json });
    expect((await sendTo(send, {}, { fetch })).kind).toBe(kind);
  });
});

describe('a token', () => {
  const asking = { ...send, token: { path: '/token', member: 'value', header: 'X-Token' } };
  it('is asked for at the same server, and can be stopped', async () => {
    const { asked, fetch } = server({ status: 200, json: { value: 't' } }, { status: 201 });
    const signal = { aborted: false };
    await sendTo(asking, {}, { fetch, base: 'https://api.example', signal });
    expect(asked[0]).toEqual({ address: 'https://api.example/token', how: { signal } });
  });
  it('of an answer that is an error counts for none', async () => {
    const { asked, fetch } = server({ status: 500, json: { value: 't' } });
    expect((await sendTo(asking, {}, { fetch })).kind).toBe('failed');
    expect(asked).toHaveLength(1);
  });
});

it('the platform’s own fetch is used where none is given, and its reason told where it has one', async () => {
  const { fetch: own } = globalThis;
  const asked: unknown[] = [];
  globalThis.fetch = (address) => {
    asked.push(address);
    return Promise.reject(new Error('No way there.'));
  };
  try {
    expect(await sendTo(send, {})).toEqual({
      kind: 'failed',
      message: 'No way there. What you typed is kept; try again.',
    });
  } finally {
    globalThis.fetch = own;
  }
  expect(asked).toEqual(['/bookings']);
});
