/** The demo company's API: what a developer's own server would be. Its settings make it slow, failing or refusing. */
import { setTimeout as wait } from 'node:timers/promises';
import express, { Router, type NextFunction, type Request, type Response } from 'express';
import type { IncomingHttpHeaders } from 'node:http';
import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { Refusal } from '../problem.js';
import { bookingRules, Records, tagOf, type CompanyRecord } from './records.js';
import { cargoKinds, crossing, crossings, departures, hazardClasses, ports } from './world.js';

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

/** The header that names the method meant, where only GET and POST pass. */
const methodHeader = 'X-HTTP-Method';
const tokenHeader = 'X-Skerry-Token';
const mostOwn = 200;
const departuresAtOnce = 15;

export function companyRouter(folder: string, seed: readonly CompanyRecord[], warn: (text: string) => void): Router {
  const collections: Readonly<Record<string, Records>> = {
    bookings: new Records(folder, 'bookings', { mark: 'FB', seed, rules: bookingRules }, warn),
    freight: new Records(folder, 'freight', { mark: 'FR', seed: [], rules: bookingRules }, warn),
    passages: new Records(folder, 'passages', { mark: 'PB', seed: [] }, warn),
    reports: new Records(folder, 'reports', { mark: 'HR', seed: [] }, warn),
    orders: new Records(folder, 'orders', { mark: 'SO', seed: [] }, warn),
  };
  // One for each start of the server: enough to show what a form has to do with it.
  const token = randomUUID();
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
  // As larger services answer: what is meant stands deep inside, and comes in parts.
  router.get('/departures', ({ query, originalUrl }, response) => {
    const found = departures(text(query['search']));
    const page = Math.max(1, Math.trunc(Number(query['page'])) || 1);
    const next = new URL(originalUrl, 'http://company.invalid');
    next.searchParams.set('page', String(page + 1));
    const isLast = page * departuresAtOnce >= found.length;
    response.json({
      data: { departures: found.slice((page - 1) * departuresAtOnce, page * departuresAtOnce) },
      page: { number: page, next: isLast ? null : next.search, all: found.length },
    });
  });
  router.get('/cargo-kinds', (_request, response) => void response.json(cargoKinds));
  router.get('/hazard-classes', (_request, response) => void response.json(hazardClasses));
  router.get('/crossings/:number', ({ params }, response) => {
    const found = crossing(params.number);
    if (!found) throw new Refusal(404, 'No such crossing', `There is no crossing ${params.number}.`);
    response.json(found);
  });
  // Whether a reference is still free: what a form asks while it is typed.
  router.get('/references/:text', ({ params }, response) => {
    const wanted = params.text.trim().toLowerCase();
    const holder = Object.values(collections)
      .flatMap((records) => records.list())
      .find(({ number, reference }) => [number, reference].some((one) => String(one ?? '').toLowerCase() === wanted));
    response.json(holder ? { free: false, why: `${holder.number} has it already.` } : { free: true });
  });
  router.get('/token', (_request, response) => void response.json({ token }));

  const own = new Map<string, Records>();
  const recordsOf = (name: string): Records => {
    const found = Object.hasOwn(collections, name) ? collections[name] : ownRecords(name);
    if (!found) throw new Refusal(404, 'No such address');
    return found;
  };
  /** A form of somebody’s own has no collection here: it may make one, `own-…`, in which no rules hold. */
  const ownRecords = (name: string): Records | undefined => {
    if (!/^own-[a-z0-9._-]{1,64}$/i.test(name)) return undefined;
    const known = own.get(name);
    if (known) return known;
    if (own.size >= mostOwn) throw new Refusal(507, 'Too many collections', `No more than ${mostOwn} are kept.`);
    const records = new Records(folder, name.toLowerCase(), { mark: 'R', seed: [] }, warn);
    own.set(name, records);
    return records;
  };
  /** Freight is what people would forge; it is taken with the token only. */
  const guarded = ({ method, params, headers }: Request, _response: Response, next: NextFunction): void => {
    const changes = ['POST', 'PUT', 'PATCH', 'DELETE'].includes(method);
    if (changes && params['sort'] === 'freight' && headers[tokenHeader.toLowerCase()] !== token)
      throw new Refusal(403, 'The token is missing', `Fetch one from /company/token and send it as ${tokenHeader}.`);
    next();
  };
  router.get('/:sort', ({ params }, response) => void response.json(recordsOf(params.sort).list()));
  router.post('/:sort', guarded, ({ params, body, headers }, response) => {
    const record = recordsOf(one(params['sort'])).create(body, textHeader(headers, 'idempotency-key'));
    response
      .status(201)
      .set('ETag', tagOf(record))
      .location(`/company/${one(params['sort'])}/${record.number}`)
      .json(record);
  });
  router.get('/:sort/:number', ({ params }, response) => {
    const record = recordsOf(params.sort).get(params.number);
    response.set('ETag', tagOf(record)).json(record);
  });
  /** What is sent to a record: by its own method, or by POST with the header that names it. */
  router.all('/:sort/:number', guarded, ({ method, params, headers, body }, response) => {
    const records = recordsOf(one(params['sort']));
    const number = one(params['number']);
    const meant = method === 'POST' ? String(headers[methodHeader.toLowerCase()] ?? '') : method;
    const match = textHeader(headers, 'if-match');
    const give = (record: CompanyRecord): void => void response.set('ETag', tagOf(record)).json(record);
    if (meant === 'PUT') give(records.replace(number, body, match));
    else if (meant === 'PATCH') give(records.change(number, body, match));
    else if (meant === 'DELETE') {
      records.remove(number, match);
      response.status(204).end();
    } else
      throw new Refusal(405, 'Not this method', `A record takes PUT, PATCH and DELETE, or POST with ${methodHeader}.`);
  });
  return router;
}

/** A part of the address; Express would also give several. */
const one = (part: string | readonly string[] | undefined): string => (typeof part === 'string' ? part : '');
/** A header of one value, short enough to be meant. */
const textHeader = (headers: IncomingHttpHeaders, name: string): string | undefined => {
  const value = headers[name];
  return typeof value === 'string' && value.length > 0 && value.length <= 200 ? value : undefined;
};
const text = (value: unknown): string => (typeof value === 'string' ? value : '');

/** Answers with what arrived. It comes before the check for own pages: a form without script has no origin, and nothing is to be had here. */
export const echo = Router().all(
  '/',
  express.text({ type: () => true, limit: '10mb' }),
  ({ method, headers, body }, response) => void response.json({ method, headers, body: readable(headers, body) }),
);

/** JSON as JSON, a form's pairs as pairs, anything else as text. */
function readable({ 'content-type': type = '' }: IncomingHttpHeaders, body: unknown): unknown {
  if (typeof body !== 'string') return undefined;
  if (type.startsWith('application/x-www-form-urlencoded')) return [...new URLSearchParams(body)];
  if (!/[/+]json\b/.test(type)) return body;
  try {
    return JSON.parse(body) as unknown;
  } catch {
    return body;
  }
}
