import type { DraftedSkin } from '@poietra/core';
import { create } from 'zustand';

interface DraftedSkins {
  readonly byName: Readonly<Record<string, Omit<DraftedSkin, 'skin'>>>;
  keep(name: string, drafted: DraftedSkin): void;
}

/** What spoke for a drafted skin, by its name; kept while the page is open. */
export const useDraftedSkins = create<DraftedSkins>()((set) => ({
  byName: {},
  keep: (name, { findings, passedOver }) =>
    set(({ byName }) => ({ byName: { ...byName, [name]: { findings, passedOver } } })),
}));
