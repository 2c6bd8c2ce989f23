import { expect, test } from '@playwright/test';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { browserOn, freePort, serverOn } from './killed.js';
import { allSaved, frameOf } from './support.js';

test('the stand can neither read what the workbench has stored nor reach its server', async ({ page }) => {
  await page.goto('/inputs/react-day-picker%23DayPicker');
  await expect(frameOf(page, 'Stand: DayPicker').getByRole('grid')).toBeVisible({ timeout: 60_000 });
  await page.evaluate(() => {
    localStorage.setItem('berth', 'of the workbench');
    document.cookie = 'berth=of-the-workbench';
  });
  const frame = page.frames().find((one) => one.url().includes('/stand/frame/'));
  const attempts = await frame?.evaluate(async () => {
    const tried = async (what: () => unknown): Promise<string> => {
      try {
        await what();
        return 'allowed';
      } catch (error) {
        return error instanceof Error ? error.name : String(error);
      }
    };
    // What stands in for a page's own store and cookies holds what was put in here, and nothing else.
    const [before, cookies] = [localStorage.getItem('berth'), document.cookie];
    localStorage.setItem('berth', 'of the stand');
    sessionStorage.setItem('berth', 'of the stand');
    document.cookie = 'stand=here';
    return {
      origin: self.origin,
      store: [before, cookies, localStorage.getItem('berth')],
      database: await tried(
        () =>
          new Promise((resolve, reject) => {
            const request = indexedDB.open('poietra');
            request.onsuccess = () => resolve(request.result);
            request.onerror = () => reject(request.error ?? new Error('refused'));
          }),
      ),
      parent: await tried(() => window.parent.document.title),
      api: await tried(() => fetch('/api/project')),
      company: await tried(() => fetch('/company/bookings', { method: 'POST', body: '{}', mode: 'no-cors' })),
      away: await tried(() => {
        (window.top as Window).location.href = 'about:blank';
      }),
    };
  });
  expect(attempts).toEqual({
    origin: 'null',
    store: [null, '', 'of the stand'],
    database: 'SecurityError',
    parent: 'SecurityError',
    api: 'TypeError',
    company: 'TypeError',
    away: 'SecurityError',
  });
  const kept = await page.evaluate(() => [
    localStorage.getItem('berth'),
    sessionStorage.getItem('berth'),
    document.cookie,
  ]);
  expect(kept).toEqual(['of the workbench', null, 'berth=of-the-workbench']);
});

test('a frame that takes the focus does not hear what is written elsewhere, and is stopped when it goes on', async ({
  page,
}) => {
  await page.goto('/forms/freight-booking-short?text=schema');
  await expect(frameOf(page, /^Form:/).getByRole('button', { name: 'Send', exact: true })).toBeVisible();
  const editor = page.locator('.cm-content').first();
  await editor.click();
  await page.keyboard.press('Control+End');
  const frame = await (await page.getByTitle(/^Form:/).elementHandle()).contentFrame();
  const take = (): Promise<unknown> | undefined =>
    frame?.evaluate(() => {
      const heard = ((window as { heard?: string[] }).heard ??= []);
      window.addEventListener('keydown', ({ key }) => void heard.push(key), true);
      document.querySelector('input')?.focus();
    });
  await take();
  await expect(editor).toBeFocused();
  await page.keyboard.type('    ');
  expect(await frame?.evaluate(() => (window as { heard?: string[] }).heard)).toEqual([]);
  // A person who presses in it gives it the focus.
  const box = frameOf(page, /^Form:/)
    .getByRole('textbox')
    .first();
  await box.click();
  await page.keyboard.type('x');
  expect(await frame?.evaluate(() => (window as { heard?: string[] }).heard)).toEqual(['x']);
  await editor.click();
  // It took it once already; the fifth time it is stopped.
  for (let times = 0; times < 4; times++) {
    await take();
    await page.waitForTimeout(200);
    await expect(editor).toBeFocused();
  }
  await expect(page.getByText('It took the focus again and again')).toBeVisible();
});

