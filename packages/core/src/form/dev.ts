/** What is told to developers only: a bundler for production leaves all of it out. */
import type { Pointer } from '../json/index.js';

/** Something wrong with a description, or with how a form is used: told to the developer, never to the person. */
export interface Trouble {
  /** The place in the form that it is about; a pointer into the value. */
  readonly at: Pointer;
  /** What is wrong and what to do. */
  readonly says: string;
}

declare const process: { readonly env: { readonly NODE_ENV?: string } };
declare const console: { warn(text: string): void };

/** Warns in a development build: `process.env.NODE_ENV` is replaced by a constant where a bundler runs. */
export function warn({ at, says }: Trouble): void {
  try {
    if (process.env.NODE_ENV === 'production') return;
  } catch {
    // Neither Node nor a bundler: nobody has said that this is a development build.
    return;
  }
  console.warn(`${at === '' ? 'The form' : at}: ${says}`);
}
