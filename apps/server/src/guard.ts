import type { RequestHandler } from 'express';
import { timingSafeEqual } from 'node:crypto';
import { isOfAnother } from './owner.js';
import { Refusal } from './problem.js';

/** Only this machine's own name counts, so that no foreign page can reach the server under a name of its own. */
export function ownHost(host: string): RequestHandler {
  return (request, _response, next) => {
    const name = hostName(request.headers.host ?? '');
    // A request that names its whole address would be judged by one name and routed by another.
    const isPath = request.url.startsWith('/');
    if (isPath && name !== undefined && ['127.0.0.1', 'localhost', '[::1]', host].includes(name)) next();
    else
      next(
        new Refusal(
          421,
          'Wrong host',
          `This server answers to 127.0.0.1 and localhost, not to “${name ?? 'no name'}”.`,
        ),
      );
  };
}

/** The name that a Host header means (RFC 9110, section 7.2), compared as a name and not as a text. */
function hostName(header: string): string | undefined {
  // What a host cannot have is not repaired: a blank at its beginning would make another text of the same name.
  if (!/^(?:[a-z0-9.-]+|\[[0-9a-f:.]+\])(?::\d{1,5})?$/i.test(header)) return undefined;
  try {
    return new URL(`http://${header}`).hostname;
  } catch {
    return undefined;
  }
}

/** The server's own pages only: a frame without origin, another site or another port is turned away. */
export const ownPages: RequestHandler = (request, _response, next) => {
  const { origin, host } = request.headers;
  const site = request.headers['sec-fetch-site'];
  const isForeign =
    (origin !== undefined && origin !== `http://${host ?? ''}`) ||
    (site !== undefined && site !== 'same-origin' && site !== 'none');
  if (isForeign) next(new Refusal(403, 'Foreign page', 'Only the workbench’s own pages may ask this.'));
  else next();
};

/** What a page has to send along to be served by `/api`; it stands in the page itself, which no foreign page can read. */
export const secretHeader = 'poietra-secret';

/** Only those who could read the workbench's page of this start. */
export function knowsSecret(secret: string): RequestHandler {
  const wanted = Buffer.from(secret);
  return (request, _response, next) => {
    const given = Buffer.from(request.get(secretHeader) ?? '');
    if (given.length === wanted.length && timingSafeEqual(given, wanted)) next();
    else
      next(
        new Refusal(
          401,
          'Not of this start',
          `Send the secret of this start as “${secretHeader}”: it stands in the workbench’s page. A page of an earlier start has to be loaded again.`,
        ),
      );
  };
}

/** Where the system tells: no process of another user of this machine. */
export const sameUser: RequestHandler = (request, _response, next) => {
  if (isOfAnother(request.socket))
    next(new Refusal(403, 'Another user', 'This workbench belongs to another user of this machine; start your own.'));
  else next();
};
