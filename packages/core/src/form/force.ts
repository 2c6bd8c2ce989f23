/**
 * Which places are in force. A place is in force when a schema in force speaks of it and every condition from the root
 * to it holds: those of the schema (`if`, `dependentSchemas`, branches) and those of hints.
 *
 * The document holds only what is in force, so that what is checked is what is sent. The value of a place that goes out
 * of force moves aside, to `Place.kept`; it moves back when the place returns. Conditions are watched: `touched` notes
 * which of them may have changed, `settle` asks those again and moves values, until no verdict changes any more.
 */
import { untracked } from '@preact/signals-core';
import { ownMember, type Pointer } from '../json/index.js';
import { appliedBelow, namesMembers, requiring, type Applied } from '../schema/index.js';
import { ancestor } from './described.js';
import type { Place, Span, Watch } from './place.js';

/** A verdict that changes more often than this while settling depends on itself. */
const mostTurns = 20;

/** A condition of hints, and the places that its expression looks at. */
export interface HintCondition {
  holds(): boolean;
  readonly looksAt: readonly Place[];
}

interface Conditions {
  /** The conditions that hints set for a place. */
  conditionsAt(place: Place): readonly HintCondition[];
  /** Makes the places in a value that such conditions speak of. */
  reveal(place: Place): void;
}

interface Around {
  read(place: Place): unknown;
  /** Moves the value aside, or back into the document. */
  move(place: Place, isInForce: boolean): void;
  readonly expressions: Conditions | undefined;
  trouble(at: Pointer, says: string): void;
}

export class Force {
  readonly #pending = new Set<Watch>();
  #isSettling = false;

  constructor(private readonly form: Around) {}

  /**
   * A place was made: its conditions are watched from now on, if it has any.
   * @returns whether it is in force, or `undefined` where it always is when the object around it is.
   */
  join(place: Place): boolean | undefined {
    const { parent } = place;
    if (!parent) return undefined;
    const hints = this.form.expressions?.conditionsAt(place) ?? [];
    // Positions of a list stay: an entry that were left out would move all those behind it.
    const isSettled = Array.isArray(this.form.read(parent)) || isAlways(parent.applied, place.applied, place.key);
    if (hints.length === 0 && isSettled) return undefined;
    if (!isSettled) {
      const watch =
        (from: Place) =>
        ({ when }: Applied) => {
          for (const { about, up } of when) {
            const above = ancestor(from, up);
            this.#watch([above], about, place, () => above.verdict(about).peek());
          }
        };
      place.applied.forEach(watch(place));
      // What is needed is in force, too, whoever else speaks of it.
      requiring(parent.applied, place.key).forEach(watch(parent));
    }
    for (const hint of hints) this.#watch(hint.looksAt, hint, place, () => hint.holds());
    place.decide = () => (isSettled || untracked(() => place.isSpokenOf)) && hints.every((hint) => hint.holds());
    return place.decide();
  }

  #watch(places: readonly Place[], about: object | string, dependent: Place, holds: () => boolean): void {
    const known = places[0]?.watches.get(about);
    const watch = known ?? { holds, last: holds(), dependents: new Set<Place>(), turns: 0 };
    watch.dependents.add(dependent);
    for (const place of places) place.watches.set(about, watch);
  }

  /** Something at or below a place has changed. */
  touched(place: Place): void {
    for (const watch of place.watches.values()) this.#pending.add(watch);
  }

  /** Moves values until every place is where its conditions want it. */
  settle(): void {
    if (this.#isSettling || this.#pending.size === 0) return;
    this.#isSettling = true;
    const turned = new Set<Watch>();
    try {
      for (const watch of this.#pending) {
        this.#pending.delete(watch);
        const holds = watch.holds();
        if (holds === watch.last) continue;
        if (watch.turns++ > mostTurns) {
          const [one] = watch.dependents;
          this.form.trouble(one?.at ?? '', 'Conditions in a circle.');
          continue;
        }
        watch.last = holds;
        turned.add(watch);
        for (const place of watch.dependents) this.renew(place);
      }
    } finally {
      for (const watch of turned) watch.turns = 0;
      this.#isSettling = false;
    }
  }

  /** Asks the conditions of one place again. */
  renew(place: Place): void {
    const isInForce = place.decide?.() ?? true;
    if (isInForce !== place.holdsItself) this.form.move(place, isInForce);
  }

  /** Makes the places inside a new value, or inside some of its entries, that may be out of force, so that their conditions are watched. */
  discover(place: Place, span?: Span): void {
    const value = this.form.read(place);
    if (typeof value !== 'object' || value === null) return;
    this.#look(place.applied, value, Object.keys(value).slice(...(span ?? [])), () => place);
    this.form.expressions?.reveal(place);
    for (const child of place.made(span)) this.#renewAll(child);
  }
  #renewAll(place: Place): void {
    if (place.decide) this.renew(place);
    for (const child of place.children.values()) this.#renewAll(child);
  }

  #look(at: readonly Applied[], value: object, names: readonly string[], place: () => Place): void {
    const isList = Array.isArray(value);
    for (const name of names) {
      const member = ownMember(value, name);
      const below = appliedBelow(at, isList ? Number(name) : name);
      let made: Place | undefined;
      const child = (): Place => (made ??= place().child(name));
      if (!isList && !isAlways(at, below, name)) child();
      if (typeof member === 'object' && member !== null) this.#look(below, member, Object.keys(member), child);
    }
  }
}

const speaks = ({ node }: Applied): boolean => node.raw !== false;

/** Whether a member is in force whenever the object around it is. */
function isAlways(around: readonly Applied[], own: readonly Applied[], name: string): boolean {
  const speaking = own.filter(speaks);
  if (speaking.length === 0) return !namesMembers(around) || requiring(around, name).length > 0;
  if (speaking.some(({ when }) => when.length === 0)) return true;
  // Each way in which the object is there has to speak of the member, without asking for more.
  return around.every(
    (outer) =>
      !speaks(outer) ||
      speaking.some(
        ({ when }) =>
          when.length === outer.when.length &&
          when.every(({ about, up }, i) => about === outer.when[i]?.about && up === outer.when[i].up + 1),
      ),
  );
}
