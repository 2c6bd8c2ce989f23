/**
 * What the first drawing of each page of the workbench costs on the demo kit, in a real browser: script, the longest
 * stretch in which the page answered nobody, and until it drew something. Each page is opened warm, in a tab of its own,
 * five times; the least of each counts, since whatever else the machine does only adds to it.
 */
import { table } from './measure.mjs';
import { withWorkbench } from './served.mjs';

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

await withWorkbench(port, async (browser) => {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const rows = [];
  for (const path of pages) {
    // The first opening fills the caches of browser and server, and is not counted.
    await open(context, path);
    const runs = [];
    for (let i = 0; i < 5; i++) runs.push(await open(context, path));
    const of = (name) => Math.round(Math.min(...runs.map((run) => run[name])));
    rows.push([path, of('script'), of('all'), of('longest'), of('drawn')]);
  }
  console.log(
    table(
      ['page', 'script until drawn, ms', 'script until it rests, ms', 'longest stretch, ms', 'drawn after, ms'],
      rows,
    ),
  );
});

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
