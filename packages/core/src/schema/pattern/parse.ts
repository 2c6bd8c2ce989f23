/**
 * The structure of a regular expression (ECMA-262), read only as far as a matcher with a step limit needs it.
 * What one character may be is left to the platform: a class or an escape becomes a one-character `RegExp`.
 */
export type Part =
  | { readonly kind: 'one'; readonly test: (char: string) => boolean }
  | { readonly kind: 'edge'; readonly which: 'start' | 'end' | 'word' | 'noWord' }
  | { readonly kind: 'sequence'; readonly parts: readonly Part[] }
  | { readonly kind: 'choice'; readonly parts: readonly Part[] }
  | { readonly kind: 'repeat'; readonly part: Part; readonly min: number; readonly max: number; readonly lazy: boolean }
  | { readonly kind: 'capture'; readonly index: number; readonly part: Part }
  | { readonly kind: 'look'; readonly part: Part; readonly behind: boolean; readonly negative: boolean }
  | { readonly kind: 'again'; readonly group: number | string };

export interface ParsedPattern {
  readonly root: Part;
  readonly captures: number;
  readonly names: ReadonlyMap<string, number>;
}

/** The source has been accepted by `RegExp` with the flags given, so no error is reported here. */
export function parsePattern(source: string, flags: string): ParsedPattern {
  let i = 0;
  let captures = 0;
  const names = new Map<string, number>();
  const eat = (text: string): boolean => {
    if (!source.startsWith(text, i)) return false;
    i += text.length;
    return true;
  };

  const one = (text: string): Part => {
    const pattern = new RegExp(`^(?:${text})$`, flags.includes('u') ? 'u' : '');
    return { kind: 'one', test: (char) => pattern.test(char) };
  };

  const choice = (): Part => {
    const parts = [sequence()];
    while (eat('|')) parts.push(sequence());
    return parts.length === 1 && parts[0] ? parts[0] : { kind: 'choice', parts };
  };

  const sequence = (): Part => {
    const parts: Part[] = [];
    while (i < source.length && source[i] !== '|' && source[i] !== ')') parts.push(quantified(term()));
    return { kind: 'sequence', parts };
  };

  const quantified = (part: Part): Part => {
    let range: [number, number] | undefined;
    if (eat('*')) range = [0, Infinity];
    else if (eat('+')) range = [1, Infinity];
    else if (eat('?')) range = [0, 1];
    else {
      const counted = /^\{(\d+)(?:(,)(\d*))?\}/.exec(source.slice(i, i + 40));
      if (counted) {
        i += counted[0].length;
        const min = Number(counted[1]);
        range = [min, counted[2] === undefined ? min : counted[3] ? Number(counted[3]) : Infinity];
      }
    }
    return range ? { kind: 'repeat', part, min: range[0], max: range[1], lazy: eat('?') } : part;
  };

  const group = (): Part => {
    const look = /^\?(<?)([=!])/.exec(source.slice(i, i + 3));
    if (look) {
      i += look[0].length;
      const part = choice();
      eat(')');
      return { kind: 'look', part, behind: look[1] === '<', negative: look[2] === '!' };
    }
    if (eat('?:')) {
      const part = choice();
      eat(')');
      return part;
    }
    const index = ++captures;
    const name = /^\?<([^>]+)>/.exec(source.slice(i));
    if (name?.[1] !== undefined) {
      i += name[0].length;
      names.set(name[1], index);
    }
    const part = choice();
    eat(')');
    return { kind: 'capture', index, part };
  };

  const term = (): Part => {
    if (eat('^')) return { kind: 'edge', which: 'start' };
    if (eat('$')) return { kind: 'edge', which: 'end' };
    if (eat('(')) return group();
    if (eat('.')) return one('.');
    if (source[i] === '[') {
      const start = i++;
      while (source[i] !== ']' && i < source.length) i += source[i] === '\\' ? 2 : 1;
      return one(source.slice(start, ++i));
    }
    if (source[i] !== '\\') {
      const char = String.fromCodePoint(source.codePointAt(i) ?? 0);
      i += char.length;
      return { kind: 'one', test: (other) => other === char };
    }
    if (eat('\\b')) return { kind: 'edge', which: 'word' };
    if (eat('\\B')) return { kind: 'edge', which: 'noWord' };
    const back = /^\\(?:([1-9]\d*)|k<([^>]+)>)/.exec(source.slice(i));
    if (back) {
      i += back[0].length;
      return { kind: 'again', group: back[2] ?? Number(back[1]) };
    }
    const escape =
      /^\\(?:u\{[0-9a-fA-F]+\}|u[dD][89abAB][0-9a-fA-F]{2}\\u[dD][c-fC-F][0-9a-fA-F]{2}|u[0-9a-fA-F]{4}|x[0-9a-fA-F]{2}|c[a-zA-Z]|[pP]\{[^}]*\}|.)/su.exec(
        source.slice(i),
      );
    const text = escape?.[0] ?? '\\\\';
    i += text.length;
    return one(text);
  };

  const root = choice();
  return { root, captures, names };
}
