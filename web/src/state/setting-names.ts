import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface NamesState {
  /** By controller, then by setting: what its own sheet calls it. */
  readonly byController: Readonly<Record<string, Readonly<Record<string, string>>>>;
  readonly name: (controller: string, key: string, name: string) => void;
}

/** Names that controllers have for their settings, kept in this browser for the next build with the same one. */
export const useSettingNames = create<NamesState>()(
  persist(
    (set, get) => ({
      byController: {},
      name: (controller, key, name) => {
        const all = get().byController;
        set({ byController: { ...all, [controller]: { ...all[controller], [key]: name } } });
      },
    }),
    { name: 'apple-cart-setting-names' },
  ),
);
