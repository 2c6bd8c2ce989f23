/** Regular expressions from foreign schemas, matched so that none can freeze the page. */
import { defaultLimits } from '../../json/index.js';
import { GuardedPattern } from './match.js';
import { parsePattern, type Part } from './parse.js';

/** A regular expression made ready, matched within a limit of steps. */
export interface Pattern {
  readonly source: string;
  /** @throws {LimitReached} where the text would take more steps than allowed. */
  test(text: string): boolean;
}

/** Work that the platform's own matcher may do unwatched. */
const harmless = 500_000;

/**
 * Reads a pattern as JSON Schema means it: ECMA-262, Unicode, found anywhere in the text.
 * @throws {SyntaxError} where it is no regular expression.
 */
export function compilePattern(source: string, maxSteps: number = defaultLimits.patternSteps): Pattern {
  let native: RegExp;
  try {
    native = new RegExp(source, 'u');
  } catch {
    native = new RegExp(source);
  }
  const parsed = parsePattern(source, native.flags);
  const anchored = startsAnchored(parsed.root);
  let guarded: GuardedPattern | undefined;
  return {
    source,
    test(text) {
      if (worst(parsed.root, text.length) * (anchored ? 1 : text.length + 1) <= harmless) return native.test(text);
      guarded ??= new GuardedPattern(parsed, maxSteps);
      return guarded.test(text);
    },
  };
}

/** An upper bound for the ways in which a part can match a text of this length. */
function worst(part: Part, length: number): number {
  switch (part.kind) {
    case 'one':
    case 'edge':
      return 1;
    case 'again':
      return length + 1;
    case 'sequence':
      return part.parts.reduce((ways, inner) => Math.min(ways * worst(inner, length), Infinity), 1);
    case 'choice':
      return part.parts.reduce((ways, inner) => ways + worst(inner, length), 0);
    case 'repeat': {
      const times = Math.min(part.max, length);
      const inner = worst(part.part, length);
      const counts = Math.max(1, times - Math.min(part.min, times) + 1);
      return inner === 1 ? counts : counts * inner ** Math.max(1, times);
    }
    case 'capture':
    case 'look':
      return worst(part.part, length) + 1 - (part.kind === 'capture' ? 1 : 0);
  }
}

function startsAnchored(part: Part): boolean {
  if (part.kind === 'edge') return part.which === 'start';
  if (part.kind === 'sequence') return part.parts[0] !== undefined && startsAnchored(part.parts[0]);
  if (part.kind === 'capture') return startsAnchored(part.part);
  return part.kind === 'choice' && part.parts.every(startsAnchored);
}
