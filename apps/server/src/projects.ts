import { BundleError, ProjectError, readProject, Renderer, type BundledInput, type Rendered } from '@poietra/inputs';
import { isAbsolute, join, resolve } from 'node:path';
import { Bundler } from './bundle.js';
import type { Permit } from './permit.js';
import { Refusal } from './problem.js';
import { OpenProject } from './project.js';

const drawings = {
  input: { module: 'packages/stand/src/render.tsx', name: 'startRendering' },
  form: { module: 'apps/workbench/src/sandbox/render.tsx', name: 'startRenderingForms' },
} as const;

/** The project folders that were opened since the start; one of them is the present one. */
export class Projects {
  readonly #renderer = new Renderer();
  readonly #opened = new Map<string, { readonly project: OpenProject; readonly bundler: Bundler }>();
  #folder: string;

  constructor(
    private readonly home: string,
    folder: string,
  ) {
    this.#folder = folder;
  }

  get now(): { readonly project: OpenProject; readonly bundler: Bundler } {
    const known = this.#opened.get(this.#folder);
    if (known) return known;
    const opened = {
      project: new OpenProject(
        this.#folder,
        join(this.home, '.cache/inputs'),
        join(this.home, 'apps/server/dist/inspect-worker.js'),
      ),
      bundler: new Bundler(this.home, this.#folder),
    };
    this.#opened.set(this.#folder, opened);
    return opened;
  }

  /**
   * Makes another folder the present one; with `again`, it is read anew.
   * @throws {Refusal} where it is no project folder, nothing is installed in it, or it may not be opened; the present one
   *   then stays.
   */
  async open(folder: string, permit: Permit, again = false): Promise<void> {
    if (!isAbsolute(folder))
      throw new Refusal(422, 'No project folder', 'Give the whole path of the folder, from the root.');
    const wanted = resolve(folder);
    try {
      readProject(wanted);
    } catch (error) {
      if (error instanceof ProjectError) throw new Refusal(422, 'No project folder', error.message);
      throw error;
    }
    await permit.check(wanted);
    if (again) {
      this.#opened.delete(wanted);
      this.#renderer.forget(wanted);
    }
    this.#folder = wanted;
  }

  /**
   * Draws an input or a form on this server, from the present project's packages, in a process of its own.
   * @throws {Refusal} where they do not bundle.
   */
  async draw(
    what: keyof typeof drawings,
    inputs: readonly BundledInput[],
    codes: Readonly<Record<string, string>>,
    task: unknown,
  ): Promise<Rendered> {
    const { module, name } = drawings[what];
    const start = { module: join(this.home, module), name };
    try {
      return await this.#renderer.render({ project: this.#folder, home: this.home, start, inputs, codes }, task);
    } catch (error) {
      throw error instanceof BundleError ? new Refusal(409, 'It does not bundle for a server', error.message) : error;
    }
  }

  bundle(key: string): ReturnType<Bundler['get']> {
    for (const { bundler } of this.#opened.values()) {
      const found = bundler.get(key);
      if (found) return found;
    }
    return undefined;
  }
}
