/** Every place that a pattern means: `*` stands for each entry of a list, and is followed as entries come and go. */
import { effect, untracked } from '@preact/signals-core';
import { formatPointer, parsePointer, type Pointer } from '../json/index.js';
import type { Place } from './place.js';

/** Begins something at every place that there is, and ends it where the place goes; gives back the way to end all. */
export function eachPlace(
  form: { place(at: Pointer): Place },
  pattern: Pointer,
  begin: (at: Pointer) => () => void,
): () => void {
  return walk('', parsePointer(pattern));

  function walk(at: Pointer, rest: readonly string[]): () => void {
    const star = rest.indexOf('*');
    if (star < 0) return begin(at + formatPointer(rest));
    const list = at + formatPointer(rest.slice(0, star));
    const ends: (() => void)[] = [];
    const end = effect(() => {
      const value = form.place(list).sent;
      const length = Array.isArray(value) ? value.length : 0;
      untracked(() => {
        while (ends.length > length) ends.pop()?.();
        while (ends.length < length) ends.push(walk(`${list}/${ends.length}`, rest.slice(star + 1)));
      });
    });
    return () => {
      end();
      for (const one of ends.splice(0)) one();
    };
  }
}
