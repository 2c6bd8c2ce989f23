/**
 * The calm opening: nothing of the kit is drawn or run, so whatever is in it, one can export it, undo, and take parts
 * out. It is `/kit?calm`, and offers itself after two openings that never came to an end.
 */
const key = 'poietra openings';
const mostUnfinished = 2;
/** By then a page that comes has come. In milliseconds. */
const settled = 2000;

export function isCalm(): boolean {
  return location.pathname === '/kit' && new URLSearchParams(location.search).has('calm');
}

function unfinished(): number {
  try {
    return Number(localStorage.getItem(key)) || 0;
  } catch {
    return 0;
  }
}
function setUnfinished(count: number): void {
  try {
    localStorage.setItem(key, String(count));
  } catch {
    // A browser that keeps nothing cannot tell; the address is there all the same.
  }
}

/** Called before anything else. Gives back whether the opening has to be a calm one. */
export function beginOpening(): boolean {
  if (isCalm()) return false;
  const before = unfinished();
  if (before >= mostUnfinished) {
    setUnfinished(0);
    return true;
  }
  setUnfinished(before + 1);
  const end = (): void => setUnfinished(0);
  // A page that hangs neither rests nor is left: it is killed.
  window.addEventListener('pagehide', end, { once: true });
  window.setTimeout(end, settled);
  return false;
}
