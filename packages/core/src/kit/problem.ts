import type { Pointer } from '../json/index.js';

/** One thing wrong with a kit file, in words for the person who opened it. */
export interface KitProblem {
  readonly at: Pointer;
  readonly message: string;
  /** Where in the text, counted from 1; known for texts that are no JSON. */
  readonly line?: number;
  readonly column?: number;
}
