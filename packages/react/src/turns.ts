/**
 * Long forms are drawn in turns: what one sees first at once, the rest a little at a time, so that the page is there early
 * and answers in between. On a server, and where a page takes over what a server drew, all of it is drawn at once.
 */
import { createContext, useContext, useEffect, useState, useSyncExternalStore } from 'react';
import { flushSync } from 'react-dom';

/** Cells that are drawn at once: more than a screen holds, and all of most forms. */
const atOnce = 200;
/** Cells of one turn: some ten milliseconds, and forty on a phone. */
const perTurn = 40;

/** A group or a list, of which so many members are drawn by now. */
class Part {
  drawn = 0;
  wanted = 0;
  tell = (): void => undefined;

  constructor(
    readonly turns: Turns | undefined,
    /** How many cells one member has. */
    readonly cells: number,
  ) {}

  /** What there is room for is drawn at once. */
  want(count: number): void {
    if (count > this.wanted) this.grow(count);
    this.wanted = count;
  }
  grow(upTo: number): void {
    if (upTo > this.drawn) this.drawn += this.turns?.take(upTo - this.drawn, this.cells) ?? Infinity;
  }
  follow = (changed: () => void): (() => void) => {
    this.tell = changed;
    return () => undefined;
  };
  drawnByNow = (): number => this.drawn;
  all = (): number => (this.drawn = Infinity);
  came = (): (() => void) | undefined => this.turns?.came(this);
}

/** Whose turn it is in one form: the first in the page that waits. */
export class Turns {
  #left = atOnce;
  #queue: Part[] = [];
  /** What came while a turn was drawn lies within it, before all that waited already. */
  #found: Part[] = [];
  #timer: ReturnType<typeof setTimeout> | undefined;

  /** @returns how many members of so many cells each may be drawn now. */
  take(members: number, cells: number): number {
    const given = Math.min(members, Math.ceil(Math.max(0, this.#left) / cells));
    this.#left -= given * cells;
    return given;
  }

  /** A part is in the page. @returns what is to be called when it is there no longer. */
  came(part: Part): () => void {
    if (part.drawn < part.wanted) this.#found.push(part);
    this.#timer ??= setTimeout(this.#next);
    return () => {
      const isOther = (one: Part): boolean => one !== part;
      this.#queue = this.#queue.filter(isOther);
      this.#found = this.#found.filter(isOther);
    };
  }

  #next = (): void => {
    this.#timer = undefined;
    this.#queue.unshift(...this.#found);
    this.#found = [];
    if (this.#queue.length === 0) {
      this.#left = atOnce;
      return;
    }
    // Where nobody looks, there is nothing to answer, and timers are slow.
    this.#left = document.hidden ? Infinity : perTurn;
    const drawn: Part[] = [];
    for (let part = this.#queue[0]; part && this.#left > 0; part = this.#queue[0]) {
      part.grow(part.wanted);
      drawn.push(part);
      if (part.drawn < part.wanted) break;
      this.#queue.shift();
    }
    this.#timer = setTimeout(this.#next);
    flushSync(() => drawn.forEach(({ tell }) => tell()));
  };
}

export const TurnsContext = createContext<Turns | undefined>(undefined);

/** How many of so many members are drawn by now, from the first on; each has so many cells. Outside of a form all of them. */
export function useTurns(count: number, cells = 1): number {
  const turns = useContext(TurnsContext);
  const [part] = useState(() => new Part(turns, cells));
  part.want(count);
  const drawn = useSyncExternalStore(part.follow, part.drawnByNow, part.all);
  useEffect(() => part.came(), [part, count]);
  return drawn;
}
