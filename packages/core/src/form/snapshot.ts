/** A form's state as a document, and back: what moves from tab to tab, lies in a draft, and outlives a rewritten schema. */
import { batch } from '@preact/signals-core';
import { copyOf, type Pointer } from '../json/index.js';
import type { Force } from './force.js';
import type { Place } from './place.js';
import type { Snapshot } from './types.js';

export function snapshotOf(all: Iterable<Place>, value: unknown): Snapshot {
  const typed: Record<Pointer, unknown> = {};
  const chosen: Record<Pointer, Record<string, number>> = {};
  const visited: Pointer[] = [];
  for (const { at, acts } of all) {
    const text = acts.typed.peek();
    if (text) typed[at] = text.raw;
    if (acts.choices.length > 0) chosen[at] = Object.fromEntries(acts.choices);
    if (acts.visited.peek()) visited.push(at);
  }
  return { value, typed, visited, chosen };
}

interface Restorable {
  readonly force: Force;
  place(at: Pointer): Place;
  put(at: Pointer, sent: unknown): void;
  settleAll(): void;
}

/** Options before what was typed: the option decides which codec reads the text. */
export function restore(form: Restorable, { value, typed, visited, chosen = {} }: Snapshot): void {
  batch(() => {
    form.put('', copyOf(value) ?? {});
    for (const [at, options] of Object.entries(chosen)) {
      const place = form.place(at);
      for (const [key, index] of Object.entries(options)) place.acts.chosen(key).value = index;
      form.force.touched(place);
    }
    form.settleAll();
    for (const [at, text] of Object.entries(typed)) form.place(at).report(text);
    for (const at of visited) form.place(at).acts.visited.value = true;
  });
}
