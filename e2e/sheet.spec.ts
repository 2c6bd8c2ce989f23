/** Beside the forms: choices typed over, the board that proves, the map, the links in words, the way of a first visit. */
import { expect, test } from '@playwright/test';
import { allSaved, expectAccessible, frameOf } from './support.js';

test('the text of a choice is typed over where it stands, and in its note where the list is folded away', async ({
  page,
}) => {
  await page.goto('/forms/freight-booking-short?text=schema&edit=');
  const port = { title: 'Port', enum: ['ALD', 'BRE'] };
  await page.getByRole('textbox', { name: /^Schema of/ }).click();
  await page.keyboard.press('Control+a');
  await page.keyboard.insertText(
    JSON.stringify({
      properties: {
        port: { ...port, 'x-poietra': { input: 'radios' } },
        other: { ...port, title: 'Other port', 'x-poietra': { input: 'select' } },
      },
    }),
  );
  await allSaved(page);
  const form = frameOf(page, /^Form:/);
  await form
    .locator('.poietra-choices label')
    .filter({ hasText: 'BRE' })
    .click({ position: { x: 40, y: 10 } });
  await form.getByRole('textbox', { name: 'Choice "BRE" of /port' }).fill('Brevik');
  await page.keyboard.press('Enter');
  await expect(form.getByRole('radio', { name: 'Brevik' })).toBeVisible();
  await expect(form.getByRole('radio', { name: 'ALD' })).toBeVisible();
  await test.step('its mark still chooses', async () => {
    await form.getByRole('radio', { name: 'Brevik' }).check();
    await expect(form.getByRole('radio', { name: 'Brevik' })).toBeChecked();
  });
  const note = form.getByRole('group', { name: 'Note of /other' });
  await note.getByRole('button', { name: 'More of /other' }).click();
  await note.getByRole('button', { name: 'Choice "ALD" of /other: ALD. Change' }).click();
  await note.getByRole('textbox', { name: 'Choice "ALD" of /other' }).fill('Aldervik');
  await page.keyboard.press('Enter');
  await expect(form.getByRole('option', { name: 'Aldervik' })).toHaveCount(1);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(form.getByRole('option', { name: 'Aldervik' })).toHaveCount(0);
  await expect(form.getByRole('radio', { name: 'Brevik' })).toBeVisible();
});