test('what is proved in a frame takes the focus, so it waits while somebody writes, and goes on then', async ({
  page,
}) => {
  await page.goto('/adapters/day-picker');
  await page.getByRole('button', { name: 'Prove it', exact: true }).click();
  await page.getByRole('button', { name: /^Title: .*Change$/ }).click();
  await expect(page.getByText('it waits while you write').first()).toBeVisible();
  await page.waitForTimeout(1500);
  const title = page.getByRole('textbox', { name: 'Title' });
  await page.keyboard.type('s');
  await expect(title).toBeFocused();
  await expect(title).toHaveValue(/s/);
  await page.keyboard.press('Escape');
  await expect(page.getByText('26 passed')).toBeVisible({ timeout: 60_000 });
  // In the middle, where one of the two frames may have come to its end, nothing is counted twice or left out.
  await page.getByRole('button', { name: 'Prove it again' }).click();
  await expect(page.getByText(/^(1\d|2\d) of 26$/)).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: /^Title: .*Change$/ }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByText('26 passed')).toBeVisible({ timeout: 60_000 });
});

test('a frame that floods with what is no message of ours is stopped', async ({ page }) => {
  await page.goto('/forms/freight-booking-short');
  await expect(frameOf(page, /^Form:/).getByRole('button', { name: 'Send', exact: true })).toBeVisible();
  const frame = await (await page.getByTitle(/^Form:/).elementHandle()).contentFrame();
  await frame?.evaluate(() => {
    let deep: unknown = 1;
    for (let i = 0; i < 500; i++) deep = { deep };
    for (let i = 0; i < 100; i++) window.parent.postMessage({ kind: 'report', deep }, '*');
  });
  await expect(page.getByText('It went on sending what no stand sends')).toBeVisible();
});

test('what other code in a frame says is not taken for what the stand says, however it looks', async ({ page }) => {
  await page.goto('/forms/freight-booking-short');
  await expect(frameOf(page, /^Form:/).getByRole('button', { name: 'Send', exact: true })).toBeVisible();
  const frame = await (await page.getByTitle(/^Form:/).elementHandle()).contentFrame();
  const before = (await page.getByTitle(/^Form:/).boundingBox())?.height;
  await frame?.evaluate(() => {
    const messages = [
      { kind: 'height', height: 90_000 },
      { kind: 'edit', schemaAt: '/properties/pieces', label: 'Pieces', edit: { do: 'label', text: 'Forged' } },
      { kind: 'failed', message: 'Forged' },
      { kind: 'line', at: '<img src=x onerror=alert(1)>', label: 5 },
    ];
    for (const message of messages) {
      window.parent.postMessage(message, '*');
      window.parent.postMessage(JSON.stringify(message), '*');
    }
    window.parent.postMessage('['.repeat(200_000) + ']'.repeat(200_000), '*');
  });
  await page.waitForTimeout(500);
  await expect(page.getByText('Forged')).toHaveCount(0);
  expect((await page.getByTitle(/^Form:/).boundingBox())?.height).toBe(before);
  await expect(frameOf(page, /^Form:/).getByRole('button', { name: 'Send', exact: true })).toBeVisible();
});

