/** Hands that are the browser's own: a driver outside the page moves the pointer and presses the keys. */
import { everyElement } from '@poietra/react';
import type { Outside, Point } from './outside.js';
import type { Hands } from './script-hands.js';
import { settle } from './settle.js';
import { drawnPart, wordsOf } from './targets.js';

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
    away: () => {
      placeToLeaveTo();
      return out.press([innerWidth - 2, innerHeight - 2]);
    },
  };
}

/**
 * In the corner that is pressed to leave an input. A press on the bare page puts the caret into the nearest text that can
 * be written in, and with it the focus back where it was.
 */
function placeToLeaveTo(): void {
  if (document.querySelector('[data-poietra-away]')) return;
  const place = document.createElement('div');
  place.dataset['poietraAway'] = '';
  place.style.cssText = 'position: fixed; right: 0; bottom: 0; width: 6px; height: 6px; user-select: none';
  document.body.append(place);
}

/** Where a person presses to reach an element: on what is to be seen of it. */
async function pointOf(element: HTMLElement): Promise<Point> {
  const target = toBeSeen(element);
  await bringIntoView(target);
  const { left, top, width, height } = pressedPart(target).getBoundingClientRect();
  return [left + width / 2, top + height / 2];
}

/**
 * Waits until it stands still where it can be pressed. Lists and calendars are first measured far outside, and go after
 * their box when the page moves, so something is moved only where waiting has not helped.
 */
async function bringIntoView(element: Element): Promise<void> {
  let last = '';
  for (let turn = 0; turn < 12; turn++) {
    const { left, top } = element.getBoundingClientRect();
    const isStill = last === `${left} ${top}`;
    if (isStill && isOnTop(element)) return;
    if (isStill && turn > 8) return;
    if (isStill) element.scrollIntoView({ block: turn < 4 ? 'nearest' : 'center', inline: 'nearest' });
    last = `${left} ${top}`;
    await settle(20);
  }
}

/** Whether a press in its middle would be its own: it is within the window, and in no list that shows another part. */
function isOnTop(element: Element): boolean {
  const hit = hitIn(element);
  return hit !== undefined && (hit === element || element.contains(hit));
}
/** What is drawn in its middle, in its own tree. */
function hitIn(element: Element): Element | undefined {
  const { left, top, width, height } = element.getBoundingClientRect();
  const root = element.getRootNode();
  const tree = root instanceof ShadowRoot ? root : document;
  return tree.elementFromPoint(left + width / 2, top + height / 2) ?? undefined;
}

/** Of a box that is hidden under its own drawing, the drawing: its label, what stands beside it, or what is around it. */
function toBeSeen(element: HTMLElement): Element {
  if (hasExtent(element)) return element;
  const root = element.getRootNode();
  const around = element.parentElement ?? (root instanceof ShadowRoot ? root.host : element);
  return (
    [element.closest('label'), element.nextElementSibling, element.previousElementSibling, around].find(
      (one): one is Element => one !== null && hasExtent(one),
    ) ??
    drawnTwin(element) ??
    element
  );
}
/** What stands in a list that only a screen reader is told of is drawn a second time, with the same words. */
function drawnTwin(element: HTMLElement): Element | undefined {
  const words = element.textContent.trim();
  if (words === '') return undefined;
  return [...everyElement(document.body)].findLast((one) => one.textContent.trim() === words && hasExtent(one));
}
function hasExtent(element: Element): boolean {
  const { width, height } = element.getBoundingClientRect();
  return width > 4 && height > 4;
}

/** Where nothing of it takes a press in its middle, as in a wide row, the words do. */
function pressedPart(element: Element): Element {
  const hit = hitIn(element);
  if (hit && hit !== element && element.contains(hit)) return element;
  return wordsOf(element) ?? element;
}

async function strokeOver(element: HTMLElement): Promise<Point[]> {
  await bringIntoView(element);
  const { left, top, width, height } = drawnPart(element).getBoundingClientRect();
  return [0, 0.25, 0.5, 0.75, 1].map((part) => [left + width * (0.2 + 0.6 * part), top + height * (0.3 + 0.4 * part)]);
}
