import type { Form, Problem } from '@poietra/core';

/** Told to a page of a form that is to be opened, since something on it is wanted. */
export const revealing = 'poietra-reveal';

/** Opens whatever hides a place: folded sections, tabs that are not chosen, pages that are not shown. */
export function reveal(form: HTMLElement, at: string): void {
  const place = [...form.querySelectorAll<HTMLElement>('[data-at]')].find(({ dataset }) => dataset['at'] === at);
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
  const bad = new Set(problems.map(({ at }) => at));
  const first = [...(element?.querySelectorAll<HTMLElement>('[data-at]') ?? [])].find(({ dataset }) =>
    bad.has(dataset['at'] ?? ''),
  );
  const at = first?.dataset['at'];
  if (!element || at === undefined) return false;
  reveal(element, at);
  form.field(at).focus();
  return true;
}
