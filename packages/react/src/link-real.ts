import type { AdapterDescription, InputState } from '@poietra/core';
import { focused, reach, workingElements } from './reach.js';

/** What was set here and not by the input, so that it can be taken away again without touching the input's own. */
const ours = new WeakMap<Element, Map<string, string>>();
const toggles = /^(checkbox|radio|switch)$/;
const takesRequired = /^(textbox|searchbox|combobox|listbox|spinbutton|checkbox|radiogroup|tree|gridcell)$/;

/** The one element inside the box that a person works with, where the adapter says which it is. */
export function realElement(
  description: AdapterDescription,
  box: ParentNode | null,
  id: string,
): HTMLElement | undefined {
  if (!box) return undefined;
  if (description.real) return reach(box, description.real.selector);
  return description.id ? (box.querySelector<HTMLElement>(`[id="${id}"]`) ?? undefined) : undefined;
}

/** A press on the label does to the real element what it would do to HTML's own. */
export function pressReal(real: HTMLElement): void {
  focusReal(real);
  const kind = real.getAttribute('role') ?? (real instanceof HTMLInputElement ? real.type : '');
  if (toggles.test(kind)) real.click();
}

/** A group of radio buttons takes no focus itself; the first of them does. */
export function focusReal(real: HTMLElement): void {
  real.focus();
  if (focused() !== real) (workingElements(real).find(isChosen) ?? workingElements(real)[0])?.focus();
}
const isChosen = (element: HTMLElement): boolean => element.matches(':checked, [aria-checked=true]');

/**
 * Name, description, invalid and required onto the real element, where no property of the input carries them there.
 * Ids do not reach into a shadow tree; the words themselves do.
 */
export function linkReal(real: HTMLElement, description: AdapterDescription, state: InputState): void {
  const isInside = real.getRootNode() instanceof ShadowRoot;
  if (!description.id && !description.labelledBy && !description.label) {
    if (isInside) dropEmpty(real, 'aria-labelledby');
    if (isInside) set(real, 'aria-label', state.label);
    else set(real, 'aria-labelledby', state.labelledBy);
  }
  // A property may take the label's id only to what stands around the real element.
  else if (description.labelledBy && !isInside) join(real, 'aria-labelledby', state.labelledBy);
  if (!description.id && !isInside && real.id === '') real.id = state.id;
  if (!description.describedBy) {
    if (isInside) dropEmpty(real, 'aria-describedby');
    if (isInside && isDescribed(real)) addFromOutside(real, state.describedBy);
    else if (isInside) set(real, 'aria-description', state.description);
    else join(real, 'aria-describedby', state.describedBy);
  }
  ensure(real, 'aria-invalid', state.invalid);
  // What can be edited and says no role is nothing to a reader, whatever its name.
  if (real.isContentEditable && !real.hasAttribute('role')) {
    set(real, 'role', 'textbox');
    set(real, 'aria-multiline', 'true');
  }
  const role = real.getAttribute('role') ?? implied(real);
  const has = 'required' in real && real.required === true;
  if (takesRequired.test(role)) ensure(real, 'aria-required', state.required && !has);
}

/** An element's own label or hint that is left empty would still win over the words that it is given. */
function dropEmpty(real: HTMLElement, reference: 'aria-labelledby' | 'aria-describedby'): void {
  const root = real.getRootNode() as ShadowRoot;
  const ids = real.getAttribute(reference)?.split(' ').filter(Boolean) ?? [];
  const isEmpty = ids.every((id) => (root.getElementById(id)?.textContent ?? '').trim() === '');
  if (ids.length > 0 && isEmpty) real.removeAttribute(reference);
}

/** Whether it says itself what describes it: that wins over words that it is given. */
const isDescribed = (real: HTMLElement): boolean =>
  'ariaDescribedByElements' in real && (real.ariaDescribedByElements?.length ?? 0) > 0;

const fromOutside = new WeakMap<Element, readonly Element[]>();
/** Ids do not reach into a shadow tree, elements of the page around it do (WAI-ARIA 1.3, reflected element references). */
function addFromOutside(real: HTMLElement, ids: string | undefined): void {
  const before = fromOutside.get(real) ?? [];
  const now = real.ariaDescribedByElements ?? [];
  const ours = (ids?.split(' ') ?? []).flatMap((id) => real.ownerDocument.getElementById(id) ?? []);
  const all = [...now.filter((one) => !before.includes(one)), ...ours];
  fromOutside.set(real, ours);
  if (all.length !== now.length || all.some((one, i) => one !== now[i])) real.ariaDescribedByElements = all;
}

function implied(real: HTMLElement): string {
  if (real instanceof HTMLInputElement) return real.type === 'checkbox' ? 'checkbox' : 'textbox';
  return real instanceof HTMLSelectElement ? 'combobox' : real instanceof HTMLTextAreaElement ? 'textbox' : '';
}

function set(element: Element, name: string, value: string | undefined): void {
  const own = ours.get(element) ?? new Map<string, string>();
  if (value === undefined || value === '') {
    if (own.delete(name)) element.removeAttribute(name);
  } else if (element.getAttribute(name) !== value) {
    element.setAttribute(name, value);
    own.set(name, value);
  }
  ours.set(element, own);
}

function ensure(element: Element, name: string, wanted: boolean): void {
  const isOurs = ours.get(element)?.has(name) ?? false;
  if (wanted && element.getAttribute(name) !== 'true') set(element, name, 'true');
  else if (!wanted && isOurs) set(element, name, undefined);
}

/** Adds ids to a list of ids that may have some of the input's own. */
function join(element: Element, name: string, ids: string | undefined): void {
  const before = ours.get(element)?.get(name)?.split(' ') ?? [];
  const theirs = (element.getAttribute(name) ?? '').split(' ').filter((id) => id !== '' && !before.includes(id));
  const wanted = ids?.split(' ') ?? [];
  const own = ours.get(element) ?? new Map<string, string>();
  const all = [...new Set([...theirs, ...wanted])].join(' ');
  if (all === '') element.removeAttribute(name);
  else if (element.getAttribute(name) !== all) element.setAttribute(name, all);
  own.set(name, wanted.join(' '));
  ours.set(element, own);
}
