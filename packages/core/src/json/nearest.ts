/** The nearest of the names that are known, as the end of a sentence: `. Did you mean “label”?`, or a full stop. */
export function nearest(name: string, known: readonly string[]): string {
  const best = nearestName(name, known);
  return best === undefined ? '.' : `. Did you mean “${best}”?`;
}

/** The nearest of the names that are known, if one is near. */
export function nearestName(name: string, known: readonly string[]): string | undefined {
  let best: string | undefined;
  let least = Math.max(1, Math.ceil(name.length / 3)) + 1;
  for (const one of known) {
    const steps = distance(name.toLowerCase(), one.toLowerCase(), least);
    if (steps < least) [best, least] = [one, steps];
  }
  return best;
}

/** How many letters have to be put in, taken out, changed or swapped to make one of the other; `most` and more is `most`. */
function distance(a: string, b: string, most: number): number {
  if (Math.abs(a.length - b.length) >= most) return most;
  let [before, row]: [number[], number[]] = [[], Array.from({ length: b.length + 1 }, (_, i) => i)];
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let j = 1; j <= b.length; j++) {
      const isSame = a[i - 1] === b[j - 1];
      const swapped =
        i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1] ? (before[j - 2] ?? most) + 1 : most;
      next[j] = Math.min(
        (row[j] ?? most) + 1,
        (next[j - 1] ?? most) + 1,
        (row[j - 1] ?? most) + (isSame ? 0 : 1),
        swapped,
      );
    }
    [before, row] = [row, next];
  }
  return Math.min(most, row[b.length] ?? most);
}
