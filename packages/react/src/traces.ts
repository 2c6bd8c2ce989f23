/** What a widget puts on the page while it is made, and does not take away itself. */

/**
 * Makes it, and gives what takes away afterwards the listeners that it left on the window, the document or its body, and
 * what it put into the body. What it leaves later, it has to take away by itself.
 */
export function tracing(make: () => unknown): { readonly made: unknown; readonly clear: () => void } {
  const { addEventListener } = EventTarget.prototype;
  const { body, documentElement } = document;
  const page: readonly EventTarget[] = [window, document, documentElement, body];
  const before = new Set(body.children);
  const ends: (() => void)[] = [];
  EventTarget.prototype.addEventListener = function (...how: Parameters<typeof addEventListener>) {
    // Called bare, the window itself is meant.
    const target = (this as EventTarget | undefined) ?? window;
    addEventListener.apply(target, how);
    if (page.includes(target)) ends.push(() => target.removeEventListener(...how));
  };
  try {
    const made = make();
    for (const one of body.children) if (!before.has(one)) ends.push(() => one.remove());
    return { made, clear: () => ends.forEach((end) => end()) };
  } finally {
    EventTarget.prototype.addEventListener = addEventListener;
  }
}
