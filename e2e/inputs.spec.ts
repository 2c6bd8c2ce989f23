import { contract, fingerprint, type Kit } from '@poietra/core';
import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { allSaved, expectAccessible, frameOf } from './support.js';

const faulty = join(import.meta.dirname, '../packages/stand/test/faulty');

test('an input is met, tried, drafted, corrected in one sentence, proved and used in a form', async ({ page }) => {
  await page.goto('/inputs/antd%23Rate');
  const speaks = page.getByRole('region', { name: 'How it speaks' });
  await expect(speaks).toContainText('After the gesture “onChange” told the value as first argument.', {
    timeout: 60_000,
  });
  await expect(speaks).toContainText('observed');
  await expect(speaks).toContainText('declared');

  await page.getByRole('button', { name: 'What does it make of each value?' }).click();
  const rows = page.getByRole('table', { name: 'What the input makes of each value' }).getByRole('row');
  await expect(rows.filter({ hasText: 'undefined' })).toContainText('as empty');
  await expect(rows.filter({ has: page.getByRole('rowheader', { name: '12', exact: true }) })).not.toContainText(
    'as empty',
  );
  await expect(page.getByRole('status').filter({ hasText: /of 12/ })).toBeHidden({ timeout: 30_000 });

  await page.getByRole('button', { name: 'Draft the adapter' }).click();
  await expect(page).toHaveURL('/adapters/rate');
  await page.getByRole('button', { name: 'Prove it', exact: true }).click();
  const contract = page.getByRole('region', { name: 'Contract' });
  await expect(contract).toContainText('26 passed', { timeout: 60_000 });

  const sentences = page.getByRole('region', { name: 'How it speaks' });
  await sentences.getByRole('button', { name: /^change: onChange/ }).click();
  await sentences.getByRole('combobox', { name: 'change' }).fill('onHoverChange');
  await page.keyboard.press('Enter');
  await expect(contract).toContainText('The adapter was changed since.');
  await contract.getByRole('button', { name: 'Prove it again' }).click();
  await expect(contract).toContainText(/[1-9] failed/, { timeout: 60_000 });
  await expect(contract.getByText('to try').first()).toBeVisible();
  // While checks run, the stand has the focus.
  await expect(contract.getByRole('button', { name: 'Prove it again' })).toBeVisible({ timeout: 60_000 });
  await sentences.getByRole('button', { name: /^change: onHoverChange/ }).click();
  await sentences.getByRole('combobox', { name: 'change' }).fill('onChange');
  await page.keyboard.press('Enter');
  await contract.getByRole('button', { name: 'Prove it again' }).click();
  await expect(contract).toContainText('26 passed', { timeout: 60_000 });
  await expect(contract).toContainText(/Since the run before: [1-9]/);
  await contract.getByRole('button', { name: 'Prove it fully' }).click();
  await expect(contract).toContainText(/fully, in Chromium \d+/, { timeout: 90_000 });
  // Disabled, its stars look as they always do: only pixels tell that.
  await expect(contract).toContainText('It looks as if it could be used.');

  await page.getByRole('button', { name: 'Make a field of it' }).click();
  await expect(page).toHaveURL('/fields/rate');
  await expect(page.getByLabel(/^Codec/)).toHaveValue(/./);
  await page.getByLabel('Label', { exact: true }).fill('How rough the sea is');
  const field = frameOf(page, /^Field:/);
  await field
    .getByRole('radio', { name: /3|star/i })
    .nth(2)
    .click();
  await expect(page.getByTestId('station-sent').last()).toContainText('3');
});

test('words that are changed while the adapter’s page is on its way go into one adapter', async ({ page }) => {
  let letGo = (): void => undefined;
  const isHeld = new Promise<void>((resolve) => (letGo = resolve));
  await page.route(/assets\/adapter-page/, async (route) => {
    await isHeld;
    await route.continue();
  });
  await page.goto('/inputs/antd%23Rate');
  const sentences = page.getByRole('region', { name: 'How it speaks' });
  await expect(sentences).toContainText('observed', { timeout: 60_000 });
  const change = async (slot: RegExp, name: string, to: string): Promise<void> => {
    await sentences.getByRole('button', { name: slot }).click();
    await sentences.getByRole('combobox', { name }).fill(to);
    await page.keyboard.press('Enter');
  };
  await change(/^change: onChange/, 'change', 'onHoverChange');
  await change(/^value: value/, 'value', 'defaultValue');
  letGo();
  await expect(page).toHaveURL('/adapters/rate');
  await expect(sentences).toContainText('onHoverChange');
  await expect(sentences).toContainText('defaultValue');
  await page.goto('/inputs');
  await expect(page.getByRole('link', { name: 'rate-2' })).toHaveCount(0);
});

