import { KeptInspections, type Inspection, type Progress } from '@poietra/inputs';
import { Worker } from 'node:worker_threads';
import { Refusal } from './problem.js';

export type ProjectState =
  | { readonly status: 'reading'; readonly progress: Progress | undefined }
  | { readonly status: 'ready'; readonly inspection: Inspection }
  | { readonly status: 'failed'; readonly message: string };

/** The opened project folder. It is read in a thread of its own, since the compiler would hold up every answer. */
export class OpenProject {
  #state: ProjectState = { status: 'reading', progress: undefined };
  #waiting: (() => void)[] = [];

  readonly #kept: KeptInspections;

  constructor(
    readonly folder: string,
    cache: string,
    private readonly workerFile: string,
  ) {
    this.#kept = new KeptInspections(cache, workerFile);
    const kept = this.#kept.of(folder);
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
        this.#kept.keep(this.folder, message.inspection);
        settle({ status: 'ready', inspection: message.inspection });
      } else settle({ status: 'failed', message: message.failed });
    });
    worker.on('error', (error) => settle({ status: 'failed', message: error.message }));
  }
}
