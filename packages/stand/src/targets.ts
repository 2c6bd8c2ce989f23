/** Which element a step means: roles, names and what can be seen, in both directions. */
import type { Target } from '@poietra/core';
import { everyElement } from '@poietra/react';
import { computeAccessibleName, getRole } from 'dom-accessibility-api';

/** A role in one word; `canvas`, `file`, `date` and the like where ARIA has none. */
export function roleOf(element: Element): string {
  if (element instanceof HTMLInputElement && !element.hasAttribute('role')) {
    if (/^(file|color|date|time|datetime-local|month|week|range|password)$/.test(element.type))
      return element.type === 'range' ? 'slider' : element.type;
  }
  if (element instanceof HTMLCanvasElement) return 'canvas';
  if (
    element instanceof HTMLElement &&
    /^(true|plaintext-only)$/.test(element.contentEditable) &&
    !element.hasAttribute('role')
  )
    return 'textbox';
  if (element.tagName === 'TD' && !element.hasAttribute('role')) return 'cell';
  return getRole(element) ?? '';
}

/** The accessible name; of a day in a calendar only its number, so that a gesture holds next month, too. */
export function nameOf(element: Element): string {
  const text = element.textContent.trim();
  if (/^\d{1,2}$/.test(text) && !/^(spinbutton|slider|textbox)$/.test(roleOf(element))) return text;
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

/** Whether the Tab key reaches it; of what can be edited a script is told another number (HTML, `tabIndex`). */
export const takesTab = (element: Element): element is HTMLElement =>
  element instanceof HTMLElement &&
  (element.tabIndex >= 0 ||
    (element.isContentEditable && !element.hasAttribute('tabindex') && element.matches('[contenteditable]')));

/** Whether something around it that scrolls does not show it; the window itself scrolls to whatever is pressed. */
export function isCutOff(element: Element): boolean {
  const own = element.getBoundingClientRect();
  for (let at = holder(element); at && at !== document.body; at = holder(at)) {
    if (getComputedStyle(at).overflowY === 'visible') continue;
    const { top, bottom } = at.getBoundingClientRect();
    if (own.bottom <= top || own.top >= bottom) return true;
  }
  return false;
}
const holder = (element: Element): Element | null => {
  const root = element.getRootNode();
  return element.parentElement ?? (root instanceof ShadowRoot ? root.host : null);
};

/** Whether a press in its middle would reach it as the page stands. */
export function isInSight(element: Element): boolean {
  const { left, top, width, height } = element.getBoundingClientRect();
  const root = element.getRootNode();
  const hit = (root instanceof ShadowRoot ? root : document).elementFromPoint(left + width / 2, top + height / 2);
  return hit !== null && (element.contains(hit) || hit.contains(element));
}

/** All elements that a target may mean: inside the box first, then elsewhere on the page, where lists and calendars open. */
export function candidates(box: Element, { role, name }: Target): HTMLElement[] {
  const within = [...everyElement(box)];
  const inBox = new Set(within);
  const elsewhere = [...everyElement(document.body)].filter(
    (element) => !inBox.has(element) && !element.closest('[data-trial]'),
  );
  const found = [...within, ...elsewhere].filter(
    (element): element is HTMLElement =>
      element instanceof HTMLElement &&
      isOf(element, role) &&
      isShown(element) &&
      (name === undefined || nameOf(element) === name),
  );
  // Of several without a name, one that says it opens something: others, that clear or take one away, come and go with the value.
  return role === 'button' && name === undefined
    ? [...found.filter(opens), ...found.filter((one) => !opens(one))]
    : found;
}
const opens = (element: Element): boolean =>
  element.matches('[aria-haspopup]:not([aria-haspopup=false]), [aria-expanded]');

/**
 * What shows the value is called by it. Where nothing bears the name any more, that of its role in the box which looks as
 * if it could be pressed, the innermost first, or else the outermost.
 */
export function renamed(box: Element, { role, name }: Target): HTMLElement | undefined {
  if (name === undefined) return undefined;
  const all = candidates(box, { role }).filter((one) => isInside(box, one));
  const likely = all.filter(isPressable);
  return likely.find((one) => !likely.some((other) => other !== one && one.contains(other))) ?? all[0];
}

/** What looks as if it could be pressed. */
export const isPressable = (element: Element): element is HTMLElement =>
  element instanceof HTMLElement && getComputedStyle(element).cursor === 'pointer';

/** A role, or `<tag>` for what has none. */
function isOf(element: Element, role: string): boolean {
  return role.startsWith('<') ? `<${element.tagName.toLowerCase()}>` === role : roleOf(element) === role;
}

/** The target that means this element, as short as it can be. */
export function targetOf(box: Element, element: HTMLElement): Target {
  const role = roleOf(element) || `<${element.tagName.toLowerCase()}>`;
  const inBox = isInside(box, element);
  const same = candidates(box, { role });
  if (inBox && same.length === 1) return { role };
  const name = nameOf(element);
  const named = name === '' ? same : candidates(box, { role, name });
  const index = named.indexOf(element);
  return { role, ...(name === '' ? {} : { name }), ...(index > 0 ? { index } : {}) };
}
/** Its shadow trees count. */
function isInside(box: Element, element: Element): boolean {
  if (box.contains(element)) return true;
  for (let root = element.getRootNode(); root instanceof ShadowRoot; root = root.host.getRootNode())
    if (box.contains(root.host)) return true;
  return false;
}

/** The first of its parts that says something. */
export const wordsOf = (element: Element): Element | undefined =>
  [...element.querySelectorAll('*')].find(
    (one) =>
      isVisible(one) &&
      [...one.childNodes].some(({ nodeType, nodeValue }) => nodeType === Node.TEXT_NODE && nodeValue?.trim()),
  );

/** Of a box around one drawing, the drawing. */
export function drawnPart(element: Element): Element {
  const [only, ...others] = element.children;
  return only instanceof SVGElement && others.length === 0 ? only : element;
}

/** The label of an input that draws it itself: the innermost element that shows its words. */
export function labelDrawnIn(box: ParentNode, words: string): HTMLElement | undefined {
  return [...everyElement(box)]
    .reverse()
    .find(
      (element): element is HTMLElement =>
        element instanceof HTMLElement && element.textContent.trim().startsWith(words) && element.checkVisibility(),
    );
}
