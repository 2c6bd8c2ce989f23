import { expect, test } from '@playwright/test';
import { frameOf, station } from './support.js';

test('one word changes how every field of a form is drawn, and nothing else', async ({ page }) => {
  await page.goto('/forms/freight-booking-short');
  const form = frameOf(page, /^Form/);
  const pieces = form.getByRole('textbox', { name: /^Pieces/ });
  await expect(pieces).toBeVisible();
  // On a busy machine the frame that draws the new skin comes before the next frame of the old one: nothing waits for it.
  const old = await (await page.getByTitle(/^Form/).elementHandle()).contentFrame();
  await old?.evaluate(() => (window.requestAnimationFrame = () => 0));
  await pieces.fill('12');
  await expect(form.locator('.ant-card')).toHaveCount(0);
  await page.getByRole('combobox', { name: 'Skin' }).selectOption('suite');
  await expect(form.locator('.ant-card').first()).toBeVisible({ timeout: 30_000 });
  await expect(pieces).toHaveValue('12');
  await expect(form.getByRole('textbox', { name: /^Pieces/ })).toBeVisible();
  await page.getByRole('combobox', { name: 'Skin' }).selectOption('compact');
  await expect(form.locator('.poietra-compact').first()).toBeVisible();
  await expect(pieces).toHaveValue('12');
});

test('a field is looked at in each state', async ({ page }) => {
  await page.goto('/fields/pieces');
  const field = frameOf(page, /^Field/);
  await page.getByRole('button', { name: 'invalid', exact: true }).click();
  await expect(field.getByText('Is needed.').first()).toBeVisible();
  await page.getByRole('button', { name: 'disabled', exact: true }).click();
  await expect(field.getByRole('textbox').first()).toBeDisabled();
  await page.getByRole('button', { name: 'read only', exact: true }).click();
  await expect(field.getByRole('textbox').first()).toBeEnabled();
  await expect(field.getByRole('textbox').first()).not.toBeEditable();
  await page.getByRole('button', { name: 'right to left', exact: true }).click();
  await expect(field.locator('[dir=rtl]')).toBeVisible();
});

test('a law that is broken shows its smallest counterexample, which is kept as a case', async ({ page }) => {
  await page.goto('/codecs/pieces');
  await page.getByRole('button', { name: /^Kind/ }).click();
  await page.getByRole('combobox', { name: 'Kind' }).fill('steps');
  await page.keyboard.press('Enter');
  await page.getByText(/^Options none are set/).click();
  await page.getByRole('button', { name: 'Add a step' }).click();
  await page.getByRole('combobox', { name: 'One of' }).selectOption('One text in place of another');
  await page.getByRole('textbox', { name: /^Of/ }).fill('1');
  await page.getByRole('textbox', { name: /^By/ }).fill('12');
  await page.getByRole('button', { name: 'Search for counterexamples' }).click();
  const laws = page.getByRole('region', { name: 'Laws' });
  await expect(laws.getByText(/values tried in/)).toBeVisible({ timeout: 30_000 });
  await expect(laws.getByText('No value makes it throw.')).toBeVisible();
  const keep = laws.getByRole('button', { name: /^Keep the counterexample/ }).first();
  const rows = page.getByRole('region', { name: 'Cases' }).getByRole('row');
  const before = await rows.count();
  await keep.click();
  await expect(rows).toHaveCount(before + 1);
});

test('typing into a number: partial text stays, the caret does not jump, pasted spaces are taken', async ({ page }) => {
  await page.goto('/fields/kilograms');
  const box = frameOf(page, /^Field/)
    .getByRole('textbox')
    .first();
  await box.pressSequentially('12.');
  await expect(box).toHaveValue('12.');
  await expect(station(page, 'held')).toContainText('12');
  await box.pressSequentially('5');
  await box.press('Home');
  await box.press('ArrowRight');
  await box.pressSequentially('9');
  await expect(box).toHaveValue('192.5');
  expect(await box.evaluate((input: HTMLInputElement) => input.selectionStart)).toBe(2);
  await box.fill(' 1 000 ');
  await expect(station(page, 'held')).toContainText('1000');
  await box.fill('-');
  await expect(box).toHaveValue('-');
  await expect(station(page, 'held')).toContainText('undefined');
  await box.fill('');
  await expect(station(page, 'sent')).toContainText('undefined');
});