test('a picker whose values are objects of a library gives texts, by a sentence that can be changed', async ({
  page,
}) => {
  await page.goto('/inputs/antd%23DatePicker.YearPicker');
  const speaks = page.getByRole('region', { name: 'How it speaks' });
  await expect(speaks).toContainText('Its values are objects: dayjs#default makes them of texts', { timeout: 60_000 });
  await page.getByRole('button', { name: 'Draft the adapter' }).click();
  await expect(page).toHaveURL('/adapters/date-picker-year-picker');
  const sentences = page.getByRole('region', { name: 'How it speaks' });
  await expect(sentences).toContainText('Its values are made of texts by dayjs#default');
  await expect(sentences).toContainText('read as texts by their format, which is given ["YYYY-MM-DD"]');
  await sentences.getByRole('button', { name: /^made: \["YYYY-MM-DD"\]/ }).click();
  await sentences.getByRole('combobox', { name: 'made' }).fill('["YYYY"]');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Make a field of it' }).click();
  await expect(page.getByLabel(/^Codec/)).toHaveValue(/./);
  const field = frameOf(page, /^Field:/);
  await field.getByRole('textbox').first().click();
  await field.getByText('2027', { exact: true }).click();
  await expect(page.getByTestId('station-sent').last()).toHaveText(/"2027"/);
});

