/** Drawing on the server: foreign packages run in a process of their own, without files, environment or time without end. */
import { createHash } from 'node:crypto';
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { asModule, bundleScript } from './bundle.js';
import type { BundleOptions } from './bundle-options.js';
import { confinedRun } from './confined.js';

/** What came of drawing: the markup, or what was thrown. */
export type Rendered = { readonly html: string } | { readonly failed: string };

/** Longer than any single drawing takes. In milliseconds. */
const mostTime = 15_000;
const mostText = 5_000_000;

/** Keeps the scripts by what went into them, so that a second drawing costs the process alone. */
export class Renderer {
  readonly #scripts = new Map<string, { readonly project: string; readonly path: Promise<string> }>();
  #folder: string | undefined;

  /**
   * Runs the function that `start` names with the inputs, gives it `task` and takes what it answers.
   * @throws {BundleError} where the packages do not bundle.
   */
  async render(options: BundleOptions, task: unknown): Promise<Rendered> {
    const name = JSON.stringify([
      options.project,
      options.start,
      options.inputs.map(({ id }) => id),
      options.codes,
      options.handedOver,
    ]);
    const key = createHash('sha256').update(name).digest('hex').slice(0, 20);
    let script = this.#scripts.get(key);
    if (!script) {
      script = { project: options.project, path: this.#write(key, options) };
      this.#scripts.set(key, script);
      // What failed may be mended by an install; the next time it is tried again.
      script.path.catch(() => this.#scripts.delete(key));
    }
    return run(await script.path, JSON.stringify(task));
  }

  /** Bundles a project's inputs anew from now on: its files may have changed. */
  forget(project: string): void {
    for (const [key, script] of this.#scripts) if (script.project === project) this.#scripts.delete(key);
  }

  async #write(key: string, options: BundleOptions): Promise<string> {
    const text = await bundleScript(options);
    this.#folder ??= temporary();
    const path = join(this.#folder, `${key}.${text.startsWith(asModule) ? 'mjs' : 'cjs'}`);
    writeFileSync(path, text);
    return path;
  }
}

/** So many are drawn side by side; others wait, and where too many wait, it is said. */
const mostAtOnce = 2;
const mostWaiting = 50;
let drawing = 0;
const queue: (() => void)[] = [];

async function run(script: string, task: string): Promise<Rendered> {
  if (queue.length >= mostWaiting) return { failed: 'Too much is being drawn on the server already; try again later.' };
  if (drawing >= mostAtOnce) await new Promise<void>((resolve) => queue.push(resolve));
  drawing++;
  try {
    return await draw(script, task);
  } finally {
    drawing--;
    queue.shift()?.();
  }
}

/** In megabytes. */
const mostMemory = 1024;

/** Memory of a process and those it was made by wrapping, in megabytes; 0 where the system does not tell. */
function memoryOf(pid: number | undefined): number {
  try {
    const children = readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').trim().split(' ').filter(Boolean);
    const own = Number(readFileSync(`/proc/${pid}/statm`, 'utf8').split(' ')[1] ?? 0) * 4096;
    return children.reduce((sum, child) => sum + memoryOf(Number(child)), own / 1e6);
  } catch {
    return 0;
  }
}

function draw(script: string, task: string): Promise<Rendered> {
  return new Promise((resolve) => {
    const [command = process.execPath, ...args] = confinedRun(script);
    const child = spawn(command, args, {
      stdio: ['pipe', 'pipe', 'pipe'],
      env: { NODE_NO_WARNINGS: '1', PATH: '/usr/bin:/bin' },
    });
    const watch = setInterval(() => {
      if (memoryOf(child.pid) < mostMemory) return;
      child.kill('SIGKILL');
      fail(`Drawing it on the server took more than ${mostMemory} MB of memory.`);
    }, 100);
    let [out, complaint] = ['', ''];
    const fail = (failed: string): void => {
      clearTimeout(timer);
      clearInterval(watch);
      resolve({ failed: failed.slice(0, 4000) });
    };
    const timer = setTimeout(() => {
      child.kill('SIGKILL');
      fail(`Drawing it on the server took longer than ${mostTime / 1000} seconds.`);
    }, mostTime);
    child.stdout.on('data', (text: Buffer) => {
      out += text.toString();
      if (out.length > mostText) {
        child.kill('SIGKILL');
        fail('What it draws on the server has no end.');
      }
    });
    child.stderr.on('data', (text: Buffer) => {
      if (complaint.length < 4000) complaint += text.toString();
    });
    child.on('error', ({ message }) => fail(message));
    child.on('close', () => {
      clearTimeout(timer);
      clearInterval(watch);
      const line = out.trim().split('\n').at(-1) ?? '';
      try {
        resolve(answerOf(JSON.parse(line)));
      } catch {
        fail(reasonIn(complaint));
      }
    });
    child.stdin.on('error', () => undefined);
    child.stdin.end(task);
  });
}

/** The line of a crash that says what was thrown. */
function reasonIn(complaint: string): string {
  const line = complaint.split('\n').find((one) => /^\w*(Error|Exception)\b/.test(one.trim()));
  return `It does not run without a browser: ${line?.trim() ?? 'it ended without an answer'}`;
}

/** What it says is foreign: markup or a reason, and nothing else. */
function answerOf(said: unknown): Rendered {
  const { html, failed } = (typeof said === 'object' && said !== null ? said : {}) as Partial<
    Record<'html' | 'failed', unknown>
  >;
  if (typeof html === 'string') return { html };
  return { failed: typeof failed === 'string' ? failed.slice(0, 4000) : 'It gave no answer that can be read.' };
}

/** A folder that goes when this process does. */
function temporary(): string {
  const folder = mkdtempSync(join(tmpdir(), 'poietra-'));
  process.once('exit', () => rmSync(folder, { recursive: true, force: true }));
  return folder;
}
