import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { connect } from 'node:net';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { makeApp } from '../src/app.js';
import { userOf } from '../src/owner.js';

const secret = 'of this start';
const home = join(__dirname, '../../..');
// Reading the project takes its time on a machine that has never done it.
let data: string;
let server: Server;
let base: string;
const start = async (): Promise<void> => {
  server = makeApp({
    host: '127.0.0.1',
    port: 0,
    home,
    project: join(home, 'demo/project'),
    data,
    quiet: true,
    secret,
  }).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
};
const stop = () =>
  new Promise((resolve) => {
    server.closeAllConnections();
    server.close(resolve);
  });
const send = (method: string, path: string, json: unknown, headers: Record<string, string> = {}) =>
  fetch(base + path, {
    method,
    headers: { 'Content-Type': 'application/json', 'Poietra-Secret': secret, ...headers },
    body: JSON.stringify(json),
  });
const api = (path: string, headers: Record<string, string> = {}): Promise<Response> =>
  fetch(base + path, { headers: { 'Poietra-Secret': secret, ...headers } });
const booking = {
  consignor: { name: 'Aldervik Timber' },
  consignee: { name: 'Hareby Boatyard' },
  collection: '2026-12-01',
  pieces: 2,
};

/** What the server answers to a request written by hand. */
const raw = (text: string): Promise<string> =>
  new Promise((resolve, reject) => {
    let said = '';
    const socket = connect((server.address() as AddressInfo).port, '127.0.0.1', () => socket.write(text));
    socket.on('data', (part) => (said += String(part)));
    socket.on('error', reject);
    socket.on('close', () => resolve(said.split('\r\n')[0] ?? ''));
  });

beforeEach(async () => {
  data = mkdtempSync(join(tmpdir(), 'poietra-data-'));
  await start();
});
afterEach(async () => {
  await stop();
  rmSync(data, { recursive: true });
});

describe('the demo company', () => {
  it('creates, lists, replaces, changes and deletes bookings, which outlive the server', async () => {
    const made = (await (await send('POST', '/company/bookings', booking)).json()) as { number: string };
    expect(made).toEqual({ ...booking, number: 'FB-1003' });
    await stop();
    await start();
    expect(await (await fetch(`${base}/company/bookings/FB-1003`)).json()).toEqual(made);
    expect(await (await send('PUT', '/company/bookings/FB-1003', { ...booking, pieces: 3 })).json()).toMatchObject({
      pieces: 3,
    });
    expect(await (await send('PATCH', '/company/bookings/FB-1003', { pieces: null, weight: 5 })).json()).toEqual({
      consignor: booking.consignor,
      consignee: booking.consignee,
      collection: booking.collection,
      weight: 5,
      number: 'FB-1003',
    });
    expect((await fetch(`${base}/company/bookings/FB-1003`, { method: 'DELETE' })).status).toBe(204);
    expect((await fetch(`${base}/company/bookings/FB-1003`)).status).toBe(404);
  });
  it('refuses with problem details that name the fields', async () => {
    const answer = await send('POST', '/company/bookings', {
      ...booking,
      consignee: booking.consignor,
      collection: '2026-11-29',
    });
    expect(answer.status).toBe(422);
    expect(answer.headers.get('content-type')).toContain('application/problem+json');
    expect(((await answer.json()) as { errors: { pointer: string }[] }).errors.map(({ pointer }) => pointer)).toEqual([
      '#/consignee/name',
      '#/collection',
    ]);
  });
  it('can be set to fail, and to refuse a field whatever it holds', async () => {
    await send('PUT', '/company/settings', { fail: true });
    expect((await fetch(`${base}/company/ports`)).status).toBe(503);
    await send('PUT', '/company/settings', { refuse: { pointer: '/pieces', detail: 'Too few.' } });
    expect(await (await send('POST', '/company/bookings', booking)).json()).toMatchObject({
      status: 422,
      errors: [{ pointer: '#/pieces', detail: 'Too few.' }],
    });
    expect((await send('PUT', '/company/settings', { delay: -1 })).status).toBe(422);
  });
  it('answers what was asked: ports by name, crossings by ports and date', async () => {
    expect(await (await fetch(`${base}/company/ports?search=sule`)).json()).toEqual([
      { code: 'LSU', name: 'Little Sule' },
    ]);
    expect(await (await fetch(`${base}/company/crossings?from=ALD&to=HAR&date=2026-12-01`)).json()).toHaveLength(2);
    expect(await (await fetch(`${base}/company/crossings?from=ALD&to=ALD&date=2026-12-01`)).json()).toEqual([]);
  });
});

