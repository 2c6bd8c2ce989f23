/** Drawing on the server: foreign packages run in a process of their own, without files, environment or time without end. */
import { createHash } from 'node:crypto';
import { spawn } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bundleScript, type BundleOptions } from './bundle.js';

/** What came of drawing: the markup, or what was thrown. */
export type Rendered = { readonly html: string } | { readonly failed: string };

/** Longer than any single drawing takes. In milliseconds. */
const mostTime = 15_000;
const mostText = 5_000_000;

/** Keeps the scripts by what went into them, so that a second drawing costs the process alone. */
export class Renderer {
  readonly #scripts = new Map<string, Promise<string>>();
  #folder: string | undefined;

  /**
   * Runs the function that `start` names with the inputs, gives it `task` and takes what it answers.
   * @throws {BundleError} where the packages do not bundle.
   */
  async render(options: BundleOptions, task: unknown): Promise<Rendered> {
    const name = JSON.stringify([options.project, options.start, options.inputs.map(({ id }) => id), options.codes]);
    const key = createHash('sha256').update(name).digest('hex').slice(0, 20);
    let script = this.#scripts.get(key);
    if (!script) {
      script = this.#write(key, options);
      this.#scripts.set(key, script);
      // What failed may be mended by an install; the next time it is tried again.
      script.catch(() => this.#scripts.delete(key));
    }
    return run(await script, JSON.stringify(task));
  }

  async #write(key: string, options: BundleOptions): Promise<string> {
    const text = await bundleScript(options);
    this.#folder ??= mkdtempSync(join(tmpdir(), 'poietra-'));
    const path = join(this.#folder, `${key}.cjs`);
    writeFileSync(path, text);
    return path;
  }
}

function run(script: string, task: string): Promise<Rendered> {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, ['--experimental-permission', `--allow-fs-read=${script}`, script], {
      stdio: ['pipe', 'pipe', 'pipe'],
      env: { NODE_NO_WARNINGS: '1' },
    });
    let [out, complaint] = ['', ''];
    const fail = (failed: string): void => {
      clearTimeout(timer);
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
      const line = out.trim().split('\n').at(-1) ?? '';
      try {
        const read = JSON.parse(line) as Rendered;
        resolve('html' in read ? { html: read.html } : { failed: read.failed.slice(0, 4000) });
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
