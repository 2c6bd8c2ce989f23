import { create } from 'zustand';

/** Where one is on the way along one value: not asked yet, at a stop, or not on it. */
export type WayState = 'offered' | 'left' | number;
interface WayStore {
  readonly at: WayState;
  go(at: WayState): void;
}

const key = 'poietra-way';
function kept(): WayState {
  try {
    const text = localStorage.getItem(key);
    if (text === null) return 'offered';
    return /^\d$/.test(text) ? Number(text) : 'left';
  } catch {
    return 'offered';
  }
}

/** Kept in this browser: it is offered once, and goes on after a reload. */
export const useWay = create<WayStore>()((set) => ({
  at: kept(),
  go: (at) => {
    try {
      localStorage.setItem(key, String(at));
    } catch {
      // A browser that keeps nothing is offered the way again.
    }
    set({ at });
  },
}));
