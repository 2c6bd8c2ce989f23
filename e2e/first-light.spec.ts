import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { unzipSync, strFromU8 } from 'fflate';
import { allSaved, aWorkingDay, companySettings, dayName, frameOf, group, station, typeInto } from './support.js';

const iso = (date: Date): string =>
  `${date.getFullYear()}-${String(date.getMonth() + 1).padStart(2, '0')}-${String(date.getDate()).padStart(2, '0')}`;

test('one value, all the way through', async ({ page }) => {
  await companySettings(page, {});
  const day = aWorkingDay();

  await test.step('1. the inputs of the demo project are listed, of all four families', async () => {
    await page.goto('/');
    await page
      .getByRole('navigation', { name: 'Order of work' })
      .getByRole('link', { name: /Inputs/ })
      .click();
    const board = page.getByRole('table', { name: 'Inputs' });
    await expect(board.getByRole('row', { name: /DayPicker .* component/ })).toBeVisible();
    await expect(board.getByRole('row', { name: /<sl-input> .* element/ })).toBeVisible();
    for (const [words, row] of [
      ['flatpickr', /flatpickr .* widget/],
      ['native text', /text .* native/],
    ] as const) {
      await page.getByRole('searchbox', { name: 'Search inputs' }).fill(words);
      await expect(board.getByRole('row', { name: row }).first()).toBeVisible();
    }
    await page.getByRole('searchbox', { name: 'Search inputs' }).fill('');
  });

  await test.step('2. the date picker on the stand reports the day that is chosen', async () => {
    await page.getByRole('link', { name: 'DayPicker', exact: true }).click();
    await frameOf(page, 'Stand: DayPicker')
      .getByRole('button', { name: dayName(day) })
      .click();
    const report = page.getByRole('region', { name: 'Tape' }).getByRole('group', { name: 'Unfolded' });
    await expect(report).toContainText('onSelect');
    await expect(report).toContainText(/1: Date \d{4}-/);
    await report.locator('summary', { hasText: /^4: SyntheticBaseEvent “click”/ }).click();
    await expect(report.getByText('type: "click"').first()).toBeVisible();
  });

  await test.step('3. its adapter stands as sentences that can be edited in place', async () => {
    await page.getByRole('link', { name: 'Open its adapter' }).click();
    await expect(page).toHaveURL('/adapters/day-picker');
    const sentences = page.getByRole('region', { name: 'How it speaks' });
    await expect(sentences).toContainText('Shows its value through selected');
    await expect(sentences).toContainText('Reports changes through onSelect, value in first argument');
    await expect(sentences).toContainText('Reports leaving through the focus going out of its box');
    await sentences.getByRole('button', { name: /^focus: \[tabindex/ }).click();
    await sentences.getByRole('combobox', { name: 'focus' }).fill('[tabindex="0"], button');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('region', { name: 'Source' })).toContainText('button');
    await frameOf(page, 'Stand: Day picker')
      .getByRole('button', { name: dayName(day) })
      .click();
    await expect(station(page, 'sent')).toContainText(`"${iso(day)}"`);
  });

  await test.step('4. its codec shows a verdict for each case', async () => {
    await page
      .getByRole('navigation', { name: 'Order of work' })
      .getByRole('link', { name: /Codecs/ })
      .click();
    await page.getByRole('link', { name: /Calendar date/ }).click();
    const cases = page.getByRole('region', { name: 'Cases' });
    await expect(cases.getByText('passes', { exact: true })).toHaveCount(6);
    await cases.getByRole('button', { name: /Case 1, sent/ }).click();
    await page.getByRole('textbox', { name: 'Case 1, sent' }).fill('"2026-12-02"');
    await page.keyboard.press('Enter');
    await expect(cases.getByText('fails', { exact: true })).toHaveCount(1);
    await expect(cases).toContainText('came: "2026-12-01"');
    await page.keyboard.press('Control+z');
    await expect(cases.getByText('passes', { exact: true })).toHaveCount(6);
  });

  await test.step('5. the field has label, hint, error and required mark, linked by derived ids', async () => {
    await page
      .getByRole('navigation', { name: 'Order of work' })
      .getByRole('link', { name: /Fields/ })
      .click();
    await page.getByRole('link', { name: /^Pieces/ }).click();
    await page.getByRole('region', { name: 'Settings' }).getByRole('checkbox', { name: 'Required' }).check();
    await page.getByRole('textbox', { name: 'Hint' }).fill('Count each pallet once.');
    const frame = frameOf(page, 'Field: Pieces');
    const boxes = frame.getByRole('textbox', { name: 'Pieces', exact: false });
    await expect(boxes).toHaveCount(2);
    await expect(frame.getByText('(required)')).toHaveCount(2);
    await expect(boxes.first()).toHaveAccessibleDescription('Count each pallet once.');
    await typeInto(boxes.first(), 'x');
    await boxes.first().blur();
    await expect(boxes.first()).toHaveAccessibleDescription(/Count each pallet once\. .*no number/);
    await expect(boxes.first()).toHaveAttribute('aria-invalid', 'true');
    await expect(boxes.last()).not.toHaveAttribute('aria-invalid', 'true');
  });

  const form = frameOf(page, /^Form: Freight booking/);
  await test.step('6. the form is rendered from its schema; the value line follows; 12a is kept and marked', async () => {
    await page.getByRole('navigation', { name: 'Order of work' }).getByRole('link', { name: /Forms/ }).click();
    await page.getByRole('link', { name: 'Freight booking (short)', exact: true }).click();
    await group(form, 'Consignor').getByRole('textbox', { name: /^Name/ }).fill('Aldervik Timber');
    await group(form, 'Consignee').getByRole('textbox', { name: /^Name/ }).fill('Aldervik Timber');
    await form
      .getByRole('group', { name: /^Collection date/ })
      .getByRole('button', { name: dayName(day) })
      .click();
    await expect(station(page, 'held')).toContainText(/Date \d{4}/);
    await expect(station(page, 'sent')).toContainText(`"${iso(day)}"`);
    const pieces = form.getByRole('textbox', { name: /^Pieces/ });
    await pieces.fill('12a');
    await expect(station(page, 'shown')).toContainText('"12a"');
    await expect(station(page, 'sent')).toContainText('undefined');
    await pieces.press('Tab');
    await expect(pieces).toHaveValue('12a');
    await expect(form.getByText('“12a” is no number: “a” does not belong in one.').first()).toBeVisible();
    await pieces.fill('12');
    await form.getByRole('textbox', { name: /^Weight/ }).fill('340.5');
    await expect(form.getByRole('combobox', { name: /^Hazard class/ })).toHaveCount(0);
    await form.getByRole('checkbox', { name: /^Hazardous goods/ }).check();
    await form.getByRole('combobox', { name: /^Hazard class/ }).selectOption({ label: '8 · Corrosives' });
  });

  await test.step('7. a refusal lands on its field with the focus; mended, it is booked, opened again and replaced', async () => {
    await form.getByRole('button', { name: 'Send', exact: true }).click();
    const consignee = group(form, 'Consignee').getByRole('textbox', { name: /^Name/ });
    await expect(consignee).toBeFocused();
    await expect(group(form, 'Consignee').getByText('goods have to go to somebody else').last()).toBeVisible();
    await consignee.fill('Hareby Boatyard');
    await form.getByRole('button', { name: 'Send', exact: true }).click();
    await expect(page).toHaveURL(/FB-\d+$/);
    const number = /FB-\d+$/.exec(page.url())?.[0] ?? '';
    await expect(page.getByRole('status').filter({ hasText: `Saved as ${number}` })).toBeVisible();
    await expect(form.getByRole('textbox', { name: /^Pieces/ })).toHaveValue('12');
    await expect(form.getByRole('gridcell', { selected: true })).toHaveText(String(day.getDate()));
    await form.getByRole('textbox', { name: /^Pieces/ }).fill('14');
    await form.getByRole('button', { name: 'Replace', exact: true }).click();
    await expect(page.getByRole('status').filter({ hasText: `${number} replaced` })).toBeVisible();
    const stored = (await (await page.request.get(`/company/bookings/${number}`)).json()) as Record<string, unknown>;
    expect(stored).toEqual({
      number,
      consignor: { name: 'Aldervik Timber' },
      consignee: { name: 'Hareby Boatyard' },
      collection: iso(day),
      pieces: 14,
      weight: 340.5,
      hazardous: true,
      hazardClass: '8',
    });
  });

  await test.step('8. the hand-over shows the source and packs it with schema and kit', async () => {
    await page.getByRole('navigation', { name: 'Order of work' }).getByRole('link', { name: 'Hand-over' }).click();
    for (const [file, text] of [
      ['day-picker.ts', 'satisfies AdapterDescription'],
      ['calendar-date.ts', 'satisfies CodecDescription'],
      ['freight-booking-short.tsx', 'writtenForm'],
    ] as const) {
      await page.getByRole('link', { name: file, exact: true }).click();
      await expect(page.getByRole('region', { name: new RegExp(file) }).getByRole('textbox')).toContainText(text);
    }
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Zip' }).click(),
    ]);
    const zip = unzipSync(readFileSync(await download.path()));
    expect(Object.keys(zip)).toEqual(
      expect.arrayContaining([
        'kit.json',
        'adapters/day-picker.ts',
        'codecs/calendar-date.ts',
        'forms/freight-booking-short.tsx',
        'forms/freight-booking-short.schema.json',
      ]),
    );
    expect(strFromU8(zip['kit.json'] ?? new Uint8Array())).toContain('Count each pallet once.');
  });

  await test.step('9. after a reload all is still there; undo and redo reach over it', async () => {
    await page.goto('/fields/pieces');
    await expect(page.getByRole('textbox', { name: 'Hint' })).toHaveValue('Count each pallet once.');
    await page.reload();
    await page.getByRole('button', { name: /^Undo: Field pieces/ }).click();
    await expect(page.getByRole('textbox', { name: 'Hint' })).toHaveValue('');
    await allSaved(page);
    await page.goto('/codecs/calendar-date');
    await page.getByRole('button', { name: /^Redo: Field pieces/ }).click();
    await allSaved(page);
    await page.goto('/fields/pieces');
    await expect(page.getByRole('textbox', { name: 'Hint' })).toHaveValue('Count each pallet once.');
  });
});

test('a stop that is pressed while the kit is being opened is where one goes', async ({ page }) => {
  let pressed: () => void = () => undefined;
  const isPressed = new Promise<void>((resolve) => (pressed = resolve));
  // The kit comes after the press, and the page that was asked for after the kit.
  await page.route('**/api/first-kit', async (route) => {
    await isPressed;
    await route.continue();
  });
  await page.route('**/assets/inputs-page-*.js', async (route) => {
    await page.getByRole('link', { name: /^Fields \d/ }).waitFor();
    await new Promise((resolve) => setTimeout(resolve, 500));
    await route.continue();
  });
  await page.goto('/');
  await page
    .getByRole('navigation', { name: 'Order of work' })
    .getByRole('link', { name: /^Inputs/ })
    .click();
  pressed();
  await expect(page.getByRole('table', { name: 'Inputs' })).toBeVisible();
  await expect(page).toHaveURL('/inputs');
});
