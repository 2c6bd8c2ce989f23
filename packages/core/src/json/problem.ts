import type { Pointer } from './pointer.js';

/** One thing wrong with a value. */
export interface Problem {
  /** Where in the value. */
  readonly at: Pointer;
  /** The JSON Schema keyword that says so, or one of ours: `parse`, `limit`, `reference`, `server`. */
  readonly keyword: string;
  /** Where the keyword stands: a JSON Pointer into the schema, after its URI and `#` where that is another document. */
  readonly schemaAt: string;
  /** What the message is made of. */
  readonly params: Readonly<Record<string, unknown>>;
  /** Plain words, ready to be shown. */
  readonly message: string;
}