test('a broken kit file is refused with the place named, and the kit stays as it was', async ({ page }) => {
  await page.goto('/kit');
  await expect(page.getByText(/\d+ inputs, \d+ adapters, \d+ codecs, \d+ fields, \d+ groups, \d+ forms/)).toBeVisible();
  const kit = readFileSync('demo/kit.json', 'utf8');
  const give = (text: string) =>
    page
      .getByLabel('Kit file')
      .setInputFiles({ name: 'kit.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  const alert = page.getByRole('alert');
  await give(kit.slice(0, 5000));
  await expect(alert).toContainText(/This is no JSON: it breaks off at line \d+, column \d+/);
  await give(kit.replace('"adapter": "day-picker"', '"adapter": 5'));
  await expect(alert).toContainText('/fields/collection-date/adapter');
  await expect(alert).toContainText('It has to be a text.');
  await expect(alert).toContainText('the kits are as they were');
  await give(kit.replace('"name": "Skerry Line"', '"name": "Harbour office"'));
  await expect(alert).toHaveCount(0);
  const opened = page.getByRole('listitem').filter({ hasText: 'is open' });
  await expect(opened).toContainText('Harbour office');
  await page.reload();
  await expect(opened).toContainText('Harbour office');
  await expect(page.getByRole('listitem').filter({ hasText: 'Skerry Line' })).toContainText('5 forms');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export Harbour office' }).click(),
  ]);
  expect(JSON.parse(readFileSync(await download.path(), 'utf8'))).toEqual({
    ...(JSON.parse(kit) as object),
    name: 'Harbour office',
  });
});

test('a form of three thousand fields is not taken for one that hangs', async ({ page }) => {
  test.setTimeout(300_000);
  const kit = JSON.parse(readFileSync('demo/kit.json', 'utf8')) as { readonly forms: object };
  const many = (count: number): object =>
    Object.fromEntries(Array.from({ length: count }, (_, i) => [`berth${i}`, { type: 'string' }]));
  const form = { title: 'Berths', schema: { type: 'object', properties: many(3000) } };
  await page.goto('/kit');
  await page.getByLabel('Kit file').setInputFiles({
    name: 'kit.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify({ ...kit, name: 'Harbour office', forms: { berths: form } })),
  });
  await expect(page.getByRole('listitem').filter({ hasText: 'is open' })).toContainText('Harbour office');
  await page.goto('/forms/berths');
  const frame = frameOf(page, /^Form:/);
  await expect(frame.getByRole('textbox', { name: 'Berth0', exact: true })).toBeVisible({ timeout: 120_000 });
  // The page answers while the rest comes in turns: thousands take the framework in development a good while.
  await frame.getByRole('textbox', { name: 'Berth150', exact: true }).fill('Little Sule');
  await expect(frame.getByRole('textbox', { name: 'Berth600', exact: true })).toBeVisible({ timeout: 120_000 });
  await expect(page.getByText('was stopped')).toHaveCount(0);
  await expect(frame.getByRole('textbox', { name: 'Berth150', exact: true })).toHaveValue('Little Sule');
});

test('two copies of a field on one page share no id, and each label focuses its own input', async ({ page }) => {
  await page.goto('/fields/party-name');
  const frame = frameOf(page, 'Field: Party name');
  await expect(frame.getByText('Name', { exact: true })).toHaveCount(2);
  // Shadow trees have ids of their own; the page's are what labels and descriptions lead to.
  const ids = await frame.locator('body').evaluate(() => [...document.querySelectorAll('[id]')].map(({ id }) => id));
  expect(new Set(ids).size).toBe(ids.length);
  for (const which of [0, 1]) {
    await frame.getByText('Name', { exact: true }).nth(which).click();
    await expect(frame.locator('sl-input').nth(which)).toBeFocused();
  }
});

test('two tabs on one kit stay in step', async ({ page, context }) => {
  await page.goto('/fields/pieces');
  const other = await context.newPage();
  await other.goto('/fields/pieces');
  await page.getByRole('textbox', { name: 'Hint' }).fill('Pallets, not boxes.');
  await expect(other.getByRole('textbox', { name: 'Hint' })).toHaveValue('Pallets, not boxes.');
  await other.getByRole('button', { name: /^Undo: Field pieces/ }).click();
  await expect(page.getByRole('textbox', { name: 'Hint' })).toHaveValue('');
});

