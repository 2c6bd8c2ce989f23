/** @jest-environment jsdom */
import { answered, focusTaken, guardFocus, pressedIn } from '../src/parts/focus-guard.js';

guardFocus();

let box: HTMLTextAreaElement;
let frame: HTMLIFrameElement;
let asked: number[];
let taken: number;

beforeEach(() => void (taken = 0));

/** Somebody writes in the box; then the focus goes to the frame, by whomever. */
function goToFrame(): void {
  document.body.innerHTML = '<textarea></textarea><iframe tabindex="0"></iframe>';
  [box, frame] = document.body.children as unknown as [HTMLTextAreaElement, HTMLIFrameElement];
  asked = [];
  frame.addEventListener(focusTaken, () => taken++);
  const post = (message: { asked: number }): void => void asked.push(message.asked);
  Object.assign(frame.contentWindow as Window, { postMessage: post });
  box.focus();
  frame.focus();
  window.dispatchEvent(new Event('blur'));
}

test('a frame that a person pressed in keeps the focus, however late it says so', async () => {
  goToFrame();
  await wait(150);
  expect(document.activeElement).toBe(frame);
  pressedIn(frame);
  answered(frame, asked[0] ?? 0);
  await wait(300);
  expect(document.activeElement).toBe(frame);
  expect(taken).toBe(0);
});

test('one that nobody pressed in loses it with its answer, and in time without one', async () => {
  goToFrame();
  answered(frame, (asked[0] ?? 0) - 1);
  expect(document.activeElement).toBe(frame);
  answered(frame, asked[0] ?? 0);
  expect(document.activeElement).toBe(box);
  goToFrame();
  await wait(400);
  expect(document.activeElement).toBe(box);
  expect(taken).toBe(2);
});

const wait = (time: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, time));
