import type { RequestHandler } from 'express';
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
