/**
 * A schema-driven form in real Chromium against the same inputs by hand: bare uncontrolled HTML, one small state per
 * field, one state for all. Script time per key press, first drawing and memory, as ratios measured in one run.
 */
import { chromiumPath } from '../scripts/chromium.mjs';
import { build } from 'esbuild';
import { existsSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { chromium } from 'playwright-core';
import { median, ratio, table } from './measure.mjs';

const home = join(import.meta.dirname, '..');
const { outputFiles } = await build({
  entryPoints: [join(import.meta.dirname, 'form-page.tsx')],
  bundle: true,
  write: false,
  minify: true,
  format: 'iife',
  conditions: ['source'],
  jsx: 'automatic',
  target: 'es2022',
  define: { 'process.env.NODE_ENV': '"production"' },
  absWorkingDir: home,
  logLevel: 'error',
});
const own = chromiumPath();
const browser = await chromium.launch({
  ...(existsSync(own) ? { executablePath: own } : {}),
  args: ['--no-sandbox', '--disable-gpu', '--js-flags=--expose-gc', '--enable-precise-memory-info'],
});
const page = await browser.newPage();
await page.setContent('<!doctype html><html lang="en"><body></body></html>');
await page.addScriptTag({ content: outputFiles[0].text });

const rivals = ['planned', 'bare', 'one state per field', 'one state for all'];
const draw = (rival, count) => page.evaluate(([name, many]) => globalThis.bench.draw(name, many), [rival, count]);
const press = (times) => page.evaluate((many) => globalThis.bench.press(many), times);

// Everything is drawn and pressed once beforehand, so that nobody pays for the compiler.
for (const rival of rivals) {
  await draw(rival, 50);
  await press(20);
}

const counts = [50, 500, 5000];
const pressed = {};
for (const count of counts) {
  const times = Object.fromEntries(rivals.map((rival) => [rival, []]));
  // In turns, so that the machine's moods meet all of them.
  for (let round = 0; round < 5; round++)
    for (const rival of rivals) {
      await draw(rival, count);
      times[rival].push(await press(count > 500 ? 4 : 20));
    }
  pressed[count] = Object.fromEntries(rivals.map((rival) => [rival, median(times[rival])]));
}
console.log('A key press: script time, and how the planned form compares\n');
console.log(
  table(
    ['fields', ...rivals, 'to one state per field', 'to one state for all'],
    counts.map((count) => {
      const row = pressed[count];
      return [
        count,
        ...rivals.map((rival) => `${row[rival].toFixed(3)} ms`),
        ratio(row.planned, row['one state per field']),
        ratio(row.planned, row['one state for all']),
      ];
    }),
  ),
);
console.log(
  `\nFrom 50 to 5,000 fields a key press costs ${ratio(pressed[5000].planned, pressed[50].planned)} as much; in bare inputs, where only the framework hears of it, ${ratio(pressed[5000].bare, pressed[50].bare)}.`,
);
await draw('planned', 500);
console.log(`Fields drawn anew by one key press: ${await page.evaluate(() => globalThis.bench.drawn())} of 500.`);

// The browser's own key events, and what the page's main thread spends on each.
const look = await readFile(join(home, 'packages', 'react', 'src', 'skin.css'), 'utf8');
const session = await page.context().newCDPSession(page);
await session.send('Performance.enable');
const spent = ['Script', 'RecalcStyle', 'Layout', 'Task'];
const metrics = async () => {
  const { metrics: all } = await session.send('Performance.getMetrics');
  return spent.map((what) => (all.find(({ name }) => name === `${what}Duration`)?.value ?? 0) * 1000);
};
const keys = 24;
const real = {};
for (const count of [50, 5000])
  for (const rival of ['planned', 'bare', 'one state per field']) {
    const rounds = [];
    for (let round = 0; round < 3; round++) {
      await draw(rival, count);
      // The look comes with the form; the others keep the browser's own.
      await page.evaluate((css) => globalThis.bench.wear(css), rival === 'planned' ? look : '');
      await page.evaluate(() => globalThis.bench.aim());
      for (const key of 'ab') await page.keyboard.press(key);
      const before = await metrics();
      for (let i = 0; i < keys; i++) await page.keyboard.press('abcdefgh'[i % 8]);
      const after = await metrics();
      rounds.push(after.map((time, i) => (time - before[i]) / keys));
    }
    (real[count] ??= {})[rival] = spent.map((_, i) => median(rounds.map((round) => round[i])));
  }
console.log("\nA real key press (down, input, up): what the page's main thread spends on it\n");
console.log(
  table(
    ['fields', 'rival', 'script', 'style', 'layout', 'all tasks', 'to bare inputs'],
    Object.entries(real).flatMap(([count, of]) =>
      Object.entries(of).map(([rival, times]) => [
        count,
        rival,
        ...times.map((time) => `${time.toFixed(2)} ms`),
        ratio(times[3], of.bare[3]),
      ]),
    ),
  ),
);
console.log(
  `\nFrom 50 to 5,000 fields its script costs ${ratio(real[5000].planned[0], real[50].planned[0])} as much; in bare inputs ${ratio(real[5000].bare[0], real[50].bare[0])}.`,
);

for (const count of [1000, 5000]) {
  const drawn = Object.fromEntries(rivals.map((rival) => [rival, []]));
  const memory = {};
  for (let round = 0; round < 5; round++)
    for (const rival of rivals) {
      drawn[rival].push(await draw(rival, count));
      memory[rival] = await page.evaluate(() => globalThis.bench.memory());
    }
  const of = (rival, what) => median(drawn[rival].map((one) => one[what]));
  console.log(`\nThe first drawing of ${count} fields, and the memory in use after it\n`);
  console.log(
    table(
      ['', 'first fields', 'all of them', 'to bare inputs', 'page held at most', 'memory'],
      rivals.map((rival) => [
        rival,
        ...['first', 'whole'].map((what) => `${of(rival, what).toFixed(0)} ms`),
        ratio(of(rival, 'whole'), of('bare', 'whole')),
        `${of(rival, 'held').toFixed(0)} ms`,
        `${(memory[rival] / 1e6).toFixed(1)} MB`,
      ]),
    ),
  );
}
await browser.close();
