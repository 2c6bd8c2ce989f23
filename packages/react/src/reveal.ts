/** Opens whatever hides a place: folded sections, tabs that are not chosen. */
export function reveal(form: HTMLElement, at: string): void {
  const place = [...form.querySelectorAll<HTMLElement>('[data-at]')].find(({ dataset }) => dataset['at'] === at);
  for (let up = place?.parentElement; up && up !== form; up = up.parentElement) {
    if (up instanceof HTMLDetailsElement) up.open = true;
    const tab = up.getAttribute('role') === 'tabpanel' && up.hidden ? up.getAttribute('aria-labelledby') : null;
    if (tab !== null) form.querySelector<HTMLElement>(`[id="${tab}"]`)?.click();
  }
}
