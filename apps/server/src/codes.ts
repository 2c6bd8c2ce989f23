import { CodeError, ourPackages, scriptOf } from '@poietra/inputs';
import { build } from 'esbuild';
import { Router, type Request, type Response } from 'express';
import { createHash } from 'node:crypto';
import { join } from 'node:path';
import { Refusal } from './problem.js';

/** Codecs that are code, by a key made of what they say. They live as long as the server; the workbench sends them again. */
export class Codes {
  readonly #scripts = new Map<string, string>();
  readonly #own = new Map<string, Promise<string>>();

  constructor(private readonly home: string) {}

  /** @throws {Refusal} where it is no code for a codec; it says where and why. */
  add(source: string): string {
    let script: string;
    try {
      script = scriptOf(source);
    } catch (error) {
      throw error instanceof CodeError ? new Refusal(422, 'The code cannot be taken', error.message) : error;
    }
    const key = createHash('sha256').update(source).digest('hex').slice(0, 20);
    this.#scripts.set(key, script);
    return key;
  }

  script(key: string): string {
    const script = this.#scripts.get(key);
    if (script === undefined) throw new Refusal(404, 'No such code', 'The server was started anew; reload the page.');
    return script;
  }

  /** Scripts by name, of texts like `name:key`. */
  named(asked: readonly string[]): Record<string, string> {
    return Object.fromEntries(
      asked.map((one) => {
        const at = one.lastIndexOf(':');
        return [one.slice(0, at), this.script(one.slice(at + 1))];
      }),
    );
  }

  /** The workbench's own parts of a codec's frame, bundled when they are first asked for. */
  async own(part: 'work' | 'host'): Promise<string> {
    let made = this.#own.get(part);
    if (!made) {
      made = build({
        entryPoints: [join(this.home, `apps/workbench/src/sandbox/code-${part}.ts`)],
        bundle: true,
        write: false,
        format: 'iife',
        platform: 'browser',
        target: 'es2022',
        conditions: ['source'],
        plugins: [ourPackages(this.home)],
        logLevel: 'silent',
      }).then(({ outputFiles }) => outputFiles[0]?.text ?? '');
      this.#own.set(part, made);
    }
    return made;
  }
}

/** In a worker of a frame without origin, “self” would be that origin; so the server is named by its address. */
const policyFor = (server: string): string =>
  [
    "default-src 'none'",
    `script-src ${server} blob:`,
    `worker-src ${server} blob:`,
    "connect-src 'none'",
    "form-action 'none'",
    "base-uri 'none'",
    "frame-ancestors 'self'",
    'sandbox allow-scripts',
  ].join('; ');

/**
 * A module as a script that hands itself over: the word `export` goes, and nothing moves from its line or column but on
 * the first line.
 */
function asScript(module: string): string {
  const names: string[] = [];
  const body = module.replace(
    /^export (?=(?:async )?(?:function|const|let|class)\*?\s+([A-Za-z_$][\w$]*))/gm,
    (_, name: string) => {
      names.push(name);
      return '       ';
    },
  );
  return `startCode((() => {'use strict';${body}\nreturn { ${names.join(', ')} }; })());`;
}

/** The frame of a codec's code. It has no origin, so modules come to it only if they are open to all. */
export function codeRouter(codes: Codes): Router {
  const router = Router();
  const serverOf = ({ protocol, headers }: Request): string => `${protocol}://${headers.host ?? ''}`;
  const open = (response: Response): Response =>
    response.set({
      'Content-Security-Policy': policyFor(serverOf(response.req)),
      'Cross-Origin-Resource-Policy': 'cross-origin',
      'Access-Control-Allow-Origin': '*',
    });
  router.get('/code/:key.js', ({ params }, response) => {
    open(response)
      .type('js')
      .send(asScript(codes.script(params.key)));
  });
  router.get('/code-part/:part.js', async ({ params }, response) => {
    if (params.part !== 'work' && params.part !== 'host') throw new Refusal(404, 'No such part');
    open(response)
      .type('js')
      .send(await codes.own(params.part));
  });
  router.get('/code-frame/:key', (request, response) => {
    const { key } = request.params;
    codes.script(key);
    const base = `${serverOf(request)}/stand`;
    open(response).type('html').send(`<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>Codec</title></head><body>
<script src="${base}/code-part/host.js" data-work="${base}/code-part/work.js" data-code="${base}/code/${key}.js"></script></body></html>`);
  });
  return router;
}
