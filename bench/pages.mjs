/**
 * What the first drawing of each page of the workbench costs on the demo kit, in a real browser: script, the longest
 * stretch in which the page answered nobody, and until it drew something. Each page is opened warm, in a tab of its own,
 * five times; the least of each counts, since whatever else the machine does only adds to it. The browser has a profile
 * on the disk, as a person's has: only there is what was compiled kept beside the modules.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from 'playwright-core';
import { table } from './measure.mjs';
import { launchOptions, withWorkbench } from './served.mjs';

const port = 4491;
const pages = [
  '/inputs',
  '/inputs/antd%23Rate',
  '/adapters/day-picker',
  '/codecs',
  '/codecs/calendar-date',
  '/fields',
  '/fields/pieces',
  '/groups',
  '/groups/party',
  '/forms',
  '/begin',
  '/forms/freight-booking-short',
  '/forms/freight-booking?text=schema',
  '/form-settings/freight-booking',
  '/map',
  '/skins',
  '/look',
  '/documents',
  '/shelf',
  '/links',
  '/hand-over',
  '/kit',
];

/** Compiled modules are kept from the second opening on, and read from the third. */
const openingsBefore = 3;
const counted = 5;
const profile = mkdtempSync(join(tmpdir(), 'poietra-profile-'));

await withWorkbench(port, async () => {
  const context = await chromium.launchPersistentContext(profile, {
    ...launchOptions(),
    viewport: { width: 1280, height: 800 },
  });
  // In rounds through all pages: a spell in which the machine is busy elsewhere does not fall on one page alone.
  const runs = new Map(pages.map((path) => [path, []]));
  for (let i = 0; i < openingsBefore + counted; i++)
    for (const path of pages) {
      const run = await open(context, path);
      if (i >= openingsBefore) runs.get(path).push(run);
    }
  const rows = pages.map((path) => {
    const of = (name) => Math.round(Math.min(...runs.get(path).map((run) => run[name])));
    return [path, of('script'), of('all'), of('longest'), of('drawn')];
  });
  console.log(
    table(
      ['page', 'script until drawn, ms', 'script until it rests, ms', 'longest stretch, ms', 'drawn after, ms'],
      rows,
    ),
  );
  await context.close();
});
rmSync(profile, { recursive: true, force: true });

async function open(context, path) {
  const page = await context.newPage();
  const session = await context.newCDPSession(page);
  await session.send('Performance.enable');
  await page.addInitScript(() => {
    const seen = { longest: 0 };
    Object.assign(window, { benchSeen: seen });
    new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) seen.longest = Math.max(seen.longest, duration);
    }).observe({ type: 'longtask', buffered: true });
  });
  await page.goto(`http://127.0.0.1:${port}${path}`);
  await page.locator('main h1, main h2').first().waitFor();
  const script = await scriptOf(session);
  await page.waitForTimeout(1500);
  const all = await scriptOf(session);
  const { longest, drawn } = await page.evaluate(() => ({
    longest: window.benchSeen.longest,
    drawn: performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? 0,
  }));
  await page.close();
  return { script, all, longest, drawn };
}

/** In milliseconds since the page began. */
async function scriptOf(session) {
  const { metrics } = await session.send('Performance.getMetrics');
  return 1000 * (metrics.find(({ name }) => name === 'ScriptDuration')?.value ?? 0);
}
