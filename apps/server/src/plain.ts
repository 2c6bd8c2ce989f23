import { createHash } from 'node:crypto';
import { Router } from 'express';
import { Refusal } from './problem.js';

interface Page {
  readonly title: string;
  readonly html: string;
  readonly style: string;
}
const most = 50;

/** Forms as the server draws them, to be filled in without script. They are kept for a while, the latest of them. */
export class PlainPages {
  readonly #pages = new Map<string, Page>();

  add(page: Page): string {
    const key = createHash('sha256').update(JSON.stringify(page)).digest('hex').slice(0, 20);
    this.#pages.delete(key);
    this.#pages.set(key, page);
    const [oldest] = this.#pages.keys();
    if (this.#pages.size > most && oldest !== undefined) this.#pages.delete(oldest);
    return key;
  }

  get(key: string): Page {
    const page = this.#pages.get(key);
    if (!page)
      throw new Refusal(404, 'No such page', 'It was drawn some time ago; draw it again from the form’s page.');
    return page;
  }
}

/** The page has no origin and runs no script; all it can do is send itself to the demo company’s echo. */
export function plainRouter(pages: PlainPages): Router {
  const router = Router();
  router.get('/:key', ({ params, protocol, headers }, response) => {
    const { title, html, style } = pages.get(params.key);
    const host = `${protocol}://${headers.host ?? ''}`;
    response
      .set(
        'Content-Security-Policy',
        [
          "default-src 'none'",
          `style-src ${host} 'unsafe-inline'`,
          'img-src data:',
          'font-src data:',
          `form-action ${host}/company/echo`,
          "base-uri 'none'",
          "frame-ancestors 'none'",
          'sandbox allow-forms',
        ].join('; '),
      )
      .type('html').send(`<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${escaped(title)}</title>
<link rel="stylesheet" href="/stand/bundle/${style}.css"></head><body><main id="stand">${html}</main></body></html>`);
  });
  return router;
}

function escaped(text: string): string {
  return text.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);
}
