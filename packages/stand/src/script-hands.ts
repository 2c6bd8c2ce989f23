/** Hands that are events of a script, as much like a person's as a page can make them. */
import { userEvent } from '@testing-library/user-event';
import { drawnPart, wordsOf } from './targets.js';

/** What moves pointer and keys. */
export interface Hands {
  press(element: HTMLElement): Promise<void>;
  /** Takes away what stands there and types the text. */
  type(element: HTMLElement, text: string): Promise<void>;
  key(element: HTMLElement, key: string): Promise<void>;
  draw(element: HTMLElement): Promise<void>;
  /** A press on nothing: what is shown below the pointer is no value yet, and what was opened shuts. */
  away(): Promise<void>;
}

const user = userEvent.setup({ delay: null, pointerEventsCheck: 0, skipHover: false });

export const scriptHands: Hands = {
  press: pressOn,
  async type(element, text) {
    await user.click(element);
    if ('value' in element && element.value !== '') await clear(element);
    if (text !== '') await user.keyboard(text.replace(/[{[]/g, '$&$&'));
  },
  key(element, key) {
    pressKey(element, key);
    return Promise.resolve();
  },
  draw(element) {
    draw(element);
    return Promise.resolve();
  },
  away: () => user.click(document.body),
};

/** Where a press opens a list with the mouse going down, a click alone would do nothing; both belong to a press. */
async function pressOn(element: HTMLElement): Promise<void> {
  element.scrollIntoView({ block: 'center', inline: 'center' });
  // As with a real pointer, what is drawn in the middle of the element takes the press.
  const { left, top, width, height } = element.getBoundingClientRect();
  const hit = document.elementFromPoint(left + width / 2, top + height / 2);
  if (hit && hit !== element && element.contains(hit)) return clickOn(hit);
  // In a wide row a person goes for the words.
  await clickOn(wordsOf(element) ?? element);
}

/** A click in the middle: many inputs ask where it was. */
async function clickOn(target: Element): Promise<void> {
  const { left, top, width, height } = target.getBoundingClientRect();
  const coords = { clientX: left + width / 2, clientY: top + height / 2 };
  await user.pointer([
    { target, coords },
    { keys: '[MouseLeft]', target, coords },
  ]);
}

/** Takes the text away as a person does: everything marked, then one key. */
async function clear(element: HTMLElement): Promise<void> {
  if (element instanceof HTMLInputElement || element instanceof HTMLTextAreaElement) {
    element.focus();
    element.select();
    await user.keyboard('{Backspace}');
  }
}

/** With the old numbers of keys, which many inputs still look at. */
const keyCodes: Readonly<Record<string, number>> = {
  ArrowLeft: 37,
  ArrowUp: 38,
  ArrowRight: 39,
  ArrowDown: 40,
  Enter: 13,
  Escape: 27,
  Home: 36,
  End: 35,
  PageUp: 33,
  PageDown: 34,
  ' ': 32,
};
function pressKey(element: HTMLElement, key: string): void {
  const keyCode = keyCodes[key] ?? key.toUpperCase().charCodeAt(0);
  const code = key === ' ' ? 'Space' : key;
  const init = { key, code, keyCode, which: keyCode, bubbles: true, composed: true, cancelable: true };
  for (const type of ['keydown', 'keyup']) element.dispatchEvent(new KeyboardEvent(type, init));
}

function draw(within: HTMLElement): void {
  const element = drawnPart(within);
  const { left, top, width, height } = element.getBoundingClientRect();
  const at = (part: number): PointerEventInit & MouseEventInit => ({
    bubbles: true,
    composed: true,
    cancelable: true,
    pointerId: 1,
    pointerType: 'mouse',
    isPrimary: true,
    pressure: 0.5,
    button: 0,
    buttons: part === 1 ? 0 : 1,
    clientX: left + width * (0.2 + 0.6 * part),
    clientY: top + height * (0.3 + 0.4 * part),
  });
  const tell = (pointer: string, mouse: string, part: number): void => {
    element.dispatchEvent(new PointerEvent(pointer, at(part)));
    element.dispatchEvent(new MouseEvent(mouse, at(part)));
  };
  tell('pointerdown', 'mousedown', 0);
  for (const part of [0.25, 0.5, 0.75]) tell('pointermove', 'mousemove', part);
  tell('pointerup', 'mouseup', 1);
}
