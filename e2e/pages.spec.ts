import { expect, test } from '@playwright/test';
import { companySettings, expectAccessible, frameOf, group, tabTo } from './support.js';

/** Every page, with what has to stand there before it is looked at. Foreign inputs are left out: they are not ours to mend. */
const pages = [
  ['/inputs', 'Face in short', []],
  ['/inputs/antd%23Rate?open=declared', 'rootClassName', ['iframe']],
  ['/inputs/react-day-picker%23DayPicker', 'observed', ['iframe']],
  ['/adapters/day-picker', 'As it will be handed over', ['iframe']],
  ['/codecs/calendar-date', 'Cases', []],
  ['/fields/pieces', 'Twice on one page', []],
  ['/codecs', 'Number of pieces', []],
  ['/fields', 'Adapter', []],
  ['/groups', 'Drawn small', []],
  ['/groups/party', 'Used in', []],
  ['/forms', 'New form', []],
  ['/begin', 'Begin with nothing', []],
  ['/form-settings/freight-booking', 'Problems are told', []],
  ['/skins', 'Component', []],
  ['/skins/suite', 'How it draws', ['iframe']],
  ['/shelf', 'One thing each', []],
  ['/forms/freight-booking-short', 'Collection date', [['iframe', '.rdp-root']]],
  ['/map', 'Inputs, by their adapters', []],
  ['/links', 'Controls, in the order of the page', [['iframe', '.rdp-root']]],
  ['/hand-over', 'files, typed and formatted', []],
  ['/kit', 'Last steps', []],
  ['/nowhere', 'There is nothing here', []],
] as const;

for (const [path, sign, leaveOut] of pages)
  test(`${path} is accessible, in both themes`, async ({ page }) => {
    await page.goto(path);
    const isFramed = path === '/forms/freight-booking-short';
    // An input is tried before it is looked at, beside whatever else runs on this machine.
    await expect((isFramed ? frameOf(page, /^Form:/) : page).getByText(sign).first()).toBeVisible({ timeout: 45_000 });
    await expectAccessible(page, leaveOut as readonly string[]);
    await page.getByRole('button', { name: 'Dark theme' }).click();
    await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
    await expectAccessible(page, leaveOut as readonly string[]);
  });

test('a first visit opens on the demo kit, with work to look at', async ({ page }) => {
  await page.goto('/');
  await expect(page).toHaveURL('/forms/freight-booking-short');
  await expect(group(frameOf(page, /^Form:/), 'Consignor')).toBeVisible();
});

test('addresses work: back, forward, reload', async ({ page }) => {
  await page.goto('/codecs/pieces');
  await page.getByRole('button', { name: 'Another codec' }).click();
  await page.keyboard.type('weight in kilo');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Title: Weight in kilograms/ })).toBeVisible();
  await page.goBack();
  await expect(page.getByRole('textbox', { name: 'The input gives' })).toHaveValue('"12"');
  await page.goForward();
  await page.reload();
  await expect(page.getByRole('button', { name: /^Title: Weight in kilograms/ })).toBeVisible();
});

test('what one sees of a form stands in its address', async ({ page }) => {
  await page.goto('/forms/freight-booking-short');
  await page.getByRole('button', { name: 'Hints', exact: true }).click();
  await page.getByRole('button', { name: 'Fold the notes' }).click();
  await page.getByLabel('Width in pixels').fill('430');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/text=hints/);
  await page.reload();
  await expect(page.getByRole('textbox', { name: /^Hints of/ })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Fold the notes' })).toHaveAttribute('aria-pressed', 'true');
  await expect
    .poll(
      async () =>
        (
          await frameOf(page, /^Form:/)
            .locator('form')
            .boundingBox()
        )?.width,
    )
    .toBe(430);
  await page.goto('/forms/freight-booking-short?width=-1&text=nothing');
  await expect(frameOf(page, /^Form:/).getByRole('textbox', { name: /^Pieces/ })).toBeVisible();
});

test('the palette goes anywhere by keyboard', async ({ page }) => {
  await page.goto('/kit');
  await expect(page.getByRole('heading', { name: 'Kits' })).toBeVisible();
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('combobox')).toBeFocused();
  await page.keyboard.type('calendar date');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL('/codecs/calendar-date');
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('combobox')).toBeFocused();
  await page.keyboard.type('dark theme');
  await page.keyboard.press('Enter');
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
});

test('the form is filled and sent by keyboard alone', async ({ page }) => {
  await companySettings(page, {});
  await page.goto('/forms/freight-booking-short');
  const form = frameOf(page, /^Form:/);
  await group(form, 'Consignor').getByRole('textbox', { name: /^Name/ }).focus();
  await page.keyboard.type('Torsund Fish');
  await tabTo(page, group(form, 'Consignee').getByRole('textbox', { name: /^Name/ }));
  await page.keyboard.type('Brennholm Cold Store');
  await tabTo(page, form.locator('.rdp-day_button[tabindex="0"]'));
  // The focus starts on today or the first of the month; the next Tuesday is a working day in any case.
  const day = form.locator('.rdp-day_button:focus');
  while (!/^(Today, )?Tuesday/.test((await day.getAttribute('aria-label')) ?? ''))
    await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Tab');
  await page.keyboard.type('40');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/FB-\d+$/);
});

