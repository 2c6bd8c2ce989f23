/** The kit file of the opened project: read, and written only by who has seen what stands there. */
import { kitFileName } from '@poietra/inputs';
import express, { Router } from 'express';
import { createHash } from 'node:crypto';
import { lstatSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import writeFileAtomic from 'write-file-atomic';
import { z } from 'zod';
import { Refusal } from './problem.js';

const request = z.object({ text: z.string(), tag: z.string().nullable() });
const largest = 20_000_000;

export function kitFileRouter(project: () => string): Router {
  const router = Router();
  // Asked every few seconds: who names the tag that he knows is sent the text only where it is another one.
  router.get('/kit-file', ({ query }, response) => {
    const folder = project();
    const text = textOf(folder);
    const tag = text === undefined ? undefined : tagOf(text);
    response.json({ folder, tag, ...(tag === query['tag'] ? {} : { text }) });
  });
  router.put('/kit-file', express.json({ limit: '40mb' }), async ({ body }, response) => {
    const asked = request.safeParse(body);
    if (!asked.success)
      throw new Refusal(422, 'Nothing to write', 'Send the “text”, and the “tag” of what stands there.');
    const { text, tag } = asked.data;
    const folder = project();
    const before = textOf(folder);
    if ((before === undefined ? null : tagOf(before)) !== tag)
      throw new Refusal(
        412,
        'The file has changed',
        `${kitFileName} has changed since it was read; nothing was written.`,
      );
    await writeFileAtomic(join(folder, kitFileName), text);
    response.json({ tag: tagOf(text) });
  });
  return router;
}

const tagOf = (text: string): string => createHash('sha256').update(text).digest('base64url').slice(0, 22);

/** @throws {Refusal} where something else has the file's name: a link could lead out of the project. */
function textOf(folder: string): string | undefined {
  const path = join(folder, kitFileName);
  const found = lstatSync(path, { throwIfNoEntry: false });
  if (!found) return undefined;
  if (!found.isFile()) throw new Refusal(409, 'No plain file', `${kitFileName} in the project is no plain file.`);
  if (found.size > largest) throw new Refusal(413, 'Too large', `${kitFileName} is larger than 20 MB.`);
  return readFileSync(path, 'utf8');
}
