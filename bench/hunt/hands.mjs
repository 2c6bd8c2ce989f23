/** Keys and mouse of somebody who does not know the input: one way after the other, until what is held has changed. */
import { sampleOf, taken } from './application.mjs';

export const placeOf = (page, at) => page.locator(`.poietra-field[data-at="${at}"]`);
export const fieldOf = (page) => placeOf(page, '/held');

export const nothing = Symbol('nothing');
/** Works it in one way after the other until what is held has changed; gives that, or `nothing`. */
export async function workedBy(page, adapter, isDisabled = false) {
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
    // Nothing of a disabled form takes the focus: the Tab key goes on from the page's beginning.
    if (isDisabled) return keys('Tab');
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
  // What it holds already would be no change.
  const wanted = isDisabled ? 'Aldervik' : 'Torsund';
  const offered = async () => {
    for (const role of ['option', 'menuitemradio', 'menuitem', 'radio', 'gridcell', 'treeitem']) {
      const all = page.getByRole(role, { disabled: false });
      const count = await all.count();
      if (count === 0) continue;
      const one = role === 'gridcell' ? all.nth(Math.min(12, count - 1)) : all.filter({ hasText: wanted });
      await click((await one.count()) > 0 ? one : all.nth(Math.min(1, count - 1)));
      return;
    }
    await click(page.getByText(wanted, { exact: true }).last());
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
  const press = () => click(field.locator('input, textarea, button, [role], [tabindex]'));
  const pressed = [
    press,
    () => page.keyboard.type(typed, { delay: 15 }),
    async () => (await press(), await offered()),
    async () => (await enter(), await keys('Space', 'ArrowRight', 'ArrowUp')),
  ];
  await enter();
  for (const way of isDisabled ? [...pressed, ways.at(-1)] : ways) {
    await way();
    const now = await changed();
    if (now === nothing) continue;
    // Typing may still go on, and what is typed may be taken in only on leaving.
    await page.waitForTimeout(isDisabled ? 0 : 250);
    return page.evaluate(() => window.held() ?? null);
  }
  return nothing;
}
