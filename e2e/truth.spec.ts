/** What a form says of itself is so: what is out of force, left over, secret or misspelt, and what is kept when one leaves. */
import { expect, test, type Page } from '@playwright/test';
import { allSaved, expectAccessible, frameOf, group, typeInto } from './support.js';

const schemaText = (page: Page) => page.getByRole('textbox', { name: /^Schema of/ });

/** Another schema in place of the short booking's, written as text. */
async function write(page: Page, schema: unknown): Promise<void> {
  await page.goto('/forms/freight-booking-short');
  await expect(frameOf(page, /^Form:/).getByRole('button', { name: 'Send' })).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Schema', exact: true }).click();
  await schemaText(page).click();
  await page.keyboard.press('Control+a');
  await page.keyboard.insertText(JSON.stringify(schema));
  await allSaved(page);
  // What stood in the frame before is another form, with fields of the same names.
  await expect(group(frameOf(page, /^Form:/), 'Consignor')).toHaveCount(0);
}
const data = (page: Page) => page.getByRole('region', { name: 'Text: data' });
const showData = (page: Page) => page.getByRole('button', { name: 'Data', exact: true }).click();

test('a field that nobody can see asks for nothing, and what was typed into it comes back with it', async ({
  page,
}) => {
  await write(page, {
    type: 'object',
    properties: { cooled: { type: 'boolean', title: 'Cooled' } },
    if: { properties: { cooled: { const: true } }, required: ['cooled'] },
    then: { required: ['degrees'], properties: { degrees: { type: 'integer', title: 'Degrees', maximum: 8 } } },
  });
  const form = frameOf(page, /^Form:/);
  await form.getByRole('checkbox', { name: 'Cooled' }).check();
  await form.getByRole('textbox', { name: /^Degrees/ }).fill('4x');
  await expect(page.getByText('one thing open')).toBeVisible();
  await form.getByRole('checkbox', { name: 'Cooled' }).uncheck();
  await expect(page.getByText('ready to send')).toBeVisible();
  await showData(page);
  await expect(data(page)).toContainText('"cooled": false');
  await expect(data(page)).not.toContainText('degrees');
  await form.getByRole('checkbox', { name: 'Cooled' }).check();
  await expect(form.getByRole('textbox', { name: /^Degrees/ })).toHaveValue('4x');
});

test('values of an earlier schema are left over: not sent, told, sent all the same or taken away', async ({ page }) => {
  await write(page, {
    type: 'object',
    properties: { ship: { type: 'string', title: 'Ship' }, berth: { type: 'string', title: 'Berth' } },
  });
  const form = frameOf(page, /^Form:/);
  await typeInto(form.getByRole('textbox', { name: 'Ship' }), 'Ternskär');
  await form.getByRole('textbox', { name: 'Berth' }).fill('2 north');
  await schemaText(page).click();
  await page.keyboard.press('Control+a');
  await page.keyboard.insertText('{"type": "object", "properties": {"ship": {"type": "string", "title": "Ship"}}}');
  await expect(page.getByText('One value is left over: no schema speaks of it, so it is not sent')).toBeVisible();
  await expectAccessible(page);
  await showData(page);
  await expect(data(page)).not.toContainText('berth');
  await page.getByRole('button', { name: 'Send it all the same' }).click();
  await expect(data(page)).toContainText('"berth": "2 north"');
  await expect(page.getByText(/is left over/)).toHaveCount(0);
});

test('misspelt hints are told above the sheet, with what was meant', async ({ page }) => {
  await write(page, {
    type: 'object',
    properties: {
      ship: { type: 'string', title: 'Ship', 'x-poietra': { lable: 'Vessel', input: 'checks' } },
      crew: {
        type: 'object',
        title: 'Crew',
        properties: { mate: { type: 'string', title: 'Mate' } },
        'x-poietra': { order: ['matte'] },
      },
    },
  });
  // The form's own hints beside the schema lead nowhere in this one, and are told, too.
  await page.getByText(/troubles in the description/).click();
  await expect(page.getByText(/“lable” is no hint. Did you mean “label”\?/)).toBeVisible();
  await expect(
    page.getByText(/“checks” cannot take the values that the schema allows here; “text” is drawn/),
  ).toBeVisible();
  await expect(page.getByText(/“order” names “matte”, which is no member here. Did you mean “mate”\?/)).toBeVisible();
});

test('a secret is in no note, no text, no draft and no value line', async ({ page }) => {
  const phrase = 'kittiwake-over-hareby';
  await write(page, {
    type: 'object',
    properties: {
      name: { type: 'string', title: 'Name' },
      phrase: { type: 'string', title: 'Pass phrase', writeOnly: true },
    },
  });
  const form = frameOf(page, /^Form:/);
  await form.getByRole('textbox', { name: 'Name' }).fill('Hareby');
  await form.getByLabel('Pass phrase').fill(phrase);
  await expect(form.locator('.notes')).toContainText('a secret');
  await showData(page);
  await expect(data(page)).toContainText('Hareby');
  await expect(page.getByText('draft kept')).toBeVisible();
  expect(await page.locator('body').innerText()).not.toContain(phrase);
  expect(await form.locator('.notes').innerText()).not.toContain(phrase);
  const kept = await page.evaluate(
    () =>
      new Promise<string>((resolve) => {
        const opened = indexedDB.open('poietra');
        opened.onsuccess = () => {
          const all = opened.result.transaction('drafts').objectStore('drafts').getAll();
          all.onsuccess = () => resolve(JSON.stringify(all.result));
        };
      }),
  );
  expect(kept).toContain('Hareby');
  expect(kept).not.toContain(phrase);
});

test('an edit of a group that is not made waits on its page', async ({ page }) => {
  await page.goto('/groups/party');
  const text = page.getByRole('textbox', { name: /^Schema of the group/ });
  await text.click();
  await page.keyboard.press('Control+a');
  await page.keyboard.insertText('{"type": "object", "properties": {"name": {"type": "string", "title": "Whose"}}}');
  await expect(page.getByRole('region', { name: 'What it would do' })).toBeVisible();
  await page
    .getByRole('navigation', { name: 'Order of work' })
    .getByRole('link', { name: /^Codecs/ })
    .click();
  await expect(page.getByText(/The edit of Party is not made yet/)).toBeVisible();
  await page.goBack();
  await expect(page.getByRole('region', { name: 'What it would do' })).toBeVisible();
  await expect(frameOf(page, 'Group: Party').getByRole('textbox', { name: 'Whose' })).toBeVisible();
});

test('a new member of a schema stays when its kind is asked for, and begins as a text', async ({ page }) => {
  await write(page, { type: 'object', properties: { ship: { type: 'string', title: 'Ship' } } });
  await page.getByRole('button', { name: 'As a form' }).click();
  const members = frameOf(page, /^Schema as a form/)
    .getByRole('group', { name: 'Members' })
    .first();
  await members.getByRole('textbox', { name: 'Name of a new member of Members' }).fill('berth', { timeout: 30_000 });
  await page.keyboard.press('Enter');
  const berth = members.locator('.poietra-item').last();
  await berth.getByText('What it is').click();
  await berth.getByRole('button', { name: 'Add kind of value' }).click();
  await expect(members.getByRole('textbox', { name: 'Name of the member berth' })).toBeVisible();
  await page.getByRole('button', { name: 'As a form' }).click();
  await expect(schemaText(page)).toContainText('"berth"');
  await expect(schemaText(page)).toContainText('"string"');
});
