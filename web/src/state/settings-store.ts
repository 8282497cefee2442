import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { UnitSystem } from '@apple-cart/core';

interface Settings {
  readonly units: UnitSystem;
  /** They were chosen by hand: a place sets them no more. */
  readonly unitsChosen: boolean;
  readonly theme: 'light' | 'dark';
  /** Name and address of the workshop, as they stand on what it prints. */
  readonly shop: string;
  readonly setShop: (shop: string) => void;
  readonly setUnits: (units: UnitSystem) => void;
  /** What is usual in a place, until somebody chooses. */
  readonly usualUnits: (units: UnitSystem) => void;
  readonly toggleTheme: () => void;
}

/** Settings of this browser: they change how things are shown, never what a build says. */
export const useSettings = create<Settings>()(
  persist(
    (set, get) => ({
      units: 'metric',
      unitsChosen: false,
      theme: window.matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light',
      shop: '',
      setShop: (shop) => {
        set({ shop });
      },
      setUnits: (units) => {
        set({ units, unitsChosen: true });
      },
      usualUnits: (units) => {
        if (!get().unitsChosen) set({ units });
      },
      toggleTheme: () => {
        set({ theme: get().theme === 'dark' ? 'light' : 'dark' });
      },
    }),
    { name: 'apple-cart-settings' },
  ),
);

/** Puts the theme on the document, now and at every change. */
export function applyTheme(): void {
  const apply = (theme: Settings['theme']): void => {
    document.documentElement.dataset['theme'] = theme;
  };
  apply(useSettings.getState().theme);
  useSettings.subscribe((state) => {
    apply(state.theme);
  });
}
