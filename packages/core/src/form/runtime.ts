/** What browsers, workers and Node have alike, by the little that is needed of it: the core knows the types of none. */

/** The platform's own `AbortSignal`, where its types are known. */
export type StopSignal = typeof globalThis extends { AbortSignal: { prototype: infer Signal } }
  ? Signal
  : { readonly aborted: boolean };

export interface Stop {
  readonly signal: StopSignal;
  abort(): void;
}
export type Timer = object | number;
interface Runtime {
  readonly AbortController: new () => Stop;
  setTimeout(work: () => void, milliseconds: number): Timer;
  clearTimeout(timer: Timer | undefined): void;
}
const runtime = globalThis as unknown as Runtime;

export const newStop = (): Stop => new runtime.AbortController();
export const later = (work: () => void, milliseconds: number): Timer => runtime.setTimeout(work, milliseconds);
export const never = (timer: Timer | undefined): void => runtime.clearTimeout(timer);
