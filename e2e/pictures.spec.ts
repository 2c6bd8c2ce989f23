import { expect, test } from '@playwright/test';
import { companySettings, dayName, frameOf, group } from './support.js';

/** The pictures that the README shows, taken from the demo kit: `npm run pictures`. */
const take = (name: string): { path: string } => ({ path: `docs/screenshots/${name}.png` });

test('inputs and stand', async ({ page }) => {
  await page.goto('/inputs/react-day-picker%23DayPicker');
  await frameOf(page, /^Stand/)
    .getByRole('button', { name: dayName(new Date(new Date().getFullYear(), new Date().getMonth(), 16)) })
    .click();
  await page.getByRole('group', { name: 'Unfolded' }).locator('summary').first().click();
  await expect(page.getByRole('region', { name: 'How it speaks' })).toContainText('observed', { timeout: 60_000 });
  await expect(page.getByTitle('The input is being tried')).toHaveCount(0);
  await page.screenshot(take('stand'));
});

test('what an input makes of each value', async ({ page }) => {
  await page.goto('/inputs/antd%23InputNumber');
  await expect(page.getByRole('region', { name: 'How it speaks' })).toContainText('observed', { timeout: 60_000 });
  await page.getByRole('button', { name: 'What does it make of each value?' }).click();
  await expect(page.getByRole('rowheader', { name: /^object with 0/ })).toBeVisible({ timeout: 60_000 });
  await expect(page.getByTitle('Values are pushed in')).toHaveCount(0);
  await page.getByRole('table', { name: /each value/ }).scrollIntoViewIfNeeded();
  await page.screenshot(take('values'));
});

test('adapter', async ({ page }) => {
  await page.goto('/adapters/day-picker');
  await frameOf(page, /^Stand/)
    .getByRole('button', { name: dayName(new Date(new Date().getFullYear(), new Date().getMonth(), 16)) })
    .click();
  await expect(page.locator('.cm-line').first()).toBeVisible();
  await page.screenshot(take('adapter'));
});

test('contract, with a check that fails', async ({ page }) => {
  await page.goto('/adapters/suite-input');
  const sentences = page.getByRole('region', { name: 'How it speaks' });
  await sentences.getByRole('button', { name: /^disabled: disabled/ }).click();
  await sentences.getByRole('combobox', { name: 'disabled' }).fill('clearable');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Prove it', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Contract' })).toContainText('1 failed', { timeout: 60_000 });
  await expect(page.getByRole('button', { name: 'Prove it again' })).toBeVisible({ timeout: 60_000 });
  await page.getByRole('heading', { name: 'Contract' }).evaluate((heading) => heading.scrollIntoView());
  await page.screenshot(take('contract'));
});

test('codec, with a case that fails', async ({ page }) => {
  await page.goto('/codecs/calendar-date');
  await page.getByRole('button', { name: /Case 2, sent/ }).click();
  await page.getByRole('textbox', { name: 'Case 2, sent' }).fill('"2026-03-28"');
  await page.keyboard.press('Enter');
  await page.screenshot(take('codec'));
});

test('field', async ({ page }) => {
  await page.goto('/fields/pieces');
  const box = frameOf(page, /^Field/)
    .getByRole('textbox')
    .first();
  await box.fill('12a');
  await frameOf(page, /^Field/)
    .getByRole('textbox')
    .last()
    .fill('4');
  await box.focus();
  await page.screenshot(take('field'));
});

test('group', async ({ page }) => {
  await page.goto('/groups/party');
  await expect(
    frameOf(page, /^Group/)
      .getByRole('textbox')
      .first(),
  ).toBeVisible();
  await expect(page.locator('.cm-line').first()).toBeVisible();
  await page.screenshot(take('group'));
});

test('form: the proof, at work and refused', async ({ page }) => {
  await companySettings(page, {});
  await page.goto('/forms/freight-booking-short');
  const form = frameOf(page, /^Form/);
  await group(form, 'Consignor').getByRole('textbox', { name: /^Name/ }).fill('Aldervik Timber');
  await group(form, 'Consignee').getByRole('textbox', { name: /^Name/ }).fill('Hareby Boatyard');
  const pieces = form.getByRole('textbox', { name: /^Pieces/ });
  await pieces.fill('12a');
  await pieces.blur();
  await pieces.focus();
  await page.getByRole('region', { name: 'Sheet' }).evaluate((sheet) => sheet.scrollTo(0, 0));
  await page.screenshot(take('form'));
  await page.getByRole('button', { name: 'Schema' }).click();
  await expect(page.locator('.cm-line').first()).toBeVisible();
  await page.screenshot(take('form-text'));
  await page.getByRole('button', { name: 'As a form' }).click();
  const schema = frameOf(page, /^Schema as a form/);
  const title = schema.getByRole('textbox', { name: 'Title' }).first();
  await title.focus();
  await schema.getByText('What it is').first().click();
  await page.screenshot(take('schema-form'));
});

