import type { Inspection, Progress } from '@poietra/inputs';
import { createHash } from 'node:crypto';
import { mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { kitFileName } from './kit-file.js';
import { Refusal } from './problem.js';

export type ProjectState =
  | { readonly status: 'reading'; readonly progress: Progress | undefined }
  | { readonly status: 'ready'; readonly inspection: Inspection }
  | { readonly status: 'failed'; readonly message: string };

/** The project's own source files with their times and sizes: inputs are found in them, too. */
function ownFiles(folder: string, cache: string, depth = 0): (readonly [string, number, number])[] {
  if (depth > 12 || folder === cache) return [];
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    if (entry.name.startsWith('.') || ['node_modules', 'dist', kitFileName].includes(entry.name)) return [];
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return ownFiles(path, cache, depth + 1);
    if (!/\.([cm]?[jt]sx?|json)$/.test(entry.name)) return [];
    const { mtimeMs, size } = statSync(path);
    return [[path, mtimeMs, size] as const];
  });
}

/** The opened project folder. It is read in a thread of its own, since the compiler would hold up every answer. */
export class OpenProject {
  #state: ProjectState = { status: 'reading', progress: undefined };
  #waiting: (() => void)[] = [];

  constructor(
    readonly folder: string,
    private readonly cache: string,
    private readonly workerFile: string,
  ) {
    const kept = this.#fromCache();
    if (kept) this.#state = { status: 'ready', inspection: kept };
    else this.#read();
  }

  get state(): ProjectState {
    return this.#state;
  }

  /** @throws {Refusal} where the project could not be read. */
  async inspection(): Promise<Inspection> {
    while (this.#state.status === 'reading') await new Promise<void>((resolve) => this.#waiting.push(resolve));
    if (this.#state.status === 'failed') throw new Refusal(409, 'The project cannot be read', this.#state.message);
    return this.#state.inspection;
  }

  #read(): void {
    const worker = new Worker(this.workerFile, { workerData: { folder: this.folder } });
    const settle = (state: ProjectState): void => {
      this.#state = state;
      for (const go of this.#waiting.splice(0)) go();
    };
    worker.on('message', (message: { progress: Progress } | { inspection: Inspection } | { failed: string }) => {
      if ('progress' in message) this.#state = { status: 'reading', progress: message.progress };
      else if ('inspection' in message) {
        this.#keep(message.inspection);
        settle({ status: 'ready', inspection: message.inspection });
      } else settle({ status: 'failed', message: message.failed });
    });
    worker.on('error', (error) => settle({ status: 'failed', message: error.message }));
  }

  /** The same packages in the same versions and the same own files, read by the same code, declare the same. */
  #key(): string | undefined {
    try {
      const hash = createHash('sha256')
        .update(this.folder)
        .update(readFileSync(this.workerFile))
        .update(readFileSync(join(this.folder, 'package.json')))
        .update(JSON.stringify(ownFiles(this.folder, this.cache)));
      return hash
        .update(readFileSync(join(this.folder, 'node_modules/.package-lock.json')))
        .digest('hex')
        .slice(0, 24);
    } catch {
      return undefined;
    }
  }
  #fromCache(): Inspection | undefined {
    const key = this.#key();
    if (key === undefined) return undefined;
    try {
      return JSON.parse(readFileSync(join(this.cache, `${key}.json`), 'utf8')) as Inspection;
    } catch {
      return undefined;
    }
  }
  #keep(inspection: Inspection): void {
    const key = this.#key();
    if (key === undefined) return;
    mkdirSync(this.cache, { recursive: true });
    writeFileSync(join(this.cache, `${key}.json`), JSON.stringify(inspection));
  }
}
