/**
 * Nineteen everyday jobs, each from a fresh browser to its outcome by clicks and keys alone; `npm run jobs` writes `docs/jobs.md`. Beside each
 * stands what it comes to in the source that is handed over, and how long it takes to write that by hand.
 */
import { readKitText, type Kit } from '@poietra/core';
import { handOver } from '@poietra/core/handover';
import { expect, test, type Locator, type Page } from '@playwright/test';
import { diffLines } from 'diff';
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { countHands } from './counted.js';
import { allSaved, companySettings, frameOf } from './support.js';

const home = join(import.meta.dirname, '..');
/** In seconds. */
const [perClick, perKey] = [1.5, 0.2];
interface Row {
  readonly name: string;
  readonly clicks: number;
  readonly keys: number;
  readonly characters: number;
}
const rows: Row[] = [];
const jobCount = 19;
const secondsOf = ({ clicks, keys }: Row): number => clicks * perClick + keys * perKey;
const byHandOf = ({ characters }: Row): number => characters * perKey;

test.beforeEach(async ({ page }) => companySettings(page, {}));
test.afterAll(() => {
  // In a run of all tests they stand in several quarters, and no table comes of it.
  if (!process.env['JOBS']) return;
  const seconds = (value: number): string => (value < 120 ? `${Math.round(value)} s` : `${Math.round(value / 60)} min`);
  const lines = rows.map((row) => {
    const part = secondsOf(row) / byHandOf(row);
    return `| ${row.name} | ${row.clicks} | ${row.keys} | ${seconds(secondsOf(row))} | ${row.characters.toLocaleString('en')} | ${seconds(byHandOf(row))} | ${part < 0.1 ? '' : '**'}1/${Math.round(1 / part)}${part < 0.1 ? '' : '**'} |`;
  });
  const text = `# Nineteen everyday jobs

\`npm run jobs\` does each in a fresh browser, by clicks and keys alone, and writes this table. A click counts ${perClick} s, a key ${perKey} s; what is pasted, two keys. Beside it: how many characters of handed-over source (with the libraries) come or change by it, and how long they take to be written, a key each. Bold is what takes more than a tenth of that: jobs of one word, whose source is one word as well.

| job | clicks | keys | here | characters of source | by hand | part |
| --- | ---: | ---: | ---: | ---: | ---: | ---: |
${lines.join('\n')}
`;
  console.log(text);
  if (rows.length === jobCount) writeFileSync(join(home, 'docs/jobs.md'), text);
});

/** What is added to the source by what was changed in the kit. */
function charactersBetween(before: Kit | undefined, after: Kit): number {
  const textsOf = (kit: Kit | undefined): ReadonlyMap<string, string> =>
    new Map((kit ? handOver(kit) : []).map(({ path, text }) => [path, text]));
  const [earlier, later] = [textsOf(before), textsOf(after)];
  let characters = 0;
  for (const [path, text] of later) {
    if (path === 'kit.json' || path === 'README.md') continue;
    for (const { added, value } of diffLines(earlier.get(path) ?? '', text)) if (added) characters += value.length;
  }
  return characters;
}

async function kitOf(page: Page): Promise<Kit> {
  await allSaved(page);
  await page.goto('/kit');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page
      .getByRole('listitem')
      .filter({ hasText: 'is open' })
      .getByRole('button', { name: /^Export/ })
      .click(),
  ]);
  const read = readKitText(readFileSync(await download.path(), 'utf8'));
  if (!read.ok) throw new Error('The kit of a job is not sound.');
  return read.kit;
}

/** `from` is the kit that the job begins with; `nothing` counts all of its source. */
function job(name: string, from: 'demo' | 'nothing', work: (page: Page) => Promise<void>): void {
  test(name, async ({ page }) => {
    const read = readKitText(readFileSync(join(home, 'demo/kit.json'), 'utf8'));
    const handsSoFar = await countHands(page);
    await page.goto('/');
    await expect(page.getByRole('navigation', { name: 'Order of work' })).toBeVisible();
    await work(page);
    const { clicks, keys } = handsSoFar();
    const before = from === 'demo' && read.ok ? read.kit : undefined;
    const row = { name, clicks, keys, characters: charactersBetween(before, await kitOf(page)) };
    rows.push(row);
    expect(row.characters).toBeGreaterThan(0);
  });
}

const stop = (page: Page, name: string): Promise<void> =>
  page
    .getByRole('navigation', { name: 'Order of work' })
    .getByRole('link', { name: new RegExp(`^${name}`) })
    .click();
async function say(within: Page | Locator, page: Page, label: string, text: string): Promise<void> {
  await within
    .getByRole('button', { name: new RegExp(`^${label}: `) })
    .first()
    .click();
  await within
    .getByRole('textbox', { name: label, exact: true })
    .or(within.getByRole('combobox', { name: label, exact: true }))
    .fill(text);
  await page.keyboard.press('Enter');
}
async function beginWith(page: Page, text: string): Promise<void> {
  await stop(page, 'Forms');
  await page.getByRole('link', { name: 'New form' }).click();
  await page.getByRole('textbox', { name: 'What you have' }).fill(text);
  await page.getByRole('button', { name: 'Make the form' }).click();
  await expect(page).toHaveURL(/\/forms\/./);
}
async function editForm(page: Page, name: string) {
  await stop(page, 'Forms');
  await page.getByRole('link', { name, exact: true }).click();
  await page.getByRole('button', { name: 'Edit the sheet' }).click();
  return frameOf(page, /^Form:/);
}

