/** What a bundle is made of. */
import type { FoundInput } from '@poietra/core';

export interface BundleOptions {
  /** The project folder, whose packages are taken. */
  readonly project: string;
  /** Where this repository's own packages are: they serve the framework where the project has none. */
  readonly home: string;
  /** The module that starts the frame, and the name of its function; it is called with the inputs. */
  readonly start: { readonly module: string; readonly name: string };
  readonly inputs: readonly BundledInput[];
  /** Codecs that are code, by name; the function gets them second. */
  readonly codes?: Readonly<Record<string, string>>;
  /** The file of an adapter that was handed over, and what it is called there. */
  readonly handedOver?: { readonly module: string; readonly name: string };
}

/** What has to be known of an input in order to bundle it. */
export type BundledInput = Pick<
  FoundInput,
  'id' | 'family' | 'export' | 'module' | 'registers' | 'tag' | 'css' | 'item'
>;
