import { expect, test } from '@playwright/test';
import { allSaved, companySettings, frameOf, group, station, typeInto } from './support.js';

test.describe('codecs', () => {
  test('a value is tried, kept as a case, changed in its cell and removed', async ({ page }) => {
    await page.goto('/codecs/pieces');
    const input = page.getByRole('textbox', { name: 'The input gives' });
    const cases = page.getByRole('region', { name: 'Cases' });
    await input.fill('"7"');
    await expect(station(page, 'held')).toContainText('7');
    await page.keyboard.press('Enter');
    await expect(cases.getByRole('row')).toHaveCount(7);
    await input.fill('"7,5"');
    await expect(page.getByText('“7,5” is no number: “,” does not belong in one.').first()).toBeVisible();
    await page.getByRole('button', { name: 'Keep as a case' }).click();
    await expect(cases.getByText('passes', { exact: true })).toHaveCount(7);
    await cases.getByRole('button', { name: /^Case 6, held/ }).click();
    await page.getByRole('textbox', { name: 'Case 6, held' }).fill('no JSON');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert')).toContainText('“no JSON” is no JSON');
    await page.keyboard.press('Escape');
    await expect(cases.getByRole('button', { name: /^Case 6, held: 7/ })).toBeFocused();
    await page.getByRole('button', { name: 'Remove case 7' }).click();
    await page.getByRole('button', { name: 'Remove case 6' }).click();
    await expect(cases.getByRole('row')).toHaveCount(6);
  });

  test('options change what a codec does, and the order of work tells of cases that fail', async ({ page }) => {
    await page.goto('/codecs/kilograms');
    await page.getByText(/^Options none are set/).click();
    await page.getByRole('textbox', { name: /^Written in the way of/ }).fill('de');
    await expect(page.getByRole('navigation', { name: 'Order of work' })).toContainText(
      /Weight in kilograms: (one case fails|\d cases fail)/,
    );
    await page.getByRole('textbox', { name: 'The input gives' }).fill('"1.234,5"');
    await expect(station(page, 'sent')).toContainText('1234.5');
    await page.getByRole('button', { name: /^Kind: number/ }).click();
    await page.getByRole('combobox', { name: 'Kind' }).fill('tide');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert')).toContainText('There is no such codec. There are: text, trimmed');
  });

  test('a new one is added, named and used by a field', async ({ page }) => {
    await page.goto('/codecs');
    await page.getByRole('button', { name: 'New codec' }).click();
    await expect(page).toHaveURL('/codecs/text-2');
    await expect(page.getByText('None yet.')).toBeVisible();
    await page.getByRole('button', { name: /^Title: text-2/ }).click();
    await page.getByRole('textbox', { name: 'Title' }).fill('Berth');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: /^Name: text-2/ }).click();
    await page.getByRole('textbox', { name: 'Name' }).fill('berth');
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL('/codecs/berth');
    await allSaved(page);
    await page.goto('/fields/pieces');
    await page.getByRole('combobox', { name: /^Codec/ }).selectOption('berth');
    await allSaved(page);
    await page.goto('/codecs/berth');
    await page.getByRole('button', { name: 'used once' }).click();
    await expect(page.getByRole('link', { name: 'Pieces', exact: true })).toBeVisible();
  });
});

test.describe('typing', () => {
  test('a half-typed number is not eaten, the caret does not jump, clearing leaves nothing', async ({ page }) => {
    await page.goto('/forms/freight-booking-short');
    const weight = frameOf(page, /^Form:/).getByRole('textbox', { name: /^Weight/ });
    await weight.pressSequentially('12.');
    await expect(weight).toHaveValue('12.');
    await expect(station(page, 'held')).toContainText('12');
    await weight.press('Home');
    await weight.pressSequentially('3');
    expect(await weight.evaluate((input: HTMLInputElement) => [input.value, input.selectionStart])).toEqual([
      '312.',
      1,
    ]);
    await weight.blur();
    await expect(weight).toHaveValue('312');
    await weight.fill('-');
    await expect(weight).toHaveValue('-');
    await weight.blur();
    await expect(
      frameOf(page, /^Form:/)
        .getByText('“-” is not a complete number yet.')
        .first(),
    ).toBeVisible();
    await weight.fill('');
    await expect(station(page, 'sent')).toContainText('undefined');
    await expect(weight).not.toHaveAttribute('aria-invalid', 'true');
  });

  test('a draft waits for each record by itself, and can be taken back', async ({ page }) => {
    const toRecord = async (key: string): Promise<void> => {
      await page.getByRole('button', { name: /^Record |^A new record/ }).click();
      await page.getByRole('option', { name: key }).click();
    };
    await companySettings(page, {});
    await page.goto('/forms/freight-booking-short/FB-1001');
    const pieces = frameOf(page, /^Form:/).getByRole('textbox', { name: /^Pieces/ });
    await pieces.fill('99');
    await expect(page.getByText('draft kept')).toBeVisible();
    await toRecord('FB-1002');
    await expect(pieces).toHaveValue('40');
    await toRecord('FB-1001');
    await expect(pieces).toHaveValue('99');
    await page.getByRole('button', { name: 'Take back changes' }).click();
    await expect(pieces).toHaveValue('12');
    await expect(page.getByText('draft kept')).toHaveCount(0);
  });

  test('a booking that is not there is told, with a way to try again', async ({ page }) => {
    await companySettings(page, {});
    await page.goto('/forms/freight-booking-short/FB-9999');
    await expect(page.getByRole('alert')).toContainText('There is no FB-9999.');
    await expect(page.getByRole('button', { name: 'Try again' })).toBeVisible();
  });
});