test('a list whose values are its own items gives what stands in one as its value, by a word that can be changed', async ({
  page,
}) => {
  await page.goto('/inputs/react-select%23default');
  const speaks = page.getByRole('region', { name: 'How it speaks' });
  await expect(speaks).toContainText('its value is the choice itself', { timeout: 60_000 });
  await page.getByRole('button', { name: 'Draft the adapter' }).click();
  await expect(page).toHaveURL(/\/adapters\//);
  await expect(speaks).toContainText('Makes ids for what is inside it of instanceId');
  await speaks.getByRole('button', { name: 'choices: the choice itself' }).click();
  await speaks.getByRole('combobox', { name: 'choices' }).fill('');
  await page.keyboard.press('Enter');
  await expect(speaks).toContainText('its value is the value of one');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await speaks.getByRole('button', { name: 'choices: the choice itself' }).click();
  await speaks.getByRole('combobox', { name: 'choices' }).fill('words');
  await page.keyboard.press('Enter');
  await expect(speaks).toContainText('as their words alone; its value is the words of one');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(speaks).toContainText('its value is the choice itself');
  const stand = frameOf(page, /^Stand:/);
  await stand.getByRole('combobox').click();
  await stand.getByRole('option', { name: 'Torsund' }).click();
  await expect(stand.getByText('Torsund', { exact: true })).toBeVisible();
  await expect(page.getByTestId('station-shown').last()).toHaveText(/"TOR"/);
});

test('two inputs are put together, proved as one, and carry one value', async ({ page }) => {
  await page.goto('/inputs');
  await page.getByRole('link', { name: 'Several as one value' }).click();
  await page.getByLabel('Label of part 1').fill('Hour');
  await page.getByLabel('Label of part 2').fill('Minute');
  await page.getByRole('button', { name: 'Put together' }).click();
  await expect(page).toHaveURL('/adapters/hour-minute');
  const stand = frameOf(page, /^Stand:/);
  await stand.getByRole('textbox', { name: 'Hour' }).click();
  await page.keyboard.type('9');
  await stand.getByRole('textbox', { name: 'Minute' }).click();
  await page.keyboard.type('15');
  await expect(page.getByRole('region', { name: 'Tape' })).toContainText('minute');
  await expect(stand.getByRole('textbox', { name: 'Hour' })).toHaveValue('9');
  await page.getByRole('button', { name: 'Prove it', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Contract' })).toContainText('26 passed', { timeout: 90_000 });
});

test('a gesture is recorded once and replayed', async ({ page }) => {
  await page.goto('/inputs/rc-slider%23default');
  await page.getByRole('button', { name: 'Record a gesture' }).click();
  const slider = frameOf(page, /^Stand:/).getByRole('slider');
  await slider.focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('press ArrowRight on the slider')).toBeVisible();
  await page.getByRole('button', { name: 'Stop recording' }).click();
  await page.getByRole('button', { name: 'Replay the recording' }).click();
  await expect(page.getByText('Replayed; what it reported stands on the tape.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Tape' })).toContainText('onChange');
  await page.getByRole('button', { name: 'Use it for the checks' }).click();
  await expect(page.getByText(/^The checks press ArrowRight on the slider/)).toBeVisible();
});

test('a trial has little room, and presses the day that is meant all the same', async ({ page }) => {
  await page.goto('/inputs/react-day-picker%23DayPicker');
  await expect(page.getByRole('region', { name: 'What it carries' })).toContainText(
    'The checks press the gridcell “15”.',
    { timeout: 60_000 },
  );
});

test('what an input stands in is said in a sentence, with what each is given', async ({ page }) => {
  await page.goto('/adapters/day-picker');
  const carries = page.getByRole('region', { name: 'What it carries' });
  const say = async (word: string, text: string): Promise<void> => {
    await carries.getByRole('button', { name: new RegExp(`^${word}: `) }).click();
    await carries.getByRole('textbox', { name: word, exact: true }).fill(text);
    await page.keyboard.press('Enter');
  };
  await expect(carries).toContainText('Stands inside nothing.');
  await say('Wrapper', 'antd#ConfigProvider');
  await say('Properties of antd#ConfigProvider', '{"direction": "rtl"}');
  await say('Imports of antd#ConfigProvider', '{"locale": 3}');
  await expect(carries).toContainText('“locale” imports an export; write it as package#export.');
  await carries.getByRole('textbox', { name: 'Imports of antd#ConfigProvider' }).fill('{"theme": "antd#theme"}');
  await page.keyboard.press('Enter');
  await say('Another wrapper', 'antd#App');
  await expect(carries).toContainText(
    'Stands inside antd#ConfigProvider, with {"direction":"rtl"} and imported {"theme":"antd#theme"}.and inside antd#App, with nothing and imported nothing.and inside nothing else.',
  );
  await say('Wrapper', '');
  await expect(carries).toContainText('Stands inside antd#App, with nothing');
  for (let times = 0; times < 5; times++) await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(carries).toContainText('Stands inside nothing.');
});

test('what stands inside an input is said part by part', async ({ page }) => {
  await page.goto('/adapters/day-picker');
  const carries = page.getByRole('region', { name: 'What it carries' });
  const say = async (word: string, text: string): Promise<void> => {
    await carries.getByRole('button', { name: `${word}: ` }).click();
    await carries.getByLabel(word, { exact: true }).fill(text);
    await page.keyboard.press('Enter');
  };
  await expect(carries).toContainText('Inside it stands nothing.');
  await say('Another part in the input', 'antd#Button');
  await say('Another part in Button', '▼');
  await say('Properties of Button', '{"type": "text"}');
  await say('Who “▼” are for', 'everybody at sea');
  await expect(carries).toContainText('Here stands “for everybody”, “not for screen readers”.');
  await carries.getByLabel('Who “▼” are for', { exact: true }).fill('not for screen readers');
  await page.keyboard.press('Enter');
  await say('Another part in the input', 'None');
  await say('What “None” are', 'the words of what is chosen');
  await carries.getByRole('button', { name: 'Move “None” up' }).click();
  await expect(carries).toContainText(
    'Inside it stand, in this order:“None”: the words of what is chosen, always, for everybodyantd#Button, with {"type":"text"}, put inside, drawn as it is',
  );
  await say('Where Button goes', 'tooltip');
  await say('Given to Button', '...');
  await expect(carries).toContainText('put in as tooltip, drawn with all that is given to it');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await say('Given to Button', 'day');
  await expect(carries).toContainText('drawn with what is given to it as day');
  await say('Part Button', '');
  await say('Words “None”', '');
  await expect(carries).toContainText('no words of its own: the words of what is chosen');
  await say('What the words of a choice are', 'as they are');
  await expect(carries).toContainText('Inside it stands nothing.');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(carries).toContainText('no words of its own');
  for (let times = 0; times < 11; times++) await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(carries).toContainText('Inside it stands nothing.');
});

test('another folder is opened, and one that is none leaves the present one open', async ({ page }) => {
  await page.goto('/inputs');
  await page.getByRole('button', { name: /^Project folder/ }).click();
  await page.getByRole('textbox', { name: 'Project folder' }).fill('/nowhere/at/all');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert')).toContainText('There is no folder');
  await page.getByRole('button', { name: /^Project folder/ }).click();
  await page.getByRole('textbox', { name: 'Project folder' }).fill(faulty);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: 'NeedsTide' })).toBeVisible({ timeout: 60_000 });

  await test.step('an input that asks for a provider gets the one that its module has', async () => {
    await page.getByRole('link', { name: 'NeedsTide' }).click();
    await expect(page.getByRole('region', { name: 'What it carries' })).toContainText('TideProvider', {
      timeout: 60_000,
    });
    await expect(frameOf(page, /^Stand:/).getByRole('textbox')).toBeVisible();
    await page.goBack();
  });

  await test.step('where there is none to be had, it is said what to do', async () => {
    await page.getByRole('link', { name: 'NeedsHarbour' }).click();
    const alert = page.getByRole('alert').filter({ hasText: 'could not be tried' });
    await expect(alert).toContainText('name it at the right as a wrapper', { timeout: 60_000 });
  });

  await test.step('an input that loops for ever is stopped, and the workbench goes on', async () => {
    await page.goBack();
    await page.getByRole('link', { name: 'Loops' }).click();
    await expect(frameOf(page, /^Stand:/).getByRole('textbox')).toBeVisible();
    await page.getByLabel('Any JSON').fill('"for ever"');
    await page.getByRole('button', { name: 'Push', exact: true }).click();
    await page.getByRole('button', { name: 'Another input' }).click();
    await expect(page.getByRole('combobox')).toBeFocused();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('alert').filter({ hasText: 'It has not answered for 5 seconds' })).toBeVisible({
      timeout: 20_000,
    });
    await page.getByRole('button', { name: 'Start it again' }).click();
    await expect(frameOf(page, /^Stand:/).getByRole('textbox')).toBeVisible();
  });

  await test.step('an input that reports without end is stopped, too', async () => {
    await page.goBack();
    await page.getByRole('link', { name: 'Floods' }).click();
    await expect(frameOf(page, /^Stand:/).getByRole('textbox')).toBeVisible();
    await page.getByLabel('Any JSON').fill('"flood"');
    await page.getByRole('button', { name: 'Push', exact: true }).click();
    await expect(page.getByRole('alert').filter({ hasText: 'hundreds of times within a second' })).toBeVisible();
  });

  await page.goBack();
  await page.getByRole('button', { name: /^Project folder/ }).click();
  await page.getByRole('textbox', { name: 'Project folder' }).fill(join(faulty, '../../../../demo/project'));
  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: 'DayPicker', exact: true })).toBeVisible({ timeout: 60_000 });
});

