/**
 * What is said of places from elsewhere than the schema: by rules, and by checks that ask somebody. Each source says one
 * thing at a time; a place tells all that is said of it. Fetched by forms that have either.
 */
import type { Problem } from '../json/index.js';
import { unruled, type Place, type Ruling } from './place.js';

/** Who says something: one object for each rule or check at each place that it is about. */
export interface Source {
  readonly said: Map<Place, Ruling>;
}
const sources = new WeakMap<Place, Set<Source>>();

export const newSource = (): Source => ({ said: new Map() });

/** What a source says from now on, by place; what it said before and does not say any more goes. */
export function rule(source: Source, says: ReadonlyMap<Place, Ruling>): void {
  for (const place of new Set([...source.said.keys(), ...says.keys()])) {
    const next = says.get(place);
    if (next === source.said.get(place)) continue;
    const known = sources.get(place) ?? new Set();
    sources.set(place, known);
    if (next) {
      source.said.set(place, next);
      known.add(source);
    } else {
      source.said.delete(place);
      known.delete(source);
    }
    const all = [...known].flatMap((one) => one.said.get(place) ?? []);
    place.ruling.value =
      all.length === 0
        ? unruled
        : { problems: all.flatMap(({ problems }) => problems), pending: all.some(({ pending }) => pending) };
    place.form.noticed(place);
  }
}

/** The problem of a keyword of ours. */
export const problemOf = (place: Place, keyword: 'rule' | 'check', message: string): Problem => ({
  at: place.at,
  keyword,
  schemaAt: '',
  params: {},
  message,
});
