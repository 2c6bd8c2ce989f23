import { BrowserLost, openBrowser, proveAdapter, type Bundle, type ProofOptions, type Rendered } from '@poietra/inputs';
import type { AdapterDescription } from '@poietra/core';
import { Refusal } from './problem.js';

/** In ms: an idle browser goes after this. */
const idle = 60_000;
/** Proofs that may wait for the one at work. */
const mostWaiting = 20;

/** The contract in full depth for the workbench: a browser of this server's own, opened when it is asked for; one proof at a time. */
export class Prover {
  #browser: ReturnType<typeof openBrowser> | undefined;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #last: Promise<unknown> = Promise.resolve();
  #waiting = 0;

  /**
   * Proves when its turn comes, and gives the browser's name with its version.
   * @throws {Refusal} where there is no browser, or too many wait.
   */
  async prove(
    bundle: Bundle,
    adapter: AdapterDescription,
    render: (task: object) => Promise<Rendered>,
    options: ProofOptions,
  ): Promise<string> {
    if (this.#waiting >= mostWaiting)
      throw new Refusal(429, 'Too many proofs', 'Twenty are waiting already; stop one, or wait.');
    this.#waiting++;
    const before = this.#last;
    const mine = before.then(() => this.#proveNow(bundle, adapter, render, options));
    this.#last = mine.catch(() => undefined).finally(() => this.#waiting--);
    return mine;
  }

  async #proveNow(...[bundle, adapter, render, options]: Parameters<Prover['prove']>): Promise<string> {
    if (options.signal?.aborted) return '';
    clearTimeout(this.#timer);
    const browser = await this.#open();
    try {
      await proveAdapter(browser, bundle, adapter, render, options);
    } catch (error) {
      if (error instanceof BrowserLost)
        throw new Refusal(
          503,
          'The browser ended',
          'Nothing was decided about what was missing by then; prove it again.',
        );
      throw error;
    }
    this.#timer = setTimeout(() => void this.close(), idle).unref();
    return `Chromium ${browser.version()}`;
  }

  async #open(): ReturnType<typeof openBrowser> {
    // One that has died is told by itself; the next proof opens another.
    if (this.#browser && !(await this.#browser.catch(() => undefined))?.isConnected()) this.#browser = undefined;
    this.#browser ??= openBrowser();
    try {
      return await this.#browser;
    } catch {
      this.#browser = undefined;
      throw new Refusal(
        503,
        'There is no browser to prove in',
        'Proving fully needs Chromium: install Debian’s package chromium, or say in CHROMIUM where yours is, and start again.',
      );
    }
  }

  async close(): Promise<void> {
    const open = this.#browser;
    this.#browser = undefined;
    await (await open)?.close();
  }
}
