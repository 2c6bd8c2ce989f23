/** @jest-environment jsdom */
import { fetchApi } from '../src/store/secret.js';

/** A server that was begun several times: it takes the secret of its last start, and serves the page with it. */
const server = { secret: 'first', asked: [] as string[], isBroken: false };
globalThis.fetch = ((address: string, init?: RequestInit) => {
  const given = new Map(Object.entries((init?.headers as Record<string, string> | undefined) ?? {})).get(
    'Poietra-Secret',
  );
  server.asked.push(`${address} ${given ?? ''}`);
  const status = address === '/' || (given === server.secret && !server.isBroken) ? 200 : 401;
  const page = `<!doctype html><html><head><meta name="poietra-secret" content="${server.secret}"></head></html>`;
  return Promise.resolve({ status, text: () => Promise.resolve(page) });
}) as unknown as typeof fetch;

beforeAll(() => {
  document.head.innerHTML = '<meta name="poietra-secret" content="first">';
});
beforeEach(() => {
  server.asked = [];
});

it('the secret of the page is sent along, with what else is sent', async () => {
  expect((await fetchApi('/api/project', { headers: { Accept: 'text/plain' } })).status).toBe(200);
  expect(server.asked).toEqual(['/api/project first']);
});

it('after the server was begun anew its new page is read once, and what was asked is asked again', async () => {
  server.secret = 'second';
  expect((await fetchApi('/api/project')).status).toBe(200);
  expect((await fetchApi('/api/stand')).status).toBe(200);
  expect(server.asked).toEqual(['/api/project first', '/ ', '/api/project second', '/api/stand second']);
});

it('a refusal that stays is handed on', async () => {
  server.isBroken = true;
  expect((await fetchApi('/api/project')).status).toBe(401);
  expect(server.asked).toHaveLength(3);
});
