import { create } from 'zustand';

export type Theme = 'light' | 'dark';
interface ViewStore {
  readonly theme: Theme;
  readonly paletteOpen: boolean;
  /** Said to the person once, and read out. */
  readonly notice: string;
  setTheme(theme: Theme): void;
  setPalette(open: boolean): void;
  say(notice: string): void;
}

const key = 'poietra-theme';
function keptTheme(): string | null {
  try {
    return localStorage.getItem(key);
  } catch {
    return null;
  }
}
function startTheme(): Theme {
  const kept = keptTheme();
  if (kept === 'light' || kept === 'dark') return kept;
  return matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light';
}

export const useView = create<ViewStore>()((set) => ({
  theme: startTheme(),
  paletteOpen: false,
  notice: '',
  setTheme(theme) {
    try {
      localStorage.setItem(key, theme);
    } catch {
      // A browser that keeps nothing shows the theme all the same.
    }
    document.documentElement.dataset['theme'] = theme;
    set({ theme });
  },
  setPalette: (paletteOpen) => set({ paletteOpen }),
  say: (notice) => set({ notice }),
}));
document.documentElement.dataset['theme'] = useView.getState().theme;
