/**
 * From nothing to a drawn form, in a real browser whose processor is slowed down four times, as a phone's is: the freight
 * booking of the demo kit (HTML's own inputs), made ready from its schema and written out by the hand-over, beside bare
 * inputs in React, as many as it has fields. React is there before the clock starts; all of our own code is fetched, read
 * and run within. Cold: nothing is cached. Warm: opened for the fourth time.
 */
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { once } from 'node:events';
import { join } from 'node:path';
import { chromium } from 'playwright-core';
import { compileSchema, makePlan, planFields } from '../packages/core/dist/index.js';
import { chromiumPath } from '../scripts/chromium.mjs';
import { bundlers, outside } from '../scripts/size/bundlers.mjs';
import { framework } from '../scripts/size/drawn.mjs';
import { writtenApplication } from '../scripts/size/typical-written.mjs';
import { median, ratio, table } from './measure.mjs';

const home = join(import.meta.dirname, '..');
const folder = join(home, '.cache/size');
const slower = 4;
const rounds = 7;

const { forms, groups } = JSON.parse(readFileSync(join(home, 'demo/kit.json'), 'utf8'));
const schema = withGroups(forms['freight-booking'].schema);
// The kit's own fields bring foreign inputs along, which are not ours to measure.
const hints = withoutFields(forms['freight-booking'].hints);
const rivals = {
  'bare inputs': bareInputs(planFields(makePlan(compileSchema(schema), hints).root).length),
  'written out': writtenApplication(home, {
    name: 'start',
    schema,
    hints,
    asModule: module('start-schema.js', `export const schema = ${JSON.stringify(schema)};`),
    begin: module('start-begin.js', 'export const begin = {};'),
  }),
  'made ready from its schema': preparedApplication(),
};

const beside = await framework();
const browser = await chromium.launch({ executablePath: chromiumPath(), args: ['--no-sandbox', '--disable-gpu'] });
const found = {};
for (const [name, entry] of Object.entries(rivals)) found[name] = await timesOf(await bundlers.Vite(entry));
await browser.close();

const [bare] = Object.values(found);
console.log(
  table(
    [`processor ${slower} times slower`, 'cold, ms', 'to bare inputs', 'warm, ms', 'to bare inputs'],
    Object.entries(found).map(([name, { cold, warm }]) => [
      name,
      Math.round(cold),
      ratio(cold, bare.cold),
      Math.round(warm),
      ratio(warm, bare.warm),
    ]),
  ),
);

/** The middle of several openings, each in a browser without memory, and of as many that remember. */
async function timesOf(chunks) {
  const files = new Map(chunks.map(({ name, code }) => [`/${name}`, code]));
  const imports = Object.fromEntries(outside.map((address, i) => [address, `/part${i}.js`]));
  const page = `<!doctype html><script type="importmap">${JSON.stringify({ imports })}</script><body><script type="module">
import 'react-dom/client'; import 'react/jsx-runtime';
const seen = new MutationObserver(() => {
  if (!document.querySelector('form')) return;
  seen.disconnect();
  // What was drawn has also to be laid out.
  document.body.getBoundingClientRect();
  window.drawnAfter = performance.now() - begun;
});
seen.observe(document.body, { childList: true, subtree: true });
await new Promise((resolve) => setTimeout(resolve, 300));
const begun = performance.now();
await import('/${chunks[0].name}');
</script>`;
  const server = createServer(({ url }, answer) => {
    const text = files.get(url) ?? beside.get(url);
    answer.setHeader('Content-Type', text === undefined ? 'text/html' : 'text/javascript');
    if (text !== undefined) answer.setHeader('Cache-Control', 'max-age=3600');
    answer.end(text ?? page);
  }).listen(0);
  await once(server, 'listening');
  const address = `http://localhost:${server.address().port}/`;
  const [cold, warm] = [[], []];
  for (let i = 0; i < rounds; i++) {
    const context = await browser.newContext();
    cold.push(await opened(context, address));
    for (let again = 0; again < 2; again++) await opened(context, address);
    warm.push(await opened(context, address));
    await context.close();
  }
  server.close();
  return { cold: median(cold), warm: median(warm) };
}

async function opened(context, address) {
  const page = await context.newPage();
  const session = await context.newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: slower });
  await page.goto(address);
  await page.waitForFunction(() => window.drawnAfter !== undefined, undefined, { timeout: 60_000 });
  const time = await page.evaluate(() => window.drawnAfter);
  await page.close();
  return time;
}

function module(name, text) {
  mkdirSync(folder, { recursive: true });
  writeFileSync(join(folder, name), text);
  return join(folder, name);
}

function preparedApplication() {
  return module(
    'start-prepared.js',
    `import { DrawnForm, prepareForm } from '@poietra/react';
import { draw } from ${JSON.stringify(join(home, 'scripts/size/draw.js'))};
void prepareForm({ schema: ${JSON.stringify(schema)}, hints: ${JSON.stringify(hints)} }).then((booking) => draw(DrawnForm, booking, {}));`,
  );
}

function bareInputs(count) {
  return module(
    'start-bare.js',
    `import { createElement, useState } from 'react';
import { createRoot } from 'react-dom/client';
function Bare() {
  const [values, setValues] = useState({});
  return createElement('form', {}, Array.from({ length: ${count} }, (_, i) =>
    createElement('p', { key: i }, createElement('label', { htmlFor: 'f' + i }, 'Field ' + i),
      createElement('input', { id: 'f' + i, value: values[i] ?? '', onChange: ({ target }) => setValues((all) => ({ ...all, [i]: target.value })) }))));
}
createRoot(document.body).render(createElement(Bare));`,
  );
}

/** The kit's groups, put into the schema itself. */
function withGroups(one) {
  const $defs = Object.fromEntries(Object.entries(groups).map(([name, group]) => [name, group.schema]));
  return JSON.parse(
    JSON.stringify({ ...one, $defs: { ...one.$defs, ...$defs } }).replaceAll('urn:poietra:group:', '#/$defs/'),
  );
}

function withoutFields(all = {}) {
  return Object.fromEntries(
    Object.entries(all).map(([at, hint]) => [
      at,
      Object.fromEntries(Object.entries(hint).filter(([name]) => name !== 'field')),
    ]),
  );
}
