import { useEffect } from 'react';
import { create } from 'zustand';
import type { Part, PartOf, PartType } from '@apple-cart/core';
import { api, type StoredPart } from './api.ts';

interface ShelfState {
  /** Undefined until the shelf has been read. */
  readonly parts: readonly StoredPart[] | undefined;
  readonly error: string | undefined;
  readonly load: () => Promise<void>;
  /** Throws what the server said, with its issues. */
  readonly save: (part: Part, baseVersion: number | null) => Promise<void>;
  readonly remove: (id: string) => Promise<void>;
  readonly takeIn: (parts: readonly unknown[]) => Promise<{ added: number; replaced: number }>;
}

/** The parts shelf as the server has it. */
export const useShelfStore = create<ShelfState>()((set, get) => ({
  parts: undefined,
  error: undefined,

  async load() {
    try {
      set({ parts: await api.parts(), error: undefined });
    } catch (problem) {
      set({ error: problem instanceof Error ? problem.message : 'The shelf cannot be read.' });
    }
  },

  async save(part, baseVersion) {
    await api.savePart(part, baseVersion);
    await get().load();
  },

  async remove(id) {
    await api.removePart(id);
    await get().load();
  },

  async takeIn(parts) {
    const done = await api.takeInParts(parts);
    await get().load();
    return done;
  },
}));

/** Reads the shelf once it is needed. */
export function useShelf(): Pick<ShelfState, 'parts' | 'error' | 'load'> {
  const { parts, error, load } = useShelfStore();
  useEffect(() => {
    if (parts === undefined && error === undefined) void load();
  }, [parts, error, load]);
  return { parts, error, load };
}

/** Parts of one type. */
export const ofType = <T extends PartType>(
  parts: readonly StoredPart[] | undefined,
  type: T,
): readonly PartOf<T>[] => (parts ?? []).map((s) => s.part).filter((p): p is PartOf<T> => p.type === type);
