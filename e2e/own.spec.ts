import { expect, test, type Locator, type Page } from '@playwright/test';
import { allSaved, companySettings, expectAccessible, frameOf, station, typeInto } from './support.js';

/** What stands in a slot is edited where it stands. */
async function say(where: Page | Locator, label: string, text: string): Promise<void> {
  await where
    .getByRole('button', { name: new RegExp(`^${label}: `) })
    .first()
    .click();
  const box = where
    .getByRole('textbox', { name: label, exact: true })
    .or(where.getByRole('combobox', { name: label, exact: true }));
  await box.fill(text);
  await box.press('Enter');
  await allSaved('page' in where ? where.page() : where);
}
const opened = (page: Page) => page.getByRole('listitem').filter({ hasText: 'is open' });

test.beforeEach(async ({ page }) => companySettings(page, {}));

test('a kit made from nothing: a form is begun, named, given an address, sent, renamed, copied, deleted', async ({
  page,
}) => {
  await page.goto('/kit');
  await page.getByRole('button', { name: 'New kit' }).click();
  await expect(page).toHaveURL('/begin');
  await page.getByRole('button', { name: 'Begin with nothing' }).click();
  await expect(page).toHaveURL('/forms/new-form');
  const form = frameOf(page, /^Form:/);
  await expect(form.getByRole('textbox', { name: 'Name' })).toBeVisible();
  await expect(page.getByText('nothing open, but no address')).toBeVisible();
  await say(page, 'Title', 'Form');
  await say(page, 'Name', 'class');
  await expect(page).toHaveURL('/forms/class');

  await page.getByRole('link', { name: 'no address' }).click();
  await page.getByRole('button', { name: 'Send it to the demo company' }).click();
  await expect(page.getByRole('textbox', { name: /^Sends to/ })).toHaveValue('/company/own-class');
  await page.getByRole('radio', { name: 'with every change' }).check();
  await page.getByRole('radio', { name: 'when a field is left' }).check();
  await page.getByRole('textbox', { name: /^Language/ }).fill('nb');
  await expectAccessible(page);
  await page.getByRole('link', { name: 'Back to its proof' }).click();
  await typeInto(form.getByRole('textbox', { name: 'Name' }), 'Grey Plover');
  await form.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(page).toHaveURL(/\/forms\/class\/R-\d+$/);

  await test.step('a name of the form carries its drafts along, and undo brings both back', async () => {
    await form.getByRole('textbox', { name: 'Name' }).fill('Arctic Tern');
    await expect(page.getByText('draft kept')).toBeVisible();
    const record = page.url().split('/').at(-1) ?? '';
    await say(page, 'Name', 'form');
    await expect(page).toHaveURL('/forms/form');
    await page.goto(`/forms/form/${record}`);
    await expect(form.getByRole('textbox', { name: 'Name' })).toHaveValue('Arctic Tern');
    await page.getByRole('button', { name: /^Undo: Name of the form/ }).click();
    await allSaved(page);
    await page.goto(`/forms/class/${record}`);
    await expect(form.getByRole('textbox', { name: 'Name' })).toHaveValue('Arctic Tern');
  });
  await test.step('copied and deleted, each as one step', async () => {
    await page.getByRole('button', { name: 'Copy Form', exact: true }).click();
    await expect(page).toHaveURL('/forms/copy-of-form');
    await page.getByRole('button', { name: 'Delete Copy of Form' }).click();
    await expect(page.getByRole('dialog')).toContainText('Nothing uses it.');
    await page.getByRole('dialog').getByRole('button', { name: 'Delete' }).click();
    await expect(page).toHaveURL('/forms');
    await page.getByRole('button', { name: /^Undo: Delete the form Copy of Form/ }).click();
    await expect(page.getByRole('row', { name: /Copy of Form/ })).toBeVisible();
  });
  await test.step('it is handed over', async () => {
    await page.goto('/hand-over');
    await expect(page.getByRole('link', { name: 'class.tsx', exact: true })).toBeVisible();
  });
});

