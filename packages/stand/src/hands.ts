/** Doing a gesture: acting on the elements that its steps mean, as a person would. */
import type { Gesture, Step } from '@poietra/core';
import { focused } from '@poietra/react';
import { userEvent } from '@testing-library/user-event';
import { drivenHands } from './driven-hands.js';
import { outside } from './outside.js';
import { scriptHands, type Hands } from './script-hands.js';
import { pause, settle } from './settle.js';
import { candidates, renamed } from './targets.js';

const hands: Hands = outside ? drivenHands(outside) : scriptHands;

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
    const element = (await waitFor(() => candidates(box, step.on)[step.on.index ?? 0])) ?? renamed(box, step.on);
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

export async function act(element: HTMLElement, step: Step): Promise<void> {
  switch (step.do) {
    case 'press':
      // Its list is the browser's own, and no page's.
      if (element instanceof HTMLOptionElement) await choose(element);
      else await hands.press(element);
      return;
    case 'type':
      await hands.type(element, step.text);
      return;
    case 'key':
      element.focus();
      await hands.key(element, step.key);
      return;
    case 'set':
      setNatively(element, step.value);
      return;
    case 'files':
      if (element instanceof HTMLInputElement) await giveFiles(element, step.names);
      // A file is read in its own time, and nothing in the page tells of it.
      await settle(60);
      return;
    case 'draw':
      await hands.draw(element);
  }
}

async function giveFiles(element: HTMLInputElement, names: readonly string[]): Promise<void> {
  const files = names.map((name) => new File([`Skerry Line: ${name}`], name, { type: 'text/plain', lastModified: 0 }));
  if (!outside) return userEvent.upload(element, files);
  // Another world sees what the element itself holds, and no property that a script puts over it.
  const held = new DataTransfer();
  for (const file of files) held.items.add(file);
  element.files = held.files;
  for (const type of ['input', 'change']) element.dispatchEvent(new Event(type, { bubbles: true, composed: true }));
}

/** A press as a person would press, on what is no part of a gesture. */
export const pressOn = (element: HTMLElement): Promise<void> => hands.press(element);

async function choose(option: HTMLOptionElement): Promise<void> {
  const list = option.closest('select');
  if (list) await userEvent.selectOptions(list, option);
}

/** The property's own setter, since the framework watches the element's. */
function setNatively(element: HTMLElement, value: string): void {
  const setter = Object.getOwnPropertyDescriptor(Object.getPrototypeOf(element) as object, 'value')?.set;
  setter?.call(element, value);
  element.dispatchEvent(new Event('input', { bubbles: true, composed: true }));
  element.dispatchEvent(new Event('change', { bubbles: true }));
}

/** Focus and pointer go out of the input by a press on nothing, as a person leaves it who goes on elsewhere. */
export async function leave(): Promise<void> {
  await hands.away();
  const active = focused();
  if (!(active instanceof HTMLElement) || active === document.body) return;
  active.blur();
  await settle();
}
