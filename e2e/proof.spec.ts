/** The proof page: texts and forms of a schema in step, what is dragged, what is traced, what leaves without script. */
import { expect, test, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { allSaved, expectAccessible, frameOf, group } from './support.js';

const textOf = async (page: Page): Promise<string> =>
  (
    await page
      .getByRole('textbox', { name: /^Schema of/ })
      .locator('.cm-line')
      .allTextContents()
  ).join('\n');

test('a schema is written in a form, in step with the text and the drawn form', async ({ page }) => {
  await page.goto('/forms/freight-booking-short');
  const form = frameOf(page, /^Form:/);
  await page.getByRole('button', { name: 'Schema', exact: true }).click();
  await page.getByRole('button', { name: 'As a form' }).click();
  const schema = frameOf(page, /^Schema as a form/);
  const members = schema.getByRole('group', { name: 'Members' }).first();
  await expect(members.getByRole('textbox', { name: 'Name of the member pieces' })).toBeVisible({ timeout: 30_000 });
  await members.getByRole('textbox', { name: 'Name of a new member of Members' }).fill('berth');
  await page.keyboard.press('Enter');
  const berth = members.locator('.poietra-item').last();
  await berth.getByText('What it is').click();
  await berth.getByRole('textbox', { name: 'Title' }).first().fill('Berth at arrival');
  await expect(form.getByLabel('Berth at arrival')).toBeVisible();
  // What was edited on the sheet comes into the form of the schema.
  await page.getByRole('button', { name: 'Edit the sheet' }).click();
  const note = form.getByRole('group', { name: 'Note of /pieces' });
  await note.getByRole('button', { name: /^Label:/ }).click();
  await note.getByRole('textbox', { name: 'Label' }).fill('How many');
  await page.keyboard.press('Enter');
  const pieces = members
    .locator('.poietra-item')
    .filter({ has: page.locator('input[value="pieces"]') })
    .first();
  await pieces.getByText('What it is').first().click();
  await expect(pieces.getByRole('textbox', { name: 'Title' }).first()).toHaveValue('How many');
  await expectAccessible(page);
});

test('comments and line breaks of a schema stay, whatever is edited on the sheet', async ({ page }) => {
  await page.goto('/forms/freight-booking-short');
  const form = frameOf(page, /^Form:/);
  await page.getByRole('button', { name: 'Schema', exact: true }).click();
  const text = page.getByRole('textbox', { name: /^Schema of/ });
  await text.click();
  await page.keyboard.press('Control+Home');
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  await page.keyboard.type('// Asked by the harbour office.');
  await page.getByRole('button', { name: 'Edit the sheet' }).click();
  const note = form.getByRole('group', { name: 'Note of /pieces' });
  await note.getByRole('button', { name: 'More of /pieces' }).click();
  await note.getByRole('combobox', { name: 'Say more' }).selectOption('multipleOf');
  await note.getByRole('textbox', { name: 'multipleOf' }).fill('77');
  await page.keyboard.press('Enter');
  await text.click();
  await page.keyboard.press('Control+Home');
  await expect.poll(() => textOf(page)).toContain('// Asked by the harbour office.');
  await allSaved(page);
  await page.reload();
  await expect.poll(() => textOf(page)).toContain('// Asked by the harbour office.');
});

test('what is wrong in a schema or in hints is marked where it stands', async ({ page }) => {
  await page.goto('/forms/freight-booking-short');
  await page.getByRole('button', { name: 'Hints', exact: true }).click();
  const text = page.getByRole('textbox', { name: /^Hints of/ });
  await text.click();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('{"/properties/pieces": {"layout": "pile"}}');
  await expect(page.getByText(/“pile” is none of: “stack”, “row”, “grid”, “tabs”, “table”, “steps”/)).toBeVisible();
  await expect(page.locator('.cm-lintRange-error')).toBeVisible();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('{"/properties/pieces": {"');
  await expect(page.getByRole('option', { name: 'layout', exact: true })).toBeVisible();
});

test('an edge is dragged, or moved by keys; a member goes into another group', async ({ page }) => {
  await page.goto('/forms/freight-booking-short');
  const form = frameOf(page, /^Form:/);
  await page.getByRole('button', { name: 'Desktop' }).click();
  await page.getByRole('button', { name: 'Edit the sheet' }).click();
  const edge = form.getByRole('separator', { name: 'Right edge of Pieces' });
  await expect(edge).toHaveAttribute('aria-valuetext', '6 of 12 columns');
  await edge.focus();
  await page.keyboard.press('ArrowLeft');
  await expect(edge).toHaveAttribute('aria-valuetext', '5 of 12 columns');
  await expect(edge).toBeFocused();
  await edge.scrollIntoViewIfNeeded();
  const box = await edge.boundingBox();
  if (!box) throw new Error('The edge is not on the page.');
  await page.mouse.move(box.x + box.width / 2, box.y + 10);
  await page.mouse.down();
  await page.mouse.move(box.x - 80, box.y + 10, { steps: 4 });
  await page.mouse.up();
  await expect(edge).toHaveAttribute('aria-valuetext', /^[34] of 12 columns$/);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(edge).toHaveAttribute('aria-valuetext', '5 of 12 columns');
  const note = (of: string) => form.getByRole('group', { name: `Note of ${of}`, exact: true });
  await note('the whole').getByRole('button', { name: 'More of the whole' }).click();
  const panel = note('the whole');
  await panel.getByLabel('Name of the new member').fill('stowage');
  await panel.getByLabel('What the new member is').selectOption('a group');
  await panel.getByRole('button', { name: 'Add', exact: true }).click();
  await note('/pieces').getByRole('button', { name: 'More of /pieces' }).click();
  await note('/pieces').getByLabel('Move into').selectOption('Stowage');
  await expect(group(form, 'Stowage').getByLabel(/^Pieces/)).toBeVisible();
});

test('the last changes of a field are traced, and the sheet is as wide as one says', async ({ page }) => {
  await page.goto('/forms/freight-booking-short');
  const form = frameOf(page, /^Form:/);
  await form.getByRole('textbox', { name: /^Pieces/ }).click();
  await page.keyboard.type('12');
  await page.getByRole('button', { name: 'Trace: 2 changes' }).click();
  const trace = page.getByRole('region', { name: 'Trace of the last changes' });
  await expect(trace.getByRole('row').filter({ hasText: '"12"' })).toContainText('■ 12');
  await expect(form.locator('.note-left').first()).toBeVisible();
  await page.getByRole('button', { name: 'Fold the notes' }).click();
  await expect(form.locator('.note-left')).toHaveCount(0);
  await page.getByLabel('Width in pixels').fill('430');
  await page.keyboard.press('Enter');
  await expect.poll(async () => (await form.locator('form').boundingBox())?.width).toBe(430);
  await page.getByRole('button', { name: 'A new record' }).click();
  await expect(page.getByRole('option', { name: /^New/ })).toContainText('draft');
});

test('a rule of the kit chooses the fields, and a hint of its own works at once', async ({ page }) => {
  await page.goto('/forms');
  await page.getByText(/^How fields are chosen/).click();
  await page.getByRole('button', { name: 'Add a rule' }).click();
  await page.getByLabel('Kind of value').selectOption('string');
  await page.getByRole('combobox', { name: /^Input/ }).fill('native:textarea');
  await page.keyboard.press('Tab');
  await page.getByRole('group', { name: 'Codec' }).getByLabel(/^Kind/).selectOption('text');
  await expect(page.getByText(/^How fields are chosen \(1 rules? of the kit\)/)).toBeVisible();
  await page.getByText(/^Hints of the kit/).click();
  await page.getByRole('textbox', { name: /^Name of a new member/ }).fill('berth');
  await page.keyboard.press('Enter');
  const hint = page.locator('.poietra-item').last();
  await hint.getByLabel(/^What it does/).selectOption('stands behind the hint');
  await hint.getByLabel(/^Words/).fill('Berth {value}.');
  await hint.getByLabel(/^Schema of its values/).fill('{"type": "string"}');
  await expectAccessible(page);
  await page.goto('/forms/freight-booking-short');
  await page.getByRole('button', { name: 'Hints', exact: true }).click();
  await page.getByRole('textbox', { name: /^Hints of/ }).click();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('{"/properties/pieces": {"berth": "4"}}');
  const form = frameOf(page, /^Form:/);
  await expect(form.getByText('Berth 4.')).toBeVisible();
  await expect(form.locator('textarea').first()).toBeVisible();
});

test('a form is filled in and sent without script', async ({ page, context }) => {
  await page.goto('/forms/freight-booking-short');
  await expect(frameOf(page, /^Form:/).getByRole('textbox', { name: /^Pieces/ })).toBeVisible();
  const opened = context.waitForEvent('page');
  await page.getByRole('button', { name: 'Try without script' }).click();
  const plain = await opened;
  await plain.waitForURL(/\/plain\//, { timeout: 30_000 });
  await plain.getByRole('textbox', { name: /^Pieces/ }).fill('4');
  await plain.getByRole('textbox', { name: /^Weight/ }).fill('1.2 t');
  await plain.getByRole('button', { name: 'Send' }).click();
  await plain.waitForURL(/\/company\/echo/);
  const echoed = JSON.parse(await plain.locator('body').innerText()) as { method: string; body: [string, string][] };
  expect(echoed.method).toBe('POST');
  expect(echoed.body).toContainEqual(['/pieces', '4']);
  expect(echoed.body).toContainEqual(['/weight', '1.2 t']);
});

test('a schema of two megabytes with thousands of definitions is opened, filled in and read as text', async ({
  page,
}) => {
  const kit = JSON.parse(readFileSync('demo/kit.json', 'utf8')) as { forms: Record<string, unknown> };
  kit.forms['manifest'] = { title: 'Manifest', schema: largeSchema(4000) };
  await page.goto('/kit');
  await page
    .getByLabel('Kit file')
    .setInputFiles({ name: 'kit.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(kit)) });
  await expect(page.getByRole('listitem').filter({ hasText: '6 forms' })).toContainText('is open', { timeout: 30_000 });
  await allSaved(page);
  await page.goto('/forms/manifest');
  await expect(page.getByRole('heading', { name: /Manifest/ })).toBeVisible();
  // While the form is made ready in its frame, the page goes on answering.
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('dialog')).toBeVisible();
  await page.keyboard.press('Escape');
  const form = frameOf(page, /^Form:/);
  await form.getByRole('textbox', { name: /^Vessel/ }).fill('Sula', { timeout: 45_000 });
  await expect(page.getByTestId('station-sent').last()).toContainText('Sula');
  await form
    .getByRole('group', { name: 'Part 0', exact: true })
    .getByRole('textbox', { name: /^Number/ })
    .first()
    .fill('x');
  await form.getByRole('textbox', { name: /^Vessel/ }).focus();
  await expect(form.getByRole('textbox', { name: /^Number/ }).first()).toHaveAccessibleDescription(
    /pattern|written|look/i,
  );
  await form
    .getByRole('button', { name: /^Add part/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'Schema', exact: true }).click();
  await expect(page.locator('.cm-line').first()).toBeVisible({ timeout: 20_000 });
});

/** Every part refers to others, so that all of them are reached, and none ends. */
function largeSchema(count: number): unknown {
  const part = (i: number): unknown => ({
    type: 'object',
    title: `Part ${i}`,
    description: 'What the manifest says of one piece of cargo, kept as the port of discharge wants it.',
    properties: {
      number: { type: 'string', title: 'Number', pattern: '^[A-Z]{2}\\d{4}$' },
      weight: { type: 'number', title: 'Weight', minimum: 0, maximum: 40_000 },
      arrived: { type: 'string', format: 'date', title: 'Arrived' },
      state: { enum: ['booked', 'loaded', 'landed', 'lost'], title: 'State' },
      first: { $ref: `#/$defs/part${(i * 7 + 1) % count}` },
      others: { type: 'array', items: { $ref: `#/$defs/part${(i * 13 + 5) % count}` } },
    },
    required: ['number'],
  });
  const members = Array.from({ length: 40 }, (_, i) => [`bay${i}`, { $ref: `#/$defs/part${(i * 97) % count}` }]);
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Manifest',
    type: 'object',
    properties: { vessel: { type: 'string', title: 'Vessel' }, ...(Object.fromEntries(members) as object) },
    required: ['vessel'],
    $defs: Object.fromEntries(Array.from({ length: count }, (_, i) => [`part${i}`, part(i)])),
  };
}

test('two texts stand beside the sheet, in step, and a third takes the place of the first; the address says which', async ({
  page,
}) => {
  await page.goto('/forms/freight-booking-short');
  const form = frameOf(page, /^Form:/);
  const text = (name: string) => page.getByRole('region', { name: `Text: ${name}` });
  await page.getByRole('button', { name: 'Schema', exact: true }).click();
  await page.getByRole('button', { name: 'Data', exact: true }).click();
  await expect(page).toHaveURL(/text=schema%2Cdata/);
  await form.getByRole('textbox', { name: /^Pieces/ }).fill('7');
  await expect(text('data')).toContainText('"pieces": 7');
  await expect(text('schema').locator('.cm-lit').filter({ hasText: 'Pieces' }).first()).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Hints', exact: true }).click();
  await expect(text('schema')).toHaveCount(0);
  await page.reload();
  await expect(text('data')).toBeVisible();
  await expect(text('hints')).toBeVisible();
  await text('data').getByRole('button', { name: 'Close' }).click();
  await expect(page).toHaveURL(/text=hints/);
});
