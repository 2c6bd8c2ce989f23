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

/** A group or a list, of which not all members are drawn yet. */
interface Part {
  waits(): boolean;
  /** Draws what there is room for. */
  goOn(): void;
}
/** Whose turn it is in one form: the first in the page that waits. */
export interface Turns {
  /** @returns how many members of so many cells each may be drawn now. */
  take(members: number, cells: number): number;
  /** A part is in the page. */
  came(part: Part): void;
  /** Ends with the next turn; nothing where all is drawn. */
  next(): Promise<void> | undefined;
}

export function inTurns(): Turns {
  let left = atOnce;
  let queue: Part[] = [];
  /** What came while a turn was drawn lies within it, before all that waited already. */
  let found: Part[] = [];
  let timer: unknown;
  const heard: (() => void)[] = [];
  const turn = (): void => {
    queue = [...found, ...queue].filter((part) => part.waits());
    found = [];
    timer = queue[0] && setTimeout(turn);
    left = timer ? perTurn : atOnce;
    flushSync(() => queue.forEach((part) => part.goOn()));
    heard.splice(0).forEach((tell) => tell());
  };
  return {
    take(members, cells) {
      const given = Math.min(members, Math.ceil(Math.max(0, left) / cells));
      left -= given * cells;
      return given;
    },
    came(part) {
      found.push(part);
      timer ??= setTimeout(turn);
    },
    next: () => (timer ? new Promise((resolve) => heard.push(resolve)) : undefined),
  };
}

export const TurnsContext = createContext<Turns | undefined>(undefined);

/** How many of so many members are drawn by now, from the first on; each has so many cells. Outside of a form all of them. */
export function useTurns(count: number, cells = 1): number {
  const turns = useContext(TurnsContext);
  const [part] = useState(() => partOf(turns, Math.max(1, cells)));
  part.want(count);
  const drawn = useSyncExternalStore(part.follow, part.drawn, part.all);
  useEffect(() => turns?.came(part), [turns, part, count]);
  return drawn;
}

function partOf(turns: Turns | undefined, cells: number) {
  let [drawn, wanted] = [0, 0];
  let hearer: (() => void) | undefined;
  const grow = (): number => (drawn += turns ? turns.take(wanted - drawn, cells) : Infinity);
  const waits = (): boolean => hearer !== undefined && wanted > drawn;
  return {
    waits,
    want(count: number) {
      wanted = count;
      if (wanted > drawn) grow();
    },
    goOn: () => waits() && drawn < grow() && hearer?.(),
    follow(changed: () => void) {
      hearer = changed;
      return () => (hearer = undefined);
    },
    drawn: () => drawn,
    all: () => (drawn = Infinity),
  };
}
