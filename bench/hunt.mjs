/**
 * Looks for false passes: `npm run bench -- hunt FOLDER CHECKED.json [TEXT]`, where CHECKED.json is what
 * `poietra check FOLDER --json` printed. Every input that passed the contract is handed over as source, built into an
 * application as anybody would, and worked there with keys and mouse by nothing of what proves: what it holds, sends,
 * shows anew, tells and refuses is compared with what a person would expect. Wanted: no line.
 */
import { spawnSync } from 'node:child_process';
import { readFileSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { isDeepStrictEqual } from 'node:util';
import { chromium } from 'playwright-core';
import { label, refusal, served } from './hunt/application.mjs';
import { fieldOf, nothing, placeOf, workedBy } from './hunt/hands.mjs';
import { launchOptions } from './served.mjs';

const home = join(import.meta.dirname, '..');

/** Works each input of `checked` that passed, and prints what is amiss, a line each. */
export async function hunt(folder, checked) {
  const say = console.log;
  const found = new Map(inspected(folder).map(({ input }) => [input.id, input]));
  const passed = checked.filter(
    ({ name, sheet }) => !name.startsWith('native') && sheet.verdicts.every(({ state }) => !/fail|open/.test(state)),
  );
  const packages = new Map();
  for (const input of passed) {
    const pkg = input.name.slice(0, input.name.indexOf('#'));
    packages.set(pkg, [...(packages.get(pkg) ?? []), { ...input, input: found.get(input.name) }]);
  }
  const browser = await chromium.launch(launchOptions());
  const counts = { worked: 0, amiss: 0 };
  for (const [pkg, inputs] of packages) {
    const at = join(folder, `hunted-${pkg.replaceAll(/\W+/g, '-')}`);
    try {
      const { address, close } = await served(at, inputs);
      for (const [i, input] of inputs.entries()) {
        const amiss = await worked(browser, `${address}#${i}`, input).catch((error) => [
          `could not be worked: ${String(error).split('\n')[0]}`,
        ]);
        counts.worked++;
        process.stderr.write(`[${counts.worked}/${passed.length}] ${input.name}\n`);
        if (amiss.length > 0) counts.amiss++;
        for (const line of amiss) say(`${input.name}: ${line}`);
      }
      await close();
    } catch (error) {
      say(`${pkg}: its ${inputs.length} could not be built: ${String(error).slice(0, 300)}`);
    } finally {
      rmSync(at, { recursive: true, force: true });
    }
  }
  await browser.close();
  say(`${counts.worked} passed inputs were worked; of ${counts.amiss} something is to be said.`);
}

function inspected(folder) {
  const { stdout } = spawnSync('node', ['scripts/poietra.mjs', 'inspect', folder, '--json'], {
    cwd: home,
    encoding: 'utf8',
    maxBuffer: 1e9,
    stdio: ['ignore', 'pipe', 'ignore'],
  });
  return JSON.parse(stdout).inputs;
}

/** What is amiss with one input, as a person at the page would say it. */
async function worked(browser, address, { adapter }) {
  const amiss = [];
  const page = await browser.newPage({ viewport: { width: 1000, height: 800 }, reducedMotion: 'reduce' });
  page.setDefaultTimeout(5_000);
  const tell = (isAmiss, line) => isAmiss && amiss.push(line);
  try {
    await opened(page, address);
    const atFirst = await seen(page, true);
    tell(!atFirst.text.includes(label), `no one hears its label: ${atFirst.text}`);
    if ((await workedBy(page, adapter)) === nothing) return [...amiss, 'neither keys nor mouse change what is held'];
    await left(page);
    const held = await page.evaluate(() => window.held() ?? null);
    // What was typed and is taken back on leaving is no value of it; files cannot be given again.
    if (held?.$is === 'undefined' || JSON.stringify(held).includes('File')) return amiss;
    const changed = await seen(page, true);
    tell(isDeepStrictEqual(changed, atFirst), `nobody sees or hears that it holds ${JSON.stringify(held)}`);

    await page.getByRole('button', { name: 'Send' }).click();
    const sent = await page
      .waitForFunction(() => window.sent && { sent: window.sent }, { timeout: 2_000 })
      .then((one) => one.jsonValue())
      .catch(() => undefined);
    if (!sent) return [...amiss, `holds ${JSON.stringify(held)}, which its form does not send`];
    tell(
      !isDeepStrictEqual(sent.sent.held, held),
      `holds ${JSON.stringify(held)}, sends ${JSON.stringify(sent.sent.held)}`,
    );

    const text = JSON.stringify(held);
    await opened(page, `${address}|${text}`);
    const anew = await seen(page);
    tell(anew.text !== changed.text, `shows ${text} anew otherwise: ${unlike(changed.text, anew.text)}`);
    await opened(page, address);
    await page.evaluate((value) => window.write(value), held);
    await stands(page);
    const later = await seen(page);
    tell(later.text !== changed.text, `shows ${text} told later otherwise: ${unlike(changed.text, later.text)}`);
    await page.evaluate(() => window.write({ $is: 'undefined' }));
    await stands(page);
    const emptied = await seen(page);
    tell(emptied.text !== atFirst.text, `emptied is otherwise than at first: ${unlike(atFirst.text, emptied.text)}`);

    await opened(page, `${address}|${text}|refused`);
    await page.getByRole('button', { name: 'Send' }).click();
    await page.getByText(refusal).first().waitFor();
    await page.mouse.move(5, 5);
    tell(!(await isHeard(page)), 'nobody who is on it hears what is wrong with it');

    await opened(page, `${address}|${text}|disabled`);
    const stood = await page.evaluate(() => JSON.stringify(window.held()));
    await page.evaluate(() => document.querySelector('input')?.blur());
    const after = await workedBy(page, adapter, true);
    tell(after !== nothing, `disabled, and ${stood} becomes ${JSON.stringify(after)}`);
  } finally {
    await page.close();
  }
  return amiss;
}

/** What lies open over the page is shut first. */
async function left(page) {
  const captain = placeOf(page, '/after').locator('input');
  await captain.click({ timeout: 1_000 }).catch(async () => {
    await page.keyboard.press('Escape');
    await captain.focus();
  });
  await page.mouse.move(5, 5);
}
async function opened(page, address) {
  await page.goto('about:blank');
  await page.goto(address);
  await page.getByRole('button', { name: 'Send' }).waitFor();
  await stands(page);
}
/** Until nothing of the page has changed for a while: three pictures of it are the same. */
async function stands(page) {
  let last;
  for (let same = 0, turns = 0; same < 2 && turns < 30; turns++) {
    await page.waitForTimeout(50);
    const now = await page.locator('#desk').ariaSnapshot();
    same = now === last ? same + 1 : 0;
    last = now;
  }
}
/** Its part of what a reader is told of the form, and a picture of it. */
async function seen(page, isPictured = false) {
  await stands(page);
  const all = await page.locator('#desk').ariaSnapshot();
  const from = all.indexOf('textbox "Ship"');
  const to = all.indexOf('textbox "Captain"');
  // The boxes' own labels stand at both ends; what differs between them is the input's.
  const between = all.slice(all.indexOf('\n', from) + 1, all.lastIndexOf('\n', to)).trim();
  // Some judge what was typed themselves, and only that.
  const text = between.replaceAll(' [invalid]', '');
  const box = isPictured ? await fieldOf(page).boundingBox() : undefined;
  const picture =
    box && box.width > 0 && box.height > 0 ? (await page.screenshot({ clip: box })).toString('base64') : '';
  return { text, picture };
}
const unlike = (one, other) => {
  const lines = (text) => text.split('\n').map((line) => line.trim());
  const [mine, yours] = [lines(one), lines(other)];
  const only = (of, without) => of.filter((line) => !without.includes(line)).join(' / ');
  return `${only(mine, yours)} – ${only(yours, mine)}`.slice(0, 300);
};

/** Whether something in the field is described by the words of what is wrong. */
function isHeard(page) {
  return fieldOf(page).evaluate((field, words) => {
    const all = [];
    const walk = (root) => {
      for (const element of root.querySelectorAll('*')) {
        all.push(element);
        if (element.shadowRoot) walk(element.shadowRoot);
      }
    };
    walk(field);
    const textOf = (element, name) =>
      (element.getAttribute(name) ?? '')
        .split(' ')
        .map((id) => (id ? element.getRootNode().querySelector(`#${CSS.escape(id)}`)?.textContent : ''))
        .join(' ');
    const says = (element) =>
      ['aria-describedby', 'aria-errormessage', 'aria-labelledby'].some((name) =>
        textOf(element, name).includes(words),
      ) ||
      (element.getAttribute('aria-description') ?? '').includes(words) ||
      (element.ariaDescribedByElements ?? []).some((one) => one.textContent.includes(words));
    return all.some(says);
  }, refusal);
}

if (process.argv[2] === 'hunt') {
  const [folder, file, text = ''] = process.argv.slice(3);
  const checked = JSON.parse(readFileSync(file, 'utf8')).filter(({ name }) => name.includes(text));
  await hunt(resolve(folder), checked);
}
