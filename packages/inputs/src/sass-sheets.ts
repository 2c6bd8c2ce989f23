/** Sheets that a package ships as they were written, in Sass, made into CSS as an application's own tool makes them. */
import type { Plugin } from 'esbuild';
import { dirname } from 'node:path';
import { Worker } from 'node:worker_threads';

/** Sass has loops: a foreign sheet need not come to an end. In milliseconds. */
const usualTime = 20_000;
const mostMegabytes = 512;

interface Made {
  readonly css: string;
  /** The files that it was made of, itself among them. */
  readonly loaded: readonly string[];
}

/**
 * `whyNot` says of a file why it may be no part of a bundle; what a sheet loads is asked about as well as itself. The
 * compiler is found from `home`.
 */
export function sassSheets(
  whyNot: (path: string) => string | undefined,
  home: string,
  mostTime: number = usualTime,
): Plugin {
  return {
    name: 'sass-sheets',
    setup(builder) {
      builder.onLoad({ filter: /\.s[ac]ss$/, namespace: 'file' }, async ({ path }) => {
        const made = await makeApart(path, home, mostTime);
        if (typeof made === 'string')
          return { errors: [{ text: `“${path}” is written in Sass and could not be made into CSS: ${made}` }] };
        const errors = made.loaded.flatMap((one) => {
          const reason = whyNot(one);
          return reason === undefined ? [] : [{ text: `“${one}” ${reason}, so it is not bundled.` }];
        });
        if (errors.length > 0) return { errors };
        // A module's names are its own, and asked for by its script.
        const loader = /\.module\.s[ac]ss$/.test(path) ? 'local-css' : 'css';
        return { contents: made.css, loader, resolveDir: dirname(path) };
      });
    },
  };
}

/** In a thread that can be ended: what was made, or why it was not. */
function makeApart(path: string, home: string, mostTime: number): Promise<Made | string> {
  const thread = new Worker(inThread, {
    eval: true,
    workerData: { path, home },
    resourceLimits: { maxOldGenerationSizeMb: mostMegabytes },
  });
  return new Promise((resolve) => {
    const done = (made: Made | string): void => {
      clearTimeout(timer);
      void thread.terminate();
      resolve(made);
    };
    const timer = setTimeout(() => done(`It took longer than ${mostTime / 1000} seconds.`), mostTime);
    thread.once('message', done);
    thread.once('error', ({ message }) => done(message));
  });
}

/** What is taken out of a package is found by its name, also with the sign that some tools want before it. */
const inThread = `
const { existsSync } = require('node:fs');
const { createRequire } = require('node:module');
const { dirname, join } = require('node:path');
const { fileURLToPath, pathToFileURL } = require('node:url');
const { parentPort, workerData } = require('node:worker_threads');
const { compile, Logger } = createRequire(join(workerData.home, 'package.json'))('sass');
const findFileUrl = (url) => {
  const path = url.replace(/^~/, '');
  if (/^[./]|^[a-z]+:/i.test(path)) return null;
  const name = path.split('/').slice(0, path.startsWith('@') ? 2 : 1);
  for (let folder = dirname(workerData.path); ; folder = dirname(folder)) {
    if (existsSync(join(folder, 'node_modules', ...name))) return pathToFileURL(join(folder, 'node_modules', path));
    if (dirname(folder) === folder) return null;
  }
};
try {
  const { css, loadedUrls } = compile(workerData.path, { importers: [{ findFileUrl }], logger: Logger.silent, charset: false });
  parentPort.postMessage({ css, loaded: loadedUrls.map((url) => fileURLToPath(url)) });
} catch (error) {
  parentPort.postMessage(String(error.message).split('\\n')[0]);
}
`;
