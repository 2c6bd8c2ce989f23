/**
 * Whether long work leaves something behind: forms and stands opened one after the other, keys pressed in a form, edits of
 * the kit, in one page that is never loaded anew. After each hundred (keys: each thousand) rubbish is collected, and what
 * is left is counted: heap, nodes, listeners, documents. What it grows by with each hundred is printed as a slope.
 * `npm run bench -- memory [forms|keys|edits] [COUNT]`
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { table } from './measure.mjs';
import { withWorkbench } from './served.mjs';

const home = join(import.meta.dirname, '..');
const port = 4492;
const base = `http://127.0.0.1:${port}`;
const [, which, count] = process.argv.slice(2);
const kit = JSON.parse(readFileSync(join(home, 'demo/kit.json'), 'utf8'));

await withWorkbench(port, async (browser) => {
  const runs = { forms: openForms, keys: pressKeys, edits: editKit };
  for (const [name, run] of Object.entries(runs)) {
    if (which !== undefined && which !== name) continue;
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await run(page);
    await page.close();
  }
});

/** Forms and stands in turn, and back to a page without a frame before each count. */
async function openForms(page) {
  const forms = Object.keys(kit.forms).map((id) => `/forms/${id}`);
  const stands = ['antd#Rate', 'react-day-picker#DayPicker', 'react-select#default', 'native#text'];
  const paths = [...forms.slice(0, 6), ...stands.map((id) => `/inputs/${encodeURIComponent(id)}`)];
  await page.goto(`${base}/codecs`);
  await page.locator('main h1, main h2').first().waitFor();
  const open = async (i) => {
    await go(page, paths[i % paths.length]);
    await page.locator('iframe').first().waitFor();
    await page.waitForFunction(() => document.querySelector('iframe')?.getBoundingClientRect().height > 40);
  };
  const rest = async () => {
    await go(page, '/codecs');
    await page.locator('iframe').first().waitFor({ state: 'detached' });
  };
  // What is kept on purpose (bundles, read schemas, the history of the tape) is there after a first round.
  for (let i = 0; i < paths.length; i++) await open(i);
  await rest();
  await told('forms and stands opened', page, Number(count ?? 300), 100, async (n) => {
    await open(n);
    if (n % 100 === 99) await rest();
  });
}

/** In the frame of a form: its heap is a process of its own, beside the workbench's. */
async function pressKeys(page) {
  await page.goto(`${base}/forms/freight-booking-short`);
  const frame = await (await page.waitForSelector('iframe[title^="Form:"]')).contentFrame();
  const box = frame.getByRole('textbox', { name: /Remarks|Name|Pieces/ }).first();
  await box.click();
  for (let i = 0; i < 500; i++) await page.keyboard.press(i % 20 === 19 ? 'Control+Backspace' : 'a');
  const session = await page.context().newCDPSession(frame);
  await told(
    'keys pressed',
    page,
    Number(count ?? 20_000),
    1000,
    (n) => page.keyboard.press(n % 20 === 19 ? 'Control+Backspace' : 'a'),
    session,
  );
}

async function editKit(page) {
  await page.goto(`${base}/fields/pieces`);
  const box = page.getByRole('textbox', { name: 'Hint' });
  await box.waitFor();
  const edit = async (n) => {
    await box.fill(`As counted on the quay, ${n}`);
    await page.waitForTimeout(30);
  };
  for (let i = 0; i < 550; i++) await edit(i);
  await told('edits of the kit', page, Number(count ?? 500), 100, edit);
}

async function told(what, page, most, each, act, inFrame) {
  const sessions = [await page.context().newCDPSession(page), ...(inFrame ? [inFrame] : [])];
  const rows = [[0, ...(await left(sessions))]];
  for (let n = 0; n < most; n++) {
    await act(n);
    if (n % each === each - 1) rows.push([n + 1, ...(await left(sessions))]);
  }
  const names = ['heap, MB', 'nodes', 'listeners', 'documents'];
  const heads = inFrame ? [...names.map((name) => `${name} (page)`), ...names.map((name) => `${name} (frame)`)] : names;
  console.log(`\n${table([what, ...heads], rows)}`);
  const [first, last] = [rows[1] ?? rows[0], rows.at(-1)];
  const rounds = Math.max(1, rows.length - 2);
  heads.forEach((name, i) => {
    const slope = (last[i + 1] - first[i + 1]) / rounds;
    console.log(
      `${name}: ${slope >= 0 ? '+' : ''}${slope.toFixed(2)} with each ${each}, ${((100 * slope) / (first[i + 1] || 1)).toFixed(1)} %`,
    );
  });
}

/** What is left once rubbish is collected. */
async function left(sessions) {
  const all = [];
  for (const session of sessions) {
    await session.send('HeapProfiler.enable');
    for (let i = 0; i < 3; i++) {
      await session.send('HeapProfiler.collectGarbage');
      await new Promise((resolve) => setTimeout(resolve, 300));
    }
    const { usedSize } = await session.send('Runtime.getHeapUsage');
    const { nodes, jsEventListeners, documents } = await session.send('Memory.getDOMCounters');
    all.push((usedSize / 1e6).toFixed(1), nodes, jsEventListeners, documents);
  }
  return all;
}

/** As a link would: the page is not loaded anew. */
function go(page, path) {
  return page.evaluate((to) => {
    history.pushState(null, '', to);
    dispatchEvent(new PopStateEvent('popstate'));
  }, path);
}
