/**
 * A group that the schema requires is there from the start, if empty: a person is then told which of its members are
 * missing rather than that "the consignor" is. So is a value that has no other. Members out of force are made places,
 * too, and get what they need when their conditions turn.
 */
import { beginsAsNothing, namedMembers } from '../schema/index.js';
import type { Place } from './place.js';

export interface Needing {
  read(place: Place): unknown;
  bring(place: Place, value: unknown): void;
}

/** Ends what a schema that requires itself would go on with. */
const deepest = 20;

export function addNeededGroups(form: Needing, place: Place, depth = 0): void {
  if (depth > deepest) return;
  for (const name of namedMembers(place.applied))
    if (!beginsAsNothing(place.applied, name)) addNeeded(form, place.child(name), depth);
}

export function addNeeded(form: Needing, place: Place, depth = 0): void {
  const { fixed, required } = place;
  const { kinds } = place.facts;
  if (fixed && required && form.read(place) === undefined) form.bring(place, fixed.value);
  if (kinds?.length !== 1 || kinds[0] !== 'object') return;
  if (required && form.read(place) === undefined) form.bring(place, {});
  if (required || form.read(place) !== undefined) addNeededGroups(form, place, depth + 1);
}
