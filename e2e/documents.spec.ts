import { expect, test, type Page } from '@playwright/test';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { allSaved, expectAccessible, frameOf } from './support.js';

/** Schemas of somebody else, on a host of their own. */
const published: Record<string, object> = {};
let host: Server;
let base: string;
test.beforeAll(async () => {
  host = createServer(({ url = '' }, response) => {
    const schema = published[url];
    if (schema) response.setHeader('Content-Type', 'application/schema+json').end(JSON.stringify(schema));
    else response.writeHead(404).end();
  }).listen(0, '127.0.0.1');
  await new Promise((resolve) => host.once('listening', resolve));
  base = `http://127.0.0.1:${(host.address() as AddressInfo).port}`;
});
test.afterAll(() => void host.close());
test.beforeEach(() => {
  published['/booking.json'] = {
    title: 'Booking',
    type: 'object',
    properties: { sender: { $ref: 'party.json' }, at: { $ref: 'https://ports.skerry.example/port.json' } },
  };
  published['/party.json'] = {
    title: 'Party',
    type: 'object',
    properties: { name: { title: 'Name of the party', type: 'string' }, boat: { $ref: 'boat.json' } },
  };
  published['/boat.json'] = { title: 'Boat', type: 'string' };
});

async function newKit(page: Page): Promise<void> {
  await page.goto('/kit');
  await page.getByRole('button', { name: 'New kit' }).click();
  await expect(page).toHaveURL('/begin');
}

test('a form begins from an address, with all that its schema refers to, and renews it', async ({ page }) => {
  await newKit(page);
  await page.getByRole('textbox', { name: 'Address to begin with' }).fill(`${base}/booking.json`);
  await page.getByRole('button', { name: 'Fetch from 127.0.0.1' }).click();
  const missing = page.getByRole('region', { name: 'Documents that are missing' });
  await expect(missing).toContainText(`${base}/party.json`);
  await missing.getByRole('button', { name: 'Fetch from 127.0.0.1' }).click();
  await expect(page.getByText(`Comes along: ${base}/party.json, ${base}/boat.json.`)).toBeVisible();

  await test.step('what cannot be fetched says why, and is pasted', async () => {
    await missing.getByRole('button', { name: 'Look in the project' }).click();
    await expect(missing.getByRole('alert')).toContainText('No JSON file of the project');
    await expectAccessible(page);
    await missing.getByRole('button', { name: 'Paste it' }).click();
    await missing.getByRole('textbox', { name: /^Text of/ }).fill('{"title": "Port", "enum": ["ALD", "HAR"]}');
    await missing.getByRole('button', { name: 'Keep it' }).click();
    await expect(missing).toHaveCount(0);
  });
  await expect(page.getByRole('button', { name: 'Make the form' })).toHaveAttribute('aria-disabled', 'false');
  await page.getByRole('button', { name: 'Make the form' }).click();
  const form = frameOf(page, 'Form: Booking');
  await expect(form.getByRole('textbox', { name: 'Name of the party' })).toBeVisible();
  await expect(form.getByRole('textbox', { name: 'Boat' })).toBeVisible();
  await expect(form.getByLabel('Port')).toBeVisible();

  await test.step('what has changed there is read before it is taken, and can be undone', async () => {
    published['/boat.json'] = { title: 'Vessel', type: 'string' };
    await page.goto('/documents');
    await expect(page.getByRole('row')).toHaveCount(4);
    await expectAccessible(page);
    await page.getByRole('link', { name: 'Boat' }).click();
    await expect(page.getByRole('region', { name: 'Used by' })).toContainText('Booking');
    await page.getByRole('button', { name: 'Fetch from 127.0.0.1' }).click();
    await expect(page.getByLabel('Difference')).toContainText('Vessel');
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Take it' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Vessel');
    await page.getByRole('button', { name: 'Fetch from 127.0.0.1' }).click();
    await expect(page.getByText('It is the same as here.')).toBeVisible();
    await page.getByRole('button', { name: /^Undo: Renew/ }).click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Boat');
  });
  await test.step('deleting one says who leads to it', async () => {
    await page.getByRole('button', { name: 'Delete Boat' }).click();
    await expect(page.getByRole('dialog')).toContainText('Booking');
    await page.getByRole('dialog').getByRole('button', { name: 'Keep it' }).click();
  });
  await test.step('it is handed over as one schema', async () => {
    await page.goto('/hand-over');
    await page.getByRole('link', { name: 'booking.schema.json' }).click();
    await expect(page.getByText(`"$id": "${base}/boat.json"`)).toBeVisible();
  });
});

test('a reference typed into a schema offers to fetch what it leads to', async ({ page }) => {
  await newKit(page);
  await page.getByRole('button', { name: 'Begin with nothing' }).click();
  await page.getByRole('button', { name: 'Schema', exact: true }).click();
  const text = page.getByRole('textbox', { name: 'Schema of New form' });
  await text.fill(`{ "type": "object", "properties": { "from": { "$ref": "${base}/party.json" } } }`);
  const missing = page.getByRole('region', { name: 'Documents that are missing' });
  await missing.getByRole('button', { name: 'Fetch from 127.0.0.1' }).click();
  await expect(frameOf(page, /^Form:/).getByRole('textbox', { name: 'Name of the party' })).toBeVisible();
  await expect(missing).toHaveCount(0);
  await allSaved(page);
  await page.reload();
  await expect(frameOf(page, /^Form:/).getByRole('textbox', { name: 'Boat' })).toBeVisible();
});
