/**
 * A frame has the focus only after a person gave it to it. The browser lets a frame take it by script, and then what is
 * typed goes there; so while a person writes in a text box of the workbench, a frame that takes the focus loses it again
 * at once, and one that goes on taking it is told of (`focusTaken`).
 *
 * The workbench sees no press inside a frame. It sees Tab, and hears from the first script of a frame that a person
 * pressed in it (`pressedIn`; `stand/src/say.ts` says why that can be believed).
 */
/** Told on a frame that took the focus from somebody who wrote. */
export const focusTaken = 'poietra-focus-taken';

const noText = /^(button|checkbox|color|file|image|radio|range|reset|submit)$/;
const takesText = (element: EventTarget | null): element is HTMLElement =>
  element instanceof HTMLElement &&
  (element.isContentEditable ||
    element instanceof HTMLTextAreaElement ||
    (element instanceof HTMLInputElement && !noText.test(element.type)));

/** In ms: how long Tab and a press count for where the focus goes next. */
const counts = 500;
/**
 * In ms: what a frame says of a press comes later than the focus goes, the later the more there is to do. So it is asked,
 * and its answer comes after all that it said before. One that gives none is waited for so long; what is typed meanwhile
 * goes there.
 */
const answerTakes = 250;

let wroteIn: HTMLElement | undefined;
let leftAt = -Infinity;
let tabAt = -Infinity;
const pressed = new WeakMap<HTMLIFrameElement, number>();
/** What was done in the workbench last; a press in a frame before that has had its effect. */
let actedAt = -Infinity;

interface Question {
  readonly number: number;
  readonly timer: ReturnType<typeof setTimeout>;
  decide(): void;
}
const waiting = new WeakMap<HTMLIFrameElement, Question>();
let questions = 0;

/** A person pressed in this frame. */
export const pressedIn = (frame: HTMLIFrameElement): void => void pressed.set(frame, performance.now());

function isByHand(frame: HTMLIFrameElement): boolean {
  const given = Math.max(tabAt, pressed.get(frame) ?? -Infinity);
  return given >= actedAt && performance.now() - given < counts;
}

function onBlur(): void {
  const { activeElement: frame } = document;
  const before = wroteIn;
  const isTaken = performance.now() - leftAt < 50;
  if (!(frame instanceof HTMLIFrameElement) || !before?.isConnected || !isTaken) return;
  const number = ++questions;
  const decide = (): void => {
    clearTimeout(waiting.get(frame)?.timer);
    waiting.delete(frame);
    if (isByHand(frame) || document.activeElement !== frame) return;
    frame.blur();
    before.focus({ preventScroll: true });
    // A frame that is taken away while the focus comes back from it takes it along.
    setTimeout(() => frame.dispatchEvent(new CustomEvent(focusTaken)), 100);
  };
  clearTimeout(waiting.get(frame)?.timer);
  waiting.set(frame, { number, decide, timer: setTimeout(decide, answerTakes) });
  frame.contentWindow?.postMessage({ asked: number }, '*');
}

/** The frame has answered what it was asked when the focus went to it. */
export function answered(frame: HTMLIFrameElement, number: number): void {
  const question = waiting.get(frame);
  if (question?.number === number) question.decide();
}

/** Called once, before anything is drawn. */
export function guardFocus(): void {
  const capture = { capture: true, passive: true };
  document.addEventListener(
    'focusin',
    ({ target }) => {
      if (takesText(target)) wroteIn = target;
    },
    capture,
  );
  document.addEventListener(
    'focusout',
    ({ target }) => {
      if (target === wroteIn) leftAt = performance.now();
    },
    capture,
  );
  window.addEventListener(
    'keydown',
    ({ key }) => {
      actedAt = performance.now();
      if (key === 'Tab') tabAt = actedAt;
    },
    capture,
  );
  window.addEventListener('pointerdown', () => (actedAt = performance.now()), capture);
  window.addEventListener('blur', onBlur);
}
