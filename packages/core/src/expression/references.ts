import { joinPointer } from '../json/index.js';
import type { Expression } from './types.js';

const quoted = /"(?:[^"\\]|\\.)*"|'(?:[^'\\]|\\.)*'/g;
const chain = /(?<![\w.])(form|here|value)((?:\s*\.\s*\??\s*[A-Za-z_]\w*(?!\w*\s*\())*)/g;

/**
 * Where an expression looks, read from its text: chains of names after `form`, `here` and `value`. More than it looks at
 * in fact does no harm; it is then asked once too often.
 */
export function referencesIn(text: string): Expression['references'] {
  const found = new Map<string, Expression['references'][number]>();
  for (const [, root = '', names = ''] of text.replace(quoted, '""').matchAll(chain)) {
    const at = names
      .split('.')
      .map((name) => name.replace(/[\s?]/g, ''))
      .filter((name) => name !== '')
      .reduce<string>(joinPointer, '');
    found.set(`${root}${at}`, [root as 'form' | 'here' | 'value', at]);
  }
  return [...found.values()];
}
