import type { Form, Problem } from '@poietra/core';

/** Told to a page of a form that is to be opened, since something on it is wanted. */
export const revealing = 'poietra-reveal';

const placesIn = (element: HTMLElement): HTMLElement[] => [...element.querySelectorAll<HTMLElement>('[data-at]')];

/** Opens whatever hides a place: folded sections, tabs that are not chosen, pages that are not shown. */
export function reveal(form: HTMLElement, at: string): void {
  const place = placesIn(form).find(({ dataset }) => dataset['at'] === at);
  for (let up = place?.parentElement; up && up !== form; up = up.parentElement) {
    if (up instanceof HTMLDetailsElement) up.open = true;
    if (!up.hidden) continue;
    const tab = up.getAttribute('role') === 'tabpanel' ? up.getAttribute('aria-labelledby') : null;
    if (tab !== null) form.querySelector<HTMLElement>(`[id="${tab}"]`)?.click();
    else up.dispatchEvent(new Event(revealing, { bubbles: true }));
  }
}

/** Gives the focus to the first place on the page that has one of the problems; whether there was one. */
export function focusFirst(element: HTMLElement | null, form: Form, problems: readonly Problem[]): boolean {
  const at =
    element && placesIn(element).find(({ dataset }) => problems.some((one) => one.at === dataset['at']))?.dataset['at'];
  if (!element || typeof at !== 'string') return false;
  reveal(element, at);
  form.field(at).focus();
  return true;
}