test('the demo server can be slow, fail and refuse, and nothing typed is lost', async ({ page }) => {
  await companySettings(page, {});
  await page.goto('/forms/freight-booking-short/FB-1001');
  const form = frameOf(page, /^Form:/);
  const pieces = form.getByRole('textbox', { name: /^Pieces/ });
  await expect(pieces).toHaveValue('12');
  await pieces.fill('13');
  await page.getByRole('button', { name: 'Demo server' }).click();
  await page.getByRole('checkbox', { name: 'Every answer fails' }).check();
  await expect
    .poll(async () => ((await (await page.request.get('/company/settings')).json()) as { fail: boolean }).fail)
    .toBe(true);
  await page.keyboard.press('Escape');
  await form.getByRole('button', { name: 'Replace', exact: true }).click();
  await expect(form.getByText('The harbour office does not answer')).toBeVisible();
  await expect(pieces).toHaveValue('13');
  await companySettings(page, { refuse: { pointer: '/pieces', detail: 'Not that many today.' } });
  await form.getByRole('button', { name: 'Replace', exact: true }).click();
  await expect(pieces).toBeFocused();
  await expect(pieces).toHaveAccessibleDescription('Not that many today.');
  await companySettings(page, {});
  await pieces.fill('12');
  await form.getByRole('button', { name: 'Replace', exact: true }).click();
  await expect(page.getByRole('status').filter({ hasText: 'FB-1001 replaced' })).toBeVisible();
});

test('a schema edited as text is drawn at once; broken text leaves the last good form standing', async ({ page }) => {
  await page.goto('/forms/freight-booking-short');
  const form = frameOf(page, /^Form:/);
  await form.getByRole('textbox', { name: /^Pieces/ }).fill('7');
  await page.getByRole('button', { name: 'Hints' }).click();
  const text = page.getByRole('textbox', { name: /^Hints of/ });
  await text.click();
  await page.keyboard.press('Control+a');
  await page.keyboard.insertText('{"/properties/pieces": {"label": "How many"}');
  await expect(page.getByText(/^No JSON yet/)).toBeVisible();
  await expect(form.getByRole('textbox', { name: /^Pieces/ })).toHaveValue('7');
  await page.keyboard.insertText('}');
  await expect(form.getByRole('textbox', { name: /^How many/ })).toHaveValue('7');
  await expect(text).toBeFocused();
  await page.getByRole('button', { name: /^Undo: Hints of/ }).click();
  await expect(form.getByRole('textbox', { name: /^Pieces/ })).toHaveValue('7');
});

test('an input of each family is met on the stand', async ({ page }) => {
  const reports = page.getByRole('region', { name: 'Tape' });
  await page.goto('/inputs/%40shoelace-style%2Fshoelace%23sl-input');
  const box = frameOf(page, 'Stand: <sl-input>').getByRole('textbox');
  await box.click();
  await expect(page.getByText('It will be tried when you are done')).toBeVisible();
  await box.pressSequentially('Torsund');
  await expect(reports.getByRole('button', { name: /^(report|change) sl-input,/ }).first()).toBeVisible();
  await page.goto('/inputs/nouislider%23create');
  // A widget is there before it listens, so a key may be pressed too early; it is pressed until it is heard.
  await expect(async () => {
    await frameOf(page, 'Stand: nouislider.create').getByRole('slider').press('ArrowRight');
    await expect(reports.getByRole('button', { name: /^change change,/ }).first()).toBeVisible({ timeout: 1000 });
  }).toPass();
  await page.goto('/inputs/native%23checkbox');
  await frameOf(page, 'Stand: checkbox').getByRole('checkbox').check();
  await expect(reports.getByText('onChange').first()).toBeVisible();
  await page.getByRole('button', { name: 'false', exact: true }).click();
  await expect(frameOf(page, 'Stand: checkbox').getByRole('checkbox')).not.toBeChecked();
});

test('an adapter is drafted with one press, and can be undone', async ({ page }) => {
  await page.goto('/inputs/react-colorful%23HslColorPicker');
  await page.getByRole('button', { name: 'Draft the adapter' }).click();
  await expect(page).toHaveURL('/adapters/hsl-color-picker');
  await expect(page.getByRole('region', { name: 'How it speaks' })).toContainText('Shows its value through color');
  await frameOf(page, 'Stand: HslColorPicker')
    .locator('.react-colorful__saturation')
    .click({ position: { x: 90, y: 30 } });
  await expect(page.getByRole('region', { name: 'Tape' }).getByText('onChange').first()).toBeVisible();
  await page.getByRole('button', { name: /^Undo: Draft the adapter/ }).click();
  await expect(page.getByText('There is no such adapter')).toBeVisible();
});
