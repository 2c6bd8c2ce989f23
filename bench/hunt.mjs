/**
 * Looks for false passes: `npm run bench -- hunt FOLDER CHECKED.json [TEXT]`, where CHECKED.json is what
 * `poietra check FOLDER --json` printed. Every input that passed the contract is handed over as source, built into an
 * application as anybody would, and worked there with keys and mouse by nothing of what proves: what it holds, sends,
 * shows anew, tells and refuses is compared with what a person would expect. Wanted: no line.
 */
import { spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { isDeepStrictEqual } from 'node:util';
import { handOver } from '@poietra/core/handover';
import { chromium } from 'playwright-core';
import { build, preview } from 'vite';
import { launchOptions } from './served.mjs';

const home = join(import.meta.dirname, '..');
const label = 'Berth plan';
const refusal = 'The harbour office refused it';
const choices = ['Aldervik', 'Brennholm', 'Torsund', 'Little Sule'].map((title) => ({
  const: title.slice(0, 3).toUpperCase(),
  title,
}));

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

/** An application of one package's inputs, a form each, built and served. */
async function served(at, inputs) {
  for (const { path, text } of [...handOver(kitOf(inputs), { depth: 1 }), ...pageOf(inputs)]) {
    mkdirSync(dirname(join(at, path)), { recursive: true });
    writeFileSync(join(at, path), text);
  }
  const common = { root: at, configFile: false, logLevel: 'error' };
  mkdirSync(join(at, 'node_modules'), { recursive: true });
  symlinkSync(join(home, 'node_modules/@poietra'), join(at, 'node_modules/@poietra'));
  await build({
    ...common,
    resolve: { dedupe: ['react', 'react-dom'] },
    build: { target: 'es2022', chunkSizeWarningLimit: 1e5, minify: false, reportCompressedSize: false },
  });
  const server = await preview({ ...common, preview: { port: 0, host: '127.0.0.1' } });
  return { address: server.resolvedUrls.local[0], close: () => server.close() };
}

function kitOf(inputs) {
  const named = (of) => Object.fromEntries(inputs.map((input, i) => [`i${i}`, of(input, i)]));
  return {
    poietra: 1,
    name: 'hunt',
    inputs: Object.fromEntries(inputs.map(({ input }) => [input.id, input])),
    adapters: named(({ adapter }) => adapter),
    codecs: {},
    fields: named(({ adapter }, i) => ({ adapter: `i${i}`, codec: codecOf(adapter), label })),
    groups: {},
    forms: named(({ adapter }, i) => ({
      title: 'Berths',
      tell: 'submit',
      schema: {
        type: 'object',
        properties: {
          before: { type: 'string', title: 'Ship' },
          held: { ...taken(adapter), 'x-poietra': { field: `i${i}` } },
          after: { type: 'string', title: 'Captain' },
        },
      },
    })),
  };
}
const sampleOf = ({ samples }) => samples?.[1];
const isDay = (sample) => sample?.$is === 'Date';
const codecOf = (adapter) => (isDay(sampleOf(adapter)) ? 'date' : 'same');
/** What its value is to be chosen from, where it is told that. */
function taken(adapter) {
  if (!adapter.choices && !JSON.stringify(adapter.inside ?? '').includes('"of"')) return {};
  const isList = Array.isArray(sampleOf(adapter)) || ['list', 'set'].includes(adapter.value.kind);
  return isList ? { type: 'array', items: { oneOf: choices } } : { oneOf: choices };
}

function pageOf(inputs) {
  const forms = inputs.map(
    (_, i) =>
      `  async () => { const { openI${i}, I${i}Form } = await import('./forms/i${i}.js'); return [openI${i}, I${i}Form]; },`,
  );
  return [
    {
      path: 'index.html',
      text: '<!doctype html><html lang="en"><title>Berths</title><link rel="icon" href="data:," /><div id="desk" style="padding:40px"></div><script type="module" src="main.tsx"></script></html>',
    },
    {
      path: 'main.tsx',
      text: `import '@poietra/react/skin.css';
import { fromNotation, toNotation } from '@poietra/core';
import { createRoot } from 'react-dom/client';

const forms = [
${forms.join('\n')}
];
const [number, held, state] = decodeURIComponent(location.hash.slice(1)).split('|');
const [open, Form] = await forms[Number(number)]();
const form = open(held ? { held: JSON.parse(held) } : undefined, { disabled: state === 'disabled' });
const send = async (sent) => {
  window.sent = sent;
  return state === 'refused'
    ? { kind: 'refused', problems: [{ at: '/held', keyword: 'server', params: {}, message: ${JSON.stringify(refusal)} }] }
    : { kind: 'accepted', answer: {} };
};
window.held = () => toNotation(form.field('/held').sent);
window.write = (value) => form.field('/held').write(fromNotation(value));
createRoot(document.getElementById('desk')).render(<Form form={form} send={send} />);
`,
    },
  ];
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
const placeOf = (page, at) => page.locator(`.poietra-field[data-at="${at}"]`);
const fieldOf = (page) => placeOf(page, '/held');
const unlike = (one, other) => {
  const lines = (text) => text.split('\n').map((line) => line.trim());
  const [mine, yours] = [lines(one), lines(other)];
  const only = (of, without) => of.filter((line) => !without.includes(line)).join(' / ');
  return `${only(mine, yours)} – ${only(yours, mine)}`.slice(0, 300);
};

const nothing = Symbol('nothing');
/** Works it in one way after the other until what is held has changed; gives that, or `nothing`. */
async function workedBy(page, adapter, isDisabled = false) {
  const before = JSON.stringify(await page.evaluate(() => window.held() ?? null));
  const isChosen = Object.keys(taken(adapter)).length > 0;
  const changed = async () => {
    const until = Date.now() + (isDisabled ? 60 : 400);
    do {
      const now = await page.evaluate(() => window.held() ?? null);
      // What is typed is no choice yet.
      const isTyping = now === typed && isChosen;
      if (JSON.stringify(now) !== before && now?.$is !== 'undefined' && !isTyping) return now;
      await page.waitForTimeout(40);
    } while (Date.now() < until);
    return nothing;
  };
  const sample = sampleOf(adapter);
  const typed =
    typeof sample === 'number'
      ? String(sample)
      : typeof sample === 'string' && !taken(adapter).oneOf
        ? sample
        : 'Torsund';
  const key = (name) => () => page.keyboard.press(name);
  const keys = async (...names) => {
    for (const name of names) {
      await page.keyboard.press(name);
      await page.waitForTimeout(100);
    }
  };
  const enter = async () => {
    if (isDisabled) return;
    await keys('Escape');
    await placeOf(page, '/before').locator('input').focus();
    await page.keyboard.press('Tab');
    await page.waitForTimeout(50);
  };
  const isTyped = () =>
    page.evaluate(() => {
      let at = document.activeElement;
      while (at?.shadowRoot?.activeElement) at = at.shadowRoot.activeElement;
      const isText = at instanceof HTMLInputElement && !/checkbox|radio|range|button|color|file|submit/.test(at.type);
      return isText || at instanceof HTMLTextAreaElement || !!at?.isContentEditable;
    });
  const click = async (locator) => {
    const one = locator.first();
    if (await one.isVisible().catch(() => false))
      await one.click({ force: true, timeout: 2_000 }).catch(() => undefined);
  };
  const field = fieldOf(page);
  const part = (...roles) =>
    field.locator(roles.map((role) => (/^[a-z]+$/.test(role) ? `role=${role}` : role)).join(', '));
  const offered = async () => {
    for (const role of ['option', 'menuitemradio', 'menuitem', 'radio', 'gridcell', 'treeitem']) {
      const all = page.getByRole(role, { disabled: false });
      const count = await all.count();
      if (count === 0) continue;
      const one = role === 'gridcell' ? all.nth(Math.min(12, count - 1)) : all.filter({ hasText: 'Torsund' });
      await click((await one.count()) > 0 ? one : all.nth(Math.min(1, count - 1)));
      return;
    }
    await click(page.getByText('Torsund', { exact: true }).last());
  };
  const ways = [
    async () => {
      const files = field.locator('input[type=file]').first();
      if ((await files.count()) === 0 || isDisabled) return;
      await files.setInputFiles({ name: 'berths.txt', mimeType: 'text/plain', buffer: Buffer.from('Torsund') });
    },
    async () => (await isTyped()) && (await page.keyboard.type(typed, { delay: 15 })),
    async () => (await isTyped()) && (await keys('Enter')),
    async () => (await isTyped()) && (await keys('ArrowDown', 'Enter')),
    async () => (await isTyped()) && (await keys('Tab')),
    async () => (await enter(), await keys('Space')),
    async () => (await enter(), await keys('ArrowRight')),
    async () => (await enter(), await keys('ArrowUp')),
    async () => (await enter(), await keys('Enter', 'ArrowDown', 'ArrowDown', 'Enter')),
    async () => (
      await keys('Escape'),
      await enter(),
      await click(part('combobox', 'button', 'input')),
      await offered()
    ),
    () => offered(),
    async () => {
      await click(field.locator('input[type=text], input:not([type])'));
      await keys('ControlOrMeta+a');
      await page.keyboard.type(typed, { delay: 15 });
      await keys('Enter');
    },
    () => click(field.getByRole('button', { name: '15' })),
    async () => (await click(field.getByRole('radio').nth(1)), await click(field.getByRole('checkbox'))),
    async () => {
      const all = field.locator('input, textarea, button, canvas, [role], [tabindex]');
      const box = (await all.count()) > 0 ? await all.last().boundingBox() : undefined;
      if (box) await page.mouse.click(box.x + box.width * 0.7, box.y + box.height / 2);
    },
    async () => {
      const box = await field.boundingBox();
      if (box) await page.mouse.click(box.x + Math.min(30, box.width / 2), box.y + box.height - 12);
    },
    key('ArrowRight'),
    () => page.keyboard.type(typed, { delay: 15 }),
    () => offered(),
  ];
  await enter();
  for (const way of isDisabled ? ways.slice(0, 9) : ways) {
    await way();
    const now = await changed();
    if (now === nothing) continue;
    // Typing may still go on, and what is typed may be taken in only on leaving.
    await page.waitForTimeout(isDisabled ? 0 : 250);
    return page.evaluate(() => window.held() ?? null);
  }
  return nothing;
}

/** Whether something in the field that takes the focus is said to be wrong, and described by the words. */
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
