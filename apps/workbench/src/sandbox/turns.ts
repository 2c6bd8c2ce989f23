import type { Turn } from '@poietra/core';

/** How long long work may hold the page, in milliseconds: less than a frame of a screen. */
const share = 12;

/** Lets the page answer whenever the share is used up. `isWanted` says no once the work is not needed any more. */
export function turns(isWanted: () => boolean): Turn {
  let until = performance.now() + share;
  return () => {
    if (performance.now() < until) return undefined;
    return new Promise((resolve, reject) => {
      setTimeout(() => {
        until = performance.now() + share;
        if (isWanted()) resolve();
        else reject(new NoLongerWanted());
      });
    });
  };
}
export class NoLongerWanted extends Error {}