test.describe('groups', () => {
  test('a field added to a group is in every place that uses it', async ({ page }) => {
    await page.goto('/groups/party');
    const text = page.getByRole('textbox', { name: /^Schema of the group/ });
    await text.click();
    await page.keyboard.press('Control+a');
    await page.keyboard.insertText(
      JSON.stringify({
        title: 'Party',
        type: 'object',
        required: ['name'],
        properties: { name: { title: 'Name', type: 'string' }, phone: { title: 'Telephone', type: 'string' } },
      }),
    );
    await expect(frameOf(page, 'Group: Party').getByRole('textbox', { name: 'Telephone' })).toBeVisible();
    const effects = page.getByRole('region', { name: 'What it would do' });
    await expect(effects.getByText(/saved records still fit/)).toBeVisible();
    await effects.getByRole('button', { name: 'Make the change' }).click();
    await allSaved(page);
    await page.getByRole('link', { name: 'Freight booking (short)' }).first().click();
    const form = frameOf(page, /^Form:/);
    await group(form, 'Consignor').getByRole('textbox', { name: 'Telephone' }).fill('555 01');
    await group(form, 'Consignee').getByRole('textbox', { name: 'Telephone' }).fill('555 02');
    await page.getByRole('button', { name: 'Data' }).click();
    await expect(page.getByRole('region', { name: 'Text: data' })).toContainText('"phone": "555 02"');
  });

  test('what an edit would do to saved records is told before it is made', async ({ page }) => {
    await companySettings(page, {});
    await page.goto('/groups/party');
    const text = page.getByRole('textbox', { name: /^Schema of the group/ });
    await text.click();
    await page.keyboard.press('Control+a');
    await page.keyboard.insertText('{"type": "object", "properties": {"name": {"type": "string", "maxLength": 1}}}');
    const effects = page.getByRole('region', { name: 'What it would do' });
    await expect(effects.getByText(/saved records would not fit any more/)).toBeVisible();
    await expect(effects.getByRole('link', { name: /^FB-/ }).first()).toBeVisible();
    await effects.getByRole('button', { name: 'Leave it as it was' }).click();
    await expect(frameOf(page, 'Group: Party').getByRole('textbox', { name: /^E-mail/ })).toBeVisible();
  });

  test('a group is made of a form’s fields, and dissolved again', async ({ page }) => {
    await page.goto('/groups');
    await page.getByRole('button', { name: 'Of a form’s fields …' }).click();
    await page.getByRole('checkbox', { name: 'pieces' }).check();
    await page.getByRole('checkbox', { name: 'weight' }).check();
    await page.getByLabel('called').fill('Load');
    await page.getByRole('button', { name: 'Make a group', exact: true }).click();
    await expect(page).toHaveURL('/groups/load');
    await expect(page.getByRole('link', { name: 'Freight booking (short)' })).toBeVisible();
    await page.goto('/forms/freight-booking-short');
    const form = frameOf(page, /^Form:/);
    await form.getByRole('textbox', { name: /^Pieces/ }).fill('12');
    await page.getByRole('button', { name: 'Data' }).click();
    await expect(page.getByRole('region', { name: 'Text: data' })).toContainText('"pieces": 12');
    await page.goto('/groups/load');
    await page.getByRole('button', { name: /^Dissolve/ }).click();
    await page.goto('/forms/freight-booking-short');
    await expect(form.getByRole('textbox', { name: /^Pieces/ })).toBeVisible();
  });

  test('a schema that is wrong is told, and the last good one stands', async ({ page }) => {
    await page.goto('/groups/party');
    const text = page.getByRole('textbox', { name: /^Schema of the group/ });
    await text.click();
    await page.keyboard.press('Control+a');
    await page.keyboard.insertText('{"properties": {"name": {"type": "txt"}}}');
    await expect(page.getByText('At /properties/name/type: “type” names no type of JSON: "txt".')).toBeVisible();
    await expect(frameOf(page, 'Group: Party').getByRole('textbox', { name: /^E-mail/ })).toBeVisible();
  });
});

