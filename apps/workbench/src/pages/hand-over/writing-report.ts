import { z } from 'zod';

/** What the server says of writing: fetched when it has answered. */
export const report = z.object({
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
