/** What a stand's frame says to the workbench. The frame runs foreign code, so every message is checked. */
import type { Described } from '@poietra/core';
import { z } from 'zod';

const described: z.ZodType<Described> = z.lazy(() =>
  z.object({
    kind: z.enum([
      'undefined',
      'null',
      'boolean',
      'number',
      'text',
      'date',
      'list',
      'object',
      'event',
      'element',
      'file',
      'function',
      'other',
    ]),
    text: z.string().max(400),
    members: z
      .array(z.tuple([z.string().max(100), described]))
      .max(100)
      .optional(),
  }),
) as z.ZodType<Described>;
const problem = z.object({
  at: z.string(),
  keyword: z.string(),
  schemaAt: z.string(),
  params: z.record(z.string(), z.unknown()),
  message: z.string().max(2000),
});
const snapshot = z.object({
  value: z.unknown(),
  typed: z.record(z.string(), z.unknown()),
  visited: z.array(z.string()),
});

export const fromFrame = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('ready') }),
  z.object({ kind: z.literal('mounted') }),
  z.object({ kind: z.literal('height'), height: z.number().min(0).max(200_000) }),
  z.object({
    kind: z.literal('report'),
    name: z.string().max(200),
    args: z.array(described).max(20),
    value: described,
    written: z.unknown(),
    isChange: z.boolean(),
  }),
  z.object({ kind: z.literal('warning'), text: z.string().max(2000) }),
  z.object({ kind: z.literal('failed'), message: z.string().max(4000) }),
  z.object({
    kind: z.literal('line'),
    at: z.string(),
    label: z.string(),
    codec: z.string(),
    shown: described,
    held: described,
    sent: described,
    problems: z.array(problem),
  }),
  z.object({
    kind: z.literal('state'),
    snapshot,
    changed: z.boolean(),
    problems: z.number().int(),
    status: z.string(),
  }),
  z.object({ kind: z.literal('send'), id: z.number().int(), sent: z.unknown() }),
  z.object({ kind: z.literal('key'), key: z.string().max(30), ctrl: z.boolean(), shift: z.boolean() }),
]);
export type FromFrame = z.infer<typeof fromFrame>;
