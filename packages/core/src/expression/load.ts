import type { Expressions } from './types.js';

let loaded: Promise<Expressions> | undefined;

/** Fetches the language, once. */
export function loadExpressions(): Promise<Expressions> {
  return (loaded ??= import('./cel.js').then(({ celExpressions }) => celExpressions()));
}
