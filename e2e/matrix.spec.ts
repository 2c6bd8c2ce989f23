/** For each format and each input that a plan chooses or a hint may name for it, a person can enter a valid value. */
import { compileSchema, makePlan, nativeAdapters, planAt } from '@poietra/core';
import { expect, test, type Locator } from '@playwright/test';
import { places, texts } from '../packages/core/test/entered.js';
import { allSaved, frameOf, group } from './support.js';

/** Every pair of a place and what is drawn for it, once. */
const members = new Map<string, { readonly schema: Record<string, unknown>; readonly drawn: string }>();
for (const [place, plain] of places)
  for (const input of [undefined, ...Object.keys(nativeAdapters)]) {
    const schema = input === undefined ? plain : { ...plain, 'x-poietra': { input } };
    const node = planAt(makePlan(compileSchema({ properties: { here: schema } })).root, '/here');
    const drawn = node?.kind === 'field' ? node.use.adapter.replace('native:', '') : '';
    if (drawn !== '') members.set(`${place} ${drawn}`, { schema, drawn });
  }

const typedInto = new Set<string>();
/** Enters a value by what a person does with the input. */
async function enter(field: Locator, drawn: string, schema: Record<string, unknown>): Promise<void> {
  const box = field.locator('input:not([type=hidden]), textarea, select').first();
  switch (drawn) {
    case 'checkbox':
    case 'radios':
    case 'checks':
      return box.check();
    case 'select':
      return void (await box.selectOption({ label: 'BRE' }));
    case 'list':
    case 'listbox':
      return field.getByRole('option', { name: 'BRE' }).click();
    case 'combobox':
      await box.fill('BRE');
      await field.page().keyboard.press('ArrowDown');
      return field.page().keyboard.press('Enter');
    case 'file':
      return box.setInputFiles({ name: 'note.txt', mimeType: 'text/plain', buffer: Buffer.from('Skerry') });
    case 'color':
      return box.fill('#112233');
    case 'range':
      return box.press('ArrowRight');
    case 'date':
      return box.fill('2026-11-23');
    case 'time':
      return box.fill('10:15');
    case 'datetime-local':
      return box.fill('2026-11-23T10:15');
    default: {
      const text = schema['type'] === 'string' ? (texts[String(schema['format'])] ?? 'Hareby') : '4';
      // Key by key once for each input; after that the formats are what is tried.
      if (typedInto.has(drawn)) return box.fill(text);
      typedInto.add(drawn);
      return box.pressSequentially(text);
    }
  }
}

test('every input takes a valid value of every format that it is drawn for', async ({ page }) => {
  // All are required: the form is ready to be sent only when each of them holds a value that its schema accepts.
  const schema = {
    type: 'object',
    required: [...members.keys()],
    properties: Object.fromEntries([...members].map(([name, { schema: own }]) => [name, { title: name, ...own }])),
  };
  await page.goto('/forms/freight-booking-short?notes=folded');
  const form = frameOf(page, /^Form:/);
  await expect(group(form, 'Consignor')).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Schema', exact: true }).click();
  await page.getByRole('textbox', { name: /^Schema of/ }).click();
  await page.keyboard.press('Control+a');
  await page.keyboard.insertText(JSON.stringify(schema));
  await allSaved(page);
  await expect(group(form, 'Consignor')).toHaveCount(0);
  await expect(page.getByText(`${members.size} things open`)).toBeVisible();
  // A frame gets the focus by a press of a person who was writing elsewhere.
  await form.locator('.poietra-label').first().click();
  for (const [name, { drawn, schema: own }] of members) {
    const field = form.locator(`[data-at="/${name.replaceAll('~', '~0').replaceAll('/', '~1')}"]`);
    await enter(field, drawn, own);
  }
  await page.keyboard.press('Tab');
  expect(await form.locator('.poietra-field[data-invalid] .poietra-label').allInnerTexts()).toEqual([]);
  await expect(page.getByText('ready to send')).toBeVisible();
});
