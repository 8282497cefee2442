import { create } from 'zustand';
import type { PlaceRules, RuleBook } from '@apple-cart/core';
import { api, type BrokenRules, type ListedRules } from './api.ts';

interface RulesState {
  /** The rules in force; undefined until they have been read. */
  readonly book: RuleBook | undefined;
  readonly listed: readonly ListedRules[];
  /** Stored files that cannot be used. */
  readonly broken: readonly BrokenRules[];
  readonly error: string | undefined;
  readonly load: () => Promise<void>;
  readonly save: (rules: PlaceRules, baseVersion: number) => Promise<ListedRules>;
  readonly remove: (id: string) => Promise<void>;
  readonly restore: (id: string) => Promise<void>;
}

/** The rule book as the server has it: what ships, corrected and added to. */
export const useRules = create<RulesState>()((set, get) => ({
  book: undefined,
  listed: [],
  broken: [],
  error: undefined,

  async load() {
    try {
      const { places, broken } = await api.rules();
      set({ book: places.map((p) => p.rules), listed: places, broken, error: undefined });
    } catch (problem) {
      set({ error: problem instanceof Error ? problem.message : 'The rules cannot be read.' });
    }
  },

  async save(rules, baseVersion) {
    const stored = await api.saveRules(rules, baseVersion);
    await get().load();
    return stored;
  },

  async remove(id) {
    await api.removeRules(id);
    await get().load();
  },

  async restore(id) {
    await api.restoreRules(id);
    await get().load();
  },
}));

const NONE: RuleBook = [];

/** The book in force, outside of React; empty before it has been read. */
export const bookInForce = (): RuleBook => useRules.getState().book ?? NONE;
/** The book in force; a page that shows verdicts is drawn anew when it changes. */
export const useBook = (): RuleBook => useRules((state) => state.book) ?? NONE;
