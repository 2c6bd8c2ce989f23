import { Router, type Response } from 'express';
import type { Bundle } from '@poietra/inputs';
import { Refusal } from './problem.js';

/**
 * The stand's frames. A frame has no origin of its own, so it can neither read what the workbench has stored nor ask the
 * server's API; and its policy lets it fetch nothing but its bundle.
 */
const policy = [
  "default-src 'none'",
  "script-src 'self'",
  "style-src 'self' 'unsafe-inline'",
  'img-src data: blob:',
  'font-src data:',
  // Icons are often texts that are fetched; they go nowhere.
  'connect-src data:',
  "form-action 'none'",
  "base-uri 'none'",
  "frame-ancestors 'self'",
  'sandbox allow-scripts',
].join('; ');

/** `find` gives the bundle of a key, whichever project it was made for. */
export function standRouter(find: (key: string) => Promise<Bundle> | undefined): Router {
  const router = Router();
  const get = async (key: string): Promise<Bundle> => {
    const found = find(key);
    if (!found) throw new Refusal(404, 'No such bundle', 'The server was started anew; reload the page.');
    return found;
  };
  const open = (response: Response): Response =>
    response.set({
      'Content-Security-Policy': policy,
      'Cross-Origin-Resource-Policy': 'cross-origin',
      // Names that are looked up in advance are no fetch, and so under no policy.
      'X-DNS-Prefetch-Control': 'off',
      'Cache-Control': 'private, max-age=3600',
    });
  router.get('/frame/:key', async ({ params }, response) => {
    await get(params.key);
    open(response).type('html').send(`<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>Stand</title><link rel="stylesheet" href="../bundle/${params.key}.css" crossorigin></head>
<body><div id="stand"></div><script src="../bundle/${params.key}.js" crossorigin></script></body></html>`);
  });
  router.get('/bundle/:key.js', async ({ params }, response) => {
    open(response)
      // Why a script cannot be loaded is only told where it may be read.
      .set('Access-Control-Allow-Origin', 'null')
      .type('js')
      .send((await get(params.key)).script);
  });
  router.get('/bundle/:key.css', async ({ params }, response) => {
    open(response)
      // Many inputs read the page's sheets, which a page without origin may only where it is said so.
      .set('Access-Control-Allow-Origin', 'null')
      .type('css')
      .send((await get(params.key)).style);
  });
  return router;
}
