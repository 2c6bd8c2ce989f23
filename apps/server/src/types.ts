/** Types of the opened project and of its packages, read by the compiler in a thread of its own; nothing of them is run. */
import express, { Router } from 'express';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { z } from 'zod';
import type { Asked } from './inspect-worker.js';
import { Refusal } from './problem.js';

const request = z.object({ file: z.string().min(1).max(1000), name: z.string().min(1).max(200) });
/** In milliseconds. */
const longest = 60_000;

export function typesRouter(home: string, project: () => string): Router {
  const router = Router();
  const ask = (asked: Asked): Promise<unknown> => answerOf(join(home, 'apps/server/dist/inspect-worker.js'), asked);
  router.get('/types', async (_request, response) => {
    response.json(await ask({ folder: project(), what: 'types' }));
  });
  router.get('/suite', async ({ query }, response) => {
    const name = query['package'];
    if (typeof name !== 'string' || name === '') throw new Refusal(422, 'No package', 'Say which, as “package”.');
    response.json(await ask({ folder: project(), what: 'suite', package: name }));
  });
  router.post('/type-schema', express.json({ limit: '10kb' }), async ({ body }, response) => {
    const type = request.safeParse(body);
    if (!type.success) throw new Refusal(422, 'No type', 'Say which type, as “file” and “name”.');
    response.json(await ask({ folder: project(), what: 'schema', type: type.data }));
  });
  return router;
}

/** @throws {Refusal} where the project has no such type, or it takes too long to read. */
function answerOf(file: string, asked: Asked): Promise<unknown> {
  const worker = new Worker(file, { workerData: asked, resourceLimits: { maxOldGenerationSizeMb: 2000 } });
  return new Promise((resolve, reject) => {
    const timer = setTimeout(
      () => reject(new Refusal(422, 'It was not read', `It takes longer than ${longest / 1000} s to read.`)),
      longest,
    );
    worker.on('message', (answer: { readonly failed?: string }) => {
      clearTimeout(timer);
      if (answer.failed === undefined) resolve(answer);
      else reject(new Refusal(422, 'It was not read', answer.failed));
    });
    worker.on('error', (error) => {
      clearTimeout(timer);
      reject(new Refusal(422, 'It was not read', error.message));
    });
  }).finally(() => worker.terminate());
}
