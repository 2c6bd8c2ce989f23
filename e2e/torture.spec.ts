/**
 * What is promised of storage, held against kills at any moment: `npm run torture -- storage 100`. In `npm test` there are
 * ten of each.
 */
import { expect, test, type Page } from '@playwright/test';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { browserOn, freePort, serverOn } from './killed.js';
import { allSaved, frameOf } from './support.js';

const rounds = Number(process.env['TORTURE'] ?? 10);
/** What is older than this when the browser is killed is on the disk. In milliseconds. */
const promised = 500;

let folder: string;
test.beforeEach(() => {
  test.setTimeout(60_000 + rounds * 20_000);
  folder = mkdtempSync(join(tmpdir(), 'poietra-torture-'));
});
test.afterEach(() => rmSync(folder, { recursive: true, force: true, maxRetries: 5 }));

const pause = (milliseconds: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, milliseconds));

/** Something that a person types into, which is kept. */
interface Kept {
  readonly path: string;
  box(page: Page): ReturnType<Page['getByRole']>;
}
const kept: readonly Kept[] = [
  { path: '/fields/pieces', box: (page) => page.getByRole('textbox', { name: 'Hint' }) },
  {
    path: '/forms/freight-booking-short',
    box: (page) => frameOf(page, /^Form:/).getByRole('textbox', { name: /^Pieces/ }),
  },
];

test(`storage: the browser is killed ${rounds} times while the kit and a form are edited`, async ({ baseURL }) => {
  /** What has to be there at least, by place, and what was typed at last. */
  const least = [0, 0];
  const last = [0, 0];
  let typed = 0;
  for (let round = 0; round < rounds; round++) {
    const { page, kill } = await browserOn(folder);
    const which = round % 2;
    const { path, box } = kept[which] as Kept;
    await page.goto(`${baseURL ?? ''}${path}`);
    if (last[which] !== 0) {
      // Where nothing was old enough, nothing has to be there.
      await expect(box(page), `round ${round}: what was kept`).toHaveValue(least[which] === 0 ? /^\d*$/ : /^\d+$/);
      const found = Number(await box(page).inputValue());
      expect(found, `round ${round}: nothing older than half a second is lost`).toBeGreaterThanOrEqual(
        least[which] ?? 0,
      );
      expect(found).toBeLessThanOrEqual(last[which] ?? 0);
    }
    await expect(box(page)).toBeEnabled();
    const entered: { readonly value: number; readonly at: number }[] = [];
    const until = performance.now() + 300 + Math.random() * 1500;
    while (performance.now() < until || entered.length === 0) {
      typed += 1;
      await box(page).fill(String(typed));
      entered.push({ value: typed, at: performance.now() });
      await pause(Math.random() * 200);
    }
    await pause(Math.random() * 700);
    const killedAt = performance.now();
    await kill();
    last[which] = typed;
    least[which] = entered.findLast(({ at }) => killedAt - at > promised)?.value ?? least[which] ?? 0;
  }
});

test(`tabs: two tabs, ${rounds * 2} quick edits each, in every order`, async ({ page, context }) => {
  const other = await context.newPage();
  const boxes = await Promise.all(
    [page, other].map(async (tab, i) => {
      await tab.goto(i === 0 ? '/fields/pieces' : '/fields/kilograms');
      return tab.getByRole('textbox', { name: 'Hint' });
    }),
  );
  await Promise.all(
    boxes.map(async (box, i) => {
      for (let edit = 1; edit <= rounds * 2; edit++) {
        await box.fill(`Tab ${i}, edit ${edit}.`);
        await pause(Math.random() * 60);
      }
    }),
  );
  await allSaved(page);
  await allSaved(other);
  for (const tab of [page, other]) {
    await tab.goto('/fields/pieces');
    await expect(tab.getByRole('textbox', { name: 'Hint' })).toHaveValue(`Tab 0, edit ${rounds * 2}.`);
    await tab.goto('/fields/kilograms');
    await expect(tab.getByRole('textbox', { name: 'Hint' })).toHaveValue(`Tab 1, edit ${rounds * 2}.`);
  }
});

test(`undo: ${2 * Math.ceil(2.5 * rounds)} steps back and forth again, over a reload`, async ({ page }) => {
  const steps = 2 * Math.ceil(2.5 * rounds);
  await page.goto('/fields/pieces');
  const hint = page.getByRole('textbox', { name: 'Hint' });
  // Each is a step of its own: between two edits of one text the other one is edited.
  const label = page.getByRole('textbox', { name: 'Label' });
  const before = await label.inputValue();
  for (let step = 1; step <= steps; step++) await (step % 2 === 0 ? label : hint).fill(`Step ${step}`);
  await allSaved(page);
  await page.reload();
  await expect(hint).toHaveValue(`Step ${steps - 1}`);
  const undo = page.getByRole('button', { name: /^Undo: / });
  for (let step = 0; step < steps; step++) await undo.click();
  await expect(hint).toHaveValue('');
  await expect(label).toHaveValue(before);
  await allSaved(page);
  await page.reload();
  const redo = page.getByRole('button', { name: /^Redo: / });
  for (let step = 0; step < steps; step++) await redo.click();
  await expect(hint).toHaveValue(`Step ${steps - 1}`);
  await expect(label).toHaveValue(`Step ${steps}`);
});

test(`server: killed ${rounds} times under parallel bookings, it keeps what it acknowledged`, async () => {
  const port = await freePort();
  const company = `http://127.0.0.1:${port}/company/bookings`;
  const acknowledged = new Set<string>();
  const booking = { consignor: { name: 'Aldervik Timber' }, consignee: { name: 'Hareby Boatyard' }, pieces: 2 };
  const book = async (isOver: () => boolean): Promise<void> => {
    while (!isOver()) {
      try {
        const answer = await fetch(company, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify({ ...booking, collection: '2026-12-01' }),
        });
        if (answer.status === 201) acknowledged.add(((await answer.json()) as { number: string }).number);
      } catch {
        return; // It is gone: what was not answered was not promised.
      }
    }
  };
  for (let round = 0; round < rounds; round++) {
    const server = await serverOn(folder, port);
    let isOver = false;
    const before = acknowledged.size;
    const working = Array.from({ length: 8 }, () => book(() => isOver));
    // A kill before anything was promised would show nothing; how long that takes is the machine's matter.
    await expect.poll(() => acknowledged.size, { intervals: [10] }).toBeGreaterThan(before);
    await pause(Math.random() * 500);
    await server.kill();
    isOver = true;
    await Promise.all(working);
  }
  const server = await serverOn(folder, port);
  const kept = (await (await fetch(company)).json()) as { readonly number: string }[];
  const numbers = kept.map(({ number }) => number);
  expect([...acknowledged].filter((number) => !numbers.includes(number))).toEqual([]);
  expect(new Set(numbers).size).toBe(numbers.length);
  await server.kill();
});