test('a page goes on when the server was killed and begun anew, under another secret', async ({ page }) => {
  const data = mkdtempSync(join(tmpdir(), 'poietra-data-'));
  const port = await freePort();
  const first = await serverOn(data, port);
  await page.goto(`http://127.0.0.1:${port}/inputs`);
  const row = page.getByRole('link', { name: 'DayPicker' }).first();
  await expect(row).toBeVisible({ timeout: 60_000 });
  const secret = (): Promise<string | null> => page.locator('meta[name="poietra-secret"]').getAttribute('content');
  const before = await secret();
  await first.kill();
  const second = await serverOn(data, port);
  await row.click();
  await expect(frameOf(page, 'Stand: DayPicker').getByRole('grid')).toBeVisible({ timeout: 60_000 });
  // Without the secret of its start nothing is to be had of it; the page’s own is the old one.
  expect((await page.request.get(`http://127.0.0.1:${port}/api/project`)).status()).toBe(401);
  const headers = { 'Poietra-Secret': before ?? '' };
  expect((await page.request.get(`http://127.0.0.1:${port}/api/project`, { headers })).status()).toBe(401);
  await second.kill();
  rmSync(data, { recursive: true, force: true });
});

test.describe('a browser that is killed', () => {
  test('has lost nothing: neither the kit’s changes nor what was typed into a form', async ({ baseURL }) => {
    const profile = mkdtempSync(join(tmpdir(), 'poietra-profile-'));
    const first = await browserOn(profile);
    await first.page.goto(`${baseURL ?? ''}/fields/pieces`);
    await first.page.getByRole('textbox', { name: 'Hint' }).fill('Count each pallet once.');
    await allSaved(first.page);
    await first.page.goto(`${baseURL ?? ''}/forms/freight-booking-short`);
    await frameOf(first.page, /^Form:/)
      .getByRole('textbox', { name: /^Pieces/ })
      .fill('12a');
    await expect
      .poll(() =>
        first.page.evaluate(async () => {
          const open = indexedDB.open('poietra');
          const database = await new Promise<IDBDatabase>((resolve) => (open.onsuccess = () => resolve(open.result)));
          const all = database.transaction('drafts').objectStore('drafts').getAll();
          return new Promise<string>((resolve) => (all.onsuccess = () => resolve(JSON.stringify(all.result))));
        }),
      )
      .toContain('12a');
    await first.kill();

    const second = await browserOn(profile);
    await second.page.goto(`${baseURL ?? ''}/forms/freight-booking-short`);
    await expect(frameOf(second.page, /^Form:/).getByRole('textbox', { name: /^Pieces/ })).toHaveValue('12a');
    await second.page.goto(`${baseURL ?? ''}/fields/pieces`);
    await expect(second.page.getByRole('textbox', { name: 'Hint' })).toHaveValue('Count each pallet once.');
    await second.kill();
    rmSync(profile, { recursive: true, force: true, maxRetries: 5 });
  });
});

test('where the server does not answer, a page says so, and goes on when it is asked again', async ({ page }) => {
  // The kit is in the browser by then.
  await page.goto('/kit');
  await expect(page.getByText('is open').first()).toBeVisible();
  await page.route('**/api/**', (route) => route.abort());
  for (const [path, title] of [
    ['/inputs/antd%23Rate', 'The project folder cannot be read'],
    ['/fields/pieces', 'The stand does not open'],
  ] as const) {
    await page.goto(path);
    await expect(page.getByRole('alert')).toContainText(title);
  }
  await page.unroute('**/api/**');
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.locator('iframe').first()).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('a module that fails as it is loaded is told', async ({ page }) => {
  await page.route('**/stand/bundle/*.js', async (route) => {
    const answer = await route.fetch();
    // As the package itself would: after what speaks for the frame, before what draws.
    const script = (await answer.text()).replace(
      'startProving({',
      'throw new Error("There is no harbour."); startProving({',
    );
    await route.fulfill({
      response: answer,
      body: script.replace('startFrame({', 'throw new Error("There is no harbour."); startFrame({'),
    });
  });
  await page.goto('/inputs/antd%23Rate');
  await expect(page.getByRole('alert').first()).toContainText('There is no harbour.', { timeout: 60_000 });
});
