/** Doing a gesture: finding the element that a step means, and acting on it as a person would. */
import type { Gesture, Step, Target } from '@poietra/core';
import { everyElement, focused } from '@poietra/react';
import { userEvent } from '@testing-library/user-event';
import { computeAccessibleName, getRole } from 'dom-accessibility-api';
import { pause, settle } from './settle.js';

/** A role in one word; `canvas`, `file`, `date` and the like where ARIA has none. */
export function roleOf(element: Element): string {
  if (element instanceof HTMLInputElement && !element.hasAttribute('role')) {
    if (/^(file|color|date|time|datetime-local|month|week|range|password)$/.test(element.type))
      return element.type === 'range' ? 'slider' : element.type;
  }
  if (element instanceof HTMLCanvasElement) return 'canvas';
  if (element instanceof HTMLElement && element.contentEditable === 'true' && !element.hasAttribute('role'))
    return 'textbox';
  if (element.tagName === 'TD' && !element.hasAttribute('role')) return 'cell';
  return getRole(element) ?? '';
}

/** The accessible name; of a day in a calendar only its number, so that a gesture holds next month, too. */
export function nameOf(element: Element): string {
  const text = element.textContent.trim();
  if (/^\d{1,2}$/.test(text)) return text;
  const name = computeAccessibleName(element).trim();
  return name === '' ? element.textContent.trim().slice(0, 60) : name;
}

function isShown(element: Element): boolean {
  // Neither is to be seen by itself, yet both are what a person works with.
  if (element instanceof HTMLOptionElement || (element instanceof HTMLInputElement && element.type === 'file'))
    return true;
  return isVisible(element);
}
/** Drawn; and of lists, with an extent: those kept for screen readers alone cannot be pressed. */
export function isVisible(element: Element): boolean {
  if (!element.checkVisibility({ visibilityProperty: true })) return false;
  if (!/^(option|treeitem|menuitem)$/.test(roleOf(element))) return true;
  const { width, height } = element.getBoundingClientRect();
  return width > 1 && height > 1;
}

/** All elements that a target may mean: inside the box first, then elsewhere on the page, where lists and calendars open. */
export function candidates(box: Element, { role, name }: Target): HTMLElement[] {
  const within = [...everyElement(box)];
  const inBox = new Set(within);
  const elsewhere = [...everyElement(document.body)].filter(
    (element) => !inBox.has(element) && !element.closest('[data-trial]'),
  );
  return [...within, ...elsewhere].filter(
    (element): element is HTMLElement =>
      element instanceof HTMLElement &&
      isOf(element, role) &&
      isShown(element) &&
      (name === undefined || nameOf(element) === name),
  );
}

/** A role, or `<tag>` for what has none. */
function isOf(element: Element, role: string): boolean {
  return role.startsWith('<') ? `<${element.tagName.toLowerCase()}>` === role : roleOf(element) === role;
}

/** The target that means this element, as short as it can be. */
export function targetOf(box: Element, element: HTMLElement): Target {
  const role = roleOf(element) || `<${element.tagName.toLowerCase()}>`;
  const inBox = box.contains(element) || isInShadowOf(box, element);
  const same = candidates(box, { role });
  if (inBox && same.length === 1) return { role };
  const name = nameOf(element);
  const named = name === '' ? same : candidates(box, { role, name });
  const index = named.indexOf(element);
  return { role, ...(name === '' ? {} : { name }), ...(index > 0 ? { index } : {}) };
}
function isInShadowOf(box: Element, element: Element): boolean {
  for (let root = element.getRootNode(); root instanceof ShadowRoot; root = root.host.getRootNode())
    if (box.contains(root.host)) return true;
  return false;
}

/** A step that cannot be done, in words for a person. */
export class GestureError extends Error {
  override name = 'GestureError';
}

const isOutOfReach = (element: Element): boolean =>
  element.closest('[inert], fieldset:disabled') !== null || ('disabled' in element && element.disabled === true);

/**
 * Does all steps, each followed by a rest in which the input draws itself anew.
 * @throws {GestureError} where an element is not there, or cannot be reached since it is disabled.
 */