test.describe('on a narrow window', () => {
  test.use({ viewport: { width: 420, height: 800 } });
  test('form', async ({ page }) => {
    await page.goto('/forms/freight-booking');
    const form = frameOf(page, /^Form/);
    await group(form, 'Consignor').getByRole('textbox', { name: /^Name/ }).fill('Aldervik Timber');
    await page.screenshot(take('form-narrow'));
  });
});

test('link map', async ({ page }) => {
  await page.goto('/links');
  await expect(page.getByRole('region', { name: 'Links' }).getByText(/none broken/)).toBeVisible({ timeout: 30_000 });
  await page.getByRole('combobox').selectOption('page of HTML');
  await expect(page.getByText('label to what takes none')).toBeVisible();
  await page.getByRole('combobox').selectOption({ index: 0 });
  await expect(page.getByRole('region', { name: 'Links' }).getByText(/none broken/)).toBeVisible({ timeout: 30_000 });
  await page.waitForTimeout(800);
  await frameOf(page, /^Links of/)
    .getByRole('textbox', { name: /^Name/ })
    .first()
    .hover();
  await page.screenshot(take('links'));
});

test('hand-over', async ({ page }) => {
  await page.goto('/hand-over?file=forms%2Ffreight-booking-short.tsx');
  await expect(page.getByText('skerry-line-desk').first()).toBeVisible({ timeout: 60_000 });
  await expect(page.locator('.cm-line').first()).toBeVisible();
  await page.screenshot(take('hand-over'));
});

test('kit, with a broken file refused', async ({ page }) => {
  await page.goto('/kit');
  await page.getByLabel('Kit file').setInputFiles({
    name: 'kit.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"poietra": 1, "name": "x", "inputs": []}'),
  });
  await expect(page.getByRole('alert')).toBeVisible();
  await page.screenshot(take('kit'));
});

test('a form edited where it stands', async ({ page }) => {
  await page.goto('/forms/freight-booking');
  const form = frameOf(page, /^Form:/);
  await group(form, 'Consignor').getByRole('textbox', { name: /^Name/ }).fill('Aldervik Timber');
  await page.getByRole('button', { name: 'Edit the sheet' }).click();
  await form.getByRole('button', { name: 'More of /consignor/email' }).click();
  await form.getByRole('combobox', { name: 'Say more' }).selectOption('maxLength');
  // The notes below make room.
  const edge = async (of: string, side: 0 | 1): Promise<number> => {
    const box = await form.getByRole('group', { name: `Note of ${of}`, exact: true }).boundingBox();
    return box ? box.y + side * box.height : 0;
  };
  await expect
    .poll(async () => (await edge('/consignor/telephone', 0)) - (await edge('/consignor/email', 1)))
    .toBeGreaterThanOrEqual(0);
  await page.screenshot(take('form-edit'));
});

test('the shelf', async ({ page }) => {
  await page.goto('/shelf/computed');
  const form = frameOf(page, /^Example:/);
  for (const [pieces, each] of [
    ['12', '85.5'],
    ['3', '410'],
  ] as const) {
    await form.getByRole('button', { name: 'Add a line' }).click();
    await form
      .getByRole('textbox', { name: /^Pieces/ })
      .last()
      .fill(pieces);
    await form.getByRole('textbox', { name: /^Each/ }).last().fill(each);
  }
  await expect(form.getByRole('textbox', { name: /^Total/ })).toHaveValue('2256');
  await page.screenshot(take('shelf'));
});

test('boards, and where a form begins', async ({ page }) => {
  await page.goto('/inputs');
  await expect(page.getByRole('row', { name: /DayPicker/ })).toBeVisible();
  await page.screenshot(take('inputs'));
  await page.goto('/forms');
  await expect(page.locator('svg rect').first()).toBeAttached();
  await page.screenshot(take('forms'));
  await page.goto('/begin');
  await page
    .getByRole('textbox', { name: 'What you have' })
    .fill(
      '[\n  { "ship": "Grey Plover", "berth": 4, "arrival": "2026-11-25", "cooled": true },\n  { "ship": "Arctic Tern", "berth": 2, "arrival": "2026-11-26" }\n]',
    );
  await expect(page.getByRole('button', { name: 'Make the form' })).toBeVisible();
  await page.screenshot(take('begin'));
});
