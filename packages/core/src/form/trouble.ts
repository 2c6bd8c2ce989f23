import type { Pointer } from '../json/index.js';

/** Something wrong with a description, or with how a form is used: told to the developer, never to the person. */
export interface Trouble {
  /** The place in the form that it is about; a pointer into the value. */
  readonly at: Pointer;
  /** What is wrong and what to do. */
  readonly says: string;
}
