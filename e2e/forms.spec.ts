import { expect, test, type FrameLocator } from '@playwright/test';
import { companySettings, expectAccessible, frameOf, group, tabTo } from './support.js';

/** What a combo box offers; the options of HTML’s own lists are others. */
const offers = (form: FrameLocator) => form.getByRole('listbox', { name: 'Choices' }).getByRole('option');

test.describe('the shelf', () => {
  const opened = async (id: string, page: Parameters<typeof frameOf>[0]): Promise<FrameLocator> => {
    await page.goto(`/shelf/${id}`);
    await page.getByRole('button', { name: 'Data', exact: true }).click();
    return frameOf(page, /^Example:/);
  };
  test('has examples that live, can be changed, and go into the kit', async ({ page }) => {
    await page.goto('/shelf');
    const shelf = page.getByRole('region', { name: 'Shelf' });
    await expect(shelf.getByRole('textbox', { name: /^Ship/ })).toBeVisible();
    expect(await shelf.getByRole('link').count()).toBeGreaterThanOrEqual(20);
    await page.getByRole('link', { name: 'What it weighs' }).click();
    const form = frameOf(page, /^Example:/);
    await form.getByRole('button', { name: 'Add a line' }).click();
    await form.getByRole('textbox', { name: /^Pieces/ }).fill('3');
    await form.getByRole('textbox', { name: /^Each/ }).fill('12.5');
    await expect(form.getByRole('textbox', { name: /^Total/ })).toHaveValue('37.5');
    await page.getByRole('button', { name: 'Take it into the kit' }).click();
    await expect(page).toHaveURL('/forms/what-it-weighs');
    await expect(frameOf(page, /^Form:/).getByRole('button', { name: 'Add a line' })).toBeVisible();
  });
  test('one of several shapes: the chooser draws the one that is meant, and keeps what fits both', async ({ page }) => {
    const form = await opened('one-of', page);
    await form.getByRole('textbox', { name: 'Label' }).fill('blue');
    await form.getByRole('combobox', { name: 'One of' }).selectOption('Vehicle');
    await expect(form.getByRole('textbox', { name: 'Label' })).toHaveValue('blue');
    await form.getByRole('textbox', { name: /^Number plate/ }).fill('AB 12345');
    await expect(page.getByRole('textbox', { name: 'What would be sent' })).toContainText('"sort": "vehicle"');
  });
  test('conditions, by schema and by expression', async ({ page }) => {
    const bySchema = await opened('condition-schema', page);
    await expect(bySchema.getByText('Hazard class')).toHaveCount(0);
    await bySchema.getByRole('checkbox', { name: 'Hazardous goods' }).check();
    await bySchema.getByRole('radio', { name: '3' }).check();
    const byExpression = await opened('condition-expression', page);
    await byExpression.getByRole('textbox', { name: /^Length/ }).fill('13.5');
    await expect(byExpression.getByRole('textbox', { name: /^Who guides/ })).toBeVisible();
    await byExpression.getByRole('textbox', { name: /^Length/ }).fill('4');
    await expect(byExpression.getByRole('textbox', { name: /^Who guides/ })).toHaveCount(0);
  });
  test('lists: doubled, moved, taken away and put back; what was typed goes with its entry', async ({ page }) => {
    const form = await opened('list', page);
    const what = form.getByRole('textbox', { name: /^What/ });
    const pieces = form.getByRole('textbox', { name: /^Pieces/ });
    await form.getByRole('button', { name: 'Add a line' }).click();
    await what.fill('timber');
    await pieces.fill('many');
    await form.getByRole('button', { name: 'Add a line' }).click();
    await what.nth(1).fill('fish');
    await form.getByRole('button', { name: 'Move line 2 up' }).click();
    await expect(what.nth(0)).toHaveValue('fish');
    await expect(pieces.nth(1)).toHaveValue('many');
    await form.getByRole('button', { name: 'Take away line 2' }).click();
    await expect(what).toHaveCount(1);
    await form.getByRole('button', { name: 'Put it back' }).click();
    await expect(pieces.nth(1)).toHaveValue('many');
    await form.getByRole('button', { name: 'Double line 1' }).click();
    await expect(what.nth(1)).toHaveValue('fish');
    await form.locator('.poietra-grip').nth(2).dragTo(form.locator('.poietra-item').nth(0));
    await expect(what.nth(0)).toHaveValue('timber');
  });
  test('maps, tuples, recursion and kinds', async ({ page }) => {
    const map = await opened('map', page);
    await map.getByRole('textbox', { name: /^Name of a new member/ }).fill('current');
    await map.getByRole('button', { name: 'Add a member' }).click();
    await map.getByRole('textbox', { name: 'Current', exact: true }).fill('1.5');
    await expect(page.getByRole('textbox', { name: 'What would be sent' })).toContainText('"current": 1.5');
    const tuple = await opened('tuple', page);
    await tuple.getByRole('textbox', { name: 'Degrees east' }).fill('9.75');
    await tuple.getByRole('textbox', { name: 'Degrees north' }).fill('95');
    await tuple.getByRole('textbox', { name: 'Degrees north' }).blur();
    await expect(tuple.getByText(/no more than 90|at most 90|90/).first()).toBeVisible();
    const chain = await opened('recursion', page);
    await chain.getByRole('button', { name: 'Add next port of call' }).click();
    await expect(chain.getByRole('button', { name: 'Add next port of call' })).toBeVisible();
    const mixed = await opened('kinds-mixed', page);
    await mixed.getByRole('combobox', { name: 'One of' }).selectOption('Text');
    await mixed
      .getByRole('textbox', { name: /^Mark|^A tide mark|^Text/ })
      .first()
      .fill('high');
    await expect(page.getByRole('textbox', { name: 'What would be sent' })).toContainText('"mark": "high"');
  });
  test('values from the server: searched, dependent, told where they fail', async ({ page }) => {
    await companySettings(page, {});
    const form = await opened('remote', page);
    const port = form.getByRole('combobox', { name: 'Port' });
    await port.pressSequentially('sule');
    await offers(form).filter({ hasText: 'Little Sule' }).click();
    await expect(port).toHaveValue('Little Sule');
    await expect(page.getByRole('textbox', { name: 'What would be sent' })).toContainText('"port": "LSU"');
    const crossing = form.getByRole('combobox', { name: 'Crossing' });
    await crossing.click();
    await expect(form.getByText('Fill in what this depends on first.')).toBeVisible();
    await form.getByRole('combobox', { name: 'From' }).selectOption('Aldervik');
    await form.getByRole('combobox', { name: 'To' }).selectOption('Hareby');
    await form.getByLabel('Date').fill('2026-12-01');
    await crossing.click();
    await expect(offers(form)).toHaveCount(2);
    await companySettings(page, { fail: true });
    await form.getByLabel('Date').fill('2026-12-02');
    await crossing.click();
    await expect(form.getByText(/They could not be fetched/)).toBeVisible();
    await companySettings(page, {});
    await form.getByLabel('Date').click();
    await crossing.click();
    await expect(offers(form)).toHaveCount(2);
  });
  test('messages in another language; tabs that count; a file within its size', async ({ page }) => {
    const messages = await opened('messages', page);
    await messages.getByRole('textbox', { name: /^Navn/ }).fill('Li');
    await expect(messages.getByText('Minst 3 tegn.')).toBeVisible();
    await messages.getByRole('textbox', { name: /^Skilt/ }).fill('x');
    await expect(messages.getByText('Skriv det som AB 12345.')).toBeVisible();
    const tabs = await opened('layout-tabs', page);
    await tabs.getByRole('tab', { name: /^Out/ }).focus();
    await page.keyboard.press('ArrowRight');
    await expect(tabs.getByRole('tab', { name: /^Back/ })).toHaveAttribute('aria-selected', 'true');
    const files = await opened('files', page);
    await files
      .getByLabel('Photo', { exact: true })
      .setInputFiles({ name: 'a.txt', mimeType: 'text/plain', buffer: Buffer.from('x') });
    await files.getByLabel('Photo', { exact: true }).focus();
    await files.getByLabel('Photo', { exact: true }).blur();
    await expect(files.getByText(/text\/plain; image\/png is expected/)).toBeVisible();
    const own = await opened('own-hint', page);
    await expect(own.getByText('Tide: long vehicles board first at low water.')).toBeVisible();
  });
  for (const id of ['list', 'choices', 'one-of', 'layout-tabs', 'boxes'])
    test(`${id} is accessible`, async ({ page }) => {
      const form = await opened(id, page);
      await expect(form.locator('form')).toBeVisible();
      await expectAccessible(page);
    });
});

