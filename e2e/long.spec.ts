/** A long form on a page of its own: what is off the screen rests, and is there all the same; a key press touches one box. */
import { expect, test } from '@playwright/test';
import { build } from 'esbuild';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

const home = join(import.meta.dirname, '..');
const css = readFileSync(join(home, 'packages', 'react', 'src', 'skin.css'), 'utf8');
interface Bench {
  draw(rival: string, count: number): Promise<unknown>;
  wear(css: string): void;
}
declare const bench: Bench;

test.beforeEach(async ({ page }) => {
  const { outputFiles } = await build({
    entryPoints: [join(home, 'bench', 'form-page.tsx')],
    bundle: true,
    write: false,
    format: 'iife',
    conditions: ['source'],
    jsx: 'automatic',
    target: 'es2022',
    define: { 'process.env.NODE_ENV': '"production"' },
    absWorkingDir: home,
  });
  await page.setContent('<!doctype html><html lang="en"><body></body></html>');
  await page.addScriptTag({ content: outputFiles[0]?.text ?? '' });
  await page.evaluate(async (look) => {
    bench.wear(look);
    await bench.draw('planned', 300);
  }, css);
});

test('rests where it is off the screen, and is reached there', async ({ page }) => {
  const last = page.getByRole('textbox', { name: 'Field299', exact: true });
  const isAwake = (box: Element) => box.checkVisibility({ contentVisibilityAuto: true });
  await expect.poll(() => last.evaluate(isAwake)).toBe(false);
  expect(await page.getByRole('textbox', { name: 'Field0', exact: true }).evaluate(isAwake)).toBe(true);
  await page.getByRole('textbox', { name: 'Field298', exact: true }).focus();
  await page.keyboard.press('Tab');
  await expect(last).toBeFocused();
  await expect(last).toBeInViewport();
  // The block in which one works cuts nothing off: a list may open beyond it.
  const resting = (box: Element) => getComputedStyle(box.closest('.poietra-block') as Element).contentVisibility;
  expect(await last.evaluate(resting)).toBe('visible');
  await page.getByRole('textbox', { name: 'Field150', exact: true }).focus();
  expect(await last.evaluate(resting)).toBe('auto');
});

test('is found where it rests by the search of the browser', async ({ page }) => {
  const drawn = await page.evaluate(() => document.body.innerHTML);
  const look = `<style>${css}</style>`;
  await page.route('**/*', (route) =>
    route.fulfill({ contentType: 'text/html', body: `<!doctype html><title>Long</title>${look}${drawn}` }),
  );
  // A text in an address is looked for as one that is typed into the browser's search.
  await page.goto('http://127.0.0.1/#:~:text=Field250');
  await expect(page.getByRole('textbox', { name: 'Field250', exact: true })).toBeInViewport();
});

test('a key press changes nothing of the page but what is in the box', async ({ page }) => {
  await page.getByRole('textbox', { name: 'Field150', exact: true }).focus();
  // With the first letters the box has something to send, and a name.
  await page.keyboard.type('Tor');
  await page.evaluate(() => {
    const seen: string[] = [];
    Object.assign(window, { seen });
    new MutationObserver((records) =>
      seen.push(...records.map(({ type, attributeName }) => `${type} ${attributeName ?? ''}`)),
    ).observe(document.body, { subtree: true, childList: true, attributes: true, characterData: true });
  });
  await page.keyboard.type('sund');
  await expect(page.getByRole('textbox', { name: 'Field150', exact: true })).toHaveValue('Torsund');
  await page.evaluate(() => new Promise((resolve) => setTimeout(resolve, 50)));
  expect(await page.evaluate(() => (window as unknown as { seen: string[] }).seen)).toEqual([]);
});
