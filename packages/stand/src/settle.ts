/**
 * Waits until the page has come to rest: nothing was changed in it for a moment, during which the page had its turn. A
 * frame out of sight gets no animation frames, so time counts, too. Time alone is no rest: where the machine is busy, a
 * timer of 12 ms comes after 200, and nothing has been drawn in between. So a moment that came late does not count, and
 * the tasks that are already in the queue (the framework posts its drawing as one) have their turn before it ends.
 */
export function settle(rest = 12, longest = 250): Promise<void> {
  const [quiet, most] = [rest * patience, longest * patience];
  return new Promise((resolve) => {
    let timer: ReturnType<typeof setTimeout>;
    let turns = 0;
    let lates = 0;
    let isOver = false;
    const begin = (): void => {
      const turn = ++turns;
      const due = performance.now() + quiet;
      clearTimeout(timer);
      timer = setTimeout(() => void look(turn, due), quiet);
    };
    const look = async (turn: number, due: number): Promise<void> => {
      if (performance.now() - due > lateBy && lates++ < mostLates) return begin();
      await nextTasks();
      if (turn === turns) done();
    };
    // The limit is one of turns had, too: a page that had none is given some.
    const end = setTimeout(() => void nextTasks().then(done), most);
    const observer = new MutationObserver(begin);
    observer.observe(document.body, { childList: true, subtree: true, attributes: true, characterData: true });
    begin();
    function done(): void {
      if (isOver) return;
      isOver = true;
      clearTimeout(timer);
      clearTimeout(end);
      observer.disconnect();
      resolve();
    }
  });
}

/** In ms: a timer that comes later than this says that somebody else had the machine. */
const lateBy = 25;
/** How often a late moment is waited for anew. */
const mostLates = 8;

/** After the tasks that are already posted, and those that they post in turn. */
async function nextTasks(): Promise<void> {
  for (let i = 0; i < 3; i++) await nextTask();
}
function nextTask(): Promise<void> {
  return new Promise((resolve) => {
    // The page that unit tests have knows timers only.
    if (typeof MessageChannel === 'undefined') return void setTimeout(resolve, 0);
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      resolve();
    };
    port2.postMessage(undefined);
  });
}

/** After so many frames were drawn; where none are, as out of sight, after the time that they would take on a busy machine. */
export async function frames(count: number): Promise<void> {
  for (let i = 0; i < count; i++)
    await new Promise<void>((resolve) => {
      const late = setTimeout(resolve, 60 * patience);
      requestAnimationFrame(() => {
        clearTimeout(late);
        resolve();
      });
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

export const isPatient = (): boolean => patience > 1;

/** After a press: lists and calendars open two or three frames later. */
export const pause = 45;

/** The same for a limit of time, for what may never come to rest. */
export function within<T>(time: number, work: Promise<T>, late: () => Error): Promise<T> {
  return new Promise((resolve, reject) => {
    const timer = setTimeout(() => reject(late()), time);
    work.then(resolve, reject).finally(() => clearTimeout(timer));
  });
}
