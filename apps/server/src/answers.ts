/** Values to choose from, and verdicts on values, that a form asks of a host which its kit allows. */
import express, { Router } from 'express';
import { z } from 'zod';
import { fetched } from './elsewhere.js';
import { Refusal } from './problem.js';

const request = z.object({ address: z.string().min(1).max(8000) });

export function answerRouter(): Router {
  const router = Router();
  // A POST for the same reason as that for documents: no link may make the server ask somebody else.
  router.post('/answer', express.json({ limit: '20kb' }), async ({ body }, response) => {
    const asked = request.safeParse(body);
    if (!asked.success) throw new Refusal(422, 'No address', 'Say what to ask, as “address”.');
    response.json(await fetched(asked.data.address, 'application/json, */*;q=0.1'));
  });
  return router;
}
