/**
 * Drives a page from outside: the pointer and the keys of the browser itself, so that events are a person's to the page;
 * the pixels; and what the browser tells a screen reader. `stand/src/outside.ts` is its other side.
 */
import { reasonOf } from '@poietra/core';
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

const world = 'poietra-judge';
/** In the judge's world: what the binding brings back is told to whoever asked. */
const prelude = `{
  const waiting = new Map();
  let count = 0;
  globalThis.poietraDrive = (doing, ...given) => new Promise((resolve, reject) => {
    waiting.set(++count, { resolve, reject });
    poietraCall(JSON.stringify({ call: count, doing, given }));
  });
  globalThis.poietraAnswer = (call, answer, failed) => {
    const { resolve, reject } = waiting.get(call);
    waiting.delete(call);
    if (failed === undefined) resolve(answer); else reject(new Error(failed));
  };
}`;

/**
 * Opens a world of its own on the page (`Page.createIsolatedWorld` of the browser's protocol): the same elements, none of
 * the page's code, the driver at hand. `more` is what can be asked of the driver beside. Gives what calls a function that
 * the script exports, with something that is JSON.
 */
export async function openWorld(
  page: Page,
  script: string,
  more: Readonly<Record<string, (given: never) => unknown>>,
): Promise<(call: string, given: object) => Promise<void>> {
  const session = await page.context().newCDPSession(page);
  await session.send('Runtime.enable');
  const { frameTree } = await session.send('Page.getFrameTree');
  const { executionContextId: contextId } = await session.send('Page.createIsolatedWorld', {
    frameId: frameTree.frame.id,
    worldName: world,
  });
  const doings = { ...driverOf(page, session, contextId), ...more } as Readonly<
    Record<string, (...given: unknown[]) => unknown>
  >;
  session.on('Runtime.bindingCalled', ({ name, payload, executionContextId }) => {
    if (name !== 'poietraCall' || executionContextId !== contextId) return;
    const { call, doing, given } = JSON.parse(payload) as { call: number; doing: string; given: unknown[] };
    const answer = (...args: unknown[]): void => {
      const sent = session.send('Runtime.callFunctionOn', {
        functionDeclaration: '(...all) => poietraAnswer(...all)',
        executionContextId: contextId,
        arguments: [call, ...args].map((value) => (value === undefined ? {} : { value })),
      });
      // The page may be gone by now; whoever waits for it knows.
      sent.catch(() => undefined);
    };
    Promise.resolve(doings[doing]?.(...given)).then(
      (done) => answer(done),
      (error: unknown) => answer(undefined, reasonOf(error)),
    );
  });
  await session.send('Runtime.addBinding', { name: 'poietraCall', executionContextName: world });
  const run = async (expression: string): Promise<void> => {
    const { exceptionDetails } = await session.send('Runtime.evaluate', { expression, contextId, awaitPromise: true });
    if (exceptionDetails)
      throw new Error(exceptionDetails.exception?.description?.split('\n')[0] ?? exceptionDetails.text);
  };
  await run(prelude);
  await run(`${script}\nvoid 0;`);
  return (call, given) => run(`poietraWorld.${call}(${JSON.stringify(given)})`);
}

function driverOf(page: Page, session: CDPSession, contextId?: number): Outside {
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
    told: () => toldOf(session, contextId),
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

async function toldOf(session: CDPSession, contextId: number | undefined): Promise<Told> {
  const { result } = await session.send('Runtime.evaluate', {
    expression: 'globalThis.poietraAsked',
    ...(contextId === undefined ? {} : { contextId }),
  });
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