describe('records that the company keeps', () => {
  it('are of several sorts, each with its own numbers', async () => {
    const made = (await (await send('POST', '/company/passages', { travellers: [] })).json()) as { number: string };
    expect(made.number).toBe('PB-1001');
    expect(await (await fetch(`${base}/company/reports`)).json()).toEqual([]);
    expect((await fetch(`${base}/company/constructor`)).status).toBe(404);
  });
  it('of freight are taken with the token only', async () => {
    expect((await send('POST', '/company/freight', booking)).status).toBe(403);
    const { token } = (await (await fetch(`${base}/company/token`)).json()) as { token: string };
    expect((await send('POST', '/company/freight', booking, { 'X-Skerry-Token': token })).status).toBe(201);
  });
  it('are replaced, changed and deleted by POST where the header names the method', async () => {
    await send('POST', '/company/orders', { weekdays: ['Mon'] });
    const by = (method: string, json: unknown) =>
      send('POST', '/company/orders/SO-1001', json, { 'X-HTTP-Method': method });
    expect(await (await by('PATCH', { from: '2026-12-01' })).json()).toMatchObject({
      weekdays: ['Mon'],
      from: '2026-12-01',
    });
    expect((await by('DELETE', {})).status).toBe(204);
    expect((await send('POST', '/company/orders/SO-1001', {})).status).toBe(405);
  });
  it('are echoed as they left the browser', async () => {
    expect(await (await send('PUT', '/company/echo', { a: 1 }, { 'X-Tide': 'low' })).json()).toMatchObject({
      method: 'PUT',
      headers: { 'x-tide': 'low' },
      body: { a: 1 },
    });
    const native = await fetch(`${base}/company/echo`, { method: 'POST', body: new URLSearchParams({ pieces: '3' }) });
    expect(await native.json()).toMatchObject({ method: 'POST', body: [['pieces', '3']] });
  });
});

