/**
 * A press somewhere else takes the focus out of a field before it is a click. If the field's message appeared at once,
 * what is pressed would move away under the pointer, and the click be lost; so what leaving leads to waits for its end.
 */
let isDown = false;
const waiting: (() => void)[] = [];

if (typeof window !== 'undefined') {
  window.addEventListener('pointerdown', () => (isDown = true), { capture: true });
  for (const type of ['pointerup', 'pointercancel'])
    window.addEventListener(
      type,
      () => {
        isDown = false;
        // The click comes after the pointer is up.
        if (waiting.length > 0) setTimeout(() => waiting.splice(0).forEach((work) => work()));
      },
      { capture: true },
    );
}

export function afterPress(work: () => void): void {
  if (isDown) waiting.push(work);
  else work();
}
