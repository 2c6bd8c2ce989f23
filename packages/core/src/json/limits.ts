import { setOwn } from './value.js';

/** How much foreign material is looked at before the work is given up with a clear error. */
export interface Limits {
  /** Levels of nesting in a schema or other document that is read. */
  readonly documentDepth: number;
  /** Members and items in a document that is read. */
  readonly documentSize: number;
  /** References that may be followed inside one another while one value is checked. */
  readonly references: number;
  /** Steps that one pattern may take on one text. */
  readonly patternSteps: number;
}

/** The limits where none are given. */
export const defaultLimits: Limits = {
  documentDepth: 500,
  documentSize: 2_000_000,
  references: 400,
  patternSteps: 200_000,
};

/** A limit was reached. The message says which, where and how far it goes. */
export class LimitReached extends RangeError {
  override name = 'LimitReached';
}

/**
 * A copy of foreign JSON that shares nothing with it, so that later changes to the original cannot reach it.
 * @throws {LimitReached} where it is nested too deep, too large, or refers to itself.
 */
export function copyJson(value: unknown, limits: Limits = defaultLimits): unknown {
  let left = limits.documentSize;
  const copy = (from: unknown, depth: number): unknown => {
    if (typeof from !== 'object' || from === null) return from;
    if (depth > limits.documentDepth)
      throw new LimitReached(`The document is nested deeper than ${limits.documentDepth} levels.`);
    if (Array.isArray(from)) {
      if ((left -= from.length) < 0) throw tooLarge(limits);
      return from.map((item) => copy(item, depth + 1));
    }
    const to: Record<string, unknown> = {};
    for (const name of Object.keys(from)) {
      if (--left < 0) throw tooLarge(limits);
      setOwn(to, name, copy((from as Record<string, unknown>)[name], depth + 1));
    }
    return to;
  };
  return copy(value, 0);
}

function tooLarge(limits: Limits): LimitReached {
  return new LimitReached(`The document has more than ${limits.documentSize} members.`);
}