test('the sheet is edited where it stands: words, rules, order, a condition, a member more, all undone', async ({
  page,
}) => {
  await page.goto('/forms/freight-booking-short');
  const form = frameOf(page, /^Form:/);
  await form.getByRole('textbox', { name: /^Pieces/ }).fill('7');
  await page.getByRole('button', { name: 'Edit the sheet' }).click();
  const note = form.getByRole('group', { name: 'Note of /pieces' });
  await note.getByRole('button', { name: /^Label: Pieces/ }).click();
  await note.getByRole('textbox', { name: 'Label' }).fill('How many');
  await page.keyboard.press('Enter');
  await expect(form.getByRole('textbox', { name: /^How many/ })).toHaveValue('7');
  await expect(note.getByRole('button', { name: /^Label: How many/ })).toBeFocused();
  await test.step('what is not said yet is chosen from a short list, and typed where it then stands', async () => {
    await note.getByRole('button', { name: 'More of /pieces' }).click();
    await note.getByRole('combobox', { name: 'Say more' }).selectOption('multipleOf');
    await note.getByRole('textbox', { name: 'multipleOf' }).fill('7');
    await page.keyboard.press('Enter');
    await expect(note.getByRole('button', { name: 'multipleOf: 7. Change' })).toBeVisible();
  });
  await note.getByRole('button', { name: 'Required' }).click();
  await expect(note.getByRole('button', { name: 'Required' })).toHaveAttribute('aria-pressed', 'false');
  await expect(form.getByRole('textbox', { name: 'How many' })).toBeVisible();
  await test.step('Escape leaves a word as it was; emptied, it is taken away', async () => {
    await note.getByRole('button', { name: 'multipleOf: 7. Change' }).click();
    await note.getByRole('textbox', { name: 'multipleOf' }).fill('9');
    await page.keyboard.press('Escape');
    await note.getByRole('button', { name: 'multipleOf: 7. Change' }).click();
    await note.getByRole('textbox', { name: 'multipleOf' }).fill('');
    await page.keyboard.press('Enter');
    await expect(note.getByRole('button', { name: /^multipleOf/ })).toHaveCount(0);
  });
  await test.step('what is out of force can be edited, too', async () => {
    await note.getByRole('combobox', { name: 'Say more' }).selectOption('There only where');
    await note.getByRole('combobox', { name: 'There only where' }).fill('form.consignor.name == "Torsund Fisk"');
    await page.keyboard.press('Enter');
    await expect(form.getByRole('textbox', { name: 'How many' })).toHaveCount(0);
    const unseen = form.getByRole('region', { name: 'Not in sight' });
    await unseen.getByRole('button', { name: /^There only where/ }).click();
    await unseen.getByRole('combobox', { name: 'There only where' }).fill('form.consignor.name == "Torsund Fish"');
    await page.keyboard.press('Enter');
    await expect(unseen.getByText(/not yet: No such key/)).toBeVisible();
  });
  await group(form, 'Consignor').getByRole('textbox', { name: /^Name/ }).fill('Torsund Fish');
  await expect(form.getByRole('textbox', { name: 'How many' })).toBeVisible();
  await test.step('a label is typed over where it stands', async () => {
    await form.locator('label').filter({ hasText: 'How many' }).click();
    await form.getByRole('textbox', { name: 'Label of /pieces' }).fill('Pieces');
    await page.keyboard.press('Enter');
    await expect(form.getByRole('textbox', { name: 'Pieces', exact: true })).toBeVisible();
  });
  const whole = form.getByRole('group', { name: 'Note of the whole' });
  await whole.getByRole('button', { name: 'More of the whole' }).click();
  await whole.getByLabel('Name of the new member').fill('berth');
  await whole.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(form.getByRole('textbox', { name: 'Berth' })).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(form.getByRole('textbox', { name: 'Berth' })).toHaveCount(0);
});

