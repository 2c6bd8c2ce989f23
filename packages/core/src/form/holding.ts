/** What a form holds: in its document what is in force, as it would be sent; beside it what places keep while they are not. */
import { signal } from '@preact/signals-core';
import { copyOf, parsePointer, type Pointer } from '../json/index.js';
import { FormDocument } from './document.js';
import { places, type Place } from './place.js';
import { Sending } from './sending.js';
import { snapshotOf } from './snapshot.js';
import type { LeftOver, Snapshot } from './types.js';

const yes = (): boolean => true;
const no = (): boolean => false;

/** The part of a form that reads and writes values; what follows from a change is told by the form. */
export abstract class Holding extends Sending {
  /** Changed in place. */
  protected readonly document = new FormDocument();
  protected abstract readonly root: Place;
  /** Grows whenever something has changed that those who watch the whole want to know. */
  readonly version = signal(0);
  abstract readonly keepsHidden: boolean;

  place(at: Pointer): Place {
    return parsePointer(at).reduce((place, token) => place.child(token), this.root);
  }
  read(place: Place): unknown {
    const keeper = this.marked.size > 0 ? place.keeper : undefined;
    return keeper ? keeper.kept?.read(place.at.slice(keeper.at.length)) : this.document.read(place.at);
  }
  protected known(at: Pointer): Place | undefined {
    let place: Place | undefined = this.root;
    for (const token of parsePointer(at)) place = place?.children.get(token);
    return place;
  }

  /** Writes a value where the place has its own: in the document, or where it is kept. */
  protected write(place: Place, value: unknown): Pointer {
    const { keeper } = place;
    const from = keeper?.at.length ?? 0;
    return (keeper?.kept ?? this.document).write(
      place.at.slice(from),
      value,
      (where) => {
        const around = this.place(place.at.slice(0, from) + where);
        return around.required || around.isOwnName;
      },
      (where) => this.place(place.at.slice(0, from) + where).isList,
    );
  }

  /** The value at a place and all that is kept inside it, as a copy. */
  whole(place: Place): unknown {
    let whole = copyOf(this.read(place));
    if (place.keeper) return whole;
    for (const { kept, at } of this.marked) {
      if (kept?.root === undefined || !(at === place.at || at.startsWith(`${place.at}/`))) continue;
      const document: FormDocument = new FormDocument(whole);
      document.write(at.slice(place.at.length), copyOf(kept.root), yes, no);
      whole = document.root;
    }
    return whole;
  }

  sent(): unknown {
    void this.version.value;
    return this.keepsHidden ? this.whole(this.root) : copyOf(this.document.root);
  }
  get leftOver(): readonly LeftOver[] {
    return this.#kept(true);
  }
  get aside(): readonly LeftOver[] {
    return this.#kept(false);
  }
  #kept(isLeftOver: boolean): LeftOver[] {
    void this.version.value;
    return [...this.marked].flatMap((place) =>
      place.kept?.root !== undefined && place.isLeftOver === isLeftOver
        ? [{ at: place.at, value: copyOf(place.kept.root), isAllowed: place.applied.length === 0 }]
        : [],
    );
  }

  snapshot(): Snapshot {
    return snapshotOf(places(this.root), this.whole(this.root));
  }
}