test('the link map finds no break on the demo kit, and each planted one on a page of HTML', async ({ page }) => {
  await page.goto('/links');
  const links = page.getByRole('region', { name: 'Links' });
  await expect(links.getByText(/links, none broken/)).toBeVisible({ timeout: 30_000 });
  const frame = frameOf(page, /^Links of/);
  await expect(frame.locator('.link-lines path')).toHaveCount(0);
  // A label, a message and the summary lead to it.
  await frame.getByRole('textbox', { name: /^Name/ }).first().hover();
  await expect(frame.locator('.link-lines path').first()).toBeAttached();
  expect(await frame.locator('.link-lines path').count()).toBeLessThan(8);
  await page.getByRole('combobox').selectOption('page of HTML');
  await expect(links.getByText('label to what takes none')).toBeVisible();
  await page
    .getByRole('textbox', { name: /^Paste the HTML/ })
    .fill(
      '<label for="a">A</label><input id="a"><input id="a" aria-describedby="gone"><img src=x onerror="document.title=1">',
    );
  for (const kind of ['id twice', 'reference to nothing', 'no name'])
    await expect(links.getByText(kind, { exact: true })).toBeVisible();
});

test('a form that the server draws first is taken over without a difference', async ({ page }) => {
  await page.goto('/links');
  await page.getByRole('checkbox', { name: 'drawn by the server first, and compared' }).check();
  const frame = frameOf(page, /^Links of/);
  await expect(frame.locator('[id^=served-], [id*=served]').first()).toBeAttached({ timeout: 60_000 });
  await expect(page.getByRole('region', { name: 'Links' }).getByText(/links, none broken/)).toBeVisible();
});

test('a codec is written as code: it runs apart, names the line of a fault, and is stopped where it has no end', async ({
  page,
}) => {
  await page.goto('/codecs');
  await page.getByRole('button', { name: 'New codec' }).click();
  await page.getByRole('button', { name: /^Kind: / }).click();
  await page.getByRole('combobox', { name: 'Kind' }).fill('code');
  await page.keyboard.press('Enter');
  const code = page.getByRole('textbox', { name: /^Code of/ });
  const write = async (body: string): Promise<void> => {
    await code.click();
    await page.keyboard.press('Control+a');
    await page.keyboard.insertText(
      `export function parse(shown: unknown) {\n${body}\n}\nexport function show(held: unknown) {\n  return held;\n}\n`,
    );
  };
  await page.getByLabel('The input gives').fill('"SK 214"');
  await expect(page.getByTestId('station-held').first()).toContainText('SK 214');
  await page.getByRole('button', { name: 'Keep as a case' }).click();
  await expect(page.getByRole('row').filter({ hasText: 'passes' })).toBeVisible();

  await write("  if (shown === 'SK 214') throw new Error('No such crossing.');\n  return shown;");
  await expect(page.getByRole('row').filter({ hasText: 'No such crossing.' })).toBeVisible();
  await write('  const crossing = undefined as unknown as { number: string };\n  return crossing.number;');
  await expect(page.getByText(/parse fails in line 3/).first()).toBeVisible();
  await write("  return typeof fetch === 'function' ? fetch('/api/project') : 'nothing';");
  await expect(page.getByText(/no form in JSON/).first()).toBeVisible();
  await write('  for (;;) {}');
  await expect(page.getByText(/It took longer than 2 seconds/).first()).toBeVisible();
  await write('  return import("node:fs");');
  await expect(page.getByText(/Line 2: a codec imports nothing/)).toBeVisible();
  await write('  return shown;');
  await expect(page.getByText(/Line 2: a codec imports nothing/)).toHaveCount(0);
  await expect(page.getByTestId('station-held').first()).toContainText('SK 214');
  await page.getByRole('button', { name: 'Search for counterexamples' }).click();
  await expect(page.getByText(/values tried in/)).toBeVisible({ timeout: 30_000 });
});

test('a failing value goes from a form to the page of its codec with one press', async ({ page }) => {
  await page.goto('/forms/freight-booking-short');
  const form = frameOf(page, /^Form:/);
  await form.getByRole('textbox', { name: /^Pieces/ }).fill('seven');
  await page.getByRole('button', { name: 'Try it on the codec’s page' }).click();
  await expect(page).toHaveURL('/codecs/pieces');
  await expect(page.getByLabel('The input gives')).toHaveValue('"seven"');
  await page.getByRole('button', { name: 'Keep as a case' }).click();
  await expect(page.getByRole('row').filter({ hasText: '"seven"' })).toContainText('passes');
});
