/** Hands that are the browser's own: a driver outside the page moves the pointer and presses the keys. */
import type { Outside, Point } from './outside.js';
import type { Hands } from './script-hands.js';
import { settle } from './settle.js';
import { isVisible } from './targets.js';

export function drivenHands(out: Outside): Hands {
  return {
    press: async (element) => out.press(await pointOf(element)),
    async type(element, text) {
      await out.press(await pointOf(element));
      // Where the press was taken by something that lies over it, a person would go on by Tab.
      if (!element.matches(':focus, :focus-within')) element.focus();
      if ('value' in element && element.value !== '') {
        await out.key('Control+a');
        await out.key('Backspace');
      }
      if (text !== '') await out.type(text);
    },
    key: (_element, key) => out.key(key),
    draw: async (element) => out.stroke(await strokeOver(element)),
    away: () => out.move([innerWidth - 2, innerHeight - 2]),
  };
}

/** Where a person presses to reach an element: on what is to be seen of it. */
async function pointOf(element: HTMLElement): Promise<Point> {
  const target = toBeSeen(element);
  await bringIntoView(target);
  const { left, top, width, height } = wordsIn(target).getBoundingClientRect();
  return [left + width / 2, top + height / 2];
}

/**
 * Waits until it stands still within the window. Lists and calendars are first measured far outside, and go after their
 * box when the page moves, so the page is moved only where waiting has not helped.
 */
async function bringIntoView(element: Element): Promise<void> {
  let last = '';
  for (let turn = 0; turn < 12; turn++) {
    const { left, top, right, bottom } = element.getBoundingClientRect();
    const isWithin = left >= 0 && top >= 0 && right <= innerWidth && bottom <= innerHeight;
    const place = `${left} ${top}`;
    if (isWithin && place === last) return;
    // What stands in the page and not over it is only brought by moving the page.
    if (!isWithin && place === last) element.scrollIntoView({ block: 'center', inline: 'center' });
    last = place;
    await settle(20);
  }
}

/** Of a box that is hidden under its own drawing, the drawing: its label, what stands beside it, or what is around it. */
function toBeSeen(element: HTMLElement): Element {
  if (hasExtent(element)) return element;
  const root = element.getRootNode();
  const around = element.parentElement ?? (root instanceof ShadowRoot ? root.host : element);
  return (
    [element.closest('label'), element.nextElementSibling, element.previousElementSibling, around].find(
      (one): one is Element => one !== null && hasExtent(one),
    ) ?? element
  );
}
function hasExtent(element: Element): boolean {
  const { width, height } = element.getBoundingClientRect();
  return width > 4 && height > 4;
}

/** Where nothing of it takes a press in its middle, as in a wide row, the words do. */
function wordsIn(element: Element): Element {
  const { left, top, width, height } = element.getBoundingClientRect();
  const hit = document.elementFromPoint(left + width / 2, top + height / 2);
  if (hit && hit !== element && element.contains(hit)) return element;
  const words = [...element.querySelectorAll('*')].find(
    (one) =>
      isVisible(one) &&
      [...one.childNodes].some(({ nodeType, nodeValue }) => nodeType === Node.TEXT_NODE && nodeValue?.trim()),
  );
  return words ?? element;
}

async function strokeOver(element: HTMLElement): Promise<Point[]> {
  await bringIntoView(element);
  const { left, top, width, height } = element.getBoundingClientRect();
  return [0, 0.25, 0.5, 0.75, 1].map((part) => [left + width * (0.2 + 0.6 * part), top + height * (0.3 + 0.4 * part)]);
}
