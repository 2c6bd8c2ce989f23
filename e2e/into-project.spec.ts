/** A kit handed over from the workbench straight into the opened project. */
import { expect, test } from '@playwright/test';
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { allSaved, expectAccessible } from './support.js';

const folder = 'handed-into/forms';
const target = join(import.meta.dirname, '../demo/project', folder);
const removed = (): void => rmSync(join(target, '..'), { recursive: true, force: true });
test.beforeAll(removed);
test.afterAll(removed);

test('what would change is read as a difference, then written; hand changes live; other folders are refused', async ({
  page,
}) => {
  const slot = page.getByRole('button', { name: /Folder of the project/ });
  const into = async (path: string): Promise<void> => {
    await slot.click();
    await page.getByRole('textbox', { name: 'Folder of the project' }).fill(path);
    await page.keyboard.press('Enter');
  };
  await page.goto('/hand-over');

  await test.step('it is compared, and nothing is written yet', async () => {
    await into(folder);
    await expect(page.getByRole('status').filter({ hasText: `files of ${folder} would come` })).toBeVisible({
      timeout: 60_000,
    });
    await expect(page.getByRole('link', { name: 'is added: day-picker.ts' })).toBeVisible();
    expect(existsSync(target)).toBe(false);
    await expectAccessible(page);
  });
  await test.step('it is written, with the project’s own inputs named from where the folder lies', async () => {
    await page.getByRole('button', { name: 'Write them' }).click();
    await expect(page.getByText(`Written into ${folder}`)).toBeVisible({ timeout: 60_000 });
    expect(readFileSync(join(target, 'adapters/signature.ts'), 'utf8')).toContain("from '../../../src/");
  });
  await test.step('a hand change and one of the kit are merged, and shown before', async () => {
    const fields = join(target, 'fields.ts');
    writeFileSync(fields, `// The desk’s own note.\n${readFileSync(fields, 'utf8')}`);
    await page.goto('/fields/pieces');
    await page.getByRole('textbox', { name: 'Label' }).first().fill('How many pieces');
    await allSaved(page);
    await page.goto(`/hand-over?into=${encodeURIComponent(folder)}`);
    await page.getByRole('link', { name: /is merged with .* fields\.ts/ }).click({ timeout: 60_000 });
    await expect(page.getByLabel('Difference')).toContainText('How many pieces');
    await page.getByRole('button', { name: 'Write them' }).click();
    await expect(page.getByText(`Written into ${folder}`)).toBeVisible({ timeout: 60_000 });
    const text = readFileSync(fields, 'utf8');
    expect([text.startsWith('// The desk’s own note.'), text.includes('How many pieces')]).toEqual([true, true]);
  });
  await test.step('folders outside the project are refused, with the reason', async () => {
    await into('../elsewhere');
    await expect(page.getByRole('alert')).toContainText('is no folder below the opened project');
  });
});

test('a kit can be handed over on its own; the choice is a step that can be undone', async ({ page }) => {
  await page.goto('/hand-over?file=adapters%2Fday-picker.ts');
  const text = page.getByRole('region', { name: /day-picker/ }).getByRole('textbox');
  await expect(text).toContainText("from '@poietra/react/written'");
  await page.getByRole('button', { name: 'On its own' }).click();
  await expect(text).toContainText("import { asComponent } from '../own/plain/as-component.js';", { timeout: 60_000 });
  await expect(page.getByText('No package of ours is imported')).toBeVisible();
  await page.getByRole('button', { name: /^Undo: Hand-over: on its own/ }).click();
  await expect(text).toContainText("from '@poietra/react/written'");
});