test('text and form keep in step, both ways', async ({ page }) => {
  await page.goto('/forms/freight-booking-short');
  const form = frameOf(page, /^Form:/);
  await page.getByRole('button', { name: 'Schema' }).click();
  const text = page.getByRole('textbox', { name: /^Schema of/ });
  await form.getByRole('textbox', { name: /^Weight/ }).focus();
  await expect(text.locator('.cm-lit').filter({ hasText: 'weight' }).first()).toBeInViewport();
  await text.locator('.cm-lit').filter({ hasText: '"Weight"' }).first().click();
  await expect(form.locator('.lit')).toContainText('Weight');
  await text.locator('.cm-line').filter({ hasText: '"Weight"' }).first().click();
  await page.keyboard.press('End');
  await page.keyboard.press('Enter');
  await page.keyboard.type('"excl');
  await expect(page.getByRole('option', { name: 'exclusiveMaximum' })).toBeVisible();
});

test('the full freight booking: filled, refused, mended, opened again, replaced', async ({ page }) => {
  await companySettings(page, {});
  await page.goto('/forms/freight-booking');
  const form = frameOf(page, /^Form:/);
  const consignor = group(form, 'Consignor').getByRole('textbox', { name: /^Name/ });
  await consignor.focus();
  await page.keyboard.type('Aldervik Timber');
  await tabTo(page, group(form, 'Consignee').getByRole('textbox', { name: /^Name/ }));
  await page.keyboard.type('Aldervik Timber');
  await tabTo(page, form.getByRole('combobox', { name: /^From/ }));
  await page.keyboard.type('Ald');
  await tabTo(page, form.getByRole('combobox', { name: /^To/ }));
  await page.keyboard.type('Har');
  await form.getByLabel('Date', { exact: false }).first().fill('2026-12-01');
  await tabTo(page, form.getByRole('combobox', { name: /^Crossing/ }));
  await page.keyboard.press('ArrowDown');
  await expect(offers(form)).toHaveCount(2);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(form.getByRole('combobox', { name: /^Crossing/ })).toHaveValue(/^SK \d+/);
  const line = form.getByRole('button', { name: 'Add a cargo line' });
  if ((await form.getByRole('textbox', { name: /^Pieces/ }).count()) === 0) {
    await tabTo(page, line);
    await page.keyboard.press('Enter');
  }
  await tabToBack(page, form);
  await form.getByRole('combobox', { name: /^Kind/ }).focus();
  await page.keyboard.type('Tim');
  await page.keyboard.press('Enter');
  await tabTo(page, form.getByRole('textbox', { name: /^Pieces/ }));
  await page.keyboard.type('12');
  await tabTo(page, form.getByRole('textbox', { name: /^Weight/ }));
  await page.keyboard.type('3.4 t');
  await tabTo(page, form.getByRole('textbox', { name: /^Length on deck/ }));
  await page.keyboard.type('12.5 m');
  await expect(form.getByRole('textbox', { name: /^Total weight/ })).toHaveValue('3.4 t');
  await tabTo(page, form.getByRole('checkbox', { name: /^Hazardous goods/ }));
  await tabTo(page, form.getByRole('textbox', { name: /^Collection/ }));
  await page.keyboard.type('2026-12-01 09:15');
  await page.keyboard.press('Escape');
  await tabTo(page, form.getByRole('checkbox', { name: /terms of carriage/ }));
  await page.keyboard.press('Space');
  await tabTo(page, form.getByRole('button', { name: 'Send' }));
  await page.keyboard.press('Enter');
  const consignee = group(form, 'Consignee').getByRole('textbox', { name: /^Name/ });
  await expect(consignee).toBeFocused({ timeout: 20_000 });
  await expect(consignee).toHaveAccessibleDescription(/goods have to go to somebody else/);
  await page.keyboard.press('Control+a');
  await page.keyboard.type('Hareby Boatyard');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/FR-\d+$/);
  const number = /FR-\d+$/.exec(page.url())?.[0] ?? '';
  await expect(form.getByRole('textbox', { name: /^Total weight/ })).toHaveValue('3.4 t');
  const stored = async () =>
    (await (await page.request.get(`/company/freight/${number}`)).json()) as Record<string, unknown>;
  expect(await stored()).toMatchObject({
    consignee: { name: 'Hareby Boatyard' },
    cargo: [{ kind: 'timber', pieces: 12, weight: 3400, length: 12.5 }],
    totals: { weight: 3400, length: 12.5, fits: true },
    terms: true,
  });
  await form.getByRole('textbox', { name: /^Pieces/ }).fill('14');
  await form.getByRole('button', { name: 'Replace', exact: true }).click();
  await expect(page.getByRole('status').filter({ hasText: `${number} replaced` })).toBeVisible();
  expect(await stored()).toMatchObject({ cargo: [{ pieces: 14 }] });
  await page.getByRole('button', { name: 'Delete', exact: true }).click();
  await page.getByRole('alertdialog').getByRole('button', { name: 'Delete' }).click();
  await expect(page).toHaveURL('/forms/freight-booking');
  expect((await page.request.get(`/company/freight/${number}`)).status()).toBe(404);
});

/** The entry that was just added stands before the button that added it. */
async function tabToBack(page: Parameters<typeof frameOf>[0], form: FrameLocator): Promise<void> {
  await expect(form.getByRole('textbox', { name: /^Pieces/ })).toBeVisible();
  await page.keyboard.press('Shift+Tab');
}

for (const [name, label] of [
  ['passage-booking', 'Travellers'],
  ['harbour-report', 'What happened'],
  ['standing-order', 'Weekdays'],
] as const)
  test(`${name} stands, in both themes, without a fault`, async ({ page }) => {
    await page.goto(`/forms/${name}`);
    await expect(
      frameOf(page, /^Form:/)
        .getByText(label)
        .first(),
    ).toBeVisible({ timeout: 30_000 });
    // A rating’s own tree is its maker’s business.
    await expectAccessible(page, [['iframe', 'sl-rating']] as never);
  });

test('the demo company echoes what left the browser', async ({ page }) => {
  const answer = await page.request.fetch('/company/echo', {
    method: 'PATCH',
    data: { pieces: 3 },
    headers: { 'X-Tide': 'low' },
  });
  expect(await answer.json()).toMatchObject({ method: 'PATCH', headers: { 'x-tide': 'low' }, body: { pieces: 3 } });
});