test('inputs are drafted and proved from their board: chosen ones, with a stop, and a list of what needs a person', async ({
  page,
}) => {
  await page.goto('/inputs?q=react-colorful');
  await page.getByRole('checkbox', { name: 'Choose HexColorInput', exact: true }).check();
  await page.getByRole('checkbox', { name: 'Choose HexColorPicker', exact: true }).check();
  await page.getByRole('button', { name: 'Draft and prove the chosen (2)' }).click();
  const work = page.getByRole('region', { name: 'Inputs at work' });
  await expect(work.getByRole('status')).toContainText('1 of 2');
  await work.getByRole('button', { name: 'Stop' }).click();
  const outcome = page.getByRole('region', { name: 'What came of it' });
  await expect(outcome).toContainText('Stopped after 0 of 2');
  await outcome.getByRole('button', { name: 'Put away' }).click();

  await page.getByRole('checkbox', { name: 'Choose HexColorPicker', exact: true }).uncheck();
  await page.getByRole('button', { name: 'Draft and prove the chosen (1)' }).click();
  await expect(outcome).toContainText('1 of 1 pass the whole contract', { timeout: 120_000 });
  const row = page.getByRole('row').filter({ has: page.getByRole('link', { name: 'HexColorInput', exact: true }) });
  await expect(row).toContainText('26 passed');
  await expect(row.getByRole('time')).toContainText('now');
  await test.step('spoilt, it needs a person', async () => {
    await row.getByRole('link').last().click();
    const speaks = page.getByRole('region', { name: 'How it speaks' });
    await speaks.getByRole('button', { name: /^change: onChange/ }).click();
    await speaks.getByRole('combobox', { name: 'change' }).fill('onNothing');
    await page.keyboard.press('Enter');
    await allSaved(page);
    await page.goto('/inputs?q=HexColorInput');
    await expect(page.getByRole('navigation', { name: 'Order of work' })).toContainText('changed since it was proved');
    await page.getByRole('button', { name: 'Prove HexColorInput' }).click();
    await expect(outcome).toContainText('One needs a person', { timeout: 120_000 });
    await expect(outcome.getByRole('link', { name: 'HexColorInput' })).toHaveAttribute('href', /^\/adapters\//);
  });
});

test('the map shows what a form is made of, keeps it lit in the address, and leads to each part', async ({ page }) => {
  await page.goto('/forms');
  await page.getByRole('link', { name: 'Passage booking on the map' }).click();
  await expect(page).toHaveURL(/\/map\?at=forms/);
  await expect(page.getByRole('button', { name: 'Keep Passage booking lit' })).toHaveAttribute('aria-pressed', 'true');
  const fields = page.getByRole('region', { name: 'Fields', exact: true });
  await expect(fields.getByRole('link', { name: 'Collection date', exact: true })).toHaveClass(/border-held/);
  await expect(fields.getByRole('link', { name: 'Severity', exact: true })).not.toHaveClass(/border-held/);
  await page.getByRole('searchbox', { name: 'Search the map' }).fill('severity');
  await expect(fields.getByRole('link')).toHaveText(['Severity']);
  await expect(page.getByRole('region', { name: 'Forms', exact: true }).getByRole('link')).toHaveText([
    'Harbour report',
  ]);
  await fields.getByRole('link', { name: 'Severity' }).click();
  await expect(page).toHaveURL('/fields/severity');
});

test('the links of a form are told in words, and a widget’s parts are folded', async ({ page }) => {
  await page.goto('/links');
  await page.getByRole('checkbox', { name: /drawn by the server/ }).check();
  const links = page.getByRole('region', { name: 'Links' });
  await expect(links.getByRole('status')).toContainText(
    /\d+ ids, the same on both sides, 2 bases, all safe as selectors\./,
  );
  const rows = links.getByRole('row');
  await expect(rows.filter({ hasText: 'Postcode' }).first()).toContainText('Consignor › Postal address');
  const before = await rows.count();
  await links
    .getByRole('button', { name: /\d\d more parts/ })
    .first()
    .click();
  expect(await rows.count()).toBeGreaterThan(before + 20);
});

test('at phone width the note of the place where one is comes below it, and words are edited there', async ({
  page,
}) => {
  await page.setViewportSize({ width: 420, height: 800 });
  await page.goto('/forms/freight-booking-short?edit=');
  const form = frameOf(page, /^Form:/);
  const box = form.getByRole('textbox', { name: 'Contact person' }).first();
  await box.click();
  const note = form.getByRole('group', { name: 'Note of /consignor/contact' });
  await expect(note).toBeVisible();
  const [above, below] = [await box.boundingBox(), await note.boundingBox()];
  expect(below!.y).toBeGreaterThanOrEqual(above!.y + above!.height - 2);
  expect(below!.x + below!.width).toBeLessThanOrEqual(420);
  await expect(form.getByRole('group', { name: 'Note of /consignor/email' })).toBeHidden();
  await note.getByRole('button', { name: /^Label: Contact person/ }).click();
  await note.getByRole('textbox', { name: 'Label' }).fill('Who to ask for');
  await page.keyboard.press('Enter');
  await expect(form.getByText('Who to ask for').first()).toBeVisible();
});

test('every card of the shelf comes alive, on a wide screen too', async ({ page }) => {
  await page.setViewportSize({ width: 1920, height: 1000 });
  await page.goto('/shelf');
  const cards = page.getByRole('group', { name: /, alive$/ });
  await expect(cards.first()).toBeVisible();
  const count = await cards.count();
  expect(count).toBeGreaterThan(20);
  for (let i = 0; i < count; i++) {
    await cards.nth(i).scrollIntoViewIfNeeded();
    await expect(cards.nth(i).locator('form')).toBeVisible();
  }
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test.describe('at a first visit', () => {
  test.use({ storageState: { cookies: [], origins: [] } });
  test('a way along one value is offered, goes on after a reload, and can be left', async ({ page }) => {
    await page.goto('/');
    const way = page.getByRole('complementary', { name: 'The way along one value' });
    await way.getByRole('button', { name: 'Begin the way' }).click();
    await expect(way).toContainText('Enter a value in “Collection date”');
    await way.getByRole('button', { name: 'On to: Day picker' }).click();
    await expect(page).toHaveURL('/adapters/day-picker');
    await page.reload();
    await expect(way).toContainText('2 of 6');
    await page.getByRole('link', { name: /^Groups/ }).click();
    await way.getByRole('link', { name: 'The way goes on there' }).click();
    await way.getByRole('button', { name: 'On to: Calendar date' }).click();
    await expectAccessible(page);
    for (const name of ['Collection date', 'Freight booking (short), edited', 'Hand-over'])
      await way.getByRole('button', { name: `On to: ${name}` }).click();
    await expect(page).toHaveURL('/hand-over');
    await way.getByRole('button', { name: 'End of the way' }).click();
    await expect(way).toHaveCount(0);
    await page.reload();
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await expect(way).toHaveCount(0);
  });
});
