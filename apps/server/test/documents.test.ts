import { kitFileName } from '@poietra/inputs';
import express from 'express';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { createServer, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { answerRouter } from '../src/answers.js';
import { documentRouter } from '../src/documents.js';
import { kitFileRouter } from '../src/kit-file.js';
import { problems } from '../src/problem.js';

const running: Server[] = [];
async function listening(answer: RequestListener): Promise<string> {
  const server = createServer(answer).listen(0, '127.0.0.1');
  running.push(server);
  await new Promise((resolve) => server.once('listening', resolve));
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
}
let folder: string;
let api: string;
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'poietra-project-'));
  const app = express().use(
    documentRouter(() => folder),
    answerRouter(),
    kitFileRouter(() => folder),
    problems,
  );
  api = await listening(app);
});
afterEach(() => {
  for (const server of running.splice(0)) {
    server.closeAllConnections();
    server.close();
  }
  rmSync(folder, { recursive: true, force: true });
});
interface Answer {
  readonly status: number;
  readonly json: { readonly detail?: string; readonly text?: string; readonly tag?: string; readonly file?: string };
}
const call = async (method: string, path: string, json: unknown): Promise<Answer> => {
  const response = await fetch(api + path, {
    method,
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(json),
  });
  return { status: response.status, json: (await response.json()) as Answer['json'] };
};
const ask = (address: string, from = 'address'): Promise<Answer> => call('POST', '/document', { address, from });

describe('a document is asked for', () => {
  it('where it says it is, with nothing that says who asks', async () => {
    const seen: Record<string, unknown>[] = [];
    const host = await listening((request, response) => {
      seen.push(request.headers);
      response.end('{"type":"string"}');
    });
    expect(await ask(`${host}/port.json`)).toEqual({ status: 200, json: { text: '{"type":"string"}' } });
    expect(Object.keys(seen[0]!).filter((name) => /cookie|auth|referer|origin|poietra/.test(name))).toEqual([]);
  });
  it('where its host sends on to, but no other host', async () => {
    const other = await listening((_, response) => response.end('{"stolen":true}'));
    const host = await listening(({ url = '' }, response) => {
      if (url === '/old') response.writeHead(302, { Location: '/new' }).end();
      else if (url === '/away') response.writeHead(302, { Location: `${other}/x` }).end();
      else if (url === '/round') response.writeHead(302, { Location: '/round' }).end();
      else response.end('{"new":true}');
    });
    expect((await ask(`${host}/old`)).json.text).toBe('{"new":true}');
    const away = await ask(`${host}/away`);
    expect([away.status, away.json.detail]).toEqual([
      502,
      expect.stringContaining(`${other}/x, which is another host`),
    ]);
    expect((await ask(`${host}/round`)).json.detail).toContain('on and on');
  });
  it('and what is wrong is said: no answer, another status, too much', async () => {
    const host = await listening(({ url }, response) => {
      if (url === '/large') response.end(Buffer.alloc(5_000_001, 32));
      else response.writeHead(404).end();
    });
    expect((await ask(`${host}/none`)).json.detail).toMatch(/answers 404/);
    expect((await ask(`${host}/large`)).json.detail).toMatch(/more than 5 MB/);
    expect((await ask('http://127.0.0.1:1/x')).json.detail).toMatch(/127\.0\.0\.1:1 cannot be reached/);
  });
  it.each(['file:///etc/hosts', 'urn:skerry:x', 'party.json', 'http://a:b@127.0.0.1/x'])(
    'never at %s',
    async (address) => expect((await ask(address)).status).toBe(422),
  );
});

describe('an answer of another host', () => {
  const answer = (address: unknown): Promise<Answer> => call('POST', '/answer', { address });
  it('is given as its text, and as little is told of who asks', async () => {
    const seen: Record<string, unknown>[] = [];
    const host = await listening((request, response) => {
      seen.push({ ...request.headers, url: request.url });
      response.end('[1]');
    });
    expect(await answer(`${host}/ports?search=%C3%A5`)).toEqual({ status: 200, json: { text: '[1]' } });
    expect(seen[0]).toMatchObject({ url: '/ports?search=%C3%A5', accept: 'application/json, */*;q=0.1' });
    expect(Object.keys(seen[0]!).filter((name) => /cookie|auth|referer|origin|poietra/.test(name))).toEqual([]);
  });
  it('that fails is said to have failed', async () => {
    const host = await listening((_, response) => response.writeHead(503).end());
    expect((await answer(host)).json.detail).toMatch(/answers 503/);
  });
  it.each(['file:///etc/hosts', '/api/project', 7, undefined])('is not asked for at %s', async (address) =>
    expect((await answer(address)).status).toBe(422),
  );
});

describe('a document of the project is found', () => {
  beforeEach(() => {
    mkdirSync(join(folder, 'schemas/node_modules'), { recursive: true });
    writeFileSync(join(folder, 'schemas/any-name.json'), '{"$id":"https://skerry.example/party.json#"}');
    writeFileSync(join(folder, 'schemas/port.json'), '{"title":"by path"}');
    writeFileSync(join(folder, 'schemas/node_modules/crate.json'), '{}');
    writeFileSync(join(folder, 'broken.json'), '{');
  });
  it('by its own address, or else by the end of its path', async () => {
    expect((await ask('https://skerry.example/party.json', 'project')).json.file).toBe(
      join('schemas', 'any-name.json'),
    );
    expect((await ask('https://skerry.example/schemas/port.json', 'project')).json).toEqual({
      file: join('schemas', 'port.json'),
      text: '{"title":"by path"}',
    });
  });
  it('and not among packages, nor outside by a link', async () => {
    symlinkSync('/etc', join(folder, 'out'));
    for (const address of ['https://x.example/crate.json', 'https://x.example/out/hosts'])
      expect((await ask(address, 'project')).status).toBe(404);
  });
});

describe('the kit file of the project', () => {
  const put = (text: string, tag: string | null): Promise<Answer> => call('PUT', '/kit-file', { text, tag });
  const read = async (): Promise<Answer['json']> => (await (await fetch(`${api}/kit-file`)).json()) as Answer['json'];

  it('is written, read and written again by who knows what stands there', async () => {
    expect(await read()).toEqual({ folder });
    const first = await put('one', null);
    expect(await read()).toEqual({ folder, text: 'one', tag: first.json.tag });
    const known = await fetch(`${api}/kit-file?tag=${first.json.tag!}`);
    expect(await known.json()).toEqual({ folder, tag: first.json.tag });
    expect((await put('two', first.json.tag!)).status).toBe(200);
    expect(readFileSync(join(folder, kitFileName), 'utf8')).toBe('two');
  });
  it('is left alone where it was changed, made or taken away meanwhile', async () => {
    const { tag } = (await put('one', null)).json;
    writeFileSync(join(folder, kitFileName), 'by hand');
    expect((await put('two', tag!)).status).toBe(412);
    expect((await put('two', null)).status).toBe(412);
    expect(readFileSync(join(folder, kitFileName), 'utf8')).toBe('by hand');
    rmSync(join(folder, kitFileName));
    expect((await put('two', tag!)).status).toBe(412);
  });
  it('is neither read nor written through a link', async () => {
    const outside = join(folder, 'elsewhere');
    writeFileSync(outside, 'secret');
    symlinkSync(outside, join(folder, kitFileName));
    expect((await put('two', null)).status).toBe(409);
    expect((await fetch(`${api}/kit-file`)).status).toBe(409);
    expect(readFileSync(outside, 'utf8')).toBe('secret');
  });
});