export async function perform(box: Element, { steps }: Gesture): Promise<void> {
  for (const step of steps) {
    const element = await waitFor(() => candidates(box, step.on)[step.on.index ?? 0]);
    if (!element)
      throw new GestureError(`There is no ${step.on.role}${step.on.name ? ` “${step.on.name}”` : ''} to act on.`);
    if (isOutOfReach(element) || isInert(element)) throw new GestureError(`The ${step.on.role} is disabled.`);
    await act(element, step);
    await settle(step.do === 'type' ? undefined : pause);
  }
}
function isInert(element: Element): boolean {
  const root = element.getRootNode();
  return root instanceof ShadowRoot && (isOutOfReach(root.host) || isInert(root.host));
}

async function waitFor<T>(find: () => T | undefined): Promise<T | undefined> {
  for (let i = 0; i < 8; i++) {
    const found = find();
    if (found !== undefined) return found;
    await settle();
  }
  return undefined;
}

const hands = userEvent.setup({ delay: null, pointerEventsCheck: 0, skipHover: false });

export async function act(element: HTMLElement, step: Step): Promise<void> {
  switch (step.do) {
    case 'press':
      await pressOn(element);
      return;
    case 'type':
      await hands.click(element);
      if ('value' in element && element.value !== '') await clear(element);
      if (step.text !== '') await hands.keyboard(step.text.replace(/[{[]/g, '$&$&'));
      return;
    case 'key':
      element.focus();
      pressKey(element, step.key);
      return;
    case 'set':
      setNatively(element, step.value);
      return;
    case 'files':
      if (element instanceof HTMLInputElement)
        await hands.upload(
          element,
          step.names.map((name) => new File([`Skerry Line: ${name}`], name, { type: 'text/plain', lastModified: 0 })),
        );
      // A file is read in its own time, and nothing in the page tells of it.
      await settle(60);
      return;
    case 'draw':
      draw(element);
  }
}

/** Where a press opens a list with the mouse going down, a click alone would do nothing; both belong to a press. */
async function pressOn(element: HTMLElement): Promise<void> {
  if (element instanceof HTMLOptionElement) {
    const list = element.closest('select');
    if (list) await hands.selectOptions(list, element);
    return;
  }
  element.scrollIntoView({ block: 'center', inline: 'center' });
  // As with a real pointer, what is drawn in the middle of the element takes the press.
  const { left, top, width, height } = element.getBoundingClientRect();
  const hit = document.elementFromPoint(left + width / 2, top + height / 2);
  if (hit && hit !== element && element.contains(hit)) return clickOn(hit);
  // In a wide row a person goes for the words.
  const words = [...element.querySelectorAll('*')].find(
    (one) =>
      isVisible(one) &&
      [...one.childNodes].some(({ nodeType, nodeValue }) => nodeType === Node.TEXT_NODE && nodeValue?.trim()),
  );
  await clickOn(words ?? element);
}

/** A click in the middle: many inputs ask where it was. */
async function clickOn(target: Element): Promise<void> {
  const { left, top, width, height } = target.getBoundingClientRect();
  const coords = { clientX: left + width / 2, clientY: top + height / 2 };
  await hands.pointer([
    { target, coords },
    { keys: '[MouseLeft]', target, coords },
  ]);
}

/** Takes the text away as a person does: everything marked, then one key. */
async function clear(element: HTMLElement): Promise<void> {
  if (element instanceof HTMLInputElement || element instanceof HTMLTextAreaElement) {
    element.focus();
    element.select();
    await hands.keyboard('{Backspace}');
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

/** The property's own setter, since the framework watches the element's. */
function setNatively(element: HTMLElement, value: string): void {
  const setter = Object.getOwnPropertyDescriptor(Object.getPrototypeOf(element) as object, 'value')?.set;
  setter?.call(element, value);
  element.dispatchEvent(new Event('input', { bubbles: true, composed: true }));
  element.dispatchEvent(new Event('change', { bubbles: true }));
}

function draw(element: HTMLElement): void {
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

/** Focus and pointer go out of the input, onto nothing. */
export async function leave(): Promise<void> {
  // The pointer goes away, too: what is shown below it is no value yet.
  await hands.hover(document.body);
  const active = focused();
  if (!(active instanceof HTMLElement) || active === document.body) return;
  active.blur();
  await settle();
}
