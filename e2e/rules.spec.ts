/** What a form asks beside its schema: rules across fields, checks that ask a server, pages one after the other. */
import { expect, test, type FrameLocator, type Page } from '@playwright/test';
import { allSaved, companySettings, expectAccessible, frameOf, typeInto } from './support.js';

const example = async (page: Page, id: string): Promise<FrameLocator> => {
  await page.goto(`/shelf/${id}`);
  return frameOf(page, /^Example:/);
};

test('a rule is told at both of its fields, and goes when it holds', async ({ page }) => {
  const form = await example(page, 'rule');
  await form.getByLabel('From').fill('2026-12-02');
  await form.getByLabel('Until').fill('2026-12-01');
  await expect(form.getByText('It ends before it begins.')).toHaveCount(2);
  await expect(form.getByLabel('Until')).toHaveAttribute('aria-invalid', 'true');
  await form.getByLabel('Until').fill('2026-12-03');
  await expect(form.getByText('It ends before it begins.')).toHaveCount(0);
});

test('a check says that it asks, what it found, and holds sending up where nobody answers', async ({ page }) => {
  await companySettings(page, { delay: 600 });
  const form = await example(page, 'check');
  const box = form.getByRole('textbox', { name: 'Reference' });
  await box.pressSequentially('FB-1001');
  await expect(form.getByText('Is being checked …')).toBeVisible();
  await expect(form.getByText('FB-1001 has it already.')).toBeVisible();
  await box.press('End');
  await box.pressSequentially('x');
  await expect(form.getByText('FB-1001 has it already.')).toHaveCount(0);
  await companySettings(page, { fail: true });
  await box.pressSequentially('y');
  await expect(form.getByText(/^Could not be checked:/)).toBeVisible();
  await companySettings(page, {});
});

test('what is told first is what a description says, the rest on demand', async ({ page }) => {
  const form = await example(page, 'order-of-problems');
  const box = form.getByRole('textbox', { name: /^Gate code/ });
  await box.fill('ab');
  await expect(form.getByText('Digits only.')).toBeVisible();
  await expect(form.getByText('Exactly four digits.')).toBeHidden();
  await form.getByText('one thing more').click();
  await expect(form.getByText('Exactly four digits.')).toBeVisible();
  await box.fill('12');
  await expect(form.getByText('Exactly four digits.')).toBeVisible();
  await expect(form.getByText('Digits only.')).toHaveCount(0);
});

test.describe('a form of several pages', () => {
  const heading = (form: FrameLocator, name: string) => form.getByRole('heading', { level: 2, name });
  test('asks page by page, keeps what was filled in, and has an address for each', async ({ page }) => {
    await page.goto('/shelf/pages');
    await page.getByRole('button', { name: 'Take it into the kit' }).click();
    await expect(page).toHaveURL('/forms/a-day-out');
    const form = frameOf(page, /^Form:/);
    await form.getByRole('button', { name: 'Next' }).click();
    await expect(form.getByText('One thing on this page has to be mended.')).toBeVisible();
    await expect(form.getByRole('textbox', { name: 'Name' })).toBeFocused();
    await page.keyboard.type('Grey Plover');
    // Enter in a field goes on, and sends nothing.
    await page.keyboard.press('Enter');
    await expect(heading(form, 'Where to')).toBeFocused();
    await expect(page).toHaveURL(/page=%2Fway/);
    await expectAccessible(page);
    await form.getByRole('combobox').selectOption('Hareby');
    // What is younger than half a second may be lost with a reload.
    await page.waitForTimeout(700);
    await page.reload();
    await expect(heading(form, 'Where to')).toBeVisible();
    await form.getByRole('button', { name: 'Next' }).click();
    await form.getByRole('textbox', { name: 'Notes' }).fill('By the window');
    await form.getByRole('button', { name: 'Next' }).click();
    for (const words of ['Grey Plover', 'Hareby', 'By the window'])
      await expect(form.getByRole('definition').filter({ hasText: words })).toBeVisible();
    await expect(form.getByRole('button', { name: 'Send' })).toBeVisible();
    await form.getByRole('button', { name: 'Change Where to' }).click();
    await expect(form.getByRole('combobox')).toHaveValue(/.+/);
  });
});

test('a rule is made where the form stands', async ({ page }) => {
  await page.goto('/forms/freight-booking-short?edit=');
  const form = frameOf(page, /^Form:/);
  const panel = form.getByRole('group', { name: 'Note of /pieces' });
  await panel.getByRole('button', { name: 'More of /pieces' }).click();
  await panel.getByText('More: rules, checks, words …').click();
  await panel.getByRole('button', { name: 'Add a rule' }).click();
  await panel.getByRole('textbox', { name: /^Holds/ }).fill('value < 100');
  await panel
    .getByRole('textbox', { name: /^Message/ })
    .first()
    .fill('Too many for the deck.');
  await allSaved(page);
  await panel.getByRole('button', { name: 'Fold' }).click();
  await page.getByRole('button', { name: 'Edit the sheet' }).click();
  const pieces = form.getByRole('textbox', { name: /^Pieces/ });
  await typeInto(pieces, '120');
  await pieces.blur();
  await expect(form.getByText('Too many for the deck.')).toBeVisible();
  await page.getByRole('button', { name: 'Schema', exact: true }).click();
  await expect(page.getByRole('textbox', { name: /^Schema of/ })).toContainText('Too many for the deck.');
});

test('what the form of the hints does not know stays', async ({ page }) => {
  await page.goto('/forms/freight-booking-short?edit=&text=schema');
  const form = frameOf(page, /^Form:/);
  const schema = page.getByRole('textbox', { name: /^Schema of/ });
  await expect(form.getByRole('button', { name: 'More of /pieces' })).toBeVisible({ timeout: 30_000 });
  await schema.click();
  await page.keyboard.press('Control+a');
  await page.keyboard.insertText(
    '{"type": "object", "properties": {"pieces": {"type": "integer", "x-poietra": {"lable": "Pieces", "prefix": "abt."}}}}',
  );
  await allSaved(page);
  // It needs other inputs, so it is drawn in another frame; the one before must not be pressed any more.
  await expect(form.getByText('abt.')).toBeVisible();
  const panel = form.getByRole('group', { name: 'Note of /pieces' });
  await panel.getByRole('button', { name: 'More of /pieces' }).click();
  await panel.getByText('More: rules, checks, words …').click();
  await panel.getByRole('textbox', { name: /^Suffix/ }).fill('crates');
  await expect(schema).toContainText('crates');
  await expect(schema).toContainText('"lable"');
  await expect(schema).toContainText('"abt."');
});