describe('code of codecs', () => {
  it('is taken, and served to a frame that reaches nothing', async () => {
    const source =
      'export function parse(shown: unknown) { return shown }\nexport function show(held: unknown) { return held }';
    const { key } = (await (await send('POST', '/api/codec', { source })).json()) as { key: string };
    const frame = await fetch(`${base}/stand/code-frame/${key}`);
    expect(frame.headers.get('content-security-policy')).toContain("connect-src 'none'");
    expect(frame.headers.get('content-security-policy')).toContain('sandbox allow-scripts');
    expect(await (await fetch(`${base}/stand/code/${key}.js`)).text()).toMatch(/^startCode\(/);
    expect((await fetch(`${base}/stand/code/${key.replace(/./g, '0')}.js`)).status).toBe(404);
  });
  it('is refused with its line', async () => {
    const answer = await send('POST', '/api/codec', { source: "import 'node:fs';" });
    expect([answer.status, ((await answer.json()) as { detail: string }).detail]).toEqual([
      422,
      expect.stringContaining('Line 1') as unknown,
    ]);
  });
});

it('draws a form of the kit as HTML', async () => {
  const open = {
    form: { title: 'F', schema: { type: 'object', properties: { name: { title: 'Ship', type: 'string' } } } },
    documents: {},
    kit: { adapters: {}, codecs: {}, fields: {}, inputs: {} },
    notes: false,
    copies: 1,
    submitLabel: '',
  };
  const answer = (await (await send('POST', '/api/render', { what: 'form', inputs: [], task: open })).json()) as {
    html: string;
  };
  expect(answer.html).toMatch(/<label[^>]*>Ship<\/label>/);
  expect((await send('POST', '/api/render', { what: 'form', inputs: ['gone#Gone'], task: open })).status).toBe(404);
});

describe('the guard', () => {
  it('turns away other origins, frames without one, and other sites', async () => {
    for (const origin of ['null', 'https://elsewhere.example'])
      expect((await api('/api/project', { Origin: origin })).status).toBe(403);
    expect((await fetch(`${base}/company/ports`, { headers: { 'Sec-Fetch-Site': 'cross-site' } })).status).toBe(403);
    expect(
      (await fetch(`${base}/company/ports`, { headers: { Origin: base, 'Sec-Fetch-Site': 'same-origin' } })).status,
    ).toBe(200);
  });
  it('asks for the secret of this start, which stands in its page and in nothing else', async () => {
    const status = async (headers: Record<string, string>): Promise<number> =>
      (await fetch(`${base}/api/project`, { headers })).status;
    expect(await status({})).toBe(401);
    expect(await status({ 'Poietra-Secret': `${secret}x` })).toBe(401);
    expect(await status({ 'Poietra-Secret': secret })).toBe(200);
    expect((await send('POST', '/api/hand-over', {}, { 'Poietra-Secret': '' })).status).toBe(401);
    expect(await (await fetch(`${base}/company/ports`)).text()).not.toContain(secret);
  });
  it('knows whose a connection is by the kernel’s table', async () => {
    // One port of this machine to another; as `/proc/net/tcp` lists them, each end for itself.
    const table = `  sl  local_address rem_address   st tx_queue rx_queue tr tm->when retrnsmt   uid  timeout inode
   0: 0100007F:10D6 0100007F:C350 01 00000000:00000000 00:00000000 00000000  1000        0 1583 1 0
   1: 0100007F:C350 0100007F:10D6 01 00000000:00000000 00:00000000 00000000  1001        0 1584 1 0`;
    expect(userOf(table, 0xc350, 0x10d6)).toBe(1001);
    expect(userOf(table, 0x10d6, 0xc350)).toBe(1000);
    expect(userOf(table, 0xc351, 0x10d6)).toBeUndefined();
    if (process.platform !== 'linux') return;
    // This process, as the kernel has it, is let in.
    const socket = connect((server.address() as AddressInfo).port, '127.0.0.1');
    await new Promise((resolve) => socket.once('connect', resolve));
    expect(userOf(readFileSync('/proc/net/tcp', 'utf8'), socket.localPort ?? 0, socket.remotePort ?? 0)).toBe(
      process.getuid?.(),
    );
    socket.destroy();
  });
  it('tells of a broken body without words of its own inside', async () => {
    const answer = await fetch(`${base}/company/bookings`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: '{',
    });
    expect([answer.status, ((await answer.json()) as { title: string }).title]).toEqual([400, 'No JSON']);
  });
  it('sends a strict policy with the page, and a stricter one with a stand', async () => {
    expect((await fetch(`${base}/company/ports`)).headers.get('content-security-policy')).toContain(
      "script-src 'self'",
    );
    const { frame } = (await (await api('/api/stand')).json()) as { frame: string };
    const policy = (await fetch(base + frame)).headers.get('content-security-policy') ?? '';
    expect(policy).toContain('sandbox allow-scripts');
    expect(policy).toContain('connect-src data:;');
  });
  it('says which input is not there', async () => {
    expect(await (await api('/api/stand?input=tide%23Box')).json()).toMatchObject({
      status: 404,
      detail: 'The project has no input “tide#Box”. Is its package installed?',
    });
  });
});

describe('the project folder', () => {
  const project = async (): Promise<{ folder?: string }> =>
    (await (await api('/api/project')).json()) as { folder?: string };
  it('can be another one; what is none is refused in words, and the present one stays', async () => {
    const refused = async (folder: unknown): Promise<string> => {
      const answer = await send('POST', '/api/project', { folder });
      expect(answer.status).toBe(422);
      return ((await answer.json()) as { detail: string }).detail;
    };
    expect(await refused('/nowhere/at/all')).toContain('There is no folder');
    expect(await refused('demo/project')).toContain('from the root');
    expect(await refused(5)).toContain('Say which folder');
    const faulty = join(home, 'packages/stand/test/faulty');
    expect((await send('POST', '/api/project', { folder: faulty })).status).toBe(204);
    for (let turn = 0; turn < 100 && (await project()).folder === undefined; turn++)
      await new Promise((resolve) => setTimeout(resolve, 200));
    expect((await project()).folder).toBe(faulty);
  });
  it('takes wrappers by name only, since the name is written into a module', async () => {
    const status = async (wrapper: string): Promise<number> =>
      (await api(`/api/stand?wrapper=${encodeURIComponent(wrapper)}`)).status;
    expect(await status('antd#ConfigProvider')).toBe(200);
    expect(await status('antd#x";alert(1)//')).toBe(422);
    expect(await status('../../etc#x')).toBe(422);
    expect(await status('gone#Provider')).toBe(409);
  });
});