job('a kit of one’s own: a form begun from nothing, named, with an address', 'nothing', async (page) => {
  await page.getByRole('link', { name: 'Skerry Line' }).click();
  await page.getByRole('button', { name: 'New kit' }).click();
  await expect(page).toHaveURL('/begin');
  await page.getByRole('button', { name: 'Begin with nothing' }).click();
  await say(page, page, 'Title', 'Berth request');
  await page.getByRole('link', { name: 'no address' }).click();
  await page.getByRole('button', { name: 'Send it to the demo company' }).click();
  await expect(page.getByRole('textbox', { name: /^Sends to/ })).toHaveValue(/./);
});
const party = JSON.stringify({
  title: 'Mooring',
  type: 'object',
  required: ['ship', 'quay'],
  properties: {
    ship: { title: 'Ship', type: 'string', minLength: 2 },
    quay: { title: 'Quay', enum: ['North', 'South', 'Fish market'] },
    arrives: { title: 'Arrives', type: 'string', format: 'date-time' },
    draught: { title: 'Draught', type: 'number', exclusiveMinimum: 0 },
    lines: {
      title: 'Lines',
      type: 'array',
      items: { type: 'object', properties: { name: { type: 'string' }, length: { type: 'number' } } },
    },
  },
});
job('a form from a JSON Schema that one has', 'demo', (page) => beginWith(page, party));
job('a form from samples of its data', 'demo', (page) =>
  beginWith(
    page,
    '[{"ship": "Grey Plover", "quay": "North", "depth": 4.5, "lines": [{"name": "bow", "length": 20}]}, {"ship": "Arctic Tern", "quay": "South"}]',
  ),
);
job('a form from an operation of an OpenAPI document, with its address', 'demo', (page) =>
  beginWith(
    page,
    JSON.stringify({
      openapi: '3.1.0',
      info: { title: 'Harbour', version: '1' },
      paths: {
        '/company/own-moorings': {
          post: {
            summary: 'Moor a ship',
            requestBody: { content: { 'application/json': { schema: JSON.parse(party) as object } } },
          },
        },
      },
    }),
  ),
);
job('a form from a type that the project exports', 'demo', async (page) => {
  await stop(page, 'Forms');
  await page.getByRole('link', { name: 'New form' }).click();
  await page.getByRole('button', { name: 'A type of the project …' }).click();
  await page
    .getByRole('combobox', { name: 'A type of the project' })
    .selectOption({ label: 'Crossing (src/crossing.ts)' });
  await page.getByRole('button', { name: 'Make the form' }).click();
  await expect(page).toHaveURL('/forms/crossing');
});
job('an input nobody has met: drafted, proved, and a field made of it', 'demo', async (page) => {
  await stop(page, 'Inputs');
  await page.getByRole('searchbox', { name: 'Search inputs' }).fill('HexColorInput');
  await page.getByRole('button', { name: 'Draft and prove HexColorInput' }).click();
  await expect(page.getByText('1 of 1 pass the whole contract')).toBeVisible({ timeout: 120_000 });
  await page.getByRole('link', { name: 'hex-color-input' }).click();
  await page.getByRole('button', { name: 'Make a field of it' }).click();
  await expect(page).toHaveURL(/\/fields\/./);
});
job('all inputs of a package, drafted and proved', 'demo', async (page) => {
  await stop(page, 'Inputs');
  await page.getByRole('searchbox', { name: 'Search inputs' }).fill('number-format');
  await page.getByRole('checkbox', { name: /^All \d in sight/ }).click();
  await page.getByRole('button', { name: /^Draft and prove the chosen/ }).click();
  await expect(page.getByText('3 of 3 pass the whole contract')).toBeVisible({ timeout: 180_000 });
});
job('two inputs put together as one value', 'demo', async (page) => {
  await stop(page, 'Inputs');
  await page.getByRole('link', { name: 'Several as one value …' }).click();
  await page.getByLabel('Label of part 1').fill('Hour');
  await page.getByLabel('Label of part 2').fill('Minute');
  await page.getByRole('button', { name: 'Put together' }).click();
  await expect(page).toHaveURL(/\/adapters\/./);
});
job('a codec of a kind that there is, with a case', 'demo', async (page) => {
  await stop(page, 'Codecs');
  await page.getByRole('button', { name: 'New codec' }).click();
  await say(page, page, 'Title', 'Deck length');
  await say(page, page, 'Kind', 'quantity');
  await page.getByLabel('The input gives').fill('"12"');
  await page.getByRole('button', { name: 'Keep as a case' }).click();
  await expect(page.getByRole('row').filter({ hasText: '"12"' })).toBeVisible();
});
job('a codec as code, begun from a built-in one', 'demo', async (page) => {
  await stop(page, 'Codecs');
  await page.getByRole('link', { name: 'Money in øre' }).click();
  await page.getByRole('button', { name: 'Write it as code' }).click();
  await expect(page.getByText('It is code now, and does what it did.')).toBeVisible();
});
job('a group made of a form’s fields', 'demo', async (page) => {
  await stop(page, 'Groups');
  await page.getByRole('button', { name: 'Of a form’s fields …' }).click();
  await page.getByRole('checkbox', { name: 'pieces' }).click();
  await page.getByRole('checkbox', { name: 'weight' }).click();
  await page.getByLabel('called').fill('Load');
  await page.getByRole('button', { name: 'Make a group', exact: true }).click();
  await expect(page).toHaveURL('/groups/load');
});
job('a member more, in a form that stands', 'demo', async (page) => {
  const form = await editForm(page, 'Freight booking');
  await form.getByRole('button', { name: 'More of the whole' }).click();
  const note = form.getByRole('group', { name: 'Note of the whole' });
  await note.getByLabel('Name of the new member').fill('berth');
  await note.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(form.getByRole('textbox', { name: 'Berth' })).toBeVisible();
});
job('a field that is there only under a condition', 'demo', async (page) => {
  const form = await editForm(page, 'Freight booking (short)');
  const note = form.getByRole('group', { name: 'Note of /weight' });
  await note.getByRole('button', { name: 'More of /weight' }).click();
  await note.getByRole('combobox', { name: 'Say more' }).selectOption('There only where');
  await note.getByRole('combobox', { name: 'There only where' }).fill('form.hazardous');
  await page.keyboard.press('Enter');
  await expect(form.getByRole('textbox', { name: /^Weight/ })).toHaveCount(0);
});
job('a label and a limit changed where they stand', 'demo', async (page) => {
  const form = await editForm(page, 'Freight booking (short)');
  await form.locator('label').filter({ hasText: 'Pieces' }).click();
  await form.getByRole('textbox', { name: 'Label of /pieces' }).fill('How many');
  await page.keyboard.press('Enter');
  const note = form.getByRole('group', { name: 'Note of /pieces' });
  await note.getByRole('button', { name: /^maximum: 500/ }).click();
  await note.getByRole('textbox', { name: 'maximum' }).fill('40');
  await page.keyboard.press('Enter');
  await expect(form.getByRole('textbox', { name: 'How many' })).toBeVisible();
  await expect(note.getByRole('button', { name: 'maximum: 40. Change' })).toBeVisible();
});
job('a form asked page by page', 'demo', async (page) => {
  const form = await editForm(page, 'Harbour report');
  const note = form.getByRole('group', { name: 'Note of the whole' });
  await note.getByRole('button', { name: 'More of the whole' }).click();
  const layout = note.getByRole('button', { name: /^Layout: / });
  if ((await layout.count()) > 0) await layout.click();
  else await note.getByRole('combobox', { name: 'Say more' }).selectOption('Layout');
  await note.getByRole('combobox', { name: 'Layout' }).selectOption('steps');
  await expect(form.getByRole('button', { name: /Next|On/ }).first()).toBeVisible();
});
job('a form in another language', 'demo', async (page) => {
  await stop(page, 'Forms');
  await page.getByRole('link', { name: 'Settings of Freight booking', exact: true }).click();
  await page.getByRole('textbox', { name: /^Language/ }).fill('de');
});
job('a skin from the project’s suite, used by a form', 'demo', async (page) => {
  await stop(page, 'Forms');
  await page.getByRole('link', { name: 'Skins' }).click();
  await page.getByRole('combobox', { name: 'A skin from' }).selectOption('antd');
  await page.getByRole('button', { name: 'Draft it' }).click();
  await expect(page).toHaveURL('/skins/antd', { timeout: 90_000 });
  await stop(page, 'Forms');
  await page.getByRole('link', { name: 'Settings of Harbour report' }).click();
  await page.getByRole('radio', { name: 'antd' }).click();
});
job('the look of all forms', 'demo', async (page) => {
  await stop(page, 'Forms');
  await page.getByRole('link', { name: 'Look' }).click();
  await say(page, page, 'corners of inputs and buttons, light', '12px');
  await say(page, page, 'text, light', '#102030');
  await say(page, page, 'text, dark', '#f0f0f0');
});
job('the whole kit handed over into the project', 'nothing', async (page) => {
  const folder = 'handed-by-job/forms';
  const target = join(home, 'demo/project/handed-by-job');
  rmSync(target, { recursive: true, force: true });
  try {
    await stop(page, 'Hand-over');
    await page.getByRole('button', { name: /Folder of the project/ }).click();
    await page.getByRole('textbox', { name: 'Folder of the project' }).fill(folder);
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Write them' }).click({ timeout: 60_000 });
    await expect(page.getByText(`Written into ${folder}`)).toBeVisible({ timeout: 60_000 });
  } finally {
    rmSync(target, { recursive: true, force: true });
  }
});
