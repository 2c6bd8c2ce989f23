/**
 * What runs in the frame around a codec's worker. The frame has no origin, so the worker can reach neither storage nor
 * server; what takes too long is ended, and the next task gets a new worker.
 */
import type { CodeTask } from './code-work.js';

/** Between two answers. In milliseconds. */
const patience = 2000;

const { work = '', code = '' } = document.currentScript?.dataset ?? {};
let worker: Worker | undefined;
let timer: ReturnType<typeof setTimeout> | undefined;
const say = (text: string): void => window.parent.postMessage(text, '*');
const tell = (message: object): void => say(JSON.stringify(message));

/**
 * A worker of an address needs an origin; one of a blob has the frame's own, which is none. Without an origin it can be
 * no module either, so both parts are scripts.
 */
function start(): Promise<Worker> {
  const text = `importScripts(${JSON.stringify(work)}, ${JSON.stringify(code)});`;
  const made = new Worker(URL.createObjectURL(new Blob([text], { type: 'text/javascript' })));
  return new Promise((resolve, reject) => {
    // A module that cannot be loaded is told without words.
    made.onerror = ({ message }: Partial<ErrorEvent>) => reject(new Error(message ?? 'The code does not start.'));
    made.onmessage = () => resolve(made);
  });
}

window.addEventListener('message', ({ source, data }: MessageEvent<CodeTask>) => {
  if (source !== window.parent) return;
  void run(data);
});

async function run(task: CodeTask): Promise<void> {
  const { id } = task;
  try {
    worker ??= await start();
  } catch (error) {
    tell({ kind: 'failed', id, message: error instanceof Error ? error.message : String(error) });
    return;
  }
  const own = worker;
  const wait = (): void => {
    clearTimeout(timer);
    timer = setTimeout(() => {
      own.terminate();
      worker = undefined;
      tell({
        kind: 'failed',
        id,
        message: `It took longer than ${patience / 1000} seconds, so it was stopped. Does it loop for ever?`,
      });
    }, patience);
  };
  own.onmessage = ({ data }: MessageEvent<unknown>) => {
    if (typeof data !== 'string') return;
    wait();
    if (/^\{"kind":"(done|failed)"/.test(data)) clearTimeout(timer);
    say(data);
  };
  own.onerror = ({ message }) => tell({ kind: 'failed', id, message });
  wait();
  own.postMessage(task);
}
tell({ kind: 'ready' });
