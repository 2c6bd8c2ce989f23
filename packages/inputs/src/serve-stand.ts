/**
 * Gives a stand's page what it is made of over the loopback. A script of megabytes that a driver hands over itself goes
 * through its pipe as text in a text, which took a quarter of the driver's time.
 */
import { randomUUID } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Bundle } from './bundle.js';

const policy =
  "default-src 'none'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src data: blob:; font-src data:; connect-src data:; sandbox allow-scripts";

export interface Served {
  readonly address: string;
  /** Whether an address is one of its own. */
  isOwn(url: string): boolean;
  end(): void;
}

type Piece = readonly [type: string, body: string];
const pieces = new Map<string, Piece>();
let server: Promise<Server> | undefined;

/** `sheet`: what the page says of its own look. Nobody else knows the address, and it is gone with `end`. */
export async function serveStand({ script, style }: Bundle, sheet: string): Promise<Served> {
  server ??= listen();
  const { port } = (await server).address() as AddressInfo;
  const path = `/${randomUUID()}/`;
  const address = `http://stand.localhost:${port}${path}`;
  const own = new Map<string, Piece>([
    [
      path,
      [
        'text/html',
        `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Stand</title><link rel="stylesheet" href="stand.css" crossorigin><style>${sheet}</style></head><body><div id="stand"></div><script src="stand.js" crossorigin></script></body></html>`,
      ],
    ],
    [`${path}stand.js`, ['text/javascript', script]],
    [`${path}stand.css`, ['text/css', style]],
  ]);
  for (const [name, piece] of own) pieces.set(name, piece);
  return {
    address,
    isOwn: (url) => url.startsWith(address) && own.has(path + url.slice(address.length)),
    end() {
      for (const name of own.keys()) pieces.delete(name);
    },
  };
}

/** One for the whole process, which does not wait for it to end. */
async function listen(): Promise<Server> {
  const listening = createServer(({ url = '' }, response) => {
    const [type, body] = pieces.get(url) ?? [];
    if (type === undefined) {
      response.writeHead(404).end();
      return;
    }
    response.writeHead(200, {
      'content-type': `${type}; charset=utf-8`,
      'content-security-policy': policy,
      // The page has no origin of its own, and errors of its script are to be read.
      'access-control-allow-origin': '*',
      'cache-control': 'no-store',
    });
    response.end(body);
  });
  await new Promise<void>((resolve, reject) => {
    listening.once('error', reject);
    listening.listen(0, '127.0.0.1', resolve);
  });
  return listening.unref();
}
