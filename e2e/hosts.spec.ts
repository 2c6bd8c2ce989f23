/** Values of a host of one's own: asked for once somebody has allowed it, and by nobody else's kit. */
import { expect, test, type Page } from '@playwright/test';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { allSaved, expectAccessible, frameOf } from './support.js';

let host: Server;
let base: string;
const asked: string[] = [];
test.beforeAll(async () => {
  host = createServer(({ url = '' }, response) => {
    asked.push(url);
    if (url.startsWith('/free')) response.end(JSON.stringify({ free: !url.endsWith('TOR'), why: 'Torsund is taken.' }));
    else if (url === '/berths')
      response.end(JSON.stringify({ data: { berths: [{ id: 'A1' }] }, more: '/berths?from=2' }));
    else response.end(JSON.stringify({ data: { berths: [{ id: 'B2' }] }, more: null }));
  }).listen(0, '127.0.0.1');
  await new Promise((resolve) => host.once('listening', resolve));
  base = `http://127.0.0.1:${(host.address() as AddressInfo).port}`;
});
test.afterAll(() => void host.close());
test.beforeEach(() => void asked.splice(0));

const kitWith = (hosts?: object): string =>
  JSON.stringify({
    poietra: 1,
    name: 'Berths',
    inputs: {},
    adapters: {},
    codecs: {},
    fields: {},
    groups: {},
    ...(hosts ? { hosts } : {}),
    forms: {
      berth: {
        title: 'Berth',
        schema: {
          type: 'object',
          properties: {
            berth: {
              title: 'Berth',
              type: 'string',
              'x-poietra': { remote: { from: `${base}/berths`, list: '/data/berths', key: '/id', next: '/more' } },
            },
            code: {
              title: 'Code',
              type: 'string',
              'x-poietra': { check: { from: `${base}/free{?value}`, good: '/free', reason: '/why' } },
            },
          },
        },
      },
    },
  });
async function take(page: Page, kit: string): Promise<void> {
  await page.goto('/kit');
  await page
    .getByLabel('Kit file')
    .setInputFiles({ name: 'kit.json', mimeType: 'application/json', buffer: Buffer.from(kit) });
  await expect(page.getByRole('button', { name: 'Export Berths' })).toBeVisible();
  await expect(page.getByRole('banner').getByRole('link', { name: 'Berths' })).toBeVisible();
  await allSaved(page);
}

test('a host is allowed once, stands in the kit, and can be taken away and had back', async ({ page }) => {
  await take(page, kitWith());
  await page.goto('/forms/berth');
  const form = frameOf(page, 'Form: Berth');
  const question = page.getByRole('alert').filter({ hasText: 'wants to ask' });
  await expect(question).toContainText(base);
  expect(asked).toEqual([]);
  await expectAccessible(page);

  await test.step('refused, the field says so and asks again when it is pressed', async () => {
    await question.getByRole('button', { name: 'Not now' }).click();
    await form.getByRole('combobox', { name: 'Berth' }).click();
    await expect(question).toBeVisible();
  });
  await question.getByRole('button', { name: 'Allow it' }).click();
  await expect(question).toBeHidden();
  await form.getByRole('combobox', { name: 'Berth' }).click();
  await expect(form.getByRole('option')).toHaveText(['A1', 'B2']);
  await form.getByRole('option', { name: 'B2' }).click();

  await test.step('checks are asked there, too', async () => {
    await form.getByRole('textbox', { name: 'Code' }).fill('TOR');
    await page.keyboard.press('Tab');
    await expect(form.getByText('Torsund is taken.').first()).toBeVisible();
  });

  await test.step('the kit page lists it; it is taken away, and undone', async () => {
    await allSaved(page);
    await page.goto('/kit');
    const hosts = page.getByRole('region', { name: 'Hosts that may be asked' });
    await expect(hosts.getByRole('listitem')).toContainText(base);
    await expectAccessible(page);
    await hosts.getByRole('button', { name: `No longer ask ${base}` }).click();
    await expect(hosts.getByRole('listitem')).toHaveCount(0);
    await page.getByRole('button', { name: /^Undo: No longer ask/ }).click();
    await expect(hosts.getByRole('listitem')).toHaveCount(1);
    await hosts.getByRole('textbox', { name: 'Address of a host' }).fill('/company/ports');
    await page.keyboard.press('Enter');
    await expect(hosts.getByRole('alert')).toContainText('https://');
    await hosts.getByRole('textbox', { name: 'Address of a host' }).fill('https://harbour.skerry.example/ports');
    await hosts.getByRole('button', { name: 'Allow harbour.skerry.example' }).click();
    await expect(hosts.getByRole('listitem').nth(1)).toContainText('https://harbour.skerry.example');
  });
});

test('a kit that brings a host along is not believed: somebody here has to allow it', async ({ page }) => {
  await take(page, kitWith({ [base]: { allowed: '2026-01-01T00:00:00Z' } }));
  await page.goto('/forms/berth');
  const question = page.getByRole('alert').filter({ hasText: 'wants to ask' });
  await expect(question).toContainText('nobody has allowed it in this browser');
  expect(asked).toEqual([]);

  // Nobody is asked any more on behalf of a kit that is left.
  await page.getByRole('banner').getByRole('link', { name: 'Berths' }).click();
  await page.getByRole('button', { name: 'New kit' }).click();
  await expect(page).toHaveURL('/begin');
  await expect(question).toHaveCount(0);
  expect(asked).toEqual([]);
});

test('the simulated service answers deep inside, in parts, and is searched', async ({ page }) => {
  await page.goto('/shelf/remote');
  const box = frameOf(page, /^Example:/).getByRole('combobox', { name: 'Departure' });
  await box.click();
  await expect(frameOf(page, /^Example:/).getByRole('option', { name: /^SK/ })).toHaveCount(40);
  await box.pressSequentially('Hareby to Torsund');
  await expect(frameOf(page, /^Example:/).getByRole('option', { name: /^SK/ })).toHaveCount(2);
});
