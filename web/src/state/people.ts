import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface PeopleState {
  /** Who works here, the last first. */
  readonly names: readonly string[];
  /** Who holds the tablet. */
  readonly who: string;
  readonly setWho: (who: string) => void;
  /** Somebody has written something: the name is offered from now on. */
  readonly remember: (who: string) => void;
}

/** So many names are remembered. */
const MOST = 12;

/** Names of the workshop, in this browser: who says what is written beside it. */
export const usePeople = create<PeopleState>()(
  persist(
    (set, get) => ({
      names: [],
      who: '',
      setWho: (who) => {
        set({ who });
      },
      remember: (who) => {
        const name = who.trim();
        set({ who: name, names: [name, ...get().names.filter((n) => n !== name)].slice(0, MOST) });
      },
    }),
    { name: 'apple-cart-people' },
  ),
);
