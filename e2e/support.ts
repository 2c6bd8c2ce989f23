import AxeBuilder from '@axe-core/playwright';
import { expect, type FrameLocator, type Locator, type Page } from '@playwright/test';

/** Tab after Tab, as a person without a mouse, until something has the focus. */
export async function tabTo(page: Page, target: Locator, most = 60): Promise<void> {
  for (let i = 0; i < most; i++) {
    await page.keyboard.press('Tab');
    if ((await target.count()) > 0 && (await target.evaluate((element) => element === document.activeElement))) return;
  }
  throw new Error(`${String(target)} was not reached by Tab.`);
}

/** The frame in which a form, a field or an input is drawn. */
export function frameOf(page: Page, title: string | RegExp): FrameLocator {
  return page.getByTitle(title).contentFrame();
}

/**
 * As a person who wrote elsewhere: presses first, then types. A frame that has the focus by script alone does not keep it
 * from somebody who writes (`parts/focus-guard.ts`).
 */
export async function typeInto(box: Locator, text: string): Promise<void> {
  await box.click();
  await box.fill(text);
}

/** One group of a form by its legend. */
export function group(frame: FrameLocator, name: string): ReturnType<FrameLocator['getByRole']> {
  return frame.getByRole('group', { name, exact: true });
}

/** What a station of the value line says. */
export function station(page: Page, name: 'shown' | 'held' | 'sent'): ReturnType<Page['getByTestId']> {
  return page.getByTestId(`station-${name}`).last();
}

export async function companySettings(page: Page, settings: object): Promise<void> {
  const answer = await page.request.put('/company/settings', {
    data: { delay: 0, fail: false, refuse: null, ...settings },
  });
  expect(answer.ok()).toBe(true);
}

/** No finding of axe on the page, frames included; foreign inputs inside a stand are not ours to mend. */
export async function expectAccessible(page: Page, leaveOut: readonly string[] = []): Promise<void> {
  const builder = new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']);
  for (const selector of leaveOut) builder.exclude(selector);
  const { violations } = await builder.analyze();
  expect(
    violations.map(
      ({ id, nodes }) =>
        `${id}: ${nodes.map(({ target, html }) => `${target.join(' ')} ${html.slice(0, 120)}`).join(' | ')}`,
    ),
  ).toEqual([]);
}

/** The next working day that can be picked without leaving the month that the calendar shows, or the one after. */
export function dayName(date: Date): RegExp {
  const month = date.toLocaleString('en', { month: 'long' });
  return new RegExp(`${month} ${date.getDate()}(st|nd|rd|th), ${date.getFullYear()}`);
}

/** Waits until every change is on the disk. */
export async function allSaved(page: Page): Promise<void> {
  await expect(page.locator('[data-saved="true"]')).toBeVisible();
}

/** The 15th of the month shown at first is a Sunday at times; the 16th is then taken. */
export function aWorkingDay(): Date {
  const now = new Date();
  const day = new Date(now.getFullYear(), now.getMonth(), 15);
  return day.getDay() === 0 ? new Date(now.getFullYear(), now.getMonth(), 16) : day;
}
