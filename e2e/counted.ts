/** What a person does in the browser, counted: presses of the pointer, keys, and what was pasted. */
import type { Page } from '@playwright/test';

export interface Counted {
  readonly clicks: number;
  readonly keys: number;
}

/** A text that comes in one piece and is longer than this was pasted: all marked, and Ctrl V. */
const longestTyped = 60;

/** Follows every frame of the page; the answer gives what was counted so far. */
export async function countHands(page: Page): Promise<() => Counted> {
  const counted = { clicks: 0, keys: 0 };
  await page.exposeBinding('handsDid', (_source, did: Counted) => {
    counted.clicks += did.clicks;
    counted.keys += did.keys;
  });
  await page.addInitScript((longest) => {
    const { handsDid } = window as unknown as { handsDid(did: Counted): void };
    let isKey = false;
    const follow = (type: string, count: (event: Event) => Partial<Counted>): void =>
      window.addEventListener(
        type,
        (event) => {
          const did = { clicks: 0, keys: 0, ...count(event) };
          if (did.clicks + did.keys > 0) handsDid(did);
        },
        true,
      );
    follow('pointerdown', ({ isTrusted }) => (isTrusted ? { clicks: 1 } : {}));
    follow('keydown', (event) => {
      isKey = event.isTrusted;
      return event.isTrusted ? { keys: 1 } : {};
    });
    follow('keyup', () => {
      isKey = false;
      return {};
    });
    // A test may put a whole text in at once; a person has a key for each letter of it.
    follow('input', (event) => {
      // What a trial or a check does in its frame is nobody's hands.
      if (isKey || !event.isTrusted || event.target instanceof HTMLSelectElement) return {};
      const { data } = event as InputEvent;
      const text = data ?? (event.target as HTMLInputElement).value;
      return { keys: typeof text !== 'string' ? 0 : text.length > longest ? 2 : text.length };
    });
    // A list that is chosen from is opened, and one of it pressed.
    follow('change', ({ target, isTrusted }) =>
      target instanceof HTMLSelectElement && !isTrusted ? { clicks: 2 } : {},
    );
  }, longestTyped);
  return () => ({ ...counted });
}