test('a form begins from what one has: a schema, samples, an OpenAPI document in YAML', async ({ page }) => {
  const what = page.getByRole('textbox', { name: 'What you have' });
  const becomes = page.getByRole('region', { name: 'What it becomes' });
  await page.goto('/begin');
  await what.fill('{"type": "object", "title": "Berth", "properties": {"quay": {"type": "string"}}}');
  await expect(becomes.getByRole('button', { name: 'a JSON Schema' })).toHaveAttribute('aria-pressed', 'true');
  await expect(becomes).toContainText('It is called Berth and sends nowhere yet.');
  await what.fill('[{"quay": "North", "depth": 4}, {"quay": "South"}]');
  await expect(becomes.getByRole('button', { name: 'sample data' })).toHaveAttribute('aria-pressed', 'true');
  await expect(becomes).toContainText('Inferred from 2 samples.');
  await expectAccessible(page);
  await what.fill('{"quay": ');
  await expect(becomes.getByRole('alert')).toContainText('It cannot be read');
  await what.fill(`openapi: 3.1.0
info: { title: Harbour, version: '1' }
paths:
  /company/own-berths:
    post:
      summary: Take a berth
      requestBody:
        content:
          application/json:
            schema: { $ref: '#/components/schemas/Berth' }
  /company/own-berths/{number}:
    put:
      requestBody: { content: { application/json: { schema: { $ref: '#/components/schemas/Berth' } } } }
components:
  schemas:
    Berth: { type: object, required: [quay], properties: { quay: { type: string, title: Quay } } }
`);
  await expect(becomes).toContainText('sends to /company/own-berths');
  await say(page, 'Title', 'Berth for a night');
  await page.getByRole('button', { name: 'Make the form' }).click();
  await expect(page).toHaveURL('/forms/berth-for-a-night');
  const form = frameOf(page, /^Form:/);
  await form.getByRole('textbox', { name: /^Quay/ }).fill('North');
  await form.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(page).toHaveURL(/R-\d+$/);
});

test('kits are several: one is put away and had back, and each keeps its own', async ({ page }) => {
  await page.goto('/kit');
  await page.getByRole('button', { name: 'New kit' }).click();
  await expect(page).toHaveURL('/begin');
  await page.goto('/kit');
  await expect(opened(page)).toContainText('empty');
  await say(opened(page), 'Name of the kit', 'Pilot boats');
  await expect(opened(page)).toContainText('Pilot boats');
  await allSaved(page);
  await page.getByRole('button', { name: 'Delete Pilot boats' }).click();
  await expect(opened(page)).toContainText('Skerry Line');
  await page.getByText('Put away (1)').click();
  await page.getByRole('button', { name: 'Put back Pilot boats' }).click();
  await page.getByRole('button', { name: 'Open Pilot boats' }).click();
  await expect(opened(page)).toContainText('Pilot boats');
  await page.reload();
  await expect(opened(page)).toContainText('Pilot boats');
});

test('a skin is drafted from what is seen of a suite, drawn over a form, and its links are read', async ({ page }) => {
  test.setTimeout(180_000);
  await page.goto('/skins');
  await page.getByRole('combobox', { name: 'A skin from' }).selectOption('antd');
  await page.getByRole('button', { name: 'Draft it' }).click();
  await expect(page).toHaveURL('/skins/antd', { timeout: 120_000 });
  const drawn = page.getByRole('region', { name: 'How it draws' });
  await expect(drawn).toContainText('Each field stands inside antd#Form.Item.');
  await expect(drawn).toContainText('Where the field has a problem it has instead {"validateStatus":"error"}.');
  await expect(drawn).toContainText('A button is antd#Button; it is told type as htmlType');
  await drawn.getByText(/^What spoke for it/).click();
  await expect(drawn).toContainText('A word that label was given was seen.');
  const form = frameOf(page, 'Skin: antd');
  await expect(form.locator('.ant-form-item').first()).toBeVisible({ timeout: 60_000 });
  await expect(form.locator('.ant-card fieldset, .ant-card').first()).toBeVisible();
  await expect(page.getByText(/^\d+ links, (none broken|one break)$/)).toBeVisible();
  // A word is changed, taken away, and brought back.
  await drawn.getByRole('button', { name: 'A group stands inside: antd#Card. Change' }).click();
  await drawn.getByRole('textbox', { name: 'A group stands inside' }).fill('');
  await page.keyboard.press('Enter');
  await expect(drawn.getByRole('button', { name: 'A group stands inside: groups. Change' })).toBeVisible();
  await expect(form.locator('.ant-card')).toHaveCount(0);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(drawn.getByRole('button', { name: 'A group stands inside: antd#Card. Change' })).toBeVisible();
  // What has nothing to draw with is told, and leaves no skin behind.
  await page.goto('/skins');
  await page.getByRole('combobox', { name: 'A skin from' }).selectOption('react-switch');
  await page.getByRole('button', { name: 'Draft it' }).click();
  await expect(page.getByRole('alert')).toContainText('No skin was drafted');
});
test('a skin is made, seen, used by a form, and taken away after what uses it was shown', async ({ page }) => {
  await page.goto('/skins');
  await page.getByRole('textbox', { name: 'Component of the new skin' }).fill('antd');
  await page.getByRole('button', { name: 'New skin' }).click();
  await expect(page.getByRole('alert')).toContainText('package#Export');
  await page.getByRole('textbox', { name: 'Component of the new skin' }).fill('antd#Card');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL('/skins/card');
  await expect(frameOf(page, 'Skin: card').locator('.ant-card-head').first()).toBeVisible({ timeout: 60_000 });
  await say(page, 'Name', 'paper');
  await page.goto('/form-settings/harbour-report');
  await page.getByRole('radio', { name: 'paper' }).check();
  await allSaved(page);
  await page.goto('/skins/paper');
  await page.getByRole('button', { name: 'Delete paper' }).click();
  await expect(page.getByRole('dialog')).toContainText('Harbour report');
  await page.getByRole('dialog').getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByRole('button', { name: 'used once' })).toBeVisible();
});

