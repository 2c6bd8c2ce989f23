/** Inputs that are not there on a server: drawn in the browser alone, or with a module that is loaded there. */
import { useSyncExternalStore } from 'react';

/** An input whose module is loaded once it is drawn in a browser. */
export class Later {
  value: unknown;
  #hearing = new Set<() => void>();
  #asked = false;

  constructor(private readonly load: () => Promise<unknown>) {}

  hear = (changed: () => void): (() => void) => {
    this.#hearing.add(changed);
    if (!this.#asked) {
      this.#asked = true;
      void this.load().then(
        (value) => {
          this.value = value;
          for (const one of this.#hearing) one();
        },
        // The next one that is drawn asks again.
        (error: unknown) => {
          this.#asked = false;
          console.error('An input could not be loaded:', error);
        },
      );
    }
    return () => this.#hearing.delete(changed);
  };
}

/**
 * Stands for an input whose module no server can load: `adapt(later(() => import('tide').then(({ Gauge }) => Gauge)), …)`.
 * Until it is loaded, the field's box is empty; a failure is told on the console, and the next copy tries again.
 */
export const later = (load: () => Promise<unknown>): unknown => new Later(load);

const nobody = (): (() => void) => () => undefined;
/** The input as it is there by now; `undefined` while it is not to be drawn. */
export function useThere(input: unknown, isInBrowserAlone: boolean): unknown {
  const loaded = input instanceof Later ? input : undefined;
  return useSyncExternalStore(
    loaded?.hear ?? nobody,
    () => (loaded ? loaded.value : input),
    () => (loaded || isInBrowserAlone ? undefined : input),
  );
}
