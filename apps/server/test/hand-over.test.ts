/** The hand-over into the opened project: where it may go, and what it says. */
import express from 'express';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { handOverRouter } from '../src/hand-over.js';
import { problems } from '../src/problem.js';

const home = join(__dirname, '../../..');
const outer = mkdtempSync(join(tmpdir(), 'poietra-into-'));
const project = join(outer, 'desk');
const kit = { poietra: 1, name: 'Desk', inputs: {}, adapters: {}, codecs: {}, fields: {}, groups: {}, forms: {} };
let server: Server;
beforeAll(async () => {
  mkdirSync(join(project, 'src'), { recursive: true });
  writeFileSync(join(project, 'package.json'), '{"name": "desk"}');
  symlinkSync(outer, join(project, 'out'));
  const app = express();
  app.use(
    '/api',
    handOverRouter(home, () => project),
  );
  app.use(problems);
  server = app.listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
});
afterAll(() => {
  server.close();
  rmSync(outer, { recursive: true });
});
const ask = async (body: unknown): Promise<{ status: number; answer: Record<string, unknown> }> => {
  const response = await fetch(`http://127.0.0.1:${(server.address() as AddressInfo).port}/api/hand-over`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(body),
  });
  return { status: response.status, answer: (await response.json()) as Record<string, unknown> };
};

it('compares without writing, then writes', async () => {
  const compared = await ask({ folder: 'src/forms', kit });
  expect([compared.status, compared.answer['written'], existsSync(join(project, 'src/forms'))]).toEqual([
    200,
    false,
    false,
  ]);
  const written = await ask({ folder: 'src/forms', kit, write: true });
  expect(written.answer['written']).toBe(true);
  expect(readFileSync(join(project, 'src/forms/README.md'), 'utf8')).toContain('# Desk');
  expect((await ask({ folder: 'src/forms', kit })).answer['steps']).toEqual([]);
});

it.each([
  '.',
  '..',
  '../elsewhere',
  '/tmp/elsewhere',
  'out/elsewhere',
  'src/../../elsewhere',
  'node_modules/x',
  '.git/hooks',
])('refuses %s', async (folder) => {
  const { status, answer } = await ask({ folder, kit, write: true });
  expect([status, typeof answer['detail']]).toEqual([422, 'string']);
  expect(existsSync(join(outer, 'elsewhere'))).toBe(false);
});

it('says what is wrong with a kit that cannot be handed over', async () => {
  const { status, answer } = await ask({ folder: 'src/forms', kit: { ...kit, forms: 1 } });
  expect([status, String(answer['detail'])]).toEqual([422, expect.stringContaining('/forms')]);
});
