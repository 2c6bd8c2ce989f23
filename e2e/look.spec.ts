import { expect, test } from '@playwright/test';
import { allSaved, expectAccessible, frameOf } from './support.js';

test('the look is set by word and by colour, seen over a living form, kept, handed over, and undone', async ({
  page,
}) => {
  await page.goto('/kit');
  await page.getByRole('button', { name: 'New kit' }).click();
  await expect(page).toHaveURL('/begin');
  await page.goto('/look');
  const form = frameOf(page, /^Look$/);
  const name = form.getByRole('textbox', { name: 'Name' });
  await expect(name).toBeVisible();
  await expectAccessible(page);
  const say = async (label: string, text: string): Promise<void> => {
    await page.getByRole('button', { name: new RegExp(`^${label}: `) }).click();
    await page.getByRole('textbox', { name: label, exact: true }).fill(text);
    await page.keyboard.press('Enter');
  };
  await say('corners of inputs and buttons, light', '12px');
  await expect(name).toHaveCSS('border-radius', '12px');
  await say('text, light', '#7a7a7a');
  await expect(name).toHaveCSS('color', 'rgb(122, 122, 122)');
  const contrast = page.getByRole('region', { name: 'Contrast' });
  await expect(contrast.getByText('Text, light: 4.2 : 1, wanted 4.5')).toBeVisible();

  await test.step('what is no colour is refused, with what would be one', async () => {
    await say('text, dark', 'red; }');
    await expect(page.getByRole('alert')).toContainText('is a colour of CSS');
    await page.keyboard.press('Escape');
  });
  await test.step('the dark theme has its own', async () => {
    await page.getByLabel('Colour of text, dark').fill('#ffd0d0');
    await expect(name).toHaveCSS('color', 'rgb(122, 122, 122)');
    await page.getByRole('button', { name: 'Dark theme' }).click();
    await expect(name).toHaveCSS('color', 'rgb(255, 208, 208)');
    await expectAccessible(page, ['iframe']);
  });
  await test.step('kept over a reload, handed over, and as usual again in one step that can be undone', async () => {
    await allSaved(page);
    await page.goto('/hand-over');
    await page.getByRole('link', { name: 'look.css' }).click();
    await expect(page.getByText('--poietra-corner: 12px;')).toBeVisible();
    await page.goto('/look');
    await expect(name).toHaveCSS('border-radius', '12px');
    await page.getByRole('button', { name: 'All as usual' }).click();
    await expect(name).toHaveCSS('border-radius', '4px');
    await page.getByRole('button', { name: /^Undo: Look: all as usual/ }).click();
    await expect(name).toHaveCSS('border-radius', '12px');
  });
});
