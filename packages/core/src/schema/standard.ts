/** The interface of Standard Schema, version 1: what other libraries ask a schema by. */
export interface StandardSchema<T = unknown> {
  readonly version: 1;
  readonly vendor: string;
  /** For the compiler alone: it has no value. */
  readonly types?: { readonly input: T; readonly output: T } | undefined;
  /** Either the value, which is not changed, or what is wrong with it and where. */
  validate(value: unknown): { readonly value: T } | { readonly issues: readonly StandardIssue[] };
}
/** A problem as Standard Schema has it. */
export interface StandardIssue {
  readonly message: string;
  /** The names and positions on the way to the place. */
  readonly path: readonly string[];
}