test('a page that does not come twice is followed by a calm opening, where parts are taken out', async ({ page }) => {
  await page.goto('/kit');
  await page.evaluate(() => localStorage.setItem('poietra openings', '2'));
  // As after a kill: what is said at leaving is not said.
  await page.addInitScript(() => {
    if (sessionStorage.getItem('killed') === null) localStorage.setItem('poietra openings', '2');
    sessionStorage.setItem('killed', 'yes');
  });
  await page.goto('/forms/freight-booking-short');
  await expect(page).toHaveURL('/kit?calm');
  const parts = page.getByRole('region', { name: 'Parts of the kit' });
  await expect(parts).toContainText('Nothing of the kit is drawn or run');
  await parts.getByText('5 forms').click();
  await parts.getByRole('button', { name: 'Delete Standing order' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Delete' }).click();
  await expect(parts).toContainText('4 forms');
  await parts.getByRole('button', { name: /^Undo: Delete the form/ }).click();
  await expect(parts).toContainText('5 forms');
});

test('whatever the format can say can be said in a part’s text; what is misspelt says so, and nothing unsound is taken', async ({
  page,
}) => {
  await page.goto('/codecs/calendar-date');
  await page.getByRole('button', { name: 'As text' }).click();
  await expect(page).toHaveURL(/part=text/);
  const text = page.getByRole('textbox', { name: /^Text of / });
  const part = page.getByRole('region', { name: 'Text of this part' });
  const write = async (value: unknown): Promise<void> => {
    await text.click();
    await page.keyboard.press('ControlOrMeta+A');
    await page.keyboard.insertText(typeof value === 'string' ? value : JSON.stringify(value));
  };
  await write({ kind: 'date', title: 'Day', cases: [{ shown: '2026-12-01', again: '2026-12-02' }] });
  await expect(page.getByRole('heading', { name: 'Day' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Cases' })).toContainText('fails');
  await write({ kind: 'date', title: 'Day', cases: [{ shown: '2026-12-01', agian: '2026-12-01' }] });
  await expect(part).toContainText('There is no member “agian” here. Did you mean “again”?');
  await write({ title: 'Day' });
  await expect(part).toContainText('It is not taken yet.');
  await expect(page.getByText('It is the built-in codec')).toContainText('date');
  await write('{ "kind": ');
  await expect(part).toContainText('This is no JSON');
  await expectAccessible(page);
  // Key presses that follow each other closely are one edit; how many there were depends on the machine.
  await expect(async () => {
    await page.getByRole('button', { name: /^Undo: Text of the codec/ }).click({ timeout: 1000 });
    await expect(page.getByRole('heading', { name: 'Calendar date' })).toBeVisible({ timeout: 1000 });
  }).toPass();
  await expect(text).toContainText('"title": "Calendar date"');
});

test('a form speaks the language of its settings; one without words says so', async ({ page }) => {
  const language = page.getByRole('textbox', { name: /^Language/ });
  await page.goto('/form-settings/freight-booking');
  await language.fill('de');
  await allSaved(page);
  await page.goto('/forms/freight-booking');
  const form = frameOf(page, /^Form:/);
  await form.getByRole('button', { name: 'Senden' }).click();
  await expect(form.getByText('Muss angegeben werden.').first()).toBeVisible();
  await expect(form.locator('form')).toHaveAttribute('lang', 'de');
  await page.goto('/form-settings/freight-booking');
  await language.fill('fr');
  await allSaved(page);
  await page.goto('/forms/freight-booking');
  await expect(page.getByText('There are no words for the language “fr”')).toBeVisible();
  await expect(form.getByRole('button', { name: 'Send', exact: true })).toBeVisible();
});

test('a form begins from a type that the project exports; what JSON has no word for is said', async ({ page }) => {
  await page.goto('/kit');
  await page.getByRole('button', { name: 'New kit' }).click();
  await page.getByRole('button', { name: 'A type of the project …' }).click();
  await page
    .getByRole('combobox', { name: 'A type of the project' })
    .selectOption({ label: 'Crossing (src/crossing.ts)' });
  const becomes = page.getByRole('region', { name: 'What it becomes' });
  await expect(becomes).toContainText('/announce: It is a function, which JSON has not; it is left out.');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Make the form' }).click();
  await expect(page).toHaveURL('/forms/crossing');
  const form = frameOf(page, 'Form: Crossing');
  await expect(form.getByRole('group', { name: 'Departure' }).getByLabel('Port')).toBeVisible();
  await form.getByRole('textbox', { name: 'Number' }).fill('214');
  await form.getByRole('textbox', { name: 'Tide note' }).focus();
  await expect(form.getByText(/does not (have|match|follow)|pattern/i).first()).toBeVisible();
});

test('a codec of one’s own begins from a built-in one: the same cases pass, until its code is changed', async ({
  page,
}) => {
  await page.goto('/codecs/declared-value');
  const cases = page.getByRole('table', { name: /Cases/ }).or(page.getByRole('table')).first();
  await expect(cases).toBeVisible();
  await page.getByRole('button', { name: 'Write it as code' }).click();
  await expect(page.getByText('It is code now, and does what it did.')).toBeVisible();
  const code = page.getByRole('textbox', { name: 'Code of declared-value' });
  await expect(code).toContainText('export function parse');
  await page.getByRole('textbox', { name: 'The input gives' }).fill('12.50');
  await expect(page.getByTestId('station-sent').last()).toContainText('1250', { timeout: 30_000 });
  await page.getByRole('button', { name: 'Undo: Write declared-value as code' }).click();
  await expect(page.getByRole('button', { name: 'Kind: money. Change' })).toBeVisible();
});

test('a kit exported after a deletion is taken in again, says what it lacks, and opens every page', async ({
  page,
}) => {
  await page.goto('/groups/party');
  await page.getByRole('button', { name: 'Delete Party' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Delete' }).click();
  await allSaved(page);
  await page.goto('/fields/pieces');
  await allSaved(page);
  await page.goto('/kit');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    opened(page)
      .getByRole('button', { name: /^Export/ })
      .click(),
  ]);
  await page.getByLabel('Kit file').setInputFiles(await download.path());
  await expect(page.getByText(/It names what it does not have: .*urn:poietra:group:party/)).toBeVisible();
  await page.goto('/forms/freight-booking-short');
  await expect(page.getByText('urn:poietra:group:party').first()).toBeVisible();
  await expect(page.getByRole('navigation', { name: 'Order of work' })).toContainText('a document is missing');
  for (const path of ['/forms', '/map', '/hand-over', '/groups']) {
    await page.goto(path);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await expect(page.getByText('This page broke')).toHaveCount(0);
  }
});

test('a board that is empty shows one of what it would list, alive', async ({ page }) => {
  await page.goto('/kit');
  await page.getByRole('button', { name: 'New kit' }).click();
  await expect(page).toHaveURL('/begin');
  const example = page.getByTestId('for-example');
  await page.goto('/codecs');
  await example.getByRole('textbox', { name: 'Weight' }).fill('2 t');
  await expect(station(page, 'held')).toContainText('2000');
  await example.getByRole('textbox', { name: 'Weight' }).fill('two tonnes');
  await expect(example.getByText(/two tonnes/).last()).toBeVisible();
  await expect(station(page, 'held')).not.toContainText('2000');
  await expectAccessible(page);
  await page.goto('/fields');
  await example.getByRole('textbox', { name: /^Pieces/ }).focus();
  await page.keyboard.press('Tab');
  await expect(example.getByRole('textbox', { name: /^Pieces/ })).toHaveAttribute('aria-invalid', 'true');
  await page.goto('/groups');
  await expect(example.getByRole('textbox', { name: 'Name' })).toHaveCount(2);
  await page.goto('/forms');
  await expect(example.getByRole('radio', { name: 'BRE' })).toBeVisible();
  await expectAccessible(page);
});
