import type { AdapterDescription, Finding } from '@poietra/core';
import { create } from 'zustand';

/** What trying an input brought: the draft as behaviour speaks for it, and what was seen. */
export interface Tried {
  readonly adapter: AdapterDescription;
  readonly findings: readonly Finding[];
  readonly failed?: string | undefined;
}
interface TriedStore {
  readonly byKey: Readonly<Record<string, Tried>>;
  keep(key: string, tried: Tried): void;
  forget(key: string): void;
}

/** Kept while the page is open: an input is tried once for each version. */
export const useTried = create<TriedStore>()((set) => ({
  byKey: {},
  keep: (key, tried) => set(({ byKey }) => ({ byKey: { ...byKey, [key]: tried } })),
  forget: (key) =>
    set(({ byKey }) => ({ byKey: Object.fromEntries(Object.entries(byKey).filter(([name]) => name !== key)) })),
}));
