import { bundle, BundleError, type Bundle, type BundledInput } from '@poietra/inputs';
import { createHash } from 'node:crypto';
import { join } from 'node:path';
import { Refusal } from './problem.js';

/** What a frame is for: it draws forms and single inputs, or it proves. */
export type Purpose = 'draw' | 'prove';
const starts = {
  draw: { module: 'apps/workbench/src/sandbox/frame.tsx', name: 'startFrame' },
  prove: { module: 'packages/stand/src/frame.ts', name: 'startProving' },
} as const;

/** What runs in a stand's frame, bundled from the project's own packages. Kept by what went into it. */
export class Bundler {
  readonly #kept = new Map<string, Promise<Bundle>>();
  readonly #byKey = new Map<string, Promise<Bundle>>();

  constructor(
    private readonly home: string,
    private readonly project: string,
  ) {}

  /** @throws {Refusal} where the packages do not bundle; it says which and why. */
  async open(
    inputs: readonly (BundledInput & { readonly version?: string })[],
    purpose: Purpose = 'draw',
    codes: Readonly<Record<string, string>> = {},
  ): Promise<string> {
    const name = JSON.stringify([this.project, purpose, ...inputs.map(({ id, version }) => [id, version]), codes]);
    const key = createHash('sha256').update(name).digest('hex').slice(0, 20);
    let made = this.#kept.get(name);
    if (!made) {
      const { module, name: start } = starts[purpose];
      made = bundle({
        project: this.project,
        home: this.home,
        start: { module: join(this.home, module), name: start },
        inputs,
        codes,
      });
      this.#kept.set(name, made);
      this.#byKey.set(key, made);
      // What failed may be mended by an install; the next time it is tried again.
      made.catch(() => {
        this.#kept.delete(name);
        this.#byKey.delete(key);
      });
    }
    try {
      await made;
    } catch (error) {
      throw error instanceof BundleError ? new Refusal(409, 'The input does not bundle', error.message) : error;
    }
    return key;
  }

  /** The bundle of a key, if it was made here. */
  get(key: string): Promise<Bundle> | undefined {
    return this.#byKey.get(key);
  }
}
