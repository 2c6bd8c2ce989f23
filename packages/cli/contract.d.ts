/** An adapter as it was handed over: its name in the kit, its file in `adapters`, and what it is called in that. */
export interface HandedOverAdapter {
  readonly adapter: string;
  readonly file: string;
  readonly called: string;
}

/**
 * Puts an adapter that was handed over to the contract, in full, in a Chromium that Playwright has open: its pointer and
 * keys, its pixels, its accessibility tree.
 * @param folder where the hand-over lies, as a `file:` URL; `kit.json` in it says how the input is worked.
 * @returns a sentence for each check that it does not keep, with what was seen and what to try; none where it keeps all.
 * @throws {Error} where the kit has no such adapter, or the source does not bundle.
 */
export declare function contractOf(
  folder: string | URL,
  adapter: HandedOverAdapter,
  browser: object,
): Promise<readonly string[]>;
