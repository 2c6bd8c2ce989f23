import { loadWords, sendTo, type Fetch, type SendDescription, type SendingWords } from '../src/index.js';

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
