import type { KitReading } from '@poietra/core';
import { wrap } from 'comlink';
import type { KitRead } from '../workers/kit-read-worker.js';

/** Reads a kit file in a worker: text, JSON and check are all its own, and the page only takes over the result. */
export function readInWorker(file: Blob): { readonly done: Promise<KitReading | undefined>; stop(): void } {
  const worker = new Worker(new URL('../workers/kit-read-worker.ts', import.meta.url), { type: 'module' });
  let stop: () => void = () => undefined;
  const stopped = new Promise<undefined>((resolve) => (stop = () => resolve(undefined)));
  const done = Promise.race([wrap<KitRead>(worker).readFile(file), stopped])
    .catch((error: unknown): KitReading => {
      return { ok: false, problems: [{ at: '', message: error instanceof Error ? error.message : String(error) }] };
    })
    .finally(() => worker.terminate());
  return { done, stop };
}
