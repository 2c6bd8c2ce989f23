import { nativeAdapters } from '@poietra/core';
import { mkdtempSync, rmSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { makeApp } from '../src/app.js';
import { Prover } from '../src/prove.js';

const home = join(__dirname, '../../..');
const data = mkdtempSync(join(tmpdir(), 'poietra-data-'));
const secret = 'of this start';
const prover = new Prover();
let server: Server;

beforeAll(async () => {
  const project = join(home, 'demo/project');
  server = makeApp({ host: '127.0.0.1', port: 0, home, project, data, quiet: true, secret }, prover).listen(
    0,
    '127.0.0.1',
  );
  await new Promise((resolve) => server.once('listening', resolve));
});
afterAll(async () => {
  await prover.close();
  server.closeAllConnections();
  server.close();
  rmSync(data, { recursive: true });
});
const prove = (json: unknown, signal?: AbortSignal): Promise<Response> =>
  fetch(`http://127.0.0.1:${(server.address() as AddressInfo).port}/api/prove`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', 'Poietra-Secret': secret },
    body: JSON.stringify(json),
    ...(signal ? { signal } : {}),
  });
const text = { adapter: nativeAdapters['text'], inputs: [] };
const lines = (told: string): { check?: string; state?: string; browser?: string }[] =>
  told
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as object);

describe('the contract in full, asked of the server', () => {
  it('tells each verdict as a line, and in the end the browser', async () => {
    const told = lines(await (await prove(text)).text());
    expect(told.slice(0, -1).filter(({ state }) => state === 'fail')).toEqual([]);
    expect(told).toHaveLength(27);
    expect(told.at(-1)?.browser).toMatch(/^Chromium \d+/);
  });
  it('catches what only shows in a browser that is driven', async () => {
    // Its value goes where nobody sees it.
    const adapter = { ...nativeAdapters['text'], value: { property: 'title' }, samples: ['Torsund', 'Hareby'] };
    const told = lines(await (await prove({ ...text, adapter })).text());
    expect(told.find(({ check }) => check === 'held')).toMatchObject({ state: 'fail' });
  });
  it('stops when who asked goes away, and proves for the next', async () => {
    const gone = new AbortController();
    const response = await prove(text, gone.signal);
    gone.abort();
    await expect(response.text()).rejects.toThrow();
    expect(lines(await (await prove(text)).text())).toHaveLength(27);
  });
  it('refuses what is no adapter, and inputs that the project has not', async () => {
    expect((await prove({ adapter: { input: 'native#text' }, inputs: [] })).status).toBe(422);
    expect((await prove({ ...text, inputs: ['nobody#Knows'] })).status).toBe(404);
  });
});
