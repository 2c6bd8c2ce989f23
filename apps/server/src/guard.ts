import type { RequestHandler } from 'express';
import { Refusal } from './problem.js';

/** Only this machine's own name counts, so that no foreign page can reach the server under a name of its own. */
export function ownHost(host: string): RequestHandler {
  return (request, _response, next) => {
    const name = (request.headers.host ?? '').replace(/:\d+$/, '');
    if (['127.0.0.1', 'localhost', '[::1]', host].includes(name)) next();
    else next(new Refusal(421, 'Wrong host', `This server answers to 127.0.0.1 and localhost, not to “${name}”.`));
  };
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
