/** The demo company's API: what a developer's own server would be. Its settings make it slow, failing or refusing. */
import { setTimeout as wait } from 'node:timers/promises';
import express, { Router } from 'express';
import { z } from 'zod';
import { Refusal } from '../problem.js';
import { Bookings, type Booking } from './bookings.js';
import { cargoKinds, crossings, hazardClasses, ports } from './world.js';

const settingsShape = z.strictObject({
  /** Milliseconds that every answer is held back. */
  delay: z.number().int().min(0).max(20_000).default(0),
  /** Every answer is a failure. */
  fail: z.boolean().default(false),
  /** A field that is refused whatever it holds. */
  refuse: z
    .strictObject({ pointer: z.string().startsWith('/'), detail: z.string().min(1) })
    .nullable()
    .default(null),
});
export type CompanySettings = z.infer<typeof settingsShape>;

export function companyRouter(folder: string, seed: readonly Booking[]): Router {
  const bookings = new Bookings(folder, seed);
  let settings = settingsShape.parse({});
  const router = Router();
  router.use(express.json({ limit: '10mb', type: ['application/json', 'application/merge-patch+json'] }));

  router.get('/settings', (_request, response) => void response.json(settings));
  router.put('/settings', (request, response) => {
    const read = settingsShape.safeParse(request.body);
    if (!read.success)
      throw new Refusal(
        422,
        'Settings refused',
        undefined,
        read.error.issues.map(({ path, message }) => ({ pointer: `#/${path.join('/')}`, detail: message })),
      );
    settings = read.data;
    response.json(settings);
  });

  router.use(async (request, _response, next) => {
    await wait(settings.delay);
    if (settings.fail)
      throw new Refusal(503, 'The harbour office does not answer', 'Try again in a moment; nothing was lost.');
    const changes = ['POST', 'PUT', 'PATCH'].includes(request.method);
    if (changes && settings.refuse)
      throw new Refusal(422, 'The booking was refused', 'One field was refused.', [
        { pointer: `#${settings.refuse.pointer}`, detail: settings.refuse.detail },
      ]);
    next();
  });
  router.get('/ports', ({ query }, response) => {
    const search = text(query['search']).toLowerCase();
    response.json(ports.filter(({ code, name }) => `${code} ${name}`.toLowerCase().includes(search)));
  });
  router.get(
    '/crossings',
    ({ query }, response) => void response.json(crossings(text(query['from']), text(query['to']), text(query['date']))),
  );
  router.get('/cargo-kinds', (_request, response) => void response.json(cargoKinds));
  router.get('/hazard-classes', (_request, response) => void response.json(hazardClasses));
  router.get('/bookings', (_request, response) => void response.json(bookings.list()));
  router.post('/bookings', ({ body }, response) => {
    const booking = bookings.create(body);
    response.status(201).location(`/company/bookings/${booking.number}`).json(booking);
  });
  router.get('/bookings/:number', ({ params }, response) => void response.json(bookings.get(params.number)));
  router.put(
    '/bookings/:number',
    ({ params, body }, response) => void response.json(bookings.replace(params.number, body)),
  );
  router.patch(
    '/bookings/:number',
    ({ params, body }, response) => void response.json(bookings.change(params.number, body)),
  );
  router.delete('/bookings/:number', ({ params }, response) => {
    bookings.remove(params.number);
    response.status(204).end();
  });
  return router;
}

const text = (value: unknown): string => (typeof value === 'string' ? value : '');
