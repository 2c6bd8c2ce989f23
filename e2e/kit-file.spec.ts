/** The kit kept in step with a file of the opened project: what is done here is written, what a pull brings is merged. */
import { expect, test, type Page } from '@playwright/test';
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { allSaved, expectAccessible } from './support.js';

const file = join(import.meta.dirname, '../demo/project/poietra.kit.json');
const removed = (): void => rmSync(file, { force: true });
test.beforeEach(removed);
test.afterAll(removed);

interface FileText {
  name: string;
  forms: Record<string, { title: string; accepted?: string }>;
}
const inFile = (): FileText => JSON.parse(readFileSync(file, 'utf8')) as FileText;
/** As a colleague’s commit does, after a pull. */
function pulled(change: (kit: FileText) => void): void {
  const kit = inFile();
  change(kit);
  writeFileSync(file, JSON.stringify(kit, undefined, 4));
}
const step = (page: Page) => page.getByRole('region', { name: 'In step with a file of the project' });
const same = (page: Page) => expect(step(page)).toContainText('poietra.kit.json has it');

async function newKit(page: Page): Promise<void> {
  await page.goto('/kit');
  await page.getByRole('button', { name: 'New kit' }).click();
  await page.getByRole('button', { name: 'Begin with nothing' }).click();
  await expect(page).toHaveURL('/forms/new-form');
  await allSaved(page);
  await page.goto('/kit');
}
async function named(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: /^Name of the kit: New kit/ }).click();
  await page.getByRole('textbox', { name: 'Name of the kit' }).fill(name);
  await page.keyboard.press('Enter');
  await allSaved(page);
}

test('edits are written, what a pull brings is shown part by part and merged, and nothing is lost on either side', async ({
  page,
}) => {
  await newKit(page);
  await step(page).getByRole('button', { name: 'Keep it in step' }).click();
  await same(page);
  expect(Object.keys(inFile().forms)).toEqual(['new-form']);
  await named(page, 'Harbour desk');
  await expect.poll(() => inFile().name).toBe('Harbour desk');

  await test.step('a pull that changed another part', async () => {
    pulled((kit) => {
      kit.forms['berth'] = { ...kit.forms['new-form']!, title: 'Berth' };
      kit.forms['new-form']!.accepted = 'Thank you.';
    });
    await expect(page.getByRole('link', { name: /file differs/ })).toBeVisible();
    await expect(step(page).getByRole('listitem')).toHaveText([
      /forms: new-form changed in the file/,
      /forms: berth new in the file/,
    ]);
    await step(page).getByText('forms: new-form').click();
    await expect(step(page).getByLabel('Difference').first()).toContainText('Thank you.');
    await expectAccessible(page);
    await step(page).getByRole('button', { name: 'Take it in' }).click();
    await same(page);
    await expect(page.getByText('2 forms', { exact: true })).toBeVisible();
  });
  await test.step('one place that both have changed is decided, and the rest is merged', async () => {
    await page.context().setOffline(true);
    pulled((kit) => {
      kit.name = 'Harbour office';
      kit.forms['berth']!.title = 'Berth of the boat';
    });
    await page.getByRole('button', { name: /^Name of the kit: Harbour desk/ }).click();
    await page.getByRole('textbox', { name: 'Name of the kit' }).fill('Quay desk');
    await page.keyboard.press('Enter');
    await page.context().setOffline(false);
    const conflict = step(page).getByRole('group', { name: 'Which counts at /name' });
    await expect(conflict.getByLabel(/as it is here: "Quay desk"/)).toBeChecked();
    await conflict.getByLabel(/as the file has it: "Harbour office"/).check();
    await expectAccessible(page);
    await step(page).getByRole('button', { name: 'Take it in' }).click();
    await same(page);
    await expect(page.getByRole('button', { name: 'Name of the kit: Harbour office. Change' })).toBeVisible();
  });
  await test.step('undo goes to the file as well, and a reload goes on', async () => {
    await page.getByRole('button', { name: /^Undo: Take in/ }).click();
    await expect.poll(() => [inFile().name, inFile().forms['berth']?.title]).toEqual(['Quay desk', 'Berth']);
    await page.reload();
    await same(page);
  });
  await test.step('a file that is broken is left alone; one that is gone is written anew on request', async () => {
    writeFileSync(file, '{ <<<<<<< ours');
    await expect(step(page)).toContainText('cannot be read, so it is left alone');
    expect(readFileSync(file, 'utf8')).toBe('{ <<<<<<< ours');
    removed();
    await expect(step(page)).toContainText('was taken away');
    expect(existsSync(file)).toBe(false);
    await step(page).getByRole('button', { name: 'Write it anew' }).click();
    await same(page);
    expect(inFile().name).toBe('Quay desk');
    await step(page).getByRole('button', { name: 'End it' }).click();
    await expect(step(page).getByRole('button', { name: 'Keep it in step' })).toBeVisible();
    expect(existsSync(file)).toBe(true);
  });
});

test('a kit begins in step with a file that a colleague has made, and a second kit is told of the first', async ({
  page,
}) => {
  await newKit(page);
  writeFileSync(
    file,
    JSON.stringify({
      poietra: 1,
      name: 'New kit',
      inputs: {},
      adapters: {},
      codecs: {},
      fields: {},
      groups: {},
      forms: { visit: { title: 'Visit', schema: true } },
    }),
  );
  await step(page).getByRole('button', { name: 'Keep it in step' }).click();
  await expect(step(page).getByRole('listitem')).toHaveText([
    /forms: new-form here only/,
    /forms: visit in the file only/,
  ]);
  expect(Object.keys(inFile().forms)).toEqual(['visit']);
  await step(page).getByRole('button', { name: 'Take it in' }).click();
  await same(page);
  await expect.poll(() => Object.keys(inFile().forms).sort()).toEqual(['new-form', 'visit']);

  await page.getByRole('button', { name: 'New kit', exact: true }).click();
  await expect(page).toHaveURL('/begin');
  await page.goto('/kit');
  await step(page).getByRole('button', { name: 'Keep it in step' }).click();
  await expect(
    page.getByRole('status').filter({ hasText: 'is in step with poietra.kit.json of this project' }),
  ).toBeVisible();
});
