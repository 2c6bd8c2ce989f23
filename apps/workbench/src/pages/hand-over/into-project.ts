import { z } from 'zod';
import type { Kit } from '@poietra/core';
import { ask } from '../../store/ask.js';

const report = z.object({
  written: z.boolean(),
  steps: z.array(
    z.object({
      path: z.string(),
      does: z.enum(['add', 'change', 'merge', 'conflict', 'remove', 'keep']),
      says: z.string().optional(),
      patch: z.string(),
    }),
  ),
});
export type WritingReport = z.infer<typeof report>;
export type WritingStep = WritingReport['steps'][number];

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
  return report.parse(await ask('/api/hand-over', { method: 'POST', json: { kit, folder, write } }));
}