describe('a form without script', () => {
  it('is drawn once, served without script and origin, and can only be sent to the echo', async () => {
    const task = {
      form: { title: 'Report', schema: { type: 'object', properties: { wind: { type: 'integer' } } } },
      documents: {},
      kit: { adapters: {}, codecs: {}, fields: {}, inputs: {} },
      notes: false,
      copies: 1,
      submitLabel: 'Send',
      native: { action: '/company/echo' },
    };
    const answer = await send('POST', '/api/plain', { what: 'form', title: '<Report>', inputs: [], task });
    const { page } = (await answer.json()) as { page: string };
    const served = await fetch(`${base}${page}`);
    const policy = served.headers.get('content-security-policy') ?? '';
    expect(policy).toContain('sandbox allow-forms');
    expect(policy).toContain("default-src 'none'");
    expect(policy).not.toContain('script-src');
    expect(policy).toContain(`form-action ${base}/company/echo`);
    const html = await served.text();
    expect(html).toContain('<title>&#60;Report&#62;</title>');
    expect(html).toMatch(/<form[^>]*action="\/company\/echo"/);
    expect(html).toMatch(/name="\/wind"/);
    expect(html).not.toMatch(/<script/);
  });
  it('is refused where there is nothing to draw, and gone after a while', async () => {
    expect((await send('POST', '/api/plain', { title: 'x' })).status).toBe(422);
    expect((await fetch(`${base}/plain/0123456789`)).status).toBe(404);
  });
});

describe('the name by which it is asked', () => {
  const ask = (target: string, host: string): Promise<string> =>
    raw(`GET ${target} HTTP/1.1\r\nHost:${host}\r\nConnection: close\r\n\r\n`);
  it.each([
    [' localhost:4400', '200'],
    ['127.0.0.1', '200'],
    [' LOCALHOST', '200'],
    [' evil.example', '421'],
    [' localhost.evil.example', '421'],
    [' 127.0.0.1@evil.example', '421'],
    [' localhost:x', '421'],
    [' [::1].evil.example', '421'],
    ['', '421'],
  ])('%j: %s', async (host, status) => {
    expect(await ask('/company/ports', host)).toContain(` ${status} `);
  });
  it('is not the one of an address that is asked for whole', async () => {
    expect(await ask('http://evil.example/company/ports', ' localhost')).toContain(' 421 ');
  });
});

it('a port that is taken is told, and nothing is said to be ready', () => {
  const address = server.address();
  const port = typeof address === 'object' && address ? address.port : 0;
  const { status, stdout, stderr } = spawnSync(process.execPath, [join(home, 'apps/server/dist/main.js')], {
    encoding: 'utf8',
    env: { ...process.env, PORT: String(port), POIETRA_QUIET: '1', POIETRA_DATA: data },
    timeout: 20_000,
  });
  expect([status, stdout]).toEqual([1, '']);
  expect(stderr).toContain(`Port ${port} is taken.`);
});

describe('types of the project', () => {
  it('are listed, and read as the schema of their JSON', async () => {
    const { types } = (await (await api('/api/types')).json()) as { types: object[] };
    expect(types).toContainEqual({ file: 'src/crossing.ts', name: 'Crossing' });
    const answer = await send('POST', '/api/type-schema', { file: 'src/crossing.ts', name: 'Crossing' });
    expect(await answer.json()).toMatchObject({
      schema: { title: 'Crossing', $defs: { Sailing: { type: 'object' } } },
      notes: [{ at: '/departure/at' }, { at: '/announce' }],
    });
  });
  it('that it does not export are refused', async () => {
    const answer = await send('POST', '/api/type-schema', { file: '../server.ts', name: 'Crossing' });
    expect([answer.status, ((await answer.json()) as { detail: string }).detail]).toEqual([
      422,
      '../server.ts exports no type “Crossing” that stands by itself.',
    ]);
  });
});
