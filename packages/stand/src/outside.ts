/**
 * A browser that is driven from outside its page: events that it takes for a person's, pixels, and what it tells a screen
 * reader. The driver (`inputs/src/driver.ts`) puts one function on the page; in a frame of the workbench there is none, and
 * gestures are events of a script.
 */

/** A point of the viewport, in CSS pixels. */
export type Point = readonly [x: number, y: number];

export interface Outside {
  /** The pointer goes there. */
  move(to: Point): Promise<void>;
  /** It goes there and presses. */
  press(at: Point): Promise<void>;
  /** It goes to the first, and from there to the last with the button held. */
  stroke(along: readonly Point[]): Promise<void>;
  /** One key, named as in `KeyboardEvent.key`, on what has the focus; `Control+a` with another one held. */
  key(name: string): Promise<void>;
  /** A text, key by key, into what has the focus. */
  type(text: string): Promise<void>;
  /** The pixels of a part of the viewport as a text: the same where they are the same. */
  picture(part: {
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
  }): Promise<string>;
  /** What the browser tells a screen reader of the element that `askedOf` holds. */
  told(): Promise<Told>;
}

/** An element in the browser's accessibility tree. */
export interface Told {
  /** Empty where it is not in the tree. */
  readonly role: string;
  readonly name: string;
  readonly description: string;
  /** States and properties by their names without `aria-`; those that do not hold are missing or false. */
  readonly states: Readonly<Record<string, unknown>>;
}

type Drive = (doing: string, ...given: readonly unknown[]) => Promise<unknown>;
const page = globalThis as { poietraDrive?: Drive; poietraAsked?: Element };

/** Asks the driver for something else than its hands and eyes: what a judge has to tell. */
export async function callDriver(doing: string, ...given: readonly unknown[]): Promise<unknown> {
  return page.poietraDrive?.(doing, ...given);
}

/** What drives the browser, where something does. */
export const outside: Outside | undefined = page.poietraDrive && {
  move: async (to) => void (await page.poietraDrive?.('move', to)),
  press: async (at) => void (await page.poietraDrive?.('press', at)),
  stroke: async (along) => void (await page.poietraDrive?.('stroke', along)),
  key: async (name) => void (await page.poietraDrive?.('key', name)),
  type: async (text) => void (await page.poietraDrive?.('type', text)),
  picture: async (part) => String(await page.poietraDrive?.('picture', part)),
  told: async () => (await page.poietraDrive?.('told')) as Told,
};

/** What a screen reader is told of an element; undefined where nobody outside can say. */
export async function toldOf(element: Element): Promise<Told | undefined> {
  if (!outside) return undefined;
  page.poietraAsked = element;
  return outside.told();
}

/**
 * The pixels of a box with what its edge may have around it; undefined where nobody outside can see. It is taken out of the
 * page for that and stands where every other would, alone: a message beside it is not its own, and half a pixel further
 * down the same text has other pixels.
 */
export async function pixelsOf(box: HTMLElement): Promise<string | undefined> {
  if (!outside) return undefined;
  const { cssText } = box.style;
  box.style.cssText = `${cssText}; position: absolute; top: 300px; left: 20px; width: ${box.getBoundingClientRect().width}px`;
  document.documentElement.toggleAttribute('data-alone', true);
  box.toggleAttribute('data-seen', true);
  try {
    box.scrollIntoView({ block: 'center', inline: 'center' });
    const { left, top, right, bottom } = box.getBoundingClientRect();
    const [x, y] = [Math.max(0, Math.floor(left) - edge), Math.max(0, Math.floor(top) - edge)];
    const width = Math.min(innerWidth, Math.ceil(right) + edge) - x;
    const height = Math.min(innerHeight, Math.ceil(bottom) + edge) - y;
    return width > 2 * edge && height > 2 * edge ? await outside.picture({ x, y, width, height }) : 'nothing';
  } finally {
    box.style.cssText = cssText;
    box.toggleAttribute('data-seen', false);
    document.documentElement.toggleAttribute('data-alone', false);
  }
}
/** In CSS pixels: outlines and shadows that say something stand outside the box. */
const edge = 8;
