import type { Kit } from '@poietra/core';
import { ask } from '../../store/ask.js';
import type { WritingReport, WritingStep } from './writing-report.js';

export type { WritingReport, WritingStep };

/** What becomes of a file, in a word and a sign. */
export const does: Readonly<Record<WritingStep['does'], { readonly word: string; readonly sign: string }>> = {
  add: { word: 'is added', sign: '+' },
  change: { word: 'changes', sign: '~' },
  merge: { word: 'is merged with what was changed by hand', sign: '⇄' },
  conflict: { word: 'is in conflict with what was changed by hand', sign: '!' },
  remove: { word: 'is removed', sign: '−' },
  keep: { word: 'is left alone', sign: '=' },
};

/** Compares the hand-over with a folder of the opened project, or writes it there. @throws {AskError} */
export async function intoProject(kit: Kit, folder: string, write: boolean): Promise<WritingReport> {
  const answer = await ask('/api/hand-over', { method: 'POST', json: { kit, folder, write } });
  return (await import('./writing-report.js')).report.parse(answer);
}
