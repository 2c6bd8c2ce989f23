/**
 * Waits until the page has come to rest: the framework has drawn, and nothing was changed in the page for a moment. A frame
 * out of sight gets no animation frames, so time counts, too.
 */
export function settle(rest = 12, longest = 250): Promise<void> {
  const [quiet, most] = [rest * patience, longest * patience];
  return new Promise((resolve) => {
    let timer = setTimeout(done, quiet);
    const end = setTimeout(done, most);
    const observer = new MutationObserver(() => {
      clearTimeout(timer);
      timer = setTimeout(done, quiet);
    });
    observer.observe(document.body, { childList: true, subtree: true, attributes: true, characterData: true });
    function done(): void {
      clearTimeout(timer);
      clearTimeout(end);
      observer.disconnect();
      resolve();
    }
  });
}

let patience = 1;
/**
 * Does the work with longer waits: where the machine is busy, an element that draws itself in its own time is not at rest
 * when it looks so. What cannot do something does not learn it by waiting.
 */
export async function patiently<T>(work: () => Promise<T>): Promise<T> {
  patience = 5;
  try {
    return await work();
  } finally {
    patience = 1;
  }
}

/** After a press: lists and calendars open two or three frames later. */
export const pause = 45;

/** The same for a limit of time, for what may never come to rest. */
export function within<T>(time: number, work: Promise<T>, late: () => Error): Promise<T> {
  return new Promise((resolve, reject) => {
    const timer = setTimeout(() => reject(late()), time);
    work.then(resolve, reject).finally(() => clearTimeout(timer));
  });
}
