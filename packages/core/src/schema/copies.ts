/** What differs between a value and a copy of it that shares what did not change. */

/** The place that was said to have changed, and any other where a copy does not share with the last value. */
export function changedPaths(before: unknown, after: unknown, path: readonly string[]): string[][] {
  const found: string[][] = [];
  const compare = (a: unknown, b: unknown, depth: number): void => {
    const token = path[depth];
    const isList = Array.isArray(a);
    if (
      token === undefined ||
      typeof a !== 'object' ||
      typeof b !== 'object' ||
      a === null ||
      b === null ||
      isList !== Array.isArray(b)
    ) {
      found.push(path.slice(0, depth));
      return;
    }
    const [from, to] = [a as Record<string, unknown>, b as Record<string, unknown>];
    if (isList && from['length'] !== to['length']) {
      found.push(path.slice(0, depth));
      return;
    }
    if (isList) {
      const skip = Number(token);
      const [left, right] = [a as unknown[], b as unknown[]];
      for (let i = 0; i < left.length; i++)
        if (i !== skip && left[i] !== right[i]) found.push([...path.slice(0, depth), String(i)]);
    } else {
      for (const name of Object.keys(from))
        if (name !== token && from[name] !== to[name]) found.push([...path.slice(0, depth), name]);
      for (const name of Object.keys(to))
        if (name !== token && !Object.hasOwn(from, name)) found.push([...path.slice(0, depth), name]);
    }
    if (depth === path.length - 1) found.push([...path]);
    else if (Object.hasOwn(from, token) && Object.hasOwn(to, token)) {
      if (from[token] !== to[token]) compare(from[token], to[token], depth + 1);
      else found.push([...path]);
    } else found.push(path.slice(0, depth + 1));
  };
  compare(before, after, 0);
  return found;
}
