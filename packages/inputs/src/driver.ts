/**
 * Drives a page from outside: the pointer and the keys of the browser itself, so that events are a person's to the page;
 * the pixels; and what the browser tells a screen reader. `stand/src/outside.ts` is its other side.
 */
import type { Outside, Told } from '@poietra/stand';
import { createHash } from 'node:crypto';
import type { CDPSession, Page } from 'playwright-core';

/** Puts the driver on a page, before its scripts run. */
export async function drive(page: Page): Promise<void> {
  const outside = driverOf(page, await page.context().newCDPSession(page));
  await page.exposeBinding('poietraDrive', (_source, doing: string, ...given: unknown[]) => {
    if (!Object.hasOwn(outside, doing)) throw new Error(`The driver cannot “${doing}”.`);
    // What a page asks for is of the page's own making: a wrong argument fails there and nowhere else.
    return (outside[doing as keyof Outside] as (...all: unknown[]) => Promise<unknown>)(...given);
  });
}

function driverOf(page: Page, session: CDPSession): Outside {
  const { mouse, keyboard } = page;
  return {
    move: ([x, y]) => mouse.move(x, y),
    async press([x, y]) {
      await mouse.move(x, y);
      await mouse.down();
      await mouse.up();
    },
    async stroke([first, ...rest]) {
      if (!first) return;
      await mouse.move(...first);
      await mouse.down();
      for (const point of rest) {
        await mouse.move(...point);
        // The browser hears of a pointer once a frame; the same stroke has to be the same each time.
        await page.evaluate(() => new Promise(requestAnimationFrame));
      }
      await mouse.up();
    },
    key: (name) => keyboard.press(name === ' ' ? 'Space' : name),
    type: (text) => keyboard.type(text),
    async picture(part) {
      const pixels = await page.screenshot({ clip: part, caret: 'hide', animations: 'allow' });
      return createHash('sha1').update(pixels).digest('hex');
    },
    told: () => toldOf(session),
  };
}

interface TreeValue {
  readonly value?: unknown;
}
interface TreeNode {
  readonly ignored?: boolean;
  readonly role?: TreeValue;
  readonly name?: TreeValue;
  readonly description?: TreeValue;
  readonly properties?: readonly { readonly name: string; readonly value: TreeValue }[];
}

async function toldOf(session: CDPSession): Promise<Told> {
  const { result } = await session.send('Runtime.evaluate', { expression: 'globalThis.poietraAsked' });
  const asked = result.objectId === undefined ? {} : { objectId: result.objectId };
  const tree = await session.send('Accessibility.getPartialAXTree', { ...asked, fetchRelatives: false });
  const [node] = tree.nodes as readonly TreeNode[];
  const text = (value: TreeValue | undefined): string => (typeof value?.value === 'string' ? value.value : '');
  return {
    role: node === undefined || node.ignored ? '' : text(node.role),
    name: text(node?.name),
    description: text(node?.description),
    states: Object.fromEntries((node?.properties ?? []).map(({ name, value }) => [name, value.value])),
  };
}