test.describe('forms', () => {
  test('a new form is drawn from its schema at once, lists and all', async ({ page }) => {
    await page.goto('/forms');
    await page.getByRole('link', { name: 'New form' }).click();
    await page.getByRole('button', { name: 'Begin with nothing' }).click();
    await expect(page).toHaveURL('/forms/new-form');
    await page.getByRole('button', { name: 'Schema' }).click();
    await page.getByRole('textbox', { name: /^Schema of/ }).click();
    await page.keyboard.press('Control+a');
    const long =
      'A title that goes on for longer than any line of the sheet could ever hold, in the middle of which nobody would want it cut off';
    await page.keyboard.insertText(
      JSON.stringify({
        type: 'object',
        properties: {
          lines: {
            title: 'Cargo lines',
            type: 'array',
            items: {
              title: 'Line',
              type: 'object',
              properties: { kind: { title: long, type: 'string' }, '<b>x</b>': { type: 'boolean' } },
            },
          },
        },
      }),
    );
    const form = frameOf(page, /^Form:/);
    await form.getByRole('button', { name: 'Add a line' }).click();
    await typeInto(form.getByRole('textbox', { name: long }), 'timber');
    await expect(form.getByRole('checkbox', { name: '<b>x</b>' })).toBeVisible();
    expect(await form.locator('body').evaluate((body) => body.scrollWidth <= window.innerWidth)).toBe(true);
    await form.getByRole('button', { name: 'Take away line 1' }).click();
    await expect(form.getByRole('textbox')).toHaveCount(0);
  });

  test('at phone width one field stands under the other; wider, side by side', async ({ page }) => {
    await page.goto('/forms/freight-booking-short');
    const form = frameOf(page, /^Form:/);
    const tops = async (): Promise<number[]> =>
      Promise.all(
        ['Name', 'Contact person'].map(
          async (name) =>
            (
              await group(form, 'Consignor')
                .getByRole('textbox', { name: new RegExp(`^${name}`) })
                .boundingBox()
            )?.y ?? 0,
        ),
      );
    await expect(group(form, 'Consignor')).toBeVisible();
    const [name, email] = await tops();
    expect(name).toBe(email);
    await page.getByRole('button', { name: 'Phone' }).click();
    await expect
      .poll(async () => {
        const [first = 0, second = 0] = await tops();
        return second > first;
      })
      .toBe(true);
  });

  test('a click on the words of a label without a native input focuses what a person sees as the input', async ({
    page,
  }) => {
    await page.goto('/forms/freight-booking-short');
    const form = frameOf(page, /^Form:/);
    await form.locator('.poietra-label', { hasText: 'Collection date' }).click();
    await expect(form.locator('.rdp-day_button:focus')).toHaveCount(1);
  });

  test('no page is wider than a narrow window', async ({ page }) => {
    await page.setViewportSize({ width: 390, height: 800 });
    for (const path of [
      '/inputs',
      '/codecs/pieces',
      '/fields/pieces',
      '/groups/party',
      '/forms',
      '/forms/freight-booking-short',
      '/kit',
      '/begin',
      '/form-settings/freight-booking',
      '/adapters/day-picker',
      '/shelf',
    ]) {
      await page.goto(path);
      await expect(page.getByRole('navigation', { name: 'Order of work' })).toBeVisible();
      expect([path, await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)]).toEqual([
        path,
        true,
      ]);
    }
  });
});

test('an adapter whose line would break is refused in its place', async ({ page }) => {
  await page.goto('/adapters/day-picker');
  await page.getByRole('button', { name: /^value: selected/ }).click();
  await page.getByRole('combobox', { name: 'value' }).fill(' ');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('without it the line is broken');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^constants/ }).click();
  await page.getByRole('textbox', { name: 'constants' }).fill('{"mode": "single", "weekStartsOn": 0}');
  await page.keyboard.press('Enter');
  await expect(frameOf(page, 'Stand: Day picker').locator('th').first()).toHaveText(/Su/);
});
