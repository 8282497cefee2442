import { createContext, useContext } from 'react';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { sectionOf, type QuantityPath, type Source } from '@apple-cart/core';

/** Where a value that somebody types comes from. */
export type TypedSource = Exclude<Source, 'unknown'>;

interface TypedAs {
  /** By section of the build, as it was answered once. */
  readonly as: Readonly<Partial<Record<string, TypedSource>>>;
  /** The field under which it is being asked. */
  readonly askAt: QuantityPath | undefined;
  readonly ask: (path: QuantityPath) => void;
  readonly answer: (path: QuantityPath, source: TypedSource) => void;
}

/** The pack's sections are one. */
const sectionFor = (path: QuantityPath): string => sectionOf(path).split('.')[0] ?? '';

export const useTypedAs = create<TypedAs>()(
  persist(
    (set, get) => ({
      as: {},
      askAt: undefined,
      ask: (askAt) => {
        set({ askAt });
      },
      answer: (path, source) => {
        set({ as: { ...get().as, [sectionFor(path)]: source }, askAt: undefined });
      },
    }),
    { name: 'apple-cart-typed-as', partialize: ({ as }) => ({ as }) },
  ),
);

/** A sheet whose values all come from one place says so at its head, and nothing is asked. */
const SheetSource = createContext<TypedSource | undefined>(undefined);
export const SheetSourceIs = SheetSource.Provider;

/** What a typed value of a quantity is marked as; undefined where it has not been said yet. */
export function useTypedSource(path: QuantityPath): TypedSource | undefined {
  const sheet = useContext(SheetSource);
  const own = useTypedAs((state) => state.as[sectionFor(path)]);
  return sheet ?? own;
}