test('what was passed over says why, and is met and drafted like any other', async ({ page }) => {
  await page.goto('/inputs');
  await page.getByText(/^Passed over \(\d+\)$/).click();
  await expect(page.getByText('Nothing of an input was found in react-dropzone')).toBeVisible();
  const list = page.getByRole('list', { name: 'Passed over' });
  await page.getByLabel('Search those passed over').fill('sl-qr');
  await expect(list.getByRole('listitem')).toHaveCount(1);
  await expect(list).toContainText('No property and report of it could be told to belong together.');
  await list.getByRole('link').click();
  await expect(page.getByText(/^It was passed over\. No property/)).toBeVisible();
  await expect(page.getByRole('region', { name: 'How it speaks' })).toContainText('value');
  await page.getByRole('button', { name: 'Draft the adapter' }).click();
  await expect(page).toHaveURL(/\/adapters\/sl-qr-code/);
  await expect(page.getByRole('region', { name: 'How it speaks' })).toContainText('value');
});

test('a check that ran out of time is not decided: no failure, no pass, and on the list of what needs a person', async ({
  page,
}) => {
  const kit = JSON.parse(readFileSync(join(faulty, '../../../../demo/kit.json'), 'utf8')) as Kit;
  const verdicts = contract.map(({ id }) => ({
    check: id,
    state: id === 'late' ? ('open' as const) : ('pass' as const),
    seen: id === 'late' ? 'It took longer than 8 seconds.' : '',
  }));
  const adapter = fingerprint(kit.adapters['day-picker']);
  const version = kit.inputs[kit.adapters['day-picker']?.input ?? '']?.version ?? '';
  const now = { version, time: '2026-11-23T10:15:00Z', depth: 'full', adapter, verdicts };
  await page.goto('/kit');
  await page.getByLabel('Kit file').setInputFiles({
    name: 'kit.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify({ ...kit, name: 'Pilot boats', proofs: { 'day-picker': { now } } })),
  });
  await expect(page.getByRole('listitem').filter({ hasText: 'is open' })).toContainText('Pilot boats');
  await allSaved(page);
  await page.goto('/inputs?q=day-picker');
  await expect(page.getByRole('row').filter({ hasText: 'DayPicker' })).toContainText('1 not decided');
  await expect(page.getByRole('navigation', { name: 'Order of work' })).toContainText('one check was not decided');
  await page.goto('/adapters/day-picker');
  const score = page.getByRole('region', { name: 'Contract' });
  await expect(score).toContainText('25 passed');
  await expect(score).toContainText('1 not decided');
  await expect(score.getByText('It took longer than 8 seconds.')).toBeVisible();
  await expect(score.getByText(/^Prove it again when the machine has less to do/)).toBeVisible();
  await expectAccessible(page, ['iframe']);
});
